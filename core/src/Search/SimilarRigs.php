<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** Puts rigs that differ in nothing anybody would see into one row, under the best of them. */
final class SimilarRigs
{
    /** Readings this near to each other are alike, as a share. */
    public const ALIKE = 0.05;

    /**
     * @param  list<Candidate>  $rows  the best first
     * @return list<Candidate> each standing for those within 5 % of it in every reading that no row before it stands for
     */
    public static function of(array $rows): array
    {
        /** @var list<array{Candidate, int}> $kept */
        $kept = [];
        foreach ($rows as $row) {
            foreach ($kept as $k => [$other, $count]) {
                if (self::alike($row, $other)) {
                    $kept[$k][1] = $count + 1;

                    continue 2;
                }
            }
            $kept[] = [$row, 1];
        }

        return array_map(static fn (array $each): Candidate => $each[0]->standingFor($each[1]), $kept);
    }

    private static function alike(Candidate $one, Candidate $other): bool
    {
        $a = $one->reading;
        $b = $other->reading;

        return self::near($a->workingDistanceMm, $b->workingDistanceMm)
            && self::near($a->magnification, $b->magnification)
            && self::near($a->subjectDistanceMm, $b->subjectDistanceMm)
            && self::near($a->effectiveAperture, $b->effectiveAperture)
            && self::near($a->stopsLost === null ? null : 2.0 ** ($a->stopsLost / 2.0), $b->stopsLost === null ? null : 2.0 ** ($b->stopsLost / 2.0))
            && self::near($a->depthOfFieldMm, $b->depthOfFieldMm)
            && self::near($a->detailMm, $b->detailMm)
            && self::near($a->cornerBrightness, $b->cornerBrightness);
    }

    private static function near(?float $a, ?float $b): bool
    {
        return $a === null || $b === null ? $a === $b : abs($a - $b) <= self::ALIKE * max(abs($a), abs($b));
    }
}
