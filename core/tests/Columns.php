<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

/** Columns of an answer by row, summed up as its description says: without the code that packed them. */
final class Columns
{
    /**
     * @template T of mixed
     *
     * @param  T  $told
     * @return ($told is array ? array<array-key, mixed> : T)
     */
    public static function unpacked(mixed $told): mixed
    {
        if (! is_array($told)) {
            return $told;
        }
        if (! isset($told['steps'], $told['decimals'])) {
            return array_map(self::unpacked(...), $told);
        }
        $rows = [];
        foreach ($told['none'] ?? [] as [$from, $to]) {
            $rows += array_fill($from, $to - $from + 1, null);
        }
        $sums = array_fill(0, $told['order'] + 1, 0);
        $row = 0;
        foreach ($told['steps'] as $step) {
            for ($left = $told['order'], $sum = $step; $left > 0; $left--) {
                $sum = $sums[$left] += $sum;
            }
            while (array_key_exists($row, $rows)) {
                $row++;
            }
            $rows[$row] = (float) $sum / 10 ** $told['decimals'];
        }
        ksort($rows);

        return $rows;
    }
}
