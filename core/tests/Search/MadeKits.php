<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Tests\RigMaker;

/** Kits and wishes made up for the search: small enough for plain trying, and mostly of joints that agree. */
final class MadeKits
{
    /**
     * @param  list<array<string, mixed>>  $cameras
     * @param  list<array<string, mixed>>  $parts
     */
    public static function of(array $cameras, array $parts): SearchKit
    {
        return SearchKit::of(KitFile::parse(json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => $cameras, 'parts' => $parts], JSON_THROW_ON_ERROR))->kit());
    }

    /** The kit of the demonstration: with latches, batteries and a lens that focuses inside. */
    public static function demonstration(): SearchKit
    {
        return SearchKit::of(KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit());
    }

    /** A kit of one or two bodies and so many parts, whose joints mostly agree. */
    public static function generated(RigMaker $maker, int $parts, bool $narrow = false): SearchKit
    {
        while (true) {
            $cameras = [];
            foreach ($maker->chance(0.3) ? ['larch', 'tern'] : ['larch'] as $k => $joint) {
                $cameras[] = ['name' => 'Body '.$k, 'joint' => $joint, 'passes' => ['contacts', 'lever']] + $maker->camera();
            }
            $made = [];
            for ($n = 0; $n < $parts; $n++) {
                $kind = $n === 0 ? 'lens' : $maker->pick(['tube', 'tube', 'lens', 'lens', 'adapter', 'variable', 'reversing', 'coupling', 'close-up', 'close-up', 'step', 'converter', 'objective']);
                // Plain trying moves one draw at a time.
                if ($kind === 'variable' && in_array(true, array_map(static fn (array $part): bool => isset($part['minMm']), $made), true)) {
                    $kind = 'tube';
                }
                $thread = $maker->pick(['thread:52x0.75', 'thread:52x0.75', 'thread:58x0.75']);
                $clear = $narrow ? ['clearMm' => $maker->number(14.0, 34.0)] : [];
                $made[] = ['name' => $kind.' '.(in_array($kind, ['reversing', 'coupling', 'step', 'adapter'], true) ? 'ring ' : '').$n, 'price' => $maker->number(5.0, 90.0)] + match ($kind) {
                    'tube' => $clear + $maker->tube(),
                    'adapter' => ['kind' => 'adapter', 'rear' => $maker->pick(['tern', 'larch']), 'front' => 'larch', 'lengthMm' => $maker->number(5.0, 30.0)] + $clear,
                    'variable' => array_diff_key($maker->variable(), ['setMm' => 0]) + $clear + ['latch' => false],
                    'reversing' => ['kind' => 'reversing-ring', 'rear' => 'larch', 'front' => $thread, 'lengthMm' => 4.0, 'passes' => $maker->chance(0.4) ? ['contacts'] : []],
                    'coupling' => ['kind' => 'coupling-ring', 'rear' => $thread, 'front' => 'thread:52x0.75', 'lengthMm' => 5.0],
                    'step' => ['kind' => 'step-ring', 'rear' => $thread, 'front' => $maker->pick(['thread:52x0.75', 'thread:58x0.75']), 'lengthMm' => 3.0],
                    'close-up' => ['rear' => $thread, 'front' => $thread] + $maker->closeUp(),
                    'converter' => ['kind' => 'teleconverter', 'rear' => 'larch', 'front' => 'larch', 'factor' => $maker->number(1.2, 2.0), 'lengthMm' => 18.0, 'passes' => ['contacts']],
                    'objective' => ['kind' => 'objective', 'rear' => $maker->pick(['larch', 'thread:52x0.75']), 'nominal' => $maker->pick([2, 4, 10]), 'na' => $maker->number(0.05, 0.3), 'workingDistanceMm' => $maker->number(4.0, 30.0), 'parfocalMm' => 100.0, 'tubeMm' => 160.0, 'corrected' => $maker->pick(['finite', 'infinite'])],
                    default => ['front' => $thread] + array_diff_key($maker->lens(), ['set' => 0, 'reversed' => 0]),
                };
            }
            try {
                return self::of($cameras, $made);
            } catch (FileInvalid) {
                // Some random catalogue figures go together with no lens; such a lens is refused, as it should be.
            }
        }
    }

    /** A wish of one of six kinds. */
    public static function wanted(RigMaker $maker): SearchCriteria
    {
        return match ($maker->pick([0, 1, 2, 3, 4, 5])) {
            0 => new SearchCriteria(fieldWidthMm: $maker->number(8.0, 120.0), leastRoomMm: $maker->number(0.0, 120.0)),
            1 => new SearchCriteria(magnification: $maker->number(0.1, 3.0), mostStopsLost: $maker->number(0.5, 4.0)),
            2 => new SearchCriteria(workingDistanceMm: $maker->number(20.0, 300.0), mostLengthMm: $maker->number(120.0, 300.0)),
            3 => new SearchCriteria(magnification: $maker->number(0.1, 1.5), automatic: $maker->chance(0.5), leastCorner: $maker->number(0.2, 1.0)),
            4 => new SearchCriteria(subjectDistanceMm: $maker->number(200.0, 700.0), mostMassG: $maker->number(600.0, 1500.0)),
            default => new SearchCriteria(magnification: $maker->number(0.1, 1.5), detailMm: $maker->number(0.004, 0.03), mostPrice: $maker->number(60.0, 300.0)),
        };
    }
}
