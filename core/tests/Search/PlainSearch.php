<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\MarkedStops;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/**
 * The search done plainly: every permutation of every part is screwed together and tried, every setting is solved on the
 * rig itself. What the clever search is held against; for small kits only.
 */
final class PlainSearch
{
    /** Places of the ring that are tried with a bellows free. */
    private const PLACES = 60;

    /** @var array<string, list<array{Camera, list<Part>}>> orders of each rig, by what it is made of */
    public array $rigs = [];

    public function __construct(private readonly SearchKit $kit)
    {
        foreach ($kit->cameras as $camera) {
            $this->grow($camera, [], array_fill(0, count($kit->parts), 0));
        }
    }

    /**
     * @param  list<Part>  $chain
     * @param  array<int, int>  $used
     */
    private function grow(Camera $camera, array $chain, array $used): void
    {
        foreach ($this->kit->parts as $i => $part) {
            if ($used[$i] >= $this->kit->counts[$i]) {
                continue;
            }
            foreach ($part instanceof Lens ? [$part, $part->turned()] : [$part] as $way) {
                $behind = $chain === [] ? null : $chain[count($chain) - 1];
                if (Mating::of($camera, $behind, $way) !== Fit::Mates || ! $this->may($camera, $chain, $way)) {
                    continue;
                }
                $next = [...$chain, $way];
                if ($way->kind->isOptical() && $this->isRig($next)) {
                    $this->rigs[self::name($camera, $next)][] = [$camera, $next];
                }
                $this->grow($camera, $next, [$i => $used[$i] + 1] + $used);
            }
        }
    }

    /**
     * Whether a part may stand there at all.
     *
     * @param  list<Part>  $chain
     */
    private function may(Camera $camera, array $chain, Part $part): bool
    {
        $optics = array_values(array_filter($chain, static fn (Part $each): bool => $each->kind->isOptical()));
        $first = $optics[0] ?? null;
        $closeUps = count(array_filter($optics, static fn (Part $each): bool => $each instanceof CloseUpLens));
        if ($part instanceof Bellows) {
            $length = 0.0;
            foreach ($chain as $each) {
                $length += $each instanceof VariableSpacer ? $each->maxMm : ($each instanceof Teleconverter ? 0.0 : $each->shortestMm());
            }

            return $first === null && $length >= ($camera->gripOverhangMm ?? 0.0) - $part->rearClearanceMm;
        }

        return match (true) {
            $part instanceof Teleconverter => $chain === [],
            $part instanceof VariableSpacer, $part->kind === Kind::Tube => $first === null,
            $part instanceof Lens => $first === null || (count($optics) === 1 && $first instanceof Lens && ! $first->reversed && $part->reversed),
            $part instanceof CloseUpLens => $first instanceof Lens && count($optics) === 1 + $closeUps && $closeUps < 2,
            $part instanceof Objective => $part->infinite ? count($optics) === 1 && $first instanceof Lens && ! $first->reversed : $first === null,
            $part->kind === Kind::Filter, $part->kind === Kind::Hood => false,
            default => true,
        };
    }

    /**
     * Whether what stands in front is joined by as few rings as it can be, the stronger close-up lens next to the lens
     * where that goes.
     *
     * @param  list<Part>  $chain
     */
    private function isRig(array $chain): bool
    {
        $before = null;
        $rings = 0;
        $taken = [];
        $front = [];
        foreach ($chain as $part) {
            if (! $part->kind->isOptical()) {
                $rings += $before === null ? 0 : 1;
                if ($before !== null) {
                    $taken[] = $part;
                }

                continue;
            }
            if ($before !== null) {
                $own = array_slice($taken, 0, count($taken) - $rings);
                if ($rings > 2 || $rings > ($this->ringsNeeded($before, $part, $own) ?? 3)) {
                    return false;
                }
                if ($before instanceof CloseUpLens && $part instanceof CloseUpLens && $part->powerD > $before->powerD) {
                    $lens = $front[0];
                    $other = $this->ringsNeeded($lens, $part, []);
                    if ($other !== null && $this->pairGoes($lens, $part, $before)) {
                        return false;
                    }
                }
            }
            $front[] = $part;
            $before = $part;
            $rings = 0;
        }

        return true;
    }

    private function pairGoes(Part $lens, Part $near, Part $far): bool
    {
        foreach ($this->waysOf($lens, $near, []) as $way) {
            if ($this->ringsNeeded($near, $far, $way) !== null) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Part>  $taken */
    private function ringsNeeded(Part $behind, Part $part, array $taken): ?int
    {
        $ways = $this->waysOf($behind, $part, $taken);

        return $ways === [] ? null : count($ways[0]);
    }

    /**
     * @param  list<Part>  $taken
     * @return list<list<Part>> the shortest ways
     */
    private function waysOf(Part $behind, Part $part, array $taken): array
    {
        $camera = $this->kit->cameras[0];
        if (Mating::of($camera, $behind, $part) === Fit::Mates) {
            return [[]];
        }
        $rings = array_values(array_filter($this->kit->parts, static fn (Part $each): bool => in_array($each->kind, [Kind::Adapter, Kind::StepRing, Kind::CouplingRing, Kind::ReversingRing], true) && ! in_array($each, $taken, true)));
        $one = $two = [];
        foreach ($rings as $a) {
            if (Mating::of($camera, $behind, $a) !== Fit::Mates) {
                continue;
            }
            if (Mating::of($camera, $a, $part) === Fit::Mates) {
                $one[] = [$a];
            }
            foreach ($rings as $b) {
                if ($a !== $b && Mating::of($camera, $a, $b) === Fit::Mates && Mating::of($camera, $b, $part) === Fit::Mates) {
                    $two[] = [$a, $b];
                }
            }
        }

        return $one === [] ? $two : $one;
    }

    /**
     * The camera, the set of what stands behind the first glass, and the rest.
     *
     * @param  list<Part>  $chain
     */
    public static function name(Camera $camera, array $chain): string
    {
        $behind = $front = [];
        foreach ($chain as $part) {
            $word = $part->label().($part instanceof Lens && $part->reversed ? ' turned' : '');
            if ($front === [] && ! $part->kind->isOptical()) {
                $behind[] = $word;
            } else {
                $front[] = $word;
            }
        }
        sort($behind);

        return $camera->name.' | '.implode(' + ', $behind).' | '.implode(' > ', self::rings($front));
    }

    /**
     * Two rings in a row are the same two either way.
     *
     * @param  list<string>  $front
     * @return list<string>
     */
    private static function rings(array $front): array
    {
        for ($i = 1; $i < count($front); $i++) {
            if (str_contains($front[$i], 'ring') && str_contains($front[$i - 1], 'ring') && $front[$i] < $front[$i - 1]) {
                [$front[$i - 1], $front[$i]] = [$front[$i], $front[$i - 1]];
            }
        }

        return $front;
    }

    /**
     * Whether a rig, in one of its orders, can be set so that it fulfils a wish; the ring stepped through, the rest solved
     * on the rig itself.
     *
     * @param  list<array{Camera, list<Part>}>  $orders
     */
    public function fulfils(array $orders, SearchCriteria $wanted): bool
    {
        foreach ($orders as [$camera, $chain]) {
            foreach ($this->starts($camera, $chain, $wanted) as $rig) {
                foreach ($this->settings($rig, $wanted) as $set) {
                    $set = $this->stopped($set);
                    if (self::keeps($set, Reading::of($set), $wanted)) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * @param  list<Part>  $chain
     * @return list<Rig> at every station, with the ring of a second lens at either end
     */
    private function starts(Camera $camera, array $chain, SearchCriteria $wanted): array
    {
        $settings = [Setting::untouched()];
        $seen = false;
        foreach ($chain as $i => $part) {
            if (! $part instanceof Lens) {
                continue;
            }
            $next = [];
            foreach ($settings as $setting) {
                foreach ($part->isZoom() ? self::zooms($part) : [null] as $zoom) {
                    $zoomed = $zoom === null ? $setting : $setting->with(TravelKind::Zoom, $i, $zoom);
                    $next[] = $zoomed;
                    if ($seen) {
                        $next[] = $zoomed->with(TravelKind::Focus, $i, 1.0);
                    }
                }
            }
            $settings = $next;
            $seen = true;
        }

        return array_map(fn (Setting $setting): Rig => Rig::of($camera, $chain, $setting, $wanted->conditions(Conditions::from(new \ZincThimble\Core\Gear\Values([]))), $wanted->subject()), $settings);
    }

    /** @return list<float> stations, and whole millimetres between, a quarter apart at the most */
    private static function zooms(Lens $lens): array
    {
        $settings = [];
        foreach (array_column($lens->stations, 'focalLengthMm') as $k => $mm) {
            if ($k > 0) {
                $from = $lens->stations[$k - 1]->focalLengthMm;
                for ($steps = 1; ($mm / $from) ** (1 / $steps) > 1.26 + 1e-9; $steps++) {
                }
                for ($n = 1; $n < $steps; $n++) {
                    $settings[] = round($from * ($mm / $from) ** ($n / $steps));
                }
            }
            $settings[] = $mm;
        }

        return $settings;
    }

    /** Two stops from wide open, or the next wider one that diffraction doesn't spoil. */
    private function stopped(Rig $rig): Rig
    {
        $at = $rig->workingLens();
        $lens = $at === null ? null : $rig->chain[$at];
        $settled = $at === null ? null : $rig->lenses[$at];
        if ($at === null || ! $lens instanceof Lens || $settled->widest === null) {
            return $rig;
        }
        $usual = $settled->widest;
        foreach (MarkedStops::between($settled->widest, $settled->smallest ?? $settled->widest, $lens->aperture->control) as $stop) {
            $usual = $stop <= 2.0 * $settled->widest * (1.0 + 1e-9) ? $stop : $usual;
        }

        $stops = MarkedStops::between($settled->widest, $settled->smallest ?? $settled->widest, $lens->aperture->control);
        foreach (array_reverse(array_filter($stops, static fn (float $stop): bool => $stop <= $usual)) as $stop) {
            $set = $rig->with(TravelKind::Aperture, $at, $stop);
            if ((Reading::of($set)->airyDiameterMm ?? 0.0) <= 2.0 * $rig->blurLimitMm) {
                break;
            }
        }

        return $set ?? $rig;
    }

    /** @return list<Rig> set so that the target is met */
    private function settings(Rig $rig, SearchCriteria $wanted): array
    {
        [$wish, $value] = match (true) {
            $wanted->fieldWidthMm !== null => [SolveTarget::FieldWidth, $wanted->fieldWidthMm],
            $wanted->magnification !== null => [SolveTarget::Magnification, $wanted->magnification],
            $wanted->workingDistanceMm !== null => [SolveTarget::WorkingDistance, $wanted->workingDistanceMm],
            default => [SolveTarget::SubjectDistance, (float) $wanted->subjectDistanceMm],
        };
        $travels = $rig->focusTravels();
        $ring = $draw = null;
        foreach ($travels as $travel) {
            if ($travel->kind === TravelKind::Length) {
                $draw = $travel;
            } elseif ($travel->part === $rig->workingLens()) {
                $ring = $travel;
            }
        }
        if ($ring === null && $draw === null) {
            return [$rig];
        }
        $found = [];
        $solve = static function (Rig $rig, Travel $travel) use (&$found, $wish, $value): void {
            foreach (Solver::along($rig, $travel, $wish, $value) as $solution) {
                if ($solution->exact) {
                    $found[] = $solution->rig;
                }
            }
        };
        if ($draw === null) {
            $solve($rig, $ring);

            return $found;
        }
        foreach ($ring === null ? [null] : range(0, self::PLACES) as $n) {
            $solve($n === null ? $rig : $rig->with(TravelKind::Focus, $ring->part, $n / self::PLACES), $draw);
        }
        if ($ring !== null) {
            $solve($rig->with(TravelKind::Length, $draw->part, $draw->least), $ring);
            $solve($rig->with(TravelKind::Length, $draw->part, $draw->greatest), $ring);
        }

        return $found;
    }

    /** Whether a rig as set keeps every limit and nothing stops it. */
    public static function keeps(Rig $rig, Reading $reading, SearchCriteria $wanted): bool
    {
        $frame = $rig->frame->widthMm;
        $m = $reading->magnification;
        $room = $reading->workingDistanceMm;
        if ($m === null || $room === null || $reading->subjectDistanceMm === null) {
            return false;
        }
        $met = match (true) {
            $wanted->fieldWidthMm !== null => abs($m * $wanted->fieldWidthMm / $frame - 1.0) < 1e-6,
            $wanted->magnification !== null => abs($m / $wanted->magnification - 1.0) < 1e-6,
            $wanted->workingDistanceMm !== null => abs($room - $wanted->workingDistanceMm) < 1e-5 * (1.0 + $wanted->workingDistanceMm),
            default => abs($reading->subjectDistanceMm - (float) $wanted->subjectDistanceMm) < 1e-5 * (float) $wanted->subjectDistanceMm,
        };
        if (! $met || ! $wanted->roomIsMet($room)
            || ($wanted->mostStopsLost !== null && ($reading->stopsLost ?? 0.0) > $wanted->mostStopsLost)
            || ($wanted->leastCorner !== null && ($reading->cornerBrightness ?? 1.0) < $wanted->leastCorner)
            || ($wanted->mostLengthMm !== null && $reading->subjectDistanceMm - $room > $wanted->mostLengthMm)
            || ($wanted->mostMassG !== null && ($rig->totals->massG ?? 0.0) > $wanted->mostMassG)
            || ($wanted->mostPrice !== null && ($rig->totals->price ?? 0.0) > $wanted->mostPrice)
            || ($wanted->detailMm !== null && ($reading->detailMm ?? 0.0) > $wanted->detailMm)
            || ($wanted->automatic !== null && $rig->totals->coupling->isAutomatic() !== $wanted->automatic)) {
            return false;
        }
        foreach (Findings::asSet($rig, $reading) as $finding) {
            if ($finding->severity === Severity::Stop) {
                return false;
            }
        }

        return true;
    }
}
