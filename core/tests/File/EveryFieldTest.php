<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\Field;
use ZincThimble\Core\File\FieldType;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Gear\Kind;

/** Every field of every kind, one by one: what it takes, and that whatever it doesn't take is named with its place. */
final class EveryFieldTest extends TestCase
{
    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_the_fields_that_are_needed_are_enough_and_none_of_them_can_be_left_out(Kind $kind): void
    {
        $least = self::least($kind);
        $this->assertSame([], self::faults($kind, $least));
        foreach (Shapes::part($kind) as $field) {
            if ($field->needed) {
                $this->assertSame([self::at($kind).'/'.$field->name], self::faults($kind, array_diff_key($least, [$field->name => 0])), $field->name);
                $this->assertSame([self::at($kind).'/'.$field->name], self::faults($kind, [$field->name => null] + $least), $field->name.' null');
            }
        }
    }

    #[DataProvider('kinds')]
    public function test_every_field_takes_its_bounds_and_nothing_beyond_them(Kind $kind): void
    {
        $seen = 0;
        foreach (Shapes::part($kind) as $field) {
            if (($field->type !== FieldType::Number && $field->type !== FieldType::Integer) || $field->least === null || $field->greatest === null) {
                continue;
            }
            $step = $field->type === FieldType::Integer ? 1 : 1e-3;
            $outside = [$field->least - $step, $field->greatest + $step];
            if ($field->type === FieldType::Number && $field->least <= 0.0) {
                array_push($outside, 1e-10, -1e-10, 5e-324);
            } elseif ($field->least < 1.0) {
                array_push($outside, 0, 1e-300, 1e-320);
            }
            if ($field->notZero) {
                $outside[] = 0;
            }
            foreach ($outside as $value) {
                $this->assertContains(self::at($kind).'/'.$field->name, self::faults($kind, [$field->name => $value] + self::least($kind)), $field->name.' = '.$value);
            }
            foreach ([$field->least, $field->greatest] as $value) {
                $value = $field->type === FieldType::Integer ? (int) $value : $value;
                // Another rule may still object to how two figures go together, but not to this figure's own range.
                foreach (self::messages($kind, [$field->name => $value] + self::least($kind)) as $pointer => $message) {
                    $this->assertStringNotContainsString('should be from', $pointer === self::at($kind).'/'.$field->name ? $message : '', $field->name.' = '.$value);
                }
            }
            $seen++;
        }
        $this->assertGreaterThan(0, $seen);
    }

    #[DataProvider('kinds')]
    public function test_a_value_of_another_type_is_named_and_never_passed_on(Kind $kind): void
    {
        foreach (Shapes::part($kind) as $field) {
            foreach (self::misfits($field) as $value) {
                $faults = self::faults($kind, [$field->name => $value] + self::least($kind));
                $this->assertNotSame([], $faults, $field->name.' took '.json_encode($value));
                foreach ($faults as $pointer) {
                    $this->assertStringStartsWith(self::at($kind).'/'.$field->name, $pointer, $field->name.' given '.json_encode($value));
                }
            }
        }
    }

    #[DataProvider('kinds')]
    public function test_nested_fields_are_checked_like_the_ones_outside(Kind $kind): void
    {
        $nested = array_filter(Shapes::part($kind), static fn (Field $field): bool => $field->type === FieldType::Object || $field->type === FieldType::Objects);
        foreach ($nested as $outer) {
            foreach ($outer->fields as $field) {
                $inner = [];
                foreach ($outer->fields as $other) {
                    if ($other->needed) {
                        $inner[$other->name] = self::taken($other);
                    }
                }
                $spoilt = (object) ([$field->name => self::misfits($field)[0]] + $inner);
                $list = $outer->type === FieldType::Objects;
                $faults = self::faults($kind, [$outer->name => $list ? [$spoilt] : $spoilt] + self::least($kind));
                $place = self::at($kind).'/'.$outer->name.($list ? '/0' : '').'/'.$field->name;
                $this->assertNotSame([], array_filter($faults, static fn (string $pointer): bool => str_starts_with($pointer, $place)), $place);
            }
        }
        // Kinds without nested fields have nothing more to say.
        $this->addToAssertionCount(1);
    }

    private static function at(Kind $kind): string
    {
        return $kind === Kind::Camera ? '/cameras/0' : '/parts/0';
    }

    /** @return array<string, mixed> */
    private static function least(Kind $kind): array
    {
        $least = $kind === Kind::Camera ? [] : ['kind' => $kind->value];
        foreach (Shapes::part($kind) as $field) {
            if ($field->needed) {
                $least[$field->name] = self::taken($field);
            }
        }

        return $least;
    }

    /** A value that the field takes, of needed fields only. */
    private static function taken(Field $field): mixed
    {
        return match ($field->type) {
            FieldType::Number => min(max(20.0, (float) $field->least), (float) $field->greatest),
            FieldType::Integer => (int) $field->least,
            FieldType::Text => 'x',
            FieldType::Flag => true,
            FieldType::Choice => $field->words[0],
            FieldType::Choices => [$field->words[0]],
            FieldType::Joint => 'thread:52x0.75',
            FieldType::Joints => ['thread:52x0.75'],
            FieldType::HalfWidths => (object) [],
            FieldType::Object => (object) array_map(self::taken(...), array_column(array_map(static fn (Field $each): array => [$each->name, $each], array_filter($field->fields, static fn (Field $each): bool => $each->needed)), 1, 0)),
            FieldType::Objects => [],
        };
    }

    /** @return non-empty-list<mixed> values that no field of that type takes */
    private static function misfits(Field $field): array
    {
        return match ($field->type) {
            FieldType::Number => ['5', true, [1], (object) []],
            FieldType::Integer => ['5', 1.5, false, [1]],
            FieldType::Text => [5, true, ['x'], "bell\x07", str_repeat('x', 2001)],
            FieldType::Flag => ['true', 1, 0, []],
            FieldType::Choice => ['neither of them', 3, ['x'], true],
            FieldType::Choices => [['neither of them'], 7, (object) ['a' => 1]],
            FieldType::Joint => ['thread:fifty', 'thread:0x1', 52, ['larch']],
            FieldType::Joints => [['thread:fifty'], 5, (object) ['a' => 'larch']],
            FieldType::HalfWidths => [5, 'x', (object) ['focalLengthMm' => -1], (object) ['focalLengthMm' => 'x']],
            FieldType::Object => [5, 'x', true],
            FieldType::Objects => [5, 'x', [5], (object) ['a' => 1]],
        };
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return list<string> pointers
     */
    private static function faults(Kind $kind, array $fields): array
    {
        return array_keys(self::messages($kind, $fields));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, string> messages by pointer
     */
    private static function messages(Kind $kind, array $fields): array
    {
        $document = (object) ['format' => KitFile::FORMAT, 'version' => 1, $kind === Kind::Camera ? 'cameras' : 'parts' => [(object) $fields]];
        try {
            KitFile::read($document);
        } catch (FileInvalid $invalid) {
            return array_column(array_map(static fn ($fault): array => [$fault->pointer, $fault->message], $invalid->faults), 1, 0);
        }

        return [];
    }
}
