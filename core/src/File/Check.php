<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;

/**
 * Holds the objects of a file to the shapes of version 1 and gathers every fault with its place. Unknown keys pass
 * untouched; null is the same as absent.
 */
final class Check
{
    /** @var list<Fault> */
    private array $faults = [];

    /** @return list<Fault> */
    public function faults(): array
    {
        return $this->faults;
    }

    /** Notes one fault at a JSON pointer. */
    public function fault(string $pointer, string $message): void
    {
        $this->faults[] = new Fault($pointer, $message);
    }

    /** @throws FileInvalid when anything was wrong so far */
    public function throwIfFaulty(): void
    {
        if ($this->faults !== []) {
            throw new FileInvalid($this->faults);
        }
    }

    /**
     * The object at a place, its known fields checked, nulls left out, everything in the order of the shape and unknown
     * keys after that.
     *
     * @param  list<Field>  $fields
     * @param  array<string, list<Field>>  $elsewhere  names that mean something in other objects of that sort, and what
     * @return array<string, mixed>
     */
    public function object(mixed $value, array $fields, string $pointer, array $elsewhere = []): array
    {
        if (! $value instanceof \stdClass) {
            $this->fault($pointer, 'should be an object, is '.self::told($value));

            return [];
        }
        $given = get_object_vars($value);
        $kept = [];
        foreach ($fields as $field) {
            $item = $given[$field->name] ?? null;
            unset($given[$field->name]);
            if ($item === null) {
                if ($field->needed) {
                    $this->fault($pointer.'/'.$field->name, 'is needed and missing');
                }

                continue;
            }
            $read = $this->field($item, $field, $pointer.'/'.$field->name);
            // An empty object says nothing, and would be written as an empty list.
            if ($read !== [] || ! in_array($field->type, [FieldType::Object, FieldType::HalfWidths], true)) {
                $kept[$field->name] = $read;
            }
        }
        foreach ($given as $key => $item) {
            if ($item !== null) {
                $this->meansTheSame($item, $elsewhere[$key] ?? [], $pointer.'/'.self::escape((string) $key));
                $kept[(string) $key] = $item;
            }
        }

        return $kept;
    }

    /**
     * A name of the format on an object that has no use for it is kept, as long as it is what that name means somewhere.
     *
     * @param  list<Field>  $meanings
     */
    private function meansTheSame(mixed $item, array $meanings, string $pointer): void
    {
        $first = [];
        foreach ($meanings as $field) {
            $try = new self;
            $try->field($item, $field, $pointer);
            if ($try->faults === []) {
                return;
            }
            $first = $first === [] ? $try->faults : $first;
        }
        array_push($this->faults, ...$first);
    }

    /** @return list<mixed> */
    public function list(mixed $value, string $pointer): array
    {
        if (! is_array($value)) {
            $this->fault($pointer, 'should be a list, is '.self::told($value));

            return [];
        }

        return array_values($value);
    }

    /** @return list<mixed> */
    private function few(mixed $value, string $pointer): array
    {
        $list = $this->list($value, $pointer);
        if (count($list) > Field::MOST_IN_LIST) {
            $this->fault($pointer, 'has more than '.Field::MOST_IN_LIST.' entries');

            return [];
        }

        return $list;
    }

    private function field(mixed $value, Field $field, string $pointer): mixed
    {
        switch ($field->type) {
            case FieldType::Number:
            case FieldType::Integer:
                return $this->number($value, $field, $pointer);
            case FieldType::Text:
                return $this->text($value, (int) ($field->greatest ?? Field::MOST_TEXT), $pointer);
            case FieldType::Flag:
                if (! is_bool($value)) {
                    $this->fault($pointer, 'should be true or false, is '.self::told($value));
                }

                return $value;
            case FieldType::Choice:
                return $this->choice($value, $field, $pointer);
            case FieldType::Choices:
                // A single word may stand for a list of one.
                $words = is_string($value) ? [$value] : $this->list($value, $pointer);
                foreach ($words as $i => $word) {
                    $this->choice($word, $field, $pointer.'/'.$i);
                }

                return $words;
            case FieldType::Joint:
                return $this->joint($value, $pointer);
            case FieldType::Joints:
                $joints = $this->few($value, $pointer);

                return array_map(fn (mixed $joint, int $i): mixed => $this->joint($joint, $pointer.'/'.$i), $joints, array_keys($joints));
            case FieldType::Texts:
                $most = (int) ($field->greatest ?? Field::MOST_TEXT);
                $texts = $this->few($value, $pointer);

                return array_map(fn (mixed $text, int $i): mixed => $this->text($text, $most, $pointer.'/'.$i), $texts, array_keys($texts));
            case FieldType::Object:
                return $this->object($value, $field->fields, $pointer);
            case FieldType::Objects:
                $objects = [];
                foreach ($this->few($value, $pointer) as $i => $item) {
                    $objects[] = $this->object($item, $field->fields, $pointer.'/'.$i);
                }

                return $objects;
            case FieldType::HalfWidths:
                return $this->halfWidths($value, $pointer);
        }
    }

    private function number(mixed $value, Field $field, string $pointer): mixed
    {
        if (! is_int($value) && ! is_float($value)) {
            $this->fault($pointer, 'should be a number, is '.self::told($value));

            return 0.0;
        }
        if (is_float($value) && ! is_finite($value)) {
            $this->fault($pointer, 'is too large a number');

            return 0.0;
        }
        if ($field->type === FieldType::Integer && (float) $value !== floor((float) $value)) {
            $this->fault($pointer, 'should be a whole number, is '.self::told($value));
        }
        $least = $field->least ?? -INF;
        $greatest = $field->greatest ?? INF;
        if ($value < $least || $value > $greatest) {
            $this->fault($pointer, sprintf('is %s, should be from %s to %s', self::told($value), self::figure($least), self::figure($greatest)));
        } elseif ((float) $value !== 0.0 && abs($value) < Field::LEAST_NUMBER) {
            $this->fault($pointer, sprintf('is %s, too small a number to mean anything', self::told($value)));
        } elseif ($field->notZero && (float) $value === 0.0) {
            $this->fault($pointer, 'should not be 0');
        }

        return $value;
    }

    private function text(mixed $value, int $most, string $pointer): mixed
    {
        if (! is_string($value)) {
            $this->fault($pointer, 'should be text, is '.self::told($value));
        } elseif (mb_strlen($value) > $most) {
            $this->fault($pointer, 'is longer than '.number_format($most).' characters');
        } elseif (preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $value) === 1) {
            $this->fault($pointer, 'holds a control character');
        }

        return $value;
    }

    private function choice(mixed $value, Field $field, string $pointer): mixed
    {
        if (! is_string($value) || ! in_array($value, $field->words, true)) {
            $this->fault($pointer, 'is '.self::told($value).', should be one of '.implode(', ', $field->words));
        }

        return $value;
    }

    private function joint(mixed $value, string $pointer): mixed
    {
        if (! is_string($value)) {
            $this->fault($pointer, 'should be a joint, is '.self::told($value));

            return $value;
        }
        try {
            Joint::parse($value);
        } catch (InvalidFigure) {
            $this->fault($pointer, 'is '.self::told($value).', should be a name, thread:DxP, clip, improvised or fixed');
        }

        return trim($value);
    }

    /** @return array<string, mixed> */
    private function halfWidths(mixed $value, string $pointer): array
    {
        if (! $value instanceof \stdClass) {
            $this->fault($pointer, 'should be an object of half-widths, is '.self::told($value));

            return [];
        }
        $kept = [];
        foreach (get_object_vars($value) as $name => $halfWidth) {
            // However sure somebody is: nothing is divided by it.
            if ((! is_int($halfWidth) && ! is_float($halfWidth)) || $halfWidth < 0 || $halfWidth > 1_000_000) {
                $this->fault($pointer.'/'.self::escape((string) $name), 'is '.self::told($halfWidth).', should be a number from 0 to 1,000,000');
            }
            $kept[(string) $name] = $halfWidth;
        }

        return $kept;
    }

    private static function told(mixed $value): string
    {
        return match (true) {
            is_string($value) => '"'.Text::cut($value, 40).'"',
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value), is_float($value) => self::figure((float) $value),
            $value === null => 'missing',
            is_array($value) => 'a list',
            default => 'an object',
        };
    }

    private static function figure(float $value): string
    {
        return abs($value) < 1e15 && $value === floor($value) ? number_format($value, 0, '.', ',') : (string) $value;
    }

    /** A key as JSON pointers spell it. */
    public static function escape(string $key): string
    {
        return str_replace(['~', '/'], ['~0', '~1'], $key);
    }
}
