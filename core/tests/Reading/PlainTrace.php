<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

/**
 * OPTICS.md written down a second time, as plainly as it goes and from the file's fields alone: every ray traced by itself
 * through a list of groups, nothing shared with what it is compared with. Slow; the oracle of every quicker way.
 *
 * Knows the kinds that RigMaker makes.
 */
final class PlainTrace
{
    /** g/f and P of the design families, each with nothing said of its half-width but what settling needs. */
    private const FAMILIES = [
        'symmetrical' => [-0.18, 0.25, 1.08], 'triplet' => [-0.06, 0.08, 0.95], 'telephoto' => [0.15, 0.25, 0.72],
        'retrofocus' => [0.70, 0.50, 1.65], 'wide' => [0.45, 0.30, 1.20], 'unknown' => [0.0, 0.40, 1.00],
    ];

    /** @var list<array{zi: float, zo: float, power: float}> from the sensor outwards */
    private array $groups = [];

    /** @var list<array{z: float, radius: float, space: int, part: int, diaphragm: bool}> */
    private array $openings = [];

    private float $front;

    private float $reducedFront;

    private float $medium = 1.0;

    private float $factor = 1.0;

    private float $converter = 0.0;

    private ?float $na = null;

    private ?float $marked = null;

    /** @var array<string, mixed> what the rig reads, by the names of the file; `image` = real, infinity, none */
    public array $reads = [];

    /** @param  array<string, mixed>  $document */
    public function __construct(private readonly array $document)
    {
        $camera = $document['camera'];
        $this->front = $this->reducedFront = $camera['registerMm'];
        if (isset($camera['throatMm'])) {
            $this->opening($this->front, $camera['throatMm'] / 2, -1);
        }
        $lenses = 0;
        foreach ($document['chain'] as $i => $part) {
            match ($part['kind']) {
                'lens' => $this->lens($part, $i, $lenses++ === 0),
                'close-up-lens' => $this->closeUp($part, $i),
                'objective' => $this->objective($part),
                'afocal' => $this->afocal($part, $i),
                'teleconverter' => [$this->factor, $this->converter] = [$part['factor'], (float) $part['lengthMm']],
                'port' => $this->port($part),
                default => $this->spacer($part, $i),
            };
        }
        $this->read();
    }

    /** @param  array<string, mixed>  $part */
    private function spacer(array $part, int $i): void
    {
        $length = (float) ($part['setMm'] ?? $part['lengthMm'] ?? 0.0);
        if (isset($part['clearMm'])) {
            $this->opening($this->reducedFront, $part['clearMm'] / 2, $i);
            $this->opening($this->reducedFront + $length, $part['clearMm'] / 2, $i);
        }
        $this->front += $length;
        $this->reducedFront += $length;
    }

    /** @param  array<string, mixed>  $part */
    private function lens(array $part, int $i, bool $first): void
    {
        $figures = self::figures($part);
        [$ratio, $halfRatio, $pupil] = self::FAMILIES[$part['design']];
        $f = $figures['focalLengthMm'];
        $m0 = $figures['maxMagnification'] ?? null;
        $d = $figures['minFocusMm'] ?? null;
        $g = $figures['principalGapMm'] ?? $ratio * $f;
        $pupil = $figures['pupilRatio'] ?? $pupil;
        $f1 = $f;
        $g1 = $g;
        $how = 'fixed';
        if ($m0 !== null && $d !== null && $part['focusing'] !== 'fixed') {
            $sum = 2 + $m0 + 1 / $m0;
            $miss = $d - ($sum * $f + $g);
            $hf = 0.03 * $f;
            $hg = (isset($figures['principalGapMm']) ? 0.02 : $halfRatio) * $f;
            $hd = max(0.01 * $d, 4.0);
            $hm = max(0.03 * $m0, 0.005);
            $bound = 2 * sqrt(($sum * $hf) ** 2 + $hg ** 2 + $hd ** 2 + ($f * (1 - 1 / $m0 ** 2) * $hm) ** 2);
            $how = $part['focusing'] === 'unknown' ? (abs($miss) <= $bound ? 'unit' : 'internal') : $part['focusing'];
            if ($how === 'unit') {
                [$f, $g, $m0] = self::mostProbable([$f, $hf], [$g, $hg], [$m0, $hm], [$d, $hd]);
                [$f1, $g1] = [$f, $g];
            } elseif ($how === 'internal') {
                $g1 = $g + 0.4 * $f * $m0;
                $f1 = ($d - $g1) / $sum;
            }
        }
        $s = $how === 'fixed' ? 0.0 : (float) ($part['set']['focus'] ?? 0.0);
        $m = $s * ($how === 'fixed' ? 0.0 : $m0);
        $now = 1 / ((1 - $s) / $f + $s / $f1);
        $a = $now * (1 + $m) - $figures['registerMm'];
        $b = $a + $g + ($g1 - $g) * $s;
        $rim = $figures['frontRimMm'] + ($how === 'internal' ? 0.0 : $f * $m);
        $p = $how === 'internal' ? $pupil * max(1 - 0.5 * $m, 0.25) : $pupil;
        $e = $how === 'internal' ? $now * (1 + $m / $p) / (1 + 0.7 * $m) : $f;
        if (($this->document['conditions']['apertureModel'] ?? 'pupil') === 'simple') {
            [$p, $e] = [1.0, $now];
        }
        $n = $this->stuck($part, $figures, $i) ?? $part['set']['aperture'] ?? $figures['aperture']['widest'];
        $this->marked ??= $n;
        $glass = isset($figures['frontGlassMm']) ? $figures['frontGlassMm'] / 2 : null;
        $z0 = $this->front;
        if ($part['reversed']) {
            if ($glass !== null) {
                $this->opening($z0, $glass, $i);
            }
            $zi = $z0 + $rim - $b;
            $this->opening($zi - $now * (1 - 1 / $p), $e / $n / 2, $i, true);
            $this->groups[] = ['zi' => $zi, 'zo' => $z0 + $rim - $a, 'power' => 1 / $now];
            $this->front = $z0 + $rim + $part['rearProtrusionMm'];
        } else {
            $zi = $z0 + $a;
            $this->opening($zi - $now * (1 - $p), $p * $e / $n / 2, $i, true);
            $this->groups[] = ['zi' => $zi, 'zo' => $z0 + $b, 'power' => 1 / $now];
            $this->front = $z0 + $rim;
            if ($glass !== null) {
                $this->opening($this->front, $glass, $i);
            }
            if ($first) {
                $this->reads['extensionMm'] = $z0 - $figures['registerMm'];
            }
        }
        $this->reducedFront = $this->front;
    }

    /**
     * A lever that nothing reaches leaves the working diaphragm closed at its smallest, or wide open; null = it can be worked.
     *
     * @param  array<string, mixed>  $part
     * @param  array<string, mixed>  $figures
     */
    private function stuck(array $part, array $figures, int $i): ?float
    {
        $lenses = array_filter($this->document['chain'], static fn (array $each): bool => $each['kind'] === 'lens');
        $chosen = array_keys(array_filter($lenses, static fn (array $each): bool => $each['set']['working'] ?? false));
        $working = $chosen[0] ?? array_key_first($lenses);
        if ($i !== $working || ($part['aperture']['control'] ?? 'ring') !== 'lever' || ($part['aperture']['rest'] ?? '') === 'set' || ($part['set']['makeshift'] ?? false)
            || ($this->document['camera']['joint'] ?? '') === 'fixed') {
            return null;
        }
        $byCamera = in_array('lever', $this->document['camera']['passes'] ?? [], true);
        $byLatch = false;
        foreach (array_slice($this->document['chain'], 0, $i) as $behind) {
            $passes = in_array('lever', $behind['passes'] ?? [], true);
            $byCamera = $byCamera && $passes;
            $byLatch = $behind['kind'] === 'bellows' ? ($behind['latch'] ?? false) : $byLatch && $passes;
        }
        if (! $part['reversed'] && ($byCamera || $byLatch)) {
            return null;
        }

        return ($part['aperture']['rest'] ?? 'closed') === 'open' ? $figures['aperture']['widest'] : $figures['aperture']['smallest'] ?? $figures['aperture']['widest'];
    }

    /**
     * The lens's figures where its zoom is set: linear between two stations, the lens's own fields filling what they leave out.
     *
     * @param  array<string, mixed>  $part
     * @return array<string, mixed>
     */
    private static function figures(array $part): array
    {
        if (! isset($part['stations'])) {
            return $part;
        }
        [$low, $high] = array_map(static fn (array $station): array => $station + $part, $part['stations']);
        $share = max(0, min(1, ($part['set']['zoomMm'] - $low['focalLengthMm']) / ($high['focalLengthMm'] - $low['focalLengthMm'])));
        $between = $part;
        foreach (['focalLengthMm', 'minFocusMm', 'maxMagnification', 'frontRimMm', 'pupilRatio', 'principalGapMm'] as $field) {
            if (isset($low[$field], $high[$field])) {
                $between[$field] = $low[$field] + ($high[$field] - $low[$field]) * $share;
            } else {
                // Known at one end only, it is known there only.
                unset($between[$field]);
                if ($share === 1 || $share === 1.0) {
                    $between += array_intersect_key($high, [$field => 0]);
                }
            }
        }

        return $between;
    }

    /**
     * With the magnification held, focal length and gap share what is missing as their variances have it; which magnification leaves
     * least is tried out.
     *
     * @param  array{float, float}  $f  figure and half-width
     * @param  array{float, float}  $g
     * @param  array{float, float}  $m
     * @param  array{float, float}  $d
     * @return array{float, float, float}
     */
    private static function mostProbable(array $f, array $g, array $m, array $d): array
    {
        $given = static function (float $try) use ($f, $g, $m, $d): array {
            $sum = 2 + $try + 1 / $try;
            $miss = $d[0] - ($sum * $f[0] + $g[0]);
            $variance = ($sum * $f[1]) ** 2 + $g[1] ** 2 + $d[1] ** 2;

            return [$miss ** 2 / $variance + (($try - $m[0]) / $m[1]) ** 2, $f[0] + $sum * $f[1] ** 2 * $miss / $variance, $g[0] + $g[1] ** 2 * $miss / $variance];
        };
        $low = max(0.3 * $m[0], $m[0] - 8 * $m[1]);
        $high = $m[0] + 8 * $m[1];
        $slope = static fn (float $at): float => $given($at * (1 + 1e-6))[0] - $given($at * (1 - 1e-6))[0];
        for ($n = 0; $n < 200; $n++) {
            $middle = ($low + $high) / 2;
            $slope($middle) > 0.0 ? $high = $middle : $low = $middle;
        }
        [, $focal, $gap] = $given($low);

        return [$focal, $gap, $low];
    }

    /** @param  array<string, mixed>  $part */
    private function closeUp(array $part, int $i): void
    {
        $power = $part['powerD'] / 1000;
        if ($this->medium > 1.0) {
            $glass = $part['index'] ?? 1.5168;
            $power *= ($part['sealed'] ?? false) ? 1.0 : ($glass - $this->medium) / ($glass - 1);
        }
        $behind = $part['elements'] === 1 ? $part['thicknessMm'] / 2 : 0.0;
        $plane = $this->reducedFront + ($part['thicknessMm'] - $behind) / $this->medium;
        $this->opening($this->reducedFront, $part['clearMm'] / 2, $i);
        $this->groups[] = ['zi' => $plane, 'zo' => $plane, 'power' => $power];
        $this->front += $part['thicknessMm'];
        $this->reducedFront += $part['thicknessMm'] / $this->medium;
        $this->opening($this->reducedFront, $part['clearMm'] / 2, $i);
    }

    /** @param  array<string, mixed>  $part */
    private function afocal(array $part, int $i): void
    {
        $this->opening($this->reducedFront, $part['clearMm'] / 2, $i);
        $this->groups[] = ['zi' => $this->reducedFront, 'zo' => $this->reducedFront, 'power' => 0.0, 'times' => $part['factor']];
        $this->front += $part['thicknessMm'];
        $this->reducedFront += $part['thicknessMm'] / $this->medium;
        $this->opening($this->reducedFront, $part['clearMm'] / 2, $i);
    }

    /** @param  array<string, mixed>  $part */
    private function objective(array $part): void
    {
        $parfocal = $part['parfocalMm'] ?? 45;
        if (($part['corrected'] ?? 'finite') === 'infinite') {
            $f = ($part['referenceMm'] ?? 200) / $part['nominal'];
            $h = $parfocal - $f;
        } else {
            $tube = $part['tubeMm'] ?? 150;
            $h = ($part['nominal'] * $parfocal - $tube) / (1 + $part['nominal']);
            $f = 1 / (1 / ($tube + $h) + 1 / ($parfocal - $h));
        }
        $this->groups[] = ['zi' => $this->front + $h, 'zo' => $this->front + $h, 'power' => 1 / $f];
        $this->front += $parfocal - $part['workingDistanceMm'];
        $this->reducedFront = $this->front;
        $this->na = $part['na'];
    }

    /** @param  array<string, mixed>  $part */
    private function port(array $part): void
    {
        $this->front += $part['gapMm'] + $part['glassMm'];
        $this->reducedFront += $part['gapMm'] + $part['glassMm'] / $part['index'];
        $this->medium = $part['medium'] ?? 1.333;
    }

    private function opening(float $z, float $radius, int $part, bool $diaphragm = false): void
    {
        $this->openings[] = ['z' => $z, 'radius' => $radius, 'space' => count($this->groups), 'part' => $part, 'diaphragm' => $diaphragm];
    }

    /**
     * One ray from the sensor, through all groups.
     *
     * @return array{list<float>, float, float, float, float} heights at the openings; height at the last principal plane, its place,
     *                                                        height where the rig ends (reduced), slope there
     */
    private function ray(float $y, float $t): array
    {
        $z = 0.0;
        $heights = array_fill(0, count($this->openings), 0.0);
        $last = 0.0;
        for ($space = 0; $space <= count($this->groups); $space++) {
            foreach ($this->openings as $j => $opening) {
                if ($opening['space'] === $space) {
                    $heights[$j] = $y + $t * ($opening['z'] - $z);
                }
            }
            $group = $this->groups[$space] ?? null;
            if ($group !== null) {
                $y += $t * ($group['zi'] - $z);
                $t -= $y * $group['power'];
                $z = $group['zo'];
                $y *= $group['times'] ?? 1.0;
                $t /= $group['times'] ?? 1.0;
                $last = $y;
            }
        }

        return [$heights, $last, $z, $y + $t * ($this->reducedFront - $z), $t];
    }

    private function read(): void
    {
        [$axial, $y, $z, $end, $t] = $this->ray(0.0, 1.0);
        $image = 'real';
        if ((abs($t) <= 1e-9 && $y !== 0.0) || ($y > 0 && $t > 0)) {
            $image = 'infinity';
        } elseif ($y === 0.0 || ($y < 0 && $t < 0)) {
            $image = 'none';
        }
        $m = $image === 'real' ? abs($t) : ($image === 'infinity' ? 0.0 : null);
        $numbers = [];
        foreach ($this->openings as $j => $opening) {
            $numbers[$j] = abs($axial[$j]) / (2 * $opening['radius']);
        }
        arsort($numbers);
        $stop = array_key_first($numbers);
        $neff = $stop === null ? 0.0 : $numbers[$stop];
        $telecentric = $this->na !== null && $m !== null && $m / (2 * $this->na) > $neff;
        if ($telecentric) {
            [$stop, $neff] = [null, $m / (2 * $this->na)];
        }
        $this->reads += [
            'image' => $image, 'magnification' => $m === null ? null : $m * $this->factor, 'workingDistanceMm' => null, 'subjectDistanceMm' => null,
            'effectiveAperture' => $neff > 0 ? $neff * $this->factor : null,
            'stopsLost' => $neff > 0 && $this->marked !== null ? 2 * log($neff * $this->factor / $this->marked) / log(2) : null,
            'entrancePupilMm' => null, 'nearMm' => null, 'farMm' => null, 'cornerBrightness' => null, 'extensionMm' => null,
        ];
        $sensor = $this->document['camera']['sensor'];
        $corner = hypot($sensor['widthMm'], $sensor['heightMm']) / 2 / $this->factor;
        // The chief ray: of all rays from the corner, the one through the middle of the stop; telecentric: the one that leaves parallel.
        $at = fn (float $slope): float => $telecentric ? $this->ray($corner, $slope)[4] : ($stop === null ? NAN : $this->ray($corner, $slope)[0][$stop]);
        [$one, $other] = [$at(0.0), $at(1.0)];
        $slope = $one === $other ? NAN : $one / ($one - $other);
        if ($neff > 0 && ! is_nan($slope)) {
            $this->reads['cornerBrightness'] = $this->corner($this->ray($corner, $slope)[0], $axial, $neff, $stop);
        }
        if ($image !== 'real') {
            return;
        }
        $working = -$this->medium * $end / $t;
        $this->reads['workingDistanceMm'] = $working;
        $this->reads['subjectDistanceMm'] = $this->front + $working + $this->converter;
        if ($neff <= 0) {
            return;
        }
        $m *= $this->factor;
        $n = $neff * $this->factor;
        $blur = hypot($sensor['widthMm'], $sensor['heightMm']) / 1500 / $m;
        $reads = ['nearMm' => $blur * $n / $m * $this->medium, 'farMm' => $blur * $n / $m * $this->medium];
        if (! $telecentric && ! is_nan($slope)) {
            [, , , $chiefEnd, $chiefSlope] = $this->ray($corner, $slope);
            if (abs($chiefSlope) > 1e-12 * $corner) {
                // From where the chief ray crosses the axis to the subject plane, reduced.
                $s = $chiefEnd / $chiefSlope - $end / $t;
                $cone = $s * $m / $n;
                $reads = [
                    'entrancePupilMm' => $s * $this->medium,
                    'nearMm' => $cone < 0 && $cone >= -$blur ? null : $s * $blur / ($cone + $blur) * $this->medium,
                    'farMm' => $cone > 0 && $cone <= $blur ? null : $s * $blur / ($cone - $blur) * $this->medium,
                ];
            }
        }
        $this->reads = $reads + $this->reads;
    }

    /**
     * The least brightness of the corner over all openings but the stop: overlap of two circles by counting strips.
     *
     * @param  list<float>  $chief
     * @param  list<float>  $axial
     */
    private function corner(array $chief, array $axial, float $neff, ?int $stop): float
    {
        $least = 1.0;
        foreach ($this->openings as $j => $opening) {
            if ($j === $stop) {
                continue;
            }
            $p = abs($axial[$j]) / (2 * $neff);
            $q = abs($chief[$j]);
            $c = $opening['radius'];
            if ($q + $p <= $c) {
                continue;
            }
            if ($p < 1e-9) {
                $least = min($least, $q <= $c ? 1.0 : 0.0);

                continue;
            }
            // Strips across the pencil of light: how much of each lies inside the opening.
            $strips = 4000;
            $area = 0.0;
            for ($k = 0; $k < $strips; $k++) {
                $x = $p * cos(M_PI * ($k + 0.5) / $strips);
                $width = $p * sin(M_PI * ($k + 0.5) / $strips) * M_PI / $strips;
                $half = sqrt(max(0.0, $c * $c - ($q + $x) ** 2));
                $area += 2 * min(sqrt(max(0.0, $p * $p - $x * $x)), $half) * $width;
            }
            $least = min($least, $area / (M_PI * $p * $p));
        }

        return $least;
    }
}
