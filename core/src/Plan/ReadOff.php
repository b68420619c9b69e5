<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Helicoid;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** What stands on the scales of a rig, read back into how it is set: the way that AsEngraved goes, the other way round. */
final readonly class ReadOff
{
    /** What is told by three digits may be off by so much of itself, and isn't out of reach for that. */
    private const SHARE = 0.006;

    /** And what is told to a hundredth of a turn or of a mm, by that, mm. */
    private const LEAST_MM = 0.02;

    private function __construct(
        /** Set as the scales say, as far as they can be read. */
        public Rig $rig,
        /**
         * Names of the parts whose scales say what can't be read, or what they don't reach.
         *
         * @var list<string>
         */
        public array $unread,
    ) {
    }

    /**
     * @param  list<Values>  $scales  of an entry: `part` (its name), `reads` and, where the words have none, `unit`
     */
    public static function of(Rig $rig, array $scales): self
    {
        $unread = $done = [];
        foreach ($scales as $scale) {
            $name = $scale->stringOr('part', '');
            $reads = trim($scale->stringOr('reads', '').' '.$scale->stringOr('unit', ''));
            $index = null;
            foreach ($rig->chain as $i => $part) {
                // Of two parts of one name the first scale is the one nearer the camera.
                if ($index === null && ! isset($done[$i]) && $part->label() === $name) {
                    $index = $i;
                }
            }
            $set = $index === null ? null : self::set($rig, $index, $reads);
            if ($set === null) {
                $unread[] = $name;
            }
            if ($index !== null) {
                $done[$index] = true;
            }
            $rig = $set ?? $rig;
        }

        return new self($rig, $unread);
    }

    /** The rig with one part as its scale says; null = that can't be read, or the part doesn't reach it. */
    public static function set(Rig $rig, int $index, string $reads): ?Rig
    {
        if (trim($reads) === AsEngraved::of($rig, $index)) {
            return $rig;
        }
        foreach (preg_split('/\s*[,;]\s+/', self::plain($reads)) ?: [] as $clause) {
            $rig = $rig === null || $clause === '' ? $rig : self::clause($rig, $index, $clause);
        }

        return $rig;
    }

    private static function clause(Rig $rig, int $index, string $clause): ?Rig
    {
        $part = $rig->chain[$index];
        if ($part instanceof VariableSpacer) {
            $length = match (true) {
                $part instanceof Bellows => self::number('/^(?:draw )?([\d.]+)(?: mm)?$/', $clause, 1.0, $part->scaleZeroMm),
                $part instanceof Helicoid && $part->pitchMm !== null && $part->pitchMm > 0.0 => self::number('/^([\d.]+)(?: turns?)?$/', $clause, $part->pitchMm, $part->minMm),
                default => self::number('/^([\d.]+)(?: mm)?$/', $clause, 1.0, 0.0),
            };

            return match (true) {
                $length !== null => self::within($rig, $index, $length, $part->minMm, $part->maxMm),
                $clause === 'front plate turned' => $rig->withMakeshift($index, true),
                default => null,
            };
        }
        if (! $part instanceof Lens) {
            return null;
        }
        $zoom = self::number('/^zoom ([\d.]+)(?: mm)?$/', $clause, 1.0, 0.0);
        $stop = self::number('/^f ?\/? ?([\d.]+)$/', $clause, 1.0, 0.0);

        return match (true) {
            $zoom !== null => $part->isZoom() && $zoom > 0.0 ? $rig->with(TravelKind::Zoom, $index, $zoom) : null,
            $stop !== null => $stop >= 0.5 && $stop <= 256.0 ? $rig->with(TravelKind::Aperture, $index, $stop) : null,
            $clause === 'lever wedged' => $rig->withMakeshift($index, true),
            default => self::ring($rig, $index, $clause),
        };
    }

    private static function within(Rig $rig, int $index, float $length, float $min, float $max): ?Rig
    {
        $slack = max(self::LEAST_MM, self::SHARE * $length);

        return $length < $min - $slack || $length > $max + $slack ? null : $rig->with(TravelKind::Length, $index, max($min, min($max, $length)));
    }

    /** The ring stands where its engraved distance is: the further the nearer to infinity, so half and half again finds it. */
    private static function ring(Rig $rig, int $index, string $clause): ?Rig
    {
        $lens = $rig->lenses[$index] ?? null;
        if ($lens === null || ! $lens->turns()) {
            return null;
        }
        if ($clause === 'ring at ∞' || $clause === '∞') {
            return $rig->with(TravelKind::Focus, $index, 0.0);
        }
        $distance = self::number('/^(?:ring at )?([\d.]+) m$/', $clause, 1000.0, 0.0) ?? self::number('/^(?:ring at )?([\d.]+) mm$/', $clause, 1.0, 0.0);
        $model = LensModel::of($lens);
        $closest = AsEngraved::engravedMm($model, 1.0);
        if ($distance === null || $closest === null || $distance < $closest * (1.0 - self::SHARE)) {
            return null;
        }
        [$far, $near] = [0.0, 1.0];
        for ($i = 0; $i < 60; $i++) {
            $middle = ($far + $near) / 2.0;
            if ((AsEngraved::engravedMm($model, $middle) ?? INF) > $distance) {
                $far = $middle;
            } else {
                $near = $middle;
            }
        }

        return $rig->with(TravelKind::Focus, $index, $near);
    }

    private static function number(string $pattern, string $clause, float $unit, float $from): ?float
    {
        return preg_match($pattern, $clause, $found) === 1 && is_numeric($found[1]) ? $from + $unit * (float) $found[1] : null;
    }

    /** One kind of space, and numbers without groups and with a point. */
    private static function plain(string $reads): string
    {
        $reads = trim((string) preg_replace('/[\s\x{2009}\x{202f}\x{a0}]+/u', ' ', $reads));
        $reads = (string) preg_replace('/(?<=\d),(?=\d{3}(?:\D|$))/', '', $reads);

        return (string) preg_replace('/(?<=\d),(?=\d)/', '.', $reads);
    }
}
