<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Outing;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use ZincThimble\Core\Plan\Preparation;

/** What must be ready when, and when it begins, for a calendar (RFC 5545): each with a reminder at its own time. */
final class Calendar
{
    /** An outing without an end that anybody wrote down is in the way until then, s. */
    private const LASTS_S = 4 * 3600;

    /** @param  list<Preparation>  $preparations */
    public static function of(Outing $outing, OutingDay $day, array $preparations): string
    {
        // The library is older than PHP 8.1 and says so at every class that is loaded.
        $level = error_reporting(error_reporting() & ~E_DEPRECATED);
        try {
            $calendar = new VCalendar(['PRODID' => '-//Zinc Thimble//Outings//EN']);
            foreach ($preparations as $n => $each) {
                self::event($calendar, 'outing-'.$outing->id.'-ready-'.$n, $each->what, $each->due, 15 * 60, 'For '.($each->for ?? $outing->name).', needed at '.$each->needed->format('j F H:i').'.', $outing);
            }
            if ($day->startsAt !== null) {
                self::event($calendar, 'outing-'.$outing->id, $outing->name, $day->startsAt, self::LASTS_S, implode("\n", array_map(static fn (array $at): string => $at[0]->format('H:i').' '.$at[1], $day->times)), $outing, $day->place);
            }

            return $calendar->serialize();
        } finally {
            error_reporting($level);
        }
    }

    private static function event(VCalendar $calendar, string $uid, string $what, \DateTimeImmutable $at, int $lastsS, string $more, Outing $outing, ?string $place = null): void
    {
        $utc = new \DateTimeZone('UTC');
        $event = $calendar->add('VEVENT', array_filter([
            'UID' => $uid.'@zinc-thimble', 'SUMMARY' => $what, 'DESCRIPTION' => $more, 'LOCATION' => $place,
            // The same file as long as nothing changes.
            'DTSTAMP' => ($outing->updated_at?->toDateTimeImmutable() ?? $at)->setTimezone($utc),
            'DTSTART' => $at->setTimezone($utc), 'DTEND' => $at->setTimezone($utc)->setTimestamp($at->getTimestamp() + $lastsS),
        ], static fn (mixed $value): bool => $value !== null && $value !== ''));
        if ($event instanceof Component) {
            $event->add('VALARM', ['ACTION' => 'DISPLAY', 'TRIGGER' => 'PT0S', 'DESCRIPTION' => $what]);
        }
    }
}
