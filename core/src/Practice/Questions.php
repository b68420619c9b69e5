<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;

/**
 * Questions from a kit, each with its truth as the bench would read it. None is asked whose truth is less sure than what counts as known,
 * and none twice of those that are named as asked.
 */
final class Questions
{
    /** How often another one is tried before a kind is given up. */
    private const TRIES = 40;

    /** Of so many that could be asked, the one is taken whose difficulty suits best. */
    private const OFFERED = 4;

    private readonly \Random\Randomizer $random;

    /** @var list<AskedRig> */
    private readonly array $tubed;

    /** @var list<AskedRig> */
    private readonly array $turned;

    /** @var list<AskedRig> */
    private readonly array $plain;

    /** @var list<AskedRig> */
    private readonly array $glazed;

    public function __construct(private readonly Kit $kit, Conditions $conditions, int $seed)
    {
        $rigs = PracticeRigs::of($kit, $conditions);
        $this->tubed = self::asked($rigs->tubed);
        $this->turned = self::asked($rigs->turned);
        $this->plain = self::asked($rigs->plain);
        $this->glazed = self::asked($rigs->glazed);
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
    }

    /**
     * @param  list<Rig>  $rigs
     * @return list<AskedRig>
     */
    private static function asked(array $rigs): array
    {
        return array_values(array_filter(array_map(static fn (Rig $rig): ?AskedRig => AskedRig::of($rig), $rigs)));
    }

    /**
     * One question of a kind.
     *
     * @param  list<string>  $asked  names of those that aren't to be asked again
     * @param  ?float  $aim  how hard it should be, as `Question::difficulty()`; null = no matter
     * @return ?Question null = this kit can't ask it, or nothing else of it
     */
    public function of(QuestionKind $kind, array $asked = [], ?float $aim = null): ?Question
    {
        $offered = [];
        for ($n = 0; $n < self::TRIES && count($offered) < ($aim === null ? 1 : self::OFFERED); $n++) {
            $question = $this->made($kind);
            if ($question !== null && ! in_array($question->name, $asked, true) && $question->isSure()) {
                $offered[] = $question;
            }
        }
        usort($offered, static fn (Question $one, Question $other): int => abs($one->difficulty() - $aim) <=> abs($other->difficulty() - $aim));

        return $offered[0] ?? null;
    }

    /**
     * So many of them, their kinds in turn.
     *
     * @param  list<string>  $asked
     * @param  array<string, float>  $aims  how hard those of a skill should be, by its name
     * @return list<Question>
     */
    public function some(int $count, array $asked = [], array $aims = []): array
    {
        $kinds = $this->random->shuffleArray(QuestionKind::cases());
        $found = [];
        while (count($found) < $count && $kinds !== []) {
            foreach ($kinds as $n => $kind) {
                if (count($found) === $count) {
                    break;
                }
                $question = $this->of($kind, $asked, $aims[$kind->skill()->value] ?? null);
                if ($question === null) {
                    unset($kinds[$n]);
                } else {
                    $found[] = $question;
                    $asked[] = $question->name;
                }
            }
        }

        return $found;
    }

    /** The same question once more, of the kit as it is by now; null = what it was about is gone, or no question any more. */
    public function again(QuestionKind $kind, string $name): ?Question
    {
        $question = match ($kind) {
            QuestionKind::Joins => $this->pairAgain($name),
            QuestionKind::LargerOfTwo => $this->twoAgain($name),
            default => $this->oneAgain($kind, $name),
        };

        return $question !== null && $question->isSure() ? $question : null;
    }

    private function oneAgain(QuestionKind $kind, string $name): ?Question
    {
        foreach ($this->rigsOf($kind) as $rig) {
            if ($rig->name($kind) === $name) {
                return $this->about($kind, $rig);
            }
        }

        return null;
    }

    private function pairAgain(string $name): ?Question
    {
        foreach ($this->kit->ofClass(Part::class) as $first) {
            // Only where it begins so: names are compared before any joint is.
            if (! str_starts_with($name, QuestionKind::Joins->value.' '.$first->label().' / ')) {
                continue;
            }
            foreach ($this->kit->ofClass(Part::class) as $second) {
                if (ChoiceQuestions::joinsName($first, $second) === $name) {
                    return $this->joins($first, $second);
                }
            }
        }

        return null;
    }

    private function twoAgain(string $name): ?Question
    {
        $rigs = $this->rigsOf(QuestionKind::LargerOfTwo);
        foreach ($rigs as $one) {
            if (! str_starts_with($name, $one->name(QuestionKind::LargerOfTwo).' / ')) {
                continue;
            }
            foreach ($rigs as $other) {
                if (ChoiceQuestions::largerName($one, $other) === $name) {
                    return ChoiceQuestions::larger($one, $other);
                }
            }
        }

        return null;
    }

    private function made(QuestionKind $kind): ?Question
    {
        if ($kind === QuestionKind::Joins) {
            $parts = $this->kit->ofClass(Part::class);
            $first = $this->pick($parts);
            $second = $this->pick($parts);
            $question = $first === null || $second === null ? null : $this->joins($first, $second);

            // Most pairs simply don't: a few of those are enough.
            return $question !== null && $question->truth > 0.0 && $this->random->getInt(0, 3) > 0 ? null : $question;
        }
        // Few do, of what has a tube: as often one without is asked about.
        $rig = $this->pick($kind === QuestionKind::KeepsInfinity && $this->plain !== [] && $this->random->getInt(0, 1) === 0 ? $this->plain : $this->rigsOf($kind));
        if ($rig === null) {
            return null;
        }
        if ($kind === QuestionKind::LargerOfTwo) {
            $other = $this->pick($this->rigsOf($kind));

            return $other === null ? null : ChoiceQuestions::larger($rig, $other);
        }

        return $this->about($kind, $rig);
    }

    /** @return list<AskedRig> what a question of a kind may be about */
    private function rigsOf(QuestionKind $kind): array
    {
        return match ($kind) {
            QuestionKind::TubeMagnifies, QuestionKind::TubeWanted, QuestionKind::TubeAdds, QuestionKind::RoomLeft, QuestionKind::FromSensor, QuestionKind::TimesLonger => $this->tubed,
            QuestionKind::TurnedMagnifies, QuestionKind::TurnedRoom => $this->turned,
            QuestionKind::GlassMagnifies, QuestionKind::GlassFurthest => $this->glazed,
            QuestionKind::KeepsInfinity => [...$this->tubed, ...$this->plain],
            QuestionKind::StopsLost, QuestionKind::RealAperture, QuestionKind::SliceDeep, QuestionKind::FramesNeeded, QuestionKind::LargerOfTwo, QuestionKind::WhichStop, QuestionKind::WayToStop, QuestionKind::ReadDrawing => [...$this->tubed, ...$this->turned],
            QuestionKind::SpotFault => [...$this->tubed, ...$this->turned, ...$this->glazed],
            QuestionKind::Joins => [],
        };
    }

    private function about(QuestionKind $kind, AskedRig $rig): ?Question
    {
        return match ($kind) {
            QuestionKind::TubeMagnifies => FigureQuestions::tube($rig),
            QuestionKind::TubeWanted => FigureQuestions::wanted($rig),
            QuestionKind::TubeAdds => FigureQuestions::adds($rig),
            QuestionKind::RoomLeft, QuestionKind::TurnedRoom => FigureQuestions::room($rig, $kind),
            QuestionKind::FromSensor => FigureQuestions::fromSensor($rig),
            QuestionKind::ReadDrawing => FigureQuestions::drawing($rig),
            QuestionKind::StopsLost => FigureQuestions::lost($rig),
            QuestionKind::RealAperture => FigureQuestions::real($rig),
            QuestionKind::TimesLonger => FigureQuestions::longer($rig),
            QuestionKind::TurnedMagnifies => FigureQuestions::turned($rig),
            QuestionKind::GlassMagnifies => FigureQuestions::glass($rig),
            QuestionKind::GlassFurthest => FigureQuestions::furthest($rig),
            QuestionKind::SliceDeep => FigureQuestions::slice($rig),
            QuestionKind::FramesNeeded => FigureQuestions::frames($rig),
            QuestionKind::KeepsInfinity => ChoiceQuestions::infinity($rig),
            QuestionKind::WhichStop => ChoiceQuestions::stop($rig),
            QuestionKind::WayToStop => ChoiceQuestions::way($rig),
            QuestionKind::SpotFault => ChoiceQuestions::fault($rig, fn (int $sides): int => $this->random->getInt(0, $sides - 1)),
            QuestionKind::Joins, QuestionKind::LargerOfTwo => null,
        };
    }

    private function joins(Part $first, Part $second): ?Question
    {
        $camera = $this->kit->cameras()[0] ?? null;
        if ($camera === null || $first === $second || $first->label() === $second->label()) {
            return null;
        }
        $fit = Mating::of($camera, $first, $second);

        return ChoiceQuestions::joins($first, $second, $fit);
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return ?T
     */
    private function pick(array $from): mixed
    {
        return $from === [] ? null : $from[$this->random->getInt(0, count($from) - 1)];
    }
}
