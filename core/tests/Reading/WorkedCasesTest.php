<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\WorkedCases;

final class WorkedCasesTest extends TestCase
{
    /** @return iterable<string, array{Rig, array<string, mixed>}> */
    public static function cases(): iterable
    {
        return WorkedCases::all();
    }

    /** @param  array<string, mixed>  $expected */
    #[DataProvider('cases')]
    public function test_it_reads_what_is_known(Rig $rig, array $expected): void
    {
        $told = RigReport::of($rig)->toArray();
        foreach ($expected as $name => $value) {
            if ($name === 'range') {
                foreach ($value as $reading => [$least, $greatest]) {
                    Near::assert($least, $told['range'][$reading][0], 1e-5, 'least '.$reading);
                    Near::assert($greatest, $told['range'][$reading][1], 1e-5, 'greatest '.$reading);
                }
            } elseif ($name === 'infinity') {
                $this->assertSame($value['reached'], $told['infinity']['reached']);
            } else {
                Near::assert($value, $told[$name], 1e-6, $name);
            }
        }
    }

    public function test_there_are_as_many_as_were_given(): void
    {
        $this->assertCount(31, iterator_to_array(self::cases()));
    }
}
