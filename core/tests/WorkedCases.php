<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\Rig;

/** Rigs with known readings. */
final class WorkedCases
{
    /** @return iterable<string, array{Rig, array<string, mixed>}> */
    public static function all(): iterable
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/cases/readings.json'), false, 64, JSON_THROW_ON_ERROR);
        foreach ($file->cases as $case) {
            yield $case->rig->name => [RigFile::read($case->rig), json_decode(json_encode($case->expect, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR)];
        }
    }

    public static function named(string $name): Rig
    {
        foreach (self::all() as $key => [$rig]) {
            if ($key === $name) {
                return $rig;
            }
        }
        throw new \LogicException('No worked case '.$name);
    }
}
