<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kit;

/**
 * One key for each thing of a kit, by which it is known again wherever it turns up: as the search gives it, turned round, or out of a rig's
 * file. Known by its id, else by kind and name.
 */
final readonly class KitKeys
{
    /**
     * @param  array<string, string>  $keys  key by each way in which a thing names itself
     * @param  array<string, Camera|Item>  $things
     * @param  array<string, int>  $counts  how many of each are owned
     * @param  array<string, string>  $keptOn  key of the part that it is kept on
     */
    private function __construct(private string $id, private array $keys, public array $things, public array $counts, public array $keptOn)
    {
    }

    /** @param  string  $id  the field by which a thing says which one it is; `id` in files */
    public static function of(Kit $kit, string $id = 'id'): self
    {
        $keys = $things = $counts = $keptOn = [];
        foreach ($kit->owned as $n => $owned) {
            $key = 'k'.$n;
            $things[$key] = $owned->thing;
            $counts[$key] = $owned->count;
            foreach (self::names($owned->thing, $id) as $name) {
                $keys[$name] ??= $key;
            }
        }
        foreach ($things as $key => $thing) {
            $on = $thing->document->stringOrNull('marriedTo');
            if ($on !== null && isset($keys['id '.$on])) {
                $keptOn[$key] = $keys['id '.$on];
            }
        }

        return new self($id, $keys, $things, $counts, $keptOn);
    }

    /** Its key; null = it isn't in the kit. */
    public function keyOf(Camera|Item $thing): ?string
    {
        foreach (self::names($thing, $this->id) as $name) {
            if (isset($this->keys[$name])) {
                return $this->keys[$name];
            }
        }

        return null;
    }

    /** The key of what somebody names: by its id, else by its name. */
    public function named(string $name): ?string
    {
        if (isset($this->keys['id '.$name])) {
            return $this->keys['id '.$name];
        }
        foreach ($this->things as $key => $thing) {
            if (self::label($thing) === $name) {
                return $key;
            }
        }

        return null;
    }

    /** The id of what goes by that key; null = it has none, or isn't in the kit. */
    public function id(string $key): ?string
    {
        $id = ($this->things[$key] ?? null)?->document->fields[$this->id] ?? null;

        return is_int($id) || is_string($id) ? (string) $id : null;
    }

    /** What it is called. */
    public static function label(Camera|Item $thing): string
    {
        return $thing instanceof Camera ? $thing->name ?? 'Camera' : $thing->label();
    }

    /** @return list<string> the surest first */
    private static function names(Camera|Item $thing, string $field): array
    {
        $id = $thing->document->fields[$field] ?? null;

        return [
            ...(is_int($id) || is_string($id) ? ['id '.$id] : []),
            ($thing instanceof Camera ? 'camera' : $thing->kind->value).' '.self::label($thing),
        ];
    }
}
