<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * The validated fields of one object of a file, read by name and type.
 *
 * The file layer has already checked types and ranges. A number that is none throws; of other types what isn't there, and what is
 * something else, are both absent.
 */
final readonly class Values
{
    /** @param  array<string, mixed>  $fields */
    public function __construct(public array $fields)
    {
    }

    /** A number as a float; absent, or no number, it throws an InvalidFigure that names it. */
    public function float(string $name): float
    {
        return $this->floatOrNull($name) ?? throw InvalidFigure::because($name, 'is needed');
    }

    /** A number as a float, or the one given where the field is absent; what is no number throws. */
    public function floatOr(string $name, float $default): float
    {
        return $this->floatOrNull($name) ?? $default;
    }

    /** A number as a float, null where the field is absent; what is no number throws. */
    public function floatOrNull(string $name): ?float
    {
        $value = $this->fields[$name] ?? null;
        if ($value === null) {
            return null;
        }
        if (! is_int($value) && ! is_float($value)) {
            throw InvalidFigure::because($name, 'is not a number');
        }

        return (float) $value;
    }

    /** A number rounded to a whole one, or the one given where the field is absent; what is no number throws. */
    public function intOr(string $name, int $default): int
    {
        return (int) round($this->floatOr($name, (float) $default));
    }

    /** A text, null where there is none of that name. */
    public function stringOrNull(string $name): ?string
    {
        $value = $this->fields[$name] ?? null;

        return is_string($value) ? $value : null;
    }

    /** A text, or the one given where there is none of that name. */
    public function stringOr(string $name, string $default): string
    {
        return $this->stringOrNull($name) ?? $default;
    }

    /** True or false, null where there is neither under that name. */
    public function boolOrNull(string $name): ?bool
    {
        $value = $this->fields[$name] ?? null;

        return is_bool($value) ? $value : null;
    }

    /** True or false, or what is given where there is neither under that name. */
    public function boolOr(string $name, bool $default): bool
    {
        return $this->boolOrNull($name) ?? $default;
    }

    /** @return list<string> */
    public function strings(string $name): array
    {
        $value = $this->fields[$name] ?? null;

        return is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
    }

    /** The nested object of that name, empty when there is none. */
    public function object(string $name): self
    {
        return new self(self::asObject($this->fields[$name] ?? null));
    }

    /** Whether the field is there, whatever it holds. */
    public function has(string $name): bool
    {
        return ($this->fields[$name] ?? null) !== null;
    }

    /** These fields, nested ones too, under those of another object. */
    public function overlaid(self $other): self
    {
        $fields = $other->fields + $this->fields;
        foreach ($other->fields as $name => $value) {
            if (is_array($value) && ! array_is_list($value) && isset($this->fields[$name])) {
                $fields[$name] = $this->object($name)->overlaid($other->object($name))->fields;
            }
        }

        return new self($fields);
    }

    /** @return list<self> */
    public function objects(string $name): array
    {
        $value = $this->fields[$name] ?? null;
        if (! is_array($value)) {
            return [];
        }

        return array_map(static fn (mixed $item): self => new self(self::asObject($item)), array_values($value));
    }

    /** @return array<string, mixed> */
    private static function asObject(mixed $value): array
    {
        $fields = [];
        if (is_array($value)) {
            foreach ($value as $key => $item) {
                $fields[(string) $key] = $item;
            }
        }

        return $fields;
    }
}
