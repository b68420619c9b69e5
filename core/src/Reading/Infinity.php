<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/**
 * Whether a rig focuses at infinity, by how much it overshoots, what would keep it, and whether it is past it (OPTICS.md, "Range,
 * infinity"). Past infinity is a state of its own: M is 0 there too, and nothing is sharp at any distance.
 */
final readonly class Infinity
{
    private function __construct(
        /** At some place of its travels; as good as reached where all are past it by less than the depth of focus. */
        public bool $reached,
        /** Extension to spare with everything at its shortest, mm; null when infinity is lost. */
        public ?float $overshotMm,
        /** Length of spacer, or setting of the helicoid or bellows, that keeps infinity, mm; null when none does. */
        public ?float $spacerToKeepMm,
        /** Furthest focus, from the sensor, mm; null when infinity is reached or nothing is imaged. */
        public ?float $furthestSubjectMm,
        /** Extension that is missing even with everything at its longest, mm; null = it is sharp somewhere. */
        public ?float $neverMm = null,
    ) {
    }

    /** Of a rig whose travels are all held where they stand. */
    public static function held(Reading $reading): self
    {
        return new self($reading->magnification === 0.0, null, null, $reading->subjectDistanceMm);
    }

    /** Of a rig over all its travels. */
    public static function of(Rig $rig, Range $range): self
    {
        $reached = $range->reachesInfinity();
        $never = null;
        if ($reached && $range->workingDistanceMm[0] === null) {
            // Not sharp at any distance anywhere: at infinity, or past it wherever it is set.
            $short = self::leastShort($rig);
            $never = $short > self::depthOfFocus($rig, Axis::of($rig)) ? $short : null;
            $reached = $never === null;
        }

        return new self(
            $reached,
            $reached ? max(0.0, self::toAdd($rig) ?? 0.0) : null,
            self::spacerToKeep($rig),
            $reached ? null : $range->subjectDistanceMm[1],
            $never,
        );
    }

    /**
     * How far a rig as set is past infinity, as extension at the camera, mm: the axial ray's slope over minus the field ray's; null = it is
     * not, or by no more than the depth of focus `c Neff`.
     */
    public static function pastMm(Rig $rig, ?Axis $axis = null): ?float
    {
        $axis ??= Axis::of($rig);
        if ($axis->image !== Image::AtInfinity || $axis->fieldT === 0.0) {
            return null;
        }
        $short = -$axis->t / $axis->fieldT;

        return $short > self::depthOfFocus($rig, $axis) ? $short : null;
    }

    /** How far the sensor may stand off without a point growing beyond the blur limit, mm. */
    private static function depthOfFocus(Rig $rig, Axis $axis): float
    {
        return max(1e-9, $rig->blurLimitMm * $axis->number);
    }

    /** The extension that is missing wherever the ends of all travels are combined so that least is. */
    private static function leastShort(Rig $rig): float
    {
        $rigs = [$rig];
        foreach (array_slice($rig->focusTravels(), 0, self::MOST_TRAVELS) as $travel) {
            $next = [];
            foreach ($rigs as $each) {
                $next[] = $each->with($travel->kind, $travel->part, $travel->least);
                $next[] = $each->with($travel->kind, $travel->part, $travel->greatest);
            }
            $rigs = $next;
        }
        $least = INF;
        foreach ($rigs as $each) {
            $axis = Axis::of($each);
            $least = min($least, $axis->fieldT === 0.0 ? INF : max(0.0, -$axis->t / $axis->fieldT));
        }

        return $least;
    }

    /** Of more travels than these the ends of the rest stay as they are set. */
    private const MOST_TRAVELS = 6;

    /** Extension to add at the camera, with everything at its shortest and rings no further than infinity, until the axial ray leaves parallel, mm; null = none does it. */
    private static function toAdd(Rig $rig): ?float
    {
        $shortest = $rig;
        foreach ($rig->focusTravels() as $travel) {
            $shortest = $shortest->with($travel->kind, $travel->part, $travel->kind === TravelKind::Focus ? max(0.0, $travel->least) : $travel->least);
        }
        $axis = Axis::of($shortest);

        return $axis->unmodelled || $axis->phi === [] || $axis->fieldT === 0.0 ? null : -$axis->t / $axis->fieldT;
    }

    /** A spacer at the camera, or what a helicoid or bellows behind the first glass is to be set to, solved with everything else as it is. */
    private static function spacerToKeep(Rig $rig): ?float
    {
        $add = self::toAdd($rig);
        if ($add === null) {
            return null;
        }
        $shortest = null;
        foreach ($rig->chain as $part) {
            if ($part instanceof VariableSpacer) {
                $shortest = ($shortest ?? 0.0) + $part->minMm;
            } elseif ($part->kind->isOptical()) {
                break;
            }
        }

        return $add < -1e-9 || ($shortest === null && $add <= 1e-9) ? null : max(0.0, ($shortest ?? 0.0) + $add);
    }
}
