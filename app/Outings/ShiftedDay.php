<?php

declare(strict_types=1);

namespace App\Outings;

/** A made-up outing brought to another day: every date and time of its file, whichever key it stands under. */
final class ShiftedDay
{
    public static function to(\stdClass $document, \DateTimeImmutable $day): \stdClass
    {
        $from = date_create_immutable(is_string($document->date ?? null) ? $document->date : 'today');
        $days = $from === false ? 0 : (int) $from->setTime(0, 0)->diff($day->setTime(0, 0))->format('%r%a');
        $moved = self::moved($document, $days);

        return $moved instanceof \stdClass ? $moved : $document;
    }

    private static function moved(mixed $value, int $days): mixed
    {
        if ($value instanceof \stdClass) {
            return (object) array_map(static fn (mixed $each): mixed => self::moved($each, $days), get_object_vars($value));
        }
        if (is_array($value)) {
            return array_map(static fn (mixed $each): mixed => self::moved($each, $days), $value);
        }
        if (! is_string($value) || preg_match('/^(\d{4}-\d\d-\d\d)((?:T\S+)?)$/', $value, $part) !== 1) {
            return $value;
        }

        return (new \DateTimeImmutable($part[1]))->modify(sprintf('%+d days', $days))->format('Y-m-d').$part[2];
    }
}
