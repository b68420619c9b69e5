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
        $readings = array_map(self::comparable(...), $rows);
        $kept = $counts = [];
        foreach ($rows as $r => $row) {
            foreach ($kept as $k) {
                if (self::alike($readings[$r], $readings[$k])) {
                    $counts[$k]++;

                    continue 2;
                }
            }
            $kept[] = $r;
            $counts[$r] = 1;
        }

        return array_map(static fn (int $k): Candidate => $rows[$k]->standingFor($counts[$k]), $kept);
    }

    /** @return non-empty-list<?float> the readings that rigs are held against each other by; stops as the factor that they are */
    private static function comparable(Candidate $row): array
    {
        $reading = $row->reading;

        return [
            $reading->workingDistanceMm, $reading->magnification, $reading->subjectDistanceMm, $reading->effectiveAperture, $reading->stopsLost === null ? null : 2.0 ** ($reading->stopsLost / 2.0),
            $reading->depthOfFieldMm, $reading->detailMm, $reading->cornerBrightness,
        ];
    }

    /**
     * @param  non-empty-list<?float>  $one
     * @param  non-empty-list<?float>  $other
     */
    private static function alike(array $one, array $other): bool
    {
        foreach ($one as $n => $value) {
            if (! self::near($value, $other[$n])) {
                return false;
            }
        }

        return true;
    }

    private static function near(?float $a, ?float $b): bool
    {
        return $a === null || $b === null ? $a === $b : abs($a - $b) <= self::ALIKE * max(abs($a), abs($b));
    }
}
