<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** Puts the keys of an object in the order of its shape, unknown ones after, so that files come out the same. */
final class Order
{
    /**
     * @param  array<string, mixed>  $fields
     * @param  list<Field>  $shape
     * @return array<string, mixed>
     */
    public static function of(array $fields, array $shape): array
    {
        $ordered = [];
        foreach ($shape as $field) {
            if (array_key_exists($field->name, $fields)) {
                $ordered[$field->name] = $fields[$field->name];
            }
        }

        return $ordered + $fields;
    }
}
