<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\ComparisonFile;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** Rigs side by side as one open file: out and in again the same, and every fault with its place. */
final class ComparisonFileTest extends TestCase
{
    public function test_out_and_in_again_it_is_the_same_and_so_are_its_bytes(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 30; $n++) {
            $file = new ComparisonFile($n % 2 === 0 ? 'Tubes?' : null, [$make->rig(), $make->rig()], $n % 3 === 0 ? [] : ['to' => 'magnification', 'value' => 2.5]);
            $text = $file->write();
            $again = ComparisonFile::read(json_decode($text), 64);
            $this->assertSame($text, $again->write());
            $this->assertSame([$file->name, $file->asked], [$again->name, $again->asked]);
            $this->assertSame(array_map(RigFile::write(...), $file->rigs), array_map(RigFile::write(...), $again->rigs));
        }
    }

    public function test_what_is_wrong_is_said_with_its_place(): void
    {
        $rig = json_decode(RigFile::write(RigMaker::seeded(__METHOD__)->rig()));
        $head = ['format' => 'zinc-thimble/comparison', 'version' => 1];
        foreach ([
            [[], '/format'], [['format' => 'zinc-thimble/rig', 'version' => 1, 'rigs' => [$rig]], '/format'], [['version' => 2, 'rigs' => [$rig]] + $head, '/format'],
            [$head, '/rigs'], [['rigs' => []] + $head, '/rigs'], [['rigs' => 'x'] + $head, '/rigs'], [['rigs' => array_fill(0, 4, $rig)] + $head, '/rigs'],
            [['rigs' => [$rig, (object) []]] + $head, '/rigs/1/format'], [['rigs' => [$rig], 'name' => 3] + $head, '/name'], [['rigs' => [$rig], 'name' => ' '] + $head, '/name'], [['rigs' => [$rig], 'asked' => [1]] + $head, '/asked'],
        ] as [$document, $pointer]) {
            try {
                ComparisonFile::read((object) $document, 3);
                $this->fail($pointer);
            } catch (FileInvalid $invalid) {
                $this->assertContains($pointer, array_map(static fn (Fault $fault): string => $fault->pointer, $invalid->faults));
            }
        }
        $this->assertCount(3, ComparisonFile::read((object) (['rigs' => array_fill(0, 3, $rig)] + $head), 3)->rigs);
        $this->assertFalse(ComparisonFile::isOne([1]));
        $this->assertFalse(ComparisonFile::isOne((object) ['format' => 'zinc-thimble/rig']));
    }

    public function test_a_setting_is_the_same_as_one_that_stands_alike(): void
    {
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [['kind' => 'bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 30, 'maxMm' => 90, 'setMm' => 40]]]);
        $this->assertTrue($rig->setting->isSameAs($rig->with(TravelKind::Length, 0, 40.0)->setting));
        $this->assertFalse($rig->setting->isSameAs($rig->with(TravelKind::Length, 0, 40.1)->setting));
    }
}
