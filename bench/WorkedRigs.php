<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\Travels;

/** The rigs of the worked cases, each with a control to set: what readings are timed over. */
final class WorkedRigs
{
    /** @return list<array{Rig, Travel}> every worked case with a control of its own to set */
    public static function all(): array
    {
        $subjects = [];
        $file = json_decode((string) file_get_contents(__DIR__.'/../core/tests/cases/readings.json'), false, 64, JSON_THROW_ON_ERROR);
        foreach ($file->cases as $case) {
            $rig = RigFile::read($case->rig);
            $travels = Travels::of($rig);
            if ($travels !== []) {
                $subjects[] = [$rig, $rig->focusTravels()[0] ?? $travels[0]];
            }
        }

        return $subjects;
    }

    /** A place in a travel that round n alone comes to: an irrational stride never meets itself. */
    public static function fresh(Travel $travel, int $n): float
    {
        return $travel->least + ($travel->greatest - $travel->least) * fmod($n * 0.6180339887498949, 1.0);
    }

    /**
     * Reads each twenty times, at places not read before.
     *
     * @param  list<array{Rig, Travel}>  $subjects
     * @return int readings made
     */
    public static function read(array $subjects, int $n): int
    {
        for ($k = 0; $k < 20; $k++) {
            foreach ($subjects as [$rig, $travel]) {
                Reading::of($rig->with($travel->kind, $travel->part, self::fresh($travel, 20 * $n + $k)));
            }
        }

        return 20 * count($subjects);
    }
}
