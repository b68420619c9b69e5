<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;

/** Whether a rig still focuses at infinity, by how much it overshoots, or what would keep it (OPTICS.md, "Infinity"). */
final readonly class Infinity
{
    private function __construct(
        public bool $reached,
        /** Extension to spare with everything at its shortest, mm; null when infinity is lost. */
        public ?float $overshotMm,
        /** Length of spacer, or setting of the helicoid or bellows, that keeps infinity, mm; null when none does. */
        public ?float $spacerToKeepMm,
        /** Furthest focus, from the sensor, mm; null when infinity is reached or nothing is imaged. */
        public ?float $furthestSubjectMm,
    ) {
    }

    /** Of a rig whose travels are all held where they stand. */
    public static function held(Reading $reading): self
    {
        return new self($reading->magnification === 0.0, null, null, $reading->subjectDistanceMm);
    }

    /** Whether infinity is reached, by how much it is overshot, mm, or what spacer would keep it (OPTICS.md, "Range, infinity"). */
    public static function of(Rig $rig, Range $range): self
    {
        $reached = $range->reachesInfinity();

        return new self(
            $reached,
            $reached ? max(0.0, self::toAdd($rig)) : null,
            self::spacerToKeep($rig),
            $reached ? null : $range->subjectDistanceMm[1],
        );
    }

    /** Extension to add at the camera, with everything at its shortest, until the axial ray leaves parallel, mm. */
    private static function toAdd(Rig $rig): float
    {
        $shortest = $rig;
        foreach ($rig->focusTravels() as $travel) {
            $shortest = $shortest->with($travel->kind, $travel->part, $travel->least);
        }
        $axis = Axis::of($shortest);

        return $axis->fieldT === 0.0 ? 0.0 : -$axis->t / $axis->fieldT;
    }

    /** `lens register - camera register - fixed lengths`, for a first lens that stands the usual way round. */
    private static function spacerToKeep(Rig $rig): ?float
    {
        $fixed = $rig->camera->registerMm;
        $variable = false;
        $shortest = 0.0;
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                $spacer = $rig->lenses[$i]->register - $fixed;

                return $part->reversed || $spacer < $shortest - 1e-9 || (! $variable && $spacer <= 1e-9) ? null : max(0.0, $spacer);
            }
            if ($part instanceof VariableSpacer) {
                $variable = true;
                $shortest += $part->minMm;
            } elseif ($part->kind->isFixedSpacer()) {
                $fixed += $part->shortestMm();
            } elseif ($part->kind->isOptical()) {
                return null;
            }
        }

        return null;
    }
}
