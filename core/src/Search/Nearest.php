<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** How near one front assembly comes to a wish: where it would have to be carried, and how far that misses. */
final readonly class Nearest
{
    public function __construct(
        /** Sum of the shares by which the target and the limits are missed. */
        public float $miss,
        public FrontOptics $optics,
        public FrontSetting $point,
    ) {
    }

    /**
     * The best that a front assembly can do on stacks of these lengths.
     *
     * @param  list<array{float, float}>  $lengths  of stack, sensor to front assembly, mm
     */
    public static function of(FrontOptics $optics, array $lengths, LimitCheck $limits, Target $target, CameraBody $base): ?self
    {
        $best = null;
        foreach ($optics->lays() as $lay) {
            foreach ($target->places($lay, $base->factor(), $base->converterMm()) as $place) {
                $z = is_nan($place) ? null : self::nearest($place, $lengths);
                $point = $z === null ? null : $limits->at($optics, $lay, $z);
                if ($point === null) {
                    continue;
                }
                $reached = match ($target->kind) {
                    TargetKind::Magnification => $point->magnification,
                    TargetKind::WorkingDistance => $point->workingDistanceMm,
                    TargetKind::SubjectDistance => $point->subjectDistanceMm,
                };
                // To miss what was to be met exactly weighs three times what a limit does.
                $miss = 3.0 * abs(log(max(1e-6, $reached) / max(1e-6, $target->value))) + $point->miss;
                if ($best === null || $miss < $best->miss) {
                    $best = new self($miss, $optics, $point);
                }
            }
        }

        return $best;
    }

    /** @param  list<array{float, float}>  $lengths */
    private static function nearest(float $z, array $lengths): ?float
    {
        $best = null;
        foreach ($lengths as [$from, $to]) {
            $here = max($from, min($to, $z));
            if ($best === null || abs($here - $z) < abs($best - $z)) {
                $best = $here;
            }
        }

        return $best;
    }
}
