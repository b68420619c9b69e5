<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\ApertureControl;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** What might cure a finding; whether it does is for Mending to see. */
final class MendCandidates
{
    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    public static function for(Rig $rig, Finding $finding, array $kit): iterable
    {
        return match ($finding->code) {
            Code::JointMismatch, Code::ThreadLookalike => self::joints($rig, (int) $finding->part, $kit),
            Code::FocusInside => [...self::room($rig, Limits::TOUCHING_MM * 2), ...self::lessExtension($rig), ...self::roomByZoom($rig), ...self::weakerGlass($rig, $kit)],
            Code::Touching => [...self::room($rig, Limits::TOUCHING_MM * 1.01), ...self::lessExtension($rig)],
            Code::LightShutOut => [...self::room($rig, self::roomForLight($rig)), ...self::lessExtension($rig)],
            Code::NoImage => [...self::converterFirst($rig), ...self::someImage($rig), ...self::lessExtension($rig), ...self::turned($rig, $kit)],
            Code::ApertureStuck => [...self::workedByHand($rig, $kit), ...self::turned($rig, $kit)],
            Code::TurnItRound => self::turned($rig, $kit),
            Code::GripFouls => self::spacersBefore($rig, (int) $finding->part, (float) ($finding->numbers['missing'] ?? 0.0), $kit),
            Code::Vignette => [...self::stops($rig, 'Set it to {value:f}'), ...self::clearingZoom($rig), ...self::modes($rig)],
            Code::OutsideWindow => [...self::intoTheWindow($rig, $finding), ...self::otherExtension($rig, $kit)],
            Code::InfinityLost => self::withoutExtension($rig),
            Code::InfinityOvershot => [...self::atInfinity($rig), ...self::shims($rig, (float) ($finding->numbers['over'] ?? 0.0), $kit)],
            Code::DiopterStrong => [...self::removing($rig, Kind::CloseUpLens), ...self::only($rig, 'Stop down to {value:f}', $finding, 'fades')],
            Code::StackedDioptersOrder => self::strongestFirst($rig, (int) $finding->part),
            Code::AddsLittle => [Mend::remove('Take off {name}', (int) $finding->part, $rig->chain[(int) $finding->part]->label())],
            Code::Diffraction, Code::SliceThin => [...self::only($rig, 'Set it to {value:f}', $finding, 'single'), ...self::only($rig, 'Open to {value:f}', $finding, 'open')],
            Code::Sway => [
                new Mend('Put it on a table or stand', [], [MendStep::conditions(['support' => 'table'])]),
                new Mend('Brace it', [], [MendStep::conditions(['support' => 'braced'])]),
            ],
            Code::BareRear => self::inFront($rig, $kit),
            default => [],
        };
    }

    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function joints(Rig $rig, int $index, array $kit): iterable
    {
        $part = $rig->chain[$index];
        $behind = $rig->chain[$index - 1] ?? null;
        $turned = Mating::turned($part);
        if ($turned !== null && Mating::of($rig->camera, $behind, $turned) === Fit::Mates) {
            yield new Mend('Turn {name} round', ['name' => $part->label()], [MendStep::turn($index)]);
        }
        if ($part instanceof CloseUpLens && ! ($rig->setting->makeshift[$index] ?? false)) {
            yield new Mend('Tape {name} on', ['name' => $part->label()], [MendStep::makeshift($index)]);
        }
        $front = $behind === null ? $rig->camera->front : $behind->identity->front;
        $path = AdapterPaths::between($front, $part->identity->rear, $kit);
        if ($path !== null && $path !== []) {
            yield Mend::insert('Put in {name}', $index, $path);
        }
        if (! $part instanceof Lens) {
            yield Mend::remove('Take off {name}', $index, $part->label());
        }
    }

    /** @return iterable<Mend> controls set so that there is that much room */
    private static function room(Rig $rig, float $roomMm): iterable
    {
        foreach ($rig->focusTravels() as $travel) {
            foreach (Solver::along($rig, $travel, SolveTarget::WorkingDistance, $roomMm) as $solution) {
                // A hair on the safe side of the bound.
                yield Mend::set($travel->kind === TravelKind::Length ? 'Set it to {value:mm}' : 'Turn the ring back', $travel->part, $travel->kind, $solution->value);
            }
            yield Mend::set($travel->kind === TravelKind::Length ? 'Set it to {value:mm}' : 'Set the ring to infinity', $travel->part, $travel->kind, $travel->least);
        }
    }

    /** @return iterable<Mend> */
    private static function lessExtension(Rig $rig): iterable
    {
        foreach ([Kind::Tube, Kind::Hood, Kind::Filter, Kind::CloseUpLens] as $kind) {
            yield from self::removing($rig, $kind);
        }
        $tubes = array_keys(array_filter($rig->chain, static fn (Part $part): bool => $part->kind === Kind::Tube));
        if (count($tubes) > 1) {
            yield new Mend('Take off all tubes', [], array_map(MendStep::remove(...), array_reverse($tubes)));
        }
    }

    /** @return iterable<Mend> */
    private static function removing(Rig $rig, Kind $kind): iterable
    {
        foreach ($rig->chain as $i => $part) {
            if ($part->kind === $kind) {
                yield Mend::remove('Take off {name}', $i, $part->label());
            }
        }
    }

    /** @return iterable<Mend> */
    private static function withoutExtension(Rig $rig): iterable
    {
        yield from self::lessExtension($rig);
        $indices = array_keys(array_filter($rig->chain, static fn (Part $part): bool => in_array($part->kind, [Kind::Tube, Kind::CloseUpLens], true)));
        $closeUps = array_filter($indices, static fn (int $index): bool => $rig->chain[$index]->kind === Kind::CloseUpLens);
        // Without close-up lenses this is what taking off all tubes does.
        if (count($indices) > 1 && $closeUps !== []) {
            yield new Mend('Take off tubes and close-up lenses', [], array_map(MendStep::remove(...), array_reverse($indices)));
        }
    }

    /** @return iterable<Mend> */
    private static function converterFirst(Rig $rig): iterable
    {
        foreach ($rig->chain as $i => $part) {
            if ($part->kind === Kind::Teleconverter && $i > 0) {
                yield new Mend('Put {name} at the camera', ['name' => $part->label()], [MendStep::move($i, 0)]);
                yield Mend::remove('Take off {name}', $i, $part->label());
            }
        }
    }

    /** @return iterable<Mend> */
    private static function someImage(Rig $rig): iterable
    {
        foreach ($rig->focusTravels() as $travel) {
            foreach ([$travel->greatest, ($travel->least + $travel->greatest) / 2.0, $travel->least] as $index) {
                yield Mend::set($travel->kind === TravelKind::Length ? 'Set it to {value:mm}' : 'Turn the ring', $travel->part, $travel->kind, $index);
            }
        }
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Spacer) {
                yield Mend::remove('Take off {name}', $i, $part->label());
            }
        }
    }

    /**
     * The working lens the other way round, with the ring that takes put in or taken off.
     *
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function turned(Rig $rig, array $kit): iterable
    {
        $at = $rig->workingLens();
        $lens = $at === null ? null : $rig->chain[$at];
        if ($at === null || ! $lens instanceof Lens) {
            return;
        }
        $name = ['name' => $lens->label()];
        yield new Mend('Turn {name} round', $name, [MendStep::turn($at)]);
        $behind = $rig->chain[$at - 1] ?? null;
        if ($behind !== null && in_array($behind->kind, [Kind::ReversingRing, Kind::CouplingRing], true)) {
            yield new Mend('Turn {name} round', $name, [MendStep::turn($at), MendStep::remove($at - 1)]);
        }
        $front = $behind === null ? $rig->camera->front : $behind->identity->front;
        $path = AdapterPaths::between($front, $lens->turned()->identity->rear, $kit);
        if ($path !== null && $path !== []) {
            yield new Mend('Turn {name} round on {ring}', $name + ['ring' => implode(' + ', array_map(static fn (Part $part): string => $part->label(), $path))], [
                MendStep::turn($at), MendStep::insert($at, $path),
            ]);
        }
    }

    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function spacersBefore(Rig $rig, int $bellows, float $missing, array $kit): iterable
    {
        for ($i = 0; $i < $bellows; $i++) {
            $part = $rig->chain[$i];
            if ($part instanceof VariableSpacer && $rig->lengthMm($i) + $missing <= $part->maxMm) {
                yield Mend::set('Set {name} to {value:mm}', $i, TravelKind::Length, $rig->lengthMm($i) + $missing)->naming($part->label());
            }
        }
        $behind = $rig->chain[$bellows - 1] ?? null;
        foreach ($kit as $part) {
            if ($part->kind === Kind::Tube && $part instanceof Spacer && $part->lengthMm >= $missing && self::fitsAt($rig, $behind, $part, $rig->chain[$bellows])) {
                yield Mend::insert('Put in {name}', $bellows, [$part]);
            }
        }
    }

    /** @return iterable<Mend> the control that stands past infinity, set to it */
    private static function atInfinity(Rig $rig): iterable
    {
        $at = Infinity::pastMm($rig) === null ? null : Solver::anywhere($rig, SolveTarget::Magnification, 0.0);
        if ($at !== null && $at->exact) {
            yield Mend::set($at->travel->kind === TravelKind::Length ? 'Set it to {value:mm}' : 'Set the ring to infinity', $at->travel->part, $at->travel->kind, $at->value);
        }
    }

    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function shims(Rig $rig, float $over, array $kit): iterable
    {
        foreach ($kit as $part) {
            if ($part instanceof Spacer && $part->kind->isFixedSpacer() && abs($part->lengthMm - $over) <= Limits::SHIM_MM && isset($rig->chain[0]) && self::fitsAt($rig, null, $part, $rig->chain[0])) {
                yield Mend::insert('Put in {name}', 0, [$part]);
            }
        }
    }

    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend> a hood or ring on bare rear glass
     */
    private static function inFront(Rig $rig, array $kit): iterable
    {
        $last = $rig->chain[count($rig->chain) - 1];
        foreach ($kit as $part) {
            if (in_array($part->kind, [Kind::Hood, Kind::Filter, Kind::Tube, Kind::Adapter], true) && self::endsMate($last, $part)) {
                yield Mend::insert('Put {name} in front', count($rig->chain), [$part]);
            }
        }
    }

    /** @return iterable<Mend> */
    private static function stops(Rig $rig, string $pattern): iterable
    {
        $at = $rig->workingLens();
        $now = $at === null ? null : $rig->markedAperture($at);
        if ($at === null || $now === null) {
            return;
        }
        $stops = $rig->stopsAt($at);
        // The nearest stop that cures is offered, so the nearest are tried first.
        usort($stops, static fn (float $a, float $b): int => abs(log($a / $now)) <=> abs(log($b / $now)));
        foreach ($stops as $stop) {
            if ($stop !== $now) {
                yield Mend::set($pattern, $at, TravelKind::Aperture, $stop);
            }
        }
    }

    /** @return iterable<Mend> the stop that the sentence names, and no other */
    private static function only(Rig $rig, string $pattern, Finding $finding, string $number): iterable
    {
        $at = $rig->workingLens();
        $stop = $finding->numbers[$number] ?? null;
        if ($at !== null && is_float($stop) && $stop > 0.0 && $stop !== $rig->markedAperture($at)) {
            yield Mend::set($pattern, $at, TravelKind::Aperture, $stop);
        }
    }

    /** @return iterable<Mend> the nearest zoom setting on either side at which the corner is bright enough */
    private static function clearingZoom(Rig $rig): iterable
    {
        yield from self::nearestZoom($rig, static fn (Rig $at): bool => (Reading::of($at)->cornerBrightness ?? 0.0) >= Limits::CORNER_BRIGHTNESS);
    }

    /** @return iterable<Mend> the nearest zoom setting on either side at which there is room */
    private static function roomByZoom(Rig $rig): iterable
    {
        yield from self::nearestZoom($rig, static fn (Rig $at): bool => (Reading::of($at)->workingDistanceMm ?? -1.0) >= Limits::TOUCHING_MM);
    }

    /**
     * @param  \Closure(Rig): bool  $does
     * @return iterable<Mend>
     */
    private static function nearestZoom(Rig $rig, \Closure $does): iterable
    {
        foreach (Travels::nearest($rig, TravelKind::Zoom, $does) as [$travel, $mm]) {
            yield Mend::set('Zoom to {value:focal}', $travel->part, TravelKind::Zoom, $mm);
        }
    }

    /**
     * @param  list<Part>  $kit
     * @return iterable<Mend> a weaker close-up lens in the place of one that is on
     */
    private static function weakerGlass(Rig $rig, array $kit): iterable
    {
        foreach ($rig->chain as $i => $part) {
            if (! $part instanceof CloseUpLens || $part->powerD <= 0.0) {
                continue;
            }
            $behind = $rig->chain[$i - 1] ?? null;
            $ahead = $rig->chain[$i + 1] ?? null;
            foreach ($kit as $other) {
                if ($other instanceof CloseUpLens && $other->powerD > 0.0 && $other->powerD < $part->powerD && Mating::of($rig->camera, $behind, $other)->holds()
                    && ($ahead === null || Mating::of($rig->camera, $other, $ahead)->holds())) {
                    yield new Mend('Put {other} in the place of {name}', ['other' => $other->label(), 'name' => $part->label()], [MendStep::remove($i), MendStep::insert($i, [$other])]);
                }
            }
        }
    }

    /**
     * Ways to work a lever that nothing reaches.
     *
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function workedByHand(Rig $rig, array $kit): iterable
    {
        $at = $rig->workingLens();
        $lens = $at === null ? null : $rig->chain[$at];
        if ($at === null || ! $lens instanceof Lens || $lens->aperture->control !== ApertureControl::Lever) {
            return;
        }
        if ($lens->reversed) {
            for ($i = $at - 1; $i >= 0; $i--) {
                if ($rig->chain[$i] instanceof Bellows && $rig->chain[$i]->latch && ! ($rig->setting->makeshift[$i] ?? false)) {
                    yield new Mend('Turn the front plate of {name} round', ['name' => $rig->chain[$i]->label()], [MendStep::makeshift($i)]);
                }
            }
            foreach ($kit as $part) {
                if ($part instanceof Spacer && $part->latch && ! isset($rig->chain[$at + 1]) && self::endsMate($lens, $part)) {
                    yield Mend::insert('Put {name} on its far end', $at + 1, [$part]);
                }
            }
        }
        if (! ($rig->setting->makeshift[$at] ?? false)) {
            yield new Mend('Wedge or tape the lever of {name}', ['name' => $lens->label()], [MendStep::makeshift($at)]);
        }
    }

    /**
     * Tubes put in or taken off, and glass, so that what was asked can be focused.
     *
     * @param  list<Part>  $kit
     * @return iterable<Mend>
     */
    private static function otherExtension(Rig $rig, array $kit): iterable
    {
        yield from self::lessExtension($rig);
        foreach ($kit as $part) {
            if ($part->kind === Kind::Tube && isset($rig->chain[0])) {
                foreach ($rig->chain as $i => $ahead) {
                    if ($ahead instanceof Lens && self::fitsAt($rig, $rig->chain[$i - 1] ?? null, $part, $ahead)) {
                        yield Mend::insert('Put in {name}', $i, [$part]);
                    }
                }
            }
            if ($part instanceof CloseUpLens && Mating::of($rig->camera, $rig->chain[count($rig->chain) - 1] ?? null, $part)->holds()) {
                yield Mend::insert('Put {name} in front', count($rig->chain), [$part]);
            }
        }
    }

    /** @return iterable<Mend> */
    private static function modes(Rig $rig): iterable
    {
        foreach ($rig->camera->modes as $mode) {
            if ($mode->name !== null && $mode->name !== $rig->conditions->mode && $mode->diagonalMm() < $rig->frame->diagonalMm()) {
                yield new Mend('Use the crop mode “{name}”', ['name' => $mode->name], [MendStep::conditions(['mode' => $mode->name])]);
            }
        }
    }

    /** @return iterable<Mend> */
    private static function intoTheWindow(Rig $rig, Finding $finding): iterable
    {
        $asked = $rig->conditions->askedDistanceMm ?? 0.0;
        foreach (['nearest', 'furthest'] as $end) {
            $index = (float) ($finding->numbers[$end] ?? 0.0);
            // A metre is no answer to 80 mm.
            if ($index > 0.0 && $index >= 0.5 * $asked && 0.5 * $index <= $asked) {
                yield new Mend($asked < $index ? 'Move back to {value:mm}' : 'Move in to {value:mm}', ['value' => $index], [MendStep::conditions(['askedDistanceMm' => $index])]);
            }
        }
    }

    /** @return iterable<Mend> */
    private static function strongestFirst(Rig $rig, int $index): iterable
    {
        $first = $index;
        while ($first > 0 && $rig->chain[$first - 1]->kind === Kind::CloseUpLens) {
            $first--;
        }
        for ($to = $index - 1; $to >= $first; $to--) {
            yield new Mend('Put {name} next to the lens', ['name' => $rig->chain[$index]->label()], [MendStep::move($index, $to)]);
        }
    }

    /** Working distance at which light gets in at the least angle, mm. */
    private static function roomForLight(Rig $rig): float
    {
        $last = $rig->chain[count($rig->chain) - 1];

        return 1.01 * tan(deg2rad(Limits::SHUT_OUT_DEG)) * \ZincThimble\Core\Gear\Outline::frontMm($last) / 2.0;
    }

    private static function fitsAt(Rig $rig, ?Part $behind, Part $part, Part $ahead): bool
    {
        return Mating::of($rig->camera, $behind, $part)->holds() && Mating::of($rig->camera, $part, $ahead)->holds();
    }

    private static function endsMate(Part $last, Part $part): bool
    {
        return Mating::ofEnds($last->identity->front, $part->identity->rear) === Fit::Mates;
    }
}
