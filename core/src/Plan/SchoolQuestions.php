<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;

/**
 * Each school's question with the first camera and lens of a kit that can ask it. Two rigs of a question reach what they are brought to
 * both, but for the one that is cropped.
 */
final class SchoolQuestions
{
    /** The mark that both stand at where stops aren't the question. */
    private const USUAL_STOP = 8.0;

    /** Two magnifications nearer to each other than this ratio aren't worth the question. */
    private const APART = 1.15;

    /** Nothing below it is close-up. */
    private const LEAST = 0.1;

    /** So many of each are tried: in a kit of thousands the first that will do is among them. */
    private const MOST_CAMERAS = 6;

    private const MOST_LENSES = 12;

    private const MOST_GLASSES = 16;

    private const MOST_SPACERS = 8;

    /** @var array<string, ?SchoolQuestion> null = asked, and the gear at hand can't */
    private array $found = [];

    private function __construct(private readonly Kit $kit, private readonly Conditions $conditions)
    {
    }

    /** @return list<SchoolQuestion> in the order of the schools; what the kit can't ask is left out */
    public static function of(Kit $kit, Conditions $conditions): array
    {
        $self = new self($kit, $conditions);
        foreach (array_slice($kit->cameras(), 0, self::MOST_CAMERAS) as $camera) {
            foreach (array_slice(self::lenses($kit), 0, self::MOST_LENSES) as $lens) {
                try {
                    $self->ask($camera, $lens);
                } catch (InvalidFigure) {
                    // A lens whose figures can't be settled asks nothing.
                }
                if (count($self->found) === count(School::cases())) {
                    break 2;
                }
            }
        }

        return array_values(array_filter(array_map(static fn (School $school): ?SchoolQuestion => $self->found[$school->value] ?? null, School::cases())));
    }

    /** @return list<Lens> those of one focal length first: their rings are told better */
    private static function lenses(Kit $kit): array
    {
        $lenses = $kit->ofClass(Lens::class);
        usort($lenses, static fn (Lens $a, Lens $b): int => $a->isZoom() <=> $b->isZoom());

        return $lenses;
    }

    private function ask(Camera $camera, Lens $lens): void
    {
        $ways = RingWays::of($this->kit, $camera);
        $behind = $ways->to([], $lens);
        if ($behind !== null) {
            [$place, $tubes] = $ways->tubes($behind, $lens);
            $sets = array_map(static fn (Part $tube): array => [$tube], array_slice($tubes, 0, Cards::MOST_TUBES));
            if (count($tubes) > 1) {
                $sets[] = array_slice($tubes, 0, Cards::MOST_TUBES);
            }
            usort($sets, static fn (array $a, array $b): int => self::length($a) <=> self::length($b));
            $long = $this->rig($camera, [...array_slice($behind, 0, $place), ...($sets === [] ? [] : $sets[count($sets) - 1]), ...array_slice($behind, $place), $lens], 'Magnified');
            $alone = $this->rig($camera, [...$behind, $lens], 'Cropped');
            if ($sets !== []) {
                $this->found[School::MagnifyOrCrop->value] ??= $this->magnifyOrCrop($long, $alone);
                $this->found[School::StopOrStop->value] ??= $this->stopOrStop($long);
                $this->found[School::TubesOrGlass->value] ??= $this->tubesOrGlass($camera, $ways, $behind, $place, $sets, $lens);
            }
        }
        $this->found[School::UsualOrTurned->value] ??= $this->usualOrTurned($camera, $ways, $lens);
        $this->found = array_filter($this->found);
    }

    private function magnifyOrCrop(Rig $long, Rig $alone): ?SchoolQuestion
    {
        $near = Range::of($long)->magnification[1];
        $most = Range::of($alone)->magnification[1];
        if (! self::isCloseUp($near) || $most === null || $most <= 0.0 || $near < self::APART * $most) {
            return null;
        }

        return new SchoolQuestion(School::MagnifyOrCrop, [$long, $alone], SolveTarget::FieldWidth, self::rounded($long->frame->widthMm / $near, up: true));
    }

    /** Three stops wider than the smallest it has, and that one. */
    private function stopOrStop(Rig $rig): ?SchoolQuestion
    {
        $at = $rig->workingLens();
        $stops = $at === null ? [] : $rig->stopsAt($at);
        $small = $stops === [] ? 0.0 : $stops[count($stops) - 1];
        $wide = array_values(array_filter($stops, static fn (float $stop): bool => $stop <= $small / 2.7));
        $most = Range::of($rig)->magnification[1];
        if ($at === null || $wide === [] || ! self::isCloseUp($most)) {
            return null;
        }
        $stop = $wide[count($wide) - 1];
        $named = fn (float $f): Rig => self::named($rig->with(TravelKind::Aperture, $at, $f), 'At f/'.rtrim(rtrim(sprintf('%.1f', $f), '0'), '.'));

        return new SchoolQuestion(School::StopOrStop, [$named($stop), $named($small)], SolveTarget::Magnification, self::rounded($most));
    }

    /**
     * Of all pairs the one that both reach the greatest magnification with.
     *
     * @param  list<Part>  $behind
     * @param  list<list<Part>>  $sets
     */
    private function tubesOrGlass(Camera $camera, RingWays $ways, array $behind, int $place, array $sets, Lens $lens): ?SchoolQuestion
    {
        $best = null;
        $most = self::LEAST;
        $withTubes = array_map(fn (array $tubes): Rig => $this->rig($camera, [...array_slice($behind, 0, $place), ...$tubes, ...array_slice($behind, $place), $lens], 'With tubes'), $sets);
        // The strongest first: they reach most.
        $glasses = $this->kit->ofClass(CloseUpLens::class);
        usort($glasses, static fn (CloseUpLens $a, CloseUpLens $b): int => $b->powerD <=> $a->powerD);
        foreach (array_slice($glasses, 0, self::MOST_GLASSES) as $glass) {
            $way = $ways->to([...$behind, $lens], $glass);
            if ($way === null) {
                continue;
            }
            $withGlass = $this->rig($camera, [...$behind, $lens, ...$way, $glass], 'With the close-up lens');
            foreach ($withTubes as $tubes) {
                $value = self::both($tubes, $withGlass);
                if ($value !== null && $value > $most) {
                    $most = $value;
                    $best = new SchoolQuestion(School::TubesOrGlass, [$tubes, $withGlass], SolveTarget::Magnification, $value);
                }
            }
        }

        return $best;
    }

    /** On whatever is racked out. */
    private function usualOrTurned(Camera $camera, RingWays $ways, Lens $lens): ?SchoolQuestion
    {
        $turned = $lens->turned();
        foreach (array_slice($this->kit->ofClass(VariableSpacer::class), 0, self::MOST_SPACERS) as $spacer) {
            $to = $ways->to([], $spacer);
            $usual = $to === null ? null : $ways->to([...$to, $spacer], $lens);
            $other = $to === null ? null : $ways->to([...$to, $spacer], $turned);
            if ($to === null || $usual === null || $other === null) {
                continue;
            }
            $one = $this->rig($camera, [...$to, $spacer, ...$usual, $lens], 'The usual way');
            $two = $this->rig($camera, [...$to, $spacer, ...$other, $turned], 'Turned round');
            $value = self::both($one, $two);
            if ($value !== null) {
                return new SchoolQuestion(School::UsualOrTurned, [$one, $two], SolveTarget::Magnification, $value);
            }
        }

        return null;
    }

    /** The greatest round magnification that two rigs both reach; null = none worth the question. */
    private static function both(Rig $one, Rig $other): ?float
    {
        $most = Range::of($one)->magnification[1];
        $to = Range::of($other)->magnification[1];
        if (! self::isCloseUp($most) || ! self::isCloseUp($to)) {
            return null;
        }
        $value = self::rounded(min($most, $to));

        return $value >= self::LEAST && self::hasRoom($one, $value) && self::hasRoom($other, $value) ? $value : null;
    }

    /** @phpstan-assert-if-true float $magnification */
    private static function isCloseUp(?float $magnification): bool
    {
        return $magnification !== null && is_finite($magnification) && $magnification >= self::LEAST;
    }

    /** Whether it gets there, and with room before it: nobody photographs what stands inside the rig. */
    private static function hasRoom(Rig $rig, float $magnification): bool
    {
        $solution = Solver::anywhere($rig, SolveTarget::Magnification, $magnification);

        return $solution !== null && $solution->exact && (Reading::of($solution->rig)->workingDistanceMm ?? 0.0) > 0.0;
    }

    /**
     * To two digits, down or up, so that it can be reached.
     *
     * @param  float  $value  above 0, finite
     */
    private static function rounded(float $value, bool $up = false): float
    {
        $digit = 10.0 ** (floor(log10($value)) - 1.0);
        $count = $value / $digit;

        return round(($up ? ceil($count - 1e-9) : floor($count + 1e-9)) * $digit, 6);
    }

    /** @param  list<Part>  $chain */
    private function rig(Camera $camera, array $chain, string $name): Rig
    {
        $rig = Rig::of($camera, $chain, Setting::untouched(), $this->conditions, null, $name);
        $at = $rig->workingLens();
        $stops = $at === null ? [] : $rig->stopsAt($at);
        usort($stops, static fn (float $a, float $b): int => abs(log($a / self::USUAL_STOP)) <=> abs(log($b / self::USUAL_STOP)));

        return $at === null || $stops === [] ? $rig : $rig->with(TravelKind::Aperture, $at, $stops[0]);
    }

    private static function named(Rig $rig, string $name): Rig
    {
        return Rig::of($rig->camera, $rig->chain, $rig->setting, $rig->conditions, $rig->subject, $name);
    }

    /** @param  list<Part>  $set */
    private static function length(array $set): float
    {
        return array_sum(array_map(static fn (Part $part): float => $part->shortestMm(), $set));
    }
}
