<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Truth;

use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Tests\RigMaker;

/**
 * What is told of lenses of glass against what they do, before and after each kind of measurement: errors, half-widths, and how often
 * the truth lies within. Relative to the magnification and the number; of a working distance in focal lengths.
 */
final class TruthTable
{
    public const STAGES = [
        'catalogue', 'one shot, the usual way', 'the same with its working distance', 'one shot, turned round', 'that with its working distance', 'two shots, the usual way', 'one at the closest',
    ];

    /** Lenses of each form, and the seed, that the printed table has. */
    public const EACH = 12;

    public const SEED = 20261127;

    public const KINDS = ['usual', 'turned', 'close'];

    public const READINGS = ['magnification', 'workingDistanceMm', 'effectiveAperture'];

    /** @var array<string, array<string, array<string, array<string, array{float, float}>>>> error and half-width by stage, kind, reading, and lens and rig */
    private array $pairs = [];

    public int $lenses = 0;

    /** @param  int  $each  how many lenses of each form */
    public static function of(int $each, int $seed): self
    {
        $table = new self;
        $make = new RigMaker($seed);
        foreach (Prescriptions::all() as $name => $form) {
            for ($n = 0; $n < $each; $n++) {
                $table->add(new TrueLens($form, $make, $name));
            }
        }

        return $table;
    }

    private function add(TrueLens $lens): void
    {
        $this->lenses++;
        $f = $lens->nominal();
        // A ring of 4 mm to turn it round on, and tubes.
        $usual = $lens->shot(0.5 * $f, false, 0.0, working: true);
        $turned = $lens->shot(4.0 + 0.4 * $f, true, 0.0, working: true);
        $without = static fn (array $shot): array => array_diff_key($shot, ['workingDistanceMm' => 0]);
        $can = static fn (array $shot): bool => $shot['magnification'] > 0.1 && $shot['magnification'] < 12.0 && $shot['workingDistanceMm'] > 3.0;
        $stages = ['catalogue' => []];
        if ($can($usual)) {
            $stages += [
                'one shot, the usual way' => [$without($usual)], 'the same with its working distance' => [$usual],
                'two shots, the usual way' => [$without($usual), $without($lens->shot($f, false, 0.0, working: true))],
            ];
        }
        if ($can($turned)) {
            $stages += ['one shot, turned round' => [$without($turned)], 'that with its working distance' => [$turned]];
        }
        if ($lens->m0 > 0.0) {
            $stages += ['one at the closest' => [$lens->shot(0.0, false, 1.0, subject: true)]];
        }
        foreach ($stages as $stage => $shots) {
            foreach ([['usual', 0.3, false, 0.0], ['usual', 0.8, false, 0.0], ['turned', 0.25, true, 0.0], ['turned', 0.9, true, 0.0], ['close', 0.0, false, 1.0], ['close', 0.25, false, 1.0]] as [$kind, $share, $reversed, $focus]) {
                if ($focus === 0.0 || $lens->m0 > 0.0) {
                    $this->compare($lens, $stage, $kind, $shots, $share * $f + ($reversed ? 4.0 : 0.0), $reversed, $focus);
                }
            }
        }
    }

    /** @param  list<array<string, mixed>>  $shots */
    private function compare(TrueLens $lens, string $stage, string $kind, array $shots, float $spacersMm, bool $reversed, float $focus): void
    {
        $really = $lens->really($spacersMm, $reversed, $focus);
        if ($really['magnification'] < 0.1 || $really['magnification'] > 12.0 || $really['workingDistanceMm'] < 3.0) {
            return;
        }
        $rig = RigMaker::made([
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => $lens->camera, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
            'chain' => [['kind' => 'tube', 'lengthMm' => $spacersMm], ['reversed' => $reversed, 'shots' => $shots, 'set' => ['focus' => $focus, 'aperture' => 8]] + $lens->catalogue],
        ]);
        $reading = Reading::of($rig);
        $sure = Uncertainty::of($rig);
        foreach (self::READINGS as $name) {
            $told = $reading->{$name};
            $scale = $name === 'workingDistanceMm' ? $lens->nominal() : $really[$name];
            $this->pairs[$stage][$kind][$name][$this->lenses.' '.$spacersMm] = $told === null ? [INF, 0.0] : [abs($told - $really[$name]) / $scale, ($sure->halfWidth($name) ?? 0.0) / $scale];
        }
    }

    /** How many of a hundred truths lie within the half-width; of all kinds of rig unless one is named. */
    public function coverage(string $stage, string $reading, ?string $kind = null): float
    {
        $pairs = $this->all($stage, $reading, $kind);

        return 100.0 * count(array_filter($pairs, static fn (array $pair): bool => $pair[0] <= $pair[1])) / count($pairs);
    }

    public function medianError(string $stage, string $reading, ?string $kind = null): float
    {
        return self::quantile(array_column($this->all($stage, $reading, $kind), 0), 0.5);
    }

    /**
     * The error that one in ten exceeds.
     *
     * @param  ?string  $among  only of the lenses that were measured so; null = of all
     */
    public function ninthError(string $stage, string $reading, ?string $kind = null, ?string $among = null): float
    {
        return self::quantile(array_column($this->all($stage, $reading, $kind, $among), 0), 0.9);
    }

    public function medianHalfWidth(string $stage, string $reading, ?string $kind = null): float
    {
        return self::quantile(array_column($this->all($stage, $reading, $kind), 1), 0.5);
    }

    public function count(string $stage, string $reading, ?string $kind = null): int
    {
        return count($this->all($stage, $reading, $kind));
    }

    /** @return list<array{float, float}> */
    private function all(string $stage, string $reading, ?string $kind, ?string $among = null): array
    {
        $all = [];
        foreach ($kind === null ? self::KINDS : [$kind] as $each) {
            $pairs = $this->pairs[$stage][$each][$reading] ?? [];
            $all = [...$all, ...array_values($among === null ? $pairs : array_intersect_key($pairs, $this->pairs[$among][$each][$reading] ?? []))];
        }

        return $all;
    }

    /** @param  list<float>  $values */
    private static function quantile(array $values, float $share): float
    {
        sort($values);

        return $values[(int) floor($share * (count($values) - 1))];
    }
}
