<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Rig\Rig;

/** Searches a rig for every mistake of the handbook. */
final class Findings
{
    /** Notes beside a stop or so many warnings bury what counts; and more than so many notes bury each other. */
    private const NOTES = 2;

    /** Findings in one list, however many there are. */
    private const MOST = 5;

    /** Notes that say that nothing is sharp: they stand beside whatever else is wrong. */
    private const VITAL = [Code::InfinityOvershot];

    /**
     * What is worth telling: what somebody would act on now.
     *
     * @return list<Finding> worst first
     */
    public static function of(Rig $rig, Reading $reading, Range $range, Infinity $infinity): array
    {
        return self::sorted(self::told(self::spans(self::context($rig, $reading, $range, $infinity))));
    }

    /**
     * All that is found, told or not.
     *
     * @return list<Finding> worst first
     */
    public static function all(Rig $rig, Reading $reading, Range $range, Infinity $infinity): array
    {
        return self::sorted(self::spans(self::context($rig, $reading, $range, $infinity)));
    }

    private static function context(Rig $rig, Reading $reading, Range $range, Infinity $infinity): RuleContext
    {
        return new RuleContext($rig, $range, $infinity, ReadingTable::ofOne($reading));
    }

    /**
     * @param  list<Span>  $spans  of one row
     * @return list<Finding> worst first
     */
    private static function sorted(array $spans): array
    {
        $findings = array_map(static fn (Span $span): Finding => $span->at(0), $spans);
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }

    /**
     * Of all that holds in a row, what is told there: stops and warnings, the worst first; notes only where fewer than two of those stand,
     * and no more than make two together. In whole stretches of rows, since what holds changes only where a span begins or ends.
     *
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    public static function told(array $spans): array
    {
        if (count($spans) <= 1) {
            return $spans;
        }
        // Of what weighs the same, the part nearer the camera: a sweep and a reading come to them in another order.
        usort($spans, static fn (Span $a, Span $b): int => [self::weight($a->finding), $a->finding->part ?? -2, $a->finding->pattern] <=> [self::weight($b->finding), $b->finding->part ?? -2, $b->finding->pattern]);
        $edges = [];
        foreach ($spans as $span) {
            $edges[$span->from] = true;
            $edges[$span->to + 1] = true;
        }
        $edges = array_keys($edges);
        sort($edges);
        $told = $open = [];
        foreach ($edges as $edge) {
            $now = [];
            $isStopped = false;
            foreach ($spans as $k => $span) {
                if (count($now) >= self::MOST) {
                    break;
                }
                $isNote = $span->finding->severity === Severity::Note && ! in_array($span->finding->code, self::VITAL, true);
                if ($span->from <= $edge && $span->to >= $edge && ! ($isNote && ($isStopped || count($now) >= self::NOTES))) {
                    $now[$k] = true;
                    $isStopped = $isStopped || $span->finding->severity === Severity::Stop;
                }
            }
            foreach (array_keys($open + $now) as $k) {
                if (isset($now[$k]) && ! isset($open[$k])) {
                    $open[$k] = $edge;
                } elseif (! isset($now[$k])) {
                    $told[] = new Span($spans[$k]->finding, $open[$k], $edge - 1, $spans[$k]->columns);
                    unset($open[$k]);
                }
            }
        }

        return $told;
    }

    /**
     * What is wrong with a rig where it stands, whatever else it could reach: every `stop` and `warn` but the ones that
     * compare with the reach of its travels. Costs a tenth of everything.
     *
     * @return list<Finding> worst first
     */
    public static function asSet(Rig $rig, Reading $reading): array
    {
        $context = new RuleContext($rig, Range::held($reading), Infinity::held($reading), ReadingTable::ofOne($reading));
        $findings = [];
        foreach (self::rules() as $rule) {
            if ($rule instanceof ReachRule || $rule instanceof ContributionRule || $rule instanceof OrientationRule || $rule instanceof HandlingRule) {
                continue;
            }
            foreach ($rule->find($context) as $span) {
                $finding = $span->at(0);
                if ($finding->severity !== Severity::Note) {
                    $findings[] = $finding;
                }
            }
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }

    /** By what a finding is put in order: how bad it is, then how much it spoils. */
    private static function weight(Finding $finding): int
    {
        /** @var array<string, int>|null $places */
        static $places = null;
        $places ??= array_flip(array_map(static fn (Code $code): string => $code->value, [
            Code::NoImage, Code::FocusInside, Code::InfinityOvershot, Code::ThreadLookalike, Code::JointMismatch, Code::GripFouls, Code::ApertureStuck, Code::OutsideWindow,
            Code::Vignette, Code::Touching, Code::LightShutOut, Code::DataDisagree, Code::Diffraction, Code::SliceThin, Code::Sway, Code::HeavyFront, Code::DiopterStrong,
            Code::BodyUncoupled, Code::InfinityLost, Code::TurnItRound, Code::Unsuited, Code::AddsLittle, Code::StackedDioptersOrder, Code::ScrewLoose, Code::BareRear,
            Code::NoShoulder, Code::Flare,
        ]));

        return 100 * $finding->severity->rank() + $places[$finding->code->value];
    }

    /** @return list<Span> */
    public static function spans(RuleContext $context): array
    {
        $spans = [];
        foreach (self::rules() as $rule) {
            foreach ($rule->find($context) as $span) {
                $spans[] = $span;
            }
        }

        return $spans;
    }

    /** @return list<Rule> */
    private static function rules(): array
    {
        /** @var list<Rule>|null $rules */
        static $rules = null;

        return $rules ??= [
            new JointRule,
            new ImageRule,
            new ApertureRule,
            new RoomRule,
            new CornerRule,
            new ReachRule,
            new CloseUpRule,
            new ContributionRule,
            new OrientationRule,
            new SharpnessRule,
            new StabilityRule,
            new HandlingRule,
            new ConfidenceRule,
        ];
    }
}
