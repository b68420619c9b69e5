<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

/** A made-up kit of a size: the same size gives the same kit, as a version-1 file. */
final class BenchKit
{
    /** What a kit grows by, in turn: of sixty parts ten are fixed spacers, two move, twelve are lenses and eight close-up lenses. */
    private const ORDER = [
        'camera', 'lens', 'tube', 'close-up', 'bellows', 'lens', 'tube', 'reversing', 'close-up', 'lens',
        'tube', 'lens', 'adapter', 'close-up', 'camera', 'lens', 'tube', 'coupling', 'close-up', 'tripod',
        'lens', 'tube', 'helicoid', 'lens', 'close-up', 'tube', 'flash', 'lens', 'camera', 'close-up',
        'lens', 'rail', 'tube', 'lens', 'close-up', 'hood', 'lens', 'filter', 'close-up', 'lens',
        'lens', 'lens',
    ];

    /** @return array<string, mixed> as a kit file has it */
    public static function of(int $size): array
    {
        $cameras = $parts = [];
        $counts = [];
        for ($n = 0; $n < $size; $n++) {
            // From sixty parts on more of all but of what makes the sets of rings grow without bound.
            $kind = self::ORDER[$n] ?? ['filter', 'hood', 'lamp', 'rail', 'stand', 'flash', 'tripod', 'reference', 'filter', 'hood', 'lens', 'close-up'][$n < 60 ? ($n % 10) : ($n % 12)];
            $k = $counts[$kind] = ($counts[$kind] ?? 0) + 1;
            $fields = self::part($kind, $k) + ['name' => ucfirst($kind).' '.$k, 'massG' => 40 + 7 * $k, 'price' => 10 + 3 * $k];
            if ($kind === 'camera') {
                $cameras[] = $fields;
            } else {
                $parts[] = ['kind' => self::kind($kind)] + $fields;
            }
        }

        return ['format' => 'zinc-thimble/kit', 'version' => 1, 'name' => 'Bench', 'cameras' => $cameras, 'parts' => $parts];
    }

    private static function kind(string $word): string
    {
        return ['close-up' => 'close-up-lens', 'reversing' => 'reversing-ring', 'coupling' => 'coupling-ring'][$word] ?? $word;
    }

    /** @return array<string, mixed> */
    private static function part(string $kind, int $k): array
    {
        $mount = ['rear' => 'larch', 'front' => 'larch', 'clearMm' => 40];

        return match ($kind) {
            // One body takes the mount of the lenses, the others through an adapter.
            'camera' => ['joint' => ['larch', 'tern', 'tern'][($k - 1) % 3], 'registerMm' => [44.5, 18.4, 18.4][($k - 1) % 3], 'passes' => ['contacts', 'lever'], 'sensor' => ['widthMm' => [23.6, 36.0, 17.3][($k - 1) % 3], 'heightMm' => [15.7, 24.0, 13.0][($k - 1) % 3], 'columns' => 6000, 'rows' => 4000]],
            'adapter' => ['rear' => 'tern', 'lengthMm' => 26.1] + $mount,
            'tube' => $mount + ['lengthMm' => [8.0, 14.0, 21.0, 31.0, 12.5, 18.0, 26.0][($k - 1) % 7] + intdiv($k - 1, 7), 'passes' => $k % 2 === 0 ? ['contacts', 'lever'] : []],
            'reversing' => ['rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4.0, 'clearMm' => 46],
            'coupling' => ['rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 5.0, 'clearMm' => 48],
            'bellows' => $mount + ['minMm' => 36.0, 'maxMm' => 162.0],
            'helicoid' => $mount + ['minMm' => 14.0, 'maxMm' => 29.0],
            'close-up' => ['rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => [1.0, 2.0, 3.0, 4.0, 5.0, 1.5, 2.5, 8.0][($k - 1) % 8] + intdiv($k - 1, 8) * 0.25, 'elements' => $k % 2 + 1, 'thicknessMm' => 5.0 + $k % 3, 'clearMm' => 48],
            'lens' => ['rear' => 'larch', 'front' => 'thread:52x0.75', 'registerMm' => 44.5, 'frontRimMm' => 30.0 + 6 * ($k % 7), 'outerMm' => 62,
                'focalLengthMm' => [50, 35, 105, 28, 85, 135, 24, 60, 100, 40, 75, 55][($k - 1) % 12] * 1.0, 'focusing' => $k % 4 === 3 ? 'internal' : 'unit', 'design' => ['symmetrical', 'retrofocus', 'telephoto', 'unknown'][$k % 4],
                'minFocusMm' => [450, 300, 310, 280, 850, 1500, 300, 190, 1000, 400, 700, 450][($k - 1) % 12] * 1.0, 'maxMagnification' => [0.15, 0.17, 1.0, 0.13, 0.13, 0.12, 0.11, 1.0, 0.13, 0.13, 0.13, 0.15][($k - 1) % 12],
                'aperture' => ['widest' => [1.8, 2.8, 2.8, 3.5, 2.0][$k % 5], 'smallest' => 16, 'control' => $k % 3 === 0 ? 'electronic' : 'ring']],
            'rail' => ['travelMm' => 160, 'pitchMm' => 1.25], 'flash' => ['guideNumber' => 20], 'lamp' => ['watts' => 40],
            'hood', 'filter' => ['rear' => 'thread:67x0.75', 'front' => 'thread:67x0.75', 'lengthMm' => 4.0],
            default => [],
        };
    }
}
