<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Tests\RigMaker;

final class RigFileTest extends TestCase
{
    private const RIG = [
        'format' => 'zinc-thimble/rig', 'version' => 1, 'name' => 'A rig',
        'camera' => ['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
        'chain' => [
            ['kind' => 'bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 36, 'maxMm' => 162, 'setMm' => 60],
            ['kind' => 'lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'set' => ['focus' => 0]],
        ],
    ];

    public function test_unknown_keys_survive_a_round_trip_at_every_level(): void
    {
        $document = self::RIG;
        $document['colour'] = ['a' => new \stdClass, 'b' => []];
        $document['camera']['serial'] = 'x1';
        $document['camera']['sensor']['maker'] = null;
        $document['chain'][1]['set']['mood'] = 'calm';
        $document['chain'][0]['cloth'] = ['holes' => 0];
        $document['conditions'] = ['moon' => 'full'];
        $document['subject'] = ['shy' => true];
        $written = RigFile::write(self::made($document));
        $again = json_decode($written);
        $this->assertEquals((object) ['a' => new \stdClass, 'b' => []], $again->colour);
        $this->assertSame('x1', $again->camera->serial);
        $this->assertSame('calm', $again->chain[1]->set->mood);
        $this->assertSame(0, $again->chain[0]->cloth->holes);
        $this->assertSame('full', $again->conditions->moon);
        $this->assertTrue($again->subject->shy);
    }

    public function test_an_empty_object_says_nothing_and_what_is_written_can_be_read(): void
    {
        $document = self::RIG;
        $document['chain'][1] += ['aperture' => new \stdClass, 'pupils' => new \stdClass, 'measured' => new \stdClass];
        $document['chain'][1]['set'] = new \stdClass;
        $document['conditions'] = ['plan' => ['light' => 'flash', 'flash' => new \stdClass, 'rail' => new \stdClass]];
        $written = RigFile::write(self::made($document));
        $this->assertSame($written, RigFile::write(RigFile::parse($written)));
        $this->assertEquals((object) ['light' => 'flash'], json_decode($written)->conditions->plan);
        $document['conditions'] = ['plan' => new \stdClass];
        $this->assertSame([], RigFile::parse(RigFile::write(self::made($document)))->conditions->document->fields);
    }

    public function test_writing_gives_the_same_bytes_for_the_same_rig_and_the_same_readings_after(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 500; $n++) {
            $rig = $make->rig();
            $text = RigFile::write($rig);
            $again = RigFile::parse($text);
            $this->assertSame($text, RigFile::write($again));
            $this->assertEquals(Reading::of($rig), Reading::of($again));
        }
    }

    /** @return iterable<string, array{\Closure(array<string, mixed>): array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $with = static fn (\Closure $change): \Closure => static function (array $rig) use ($change): array {
            $change($rig);

            return $rig;
        };
        yield 'format' => [$with(function (array &$rig): void {
            $rig['format'] = 'other';
        }), '/format'];
        yield 'version' => [$with(function (array &$rig): void {
            $rig['version'] = 2;
        }), '/version'];
        yield 'no camera' => [$with(function (array &$rig): void {
            unset($rig['camera']);
        }), '/camera'];
        yield 'no chain' => [$with(function (array &$rig): void {
            unset($rig['chain']);
        }), '/chain'];
        yield 'chain no list' => [$with(function (array &$rig): void {
            $rig['chain'] = ['a' => 1];
        }), '/chain'];
        yield 'unknown kind' => [$with(function (array &$rig): void {
            $rig['chain'][0]['kind'] = 'prism';
        }), '/chain/0/kind'];
        yield 'kit-only kind' => [$with(function (array &$rig): void {
            $rig['chain'][0] = ['kind' => 'tripod'];
        }), '/chain/0/kind'];
        yield 'length below 0' => [$with(function (array &$rig): void {
            $rig['chain'][0]['minMm'] = -1;
        }), '/chain/0/minMm'];
        yield 'longest under shortest' => [$with(function (array &$rig): void {
            $rig['chain'][0]['maxMm'] = 20;
            unset($rig['chain'][0]['setMm']);
        }), '/chain/0/maxMm'];
        yield 'set beyond its travel' => [$with(function (array &$rig): void {
            $rig['chain'][0]['setMm'] = 500;
        }), '/chain/0/setMm'];
        yield 'focus over 1' => [$with(function (array &$rig): void {
            $rig['chain'][1]['set']['focus'] = 1.5;
        }), '/chain/1/set/focus'];
        yield 'text for a number' => [$with(function (array &$rig): void {
            $rig['chain'][1]['focalLengthMm'] = '50';
        }), '/chain/1/focalLengthMm'];
        yield 'needed field missing' => [$with(function (array &$rig): void {
            unset($rig['chain'][1]['frontRimMm']);
        }), '/chain/1/frontRimMm'];
        yield 'no joint' => [$with(function (array &$rig): void {
            $rig['chain'][1]['front'] = 'thread:fifty';
        }), '/chain/1/front'];
        yield 'power 0' => [$with(function (array &$rig): void {
            $rig['chain'][] = ['kind' => 'close-up-lens', 'powerD' => 0];
        }), '/chain/2/powerD'];
        yield 'closest focus no such lens can have' => [$with(function (array &$rig): void {
            $rig['chain'][1] += ['focusing' => 'internal', 'minFocusMm' => 5, 'maxMagnification' => 1, 'principalGapMm' => 10];
        }), '/chain/1/minFocusMm'];
        yield 'a port in the middle' => [$with(function (array &$rig): void {
            array_unshift($rig['chain'], ['kind' => 'port', 'gapMm' => 1, 'glassMm' => 2, 'index' => 1.5]);
        }), '/chain'];
        yield 'a mode the camera has not' => [$with(function (array &$rig): void {
            $rig['conditions'] = ['mode' => 'square'];
        }), '/conditions/mode'];
        yield 'name no text' => [$with(function (array &$rig): void {
            $rig['name'] = 7;
        }), '/name'];
    }

    /** @param  \Closure(array<string, mixed>): array<string, mixed>  $spoil */
    #[DataProvider('faults')]
    public function test_a_fault_is_named_with_its_place(\Closure $spoil, string $pointer): void
    {
        try {
            self::made($spoil(self::RIG));
            $this->fail('The fault was not found.');
        } catch (FileInvalid $invalid) {
            $this->assertSame($pointer, $invalid->faults[0]->pointer, (string) $invalid->faults[0]);
            $this->assertNotSame('', $invalid->faults[0]->message);
        }
    }

    public function test_all_faults_are_told_at_once(): void
    {
        $rig = self::RIG;
        $rig['chain'][0]['minMm'] = 'a';
        $rig['chain'][1]['registerMm'] = -3;
        $rig['camera']['sensor']['widthMm'] = 0;
        try {
            self::made($rig);
            $this->fail('No fault was found.');
        } catch (FileInvalid $invalid) {
            $this->assertSame(['/camera/sensor/widthMm', '/chain/0/minMm', '/chain/1/registerMm'], array_column($invalid->faults, 'pointer'));
        }
    }

    /** @return iterable<string, array{string}> */
    public static function noRigs(): iterable
    {
        yield 'nothing' => [''];
        yield 'no JSON' => ['{"format":'];
        yield 'a list' => ['[]'];
        yield 'a number' => ['5'];
        yield 'null' => ['null'];
        yield 'too deep' => [str_repeat('[', 100).str_repeat(']', 100)];
        yield 'a number beyond all bounds' => ['{"format":"zinc-thimble/rig","version":1,"camera":{"registerMm":1e999,"sensor":{"widthMm":1,"heightMm":1}},"chain":[]}'];
        yield 'not UTF-8' => ["{\"name\":\"\xff\"}"];
        yield 'too large' => [str_repeat(' ', 2 * 1024 * 1024 + 1)];
    }

    #[DataProvider('noRigs')]
    public function test_what_is_no_rig_is_refused(string $text): void
    {
        $this->expectException(FileInvalid::class);
        RigFile::parse($text);
    }

    /** @param  array<string, mixed>  $document */
    private static function made(array $document): \ZincThimble\Core\Rig\Rig
    {
        return RigMaker::made($document);
    }
}
