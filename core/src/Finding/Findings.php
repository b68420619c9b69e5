<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Reading\UncertaintyTable;
use ZincThimble\Core\Rig\Rig;

/** Searches a rig for every mistake of the handbook. */
final class Findings
{
    /**
     * @param  ?Uncertainty  $sure  null = nothing is said of how sure it is
     * @return list<Finding> worst first
     */
    public static function of(Rig $rig, Reading $reading, Range $range, Infinity $infinity, ?Uncertainty $sure = null): array
    {
        $halfWidths = [];
        foreach (UncertaintyTable::TOLD as $name) {
            $halfWidths[$name] = [$sure?->halfWidth($name)];
        }
        $sources = static function (string $name) use ($sure): array {
            $source = $sure?->source($name);

            return $source === null ? [] : [[0, 0, $source]];
        };
        $context = new RuleContext($rig, $range, $infinity, ReadingTable::ofOne($reading), halfWidths: $halfWidths, sources: $sources);
        $findings = [];
        foreach (self::spans($context) as $span) {
            $findings[] = $span->at(0);
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
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
