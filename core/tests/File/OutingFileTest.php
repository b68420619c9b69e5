<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\OutingShapes;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Tests\RigMaker;

final class OutingFileTest extends TestCase
{
    /** Whatever rigs are pinned and written down, and whatever else is in it, a file is equal after a round trip, byte for byte after the first. */
    public function test_a_file_comes_back_as_it_was(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 40; $n++) {
            $document = self::whole($make);
            $file = OutingFile::read(json_decode(json_encode($document, JSON_THROW_ON_ERROR)));
            $text = $file->write();
            $again = OutingFile::parse($text);
            $this->assertSame($text, $again->write());
            $this->assertEquals(self::sorted(json_decode(json_encode($document, JSON_THROW_ON_ERROR), true)), self::sorted(json_decode($text, true)));
            $this->assertCount(2, $again->entries);
            $this->assertSame('0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001', $again->entries[1]->replaces[0]);
            $this->assertSame($document['entries'][0]['rig']['name'] ?? null, $again->entries[0]->rig->name);
            $this->assertSame('2026-12-04T09:20:00+00:00', $again->entries[0]->at->setTimezone(new \DateTimeZone('UTC'))->format(DATE_ATOM));
        }
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function faults(): iterable
    {
        yield 'no name' => ['name', null, '/name'];
        yield 'no such day' => ['date', '2026-02-30', '/date'];
        yield 'no time' => ['startsAt', '06:50', '/startsAt'];
        yield 'no offset' => ['startsAt', '2026-12-04T06:50:00', '/startsAt'];
        yield 'no such hour' => ['startsAt', '2026-12-04T26:50:00+01:00', '/startsAt'];
        yield 'no such goal' => ['by', 'beauty', '/by'];
        yield 'a lead before now' => ['preparations.0.leadS', -1, '/preparations/0/leadS'];
        yield 'a lead of more than a year' => ['preparations.0.leadS', 31_622_401, '/preparations/0/leadS'];
        yield 'a check that is none' => ['checks.0', 7, '/checks/0'];
        yield 'subjects that are none' => ['subjects', 'all', '/subjects'];
        yield 'a wish for nothing' => ['subjects.0.wish', new \stdClass, '/subjects/0/wish'];
        yield 'a wish out of range' => ['subjects.0.wish.fieldWidthMm', 0, '/subjects/0/wish/fieldWidthMm'];
        yield 'two of a name' => ['subjects.1.name', 'Sedge seed', '/subjects/1/name'];
        yield 'a time that is none' => ['subjects.0.at', 'soon', '/subjects/0/at'];
        yield 'a pin that is no rig' => ['subjects.0.pinned.chain', 'none', '/subjects/0/pinned/chain'];
        yield 'a plan that is none' => ['plan', [1], '/plan'];
        yield 'an id that is none' => ['entries.0.id', 'one', '/entries/0/id'];
        yield 'an id in capitals' => ['entries.0.id', '0B9F3E1C-5A54-4D3E-9C39-2F6A1C7F0009', '/entries/0/id'];
        yield 'an id twice' => ['entries.1.id', '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001', '/entries/1/id'];
        yield 'a time without its offset' => ['entries.0.at', '2026-12-04T10:20:00', '/entries/0/at'];
        yield 'no rig' => ['entries.0.rig', null, '/entries/0/rig'];
        yield 'a rig that can’t be' => ['entries.0.rig.camera', 7, '/entries/0/rig/camera'];
        yield 'replaces what is none' => ['entries.1.replaces.0', 'x', '/entries/1/replaces/0'];
        yield 'six of five' => ['entries.0.result', 6, '/entries/0/result'];
        yield 'none of five' => ['entries.0.result', 0, '/entries/0/result'];
        yield 'no frame' => ['entries.0.frames', 0, '/entries/0/frames'];
        yield 'a picture too large' => ['entries.0.pictures.0.small', str_repeat('x', OutingShapes::MOST_PICTURE + 1), '/entries/0/pictures/0/small'];
        yield 'a trial without a figure' => ['entries.0.trial.0.mtf50', null, '/entries/0/trial/0/mtf50'];
    }

    #[DataProvider('faults')]
    public function test_a_fault_is_told_at_its_place(string $path, mixed $value, string $pointer): void
    {
        $document = self::whole(RigMaker::seeded(__METHOD__));
        $at = &$document;
        foreach (explode('.', $path) as $step) {
            $at = &$at[$step];
        }
        $at = $value;
        unset($at);
        try {
            OutingFile::read(json_decode(json_encode($document, JSON_THROW_ON_ERROR)));
            $this->fail('was taken');
        } catch (FileInvalid $invalid) {
            $this->assertContains($pointer, array_map(static fn (Fault $fault): string => $fault->pointer, $invalid->faults));
        }
    }

    public function test_as_many_as_there_may_be_and_not_one_more(): void
    {
        $subject = static fn (int $n): array => ['name' => 'Subject '.$n, 'wish' => ['magnification' => 1]];
        $head = ['format' => OutingFile::FORMAT, 'version' => 1, 'name' => 'Many'];
        $read = static fn (int $subjects): OutingFile => OutingFile::read(json_decode(json_encode($head + ['subjects' => array_map($subject, range(1, $subjects))], JSON_THROW_ON_ERROR)));
        $this->assertCount(30, $read(OutingFile::MOST_SUBJECTS)->subjects);
        $this->expectExceptionMessage('more than 30');
        $read(31);
    }

    public function test_it_knows_its_own(): void
    {
        $this->assertTrue(OutingFile::isOne((object) ['format' => 'zinc-thimble/outing']));
        $this->assertFalse(OutingFile::isOne((object) ['format' => 'zinc-thimble/rig']));
        $this->assertTrue(OutingFile::isDate('2028-02-29'));
        $this->assertFalse(OutingFile::isDate('2027-02-29'));
        $this->assertNull(EntryDocument::moment('2026-12-04 10:20:00+01:00'));
        $this->assertSame('1764840000', EntryDocument::moment('2025-12-04T10:20:00+01:00')?->format('U'));
    }

    /** @return array<string, mixed> a file with everything in it */
    private static function whole(RigMaker $make): array
    {
        $rig = static fn (): array => json_decode(RigFile::write($make->rig()), true);
        $entry = static fn (int $n, array $more): array => [
            'id' => '0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f000'.$n, 'at' => '2026-12-04T10:20:00+01:00', 'rig' => $rig(), 'subject' => 'Sedge seed',
            'scales' => [['part' => 'Rail bellows', 'reads' => '84.0', 'unit' => 'mm']], 'measured' => ['magnification' => 3.9, 'magnificationHalfWidth' => 0.02],
            'predicted' => ['magnification' => 3.93, 'magnificationHalfWidth' => 0.05, 'workingDistanceMm' => 49.6, 'workingDistanceMmHalfWidth' => 1.5, 'sliceMm' => 0.05],
            'light' => ['source' => 'flash', 'power' => 0.015625, 'distanceMm' => 180], 'aperture' => 5.6, 'exposureS' => 0.005, 'iso' => 400, 'frames' => 27,
            'trial' => [['aperture' => 4, 'mtf50' => 0.31, 'halfWidth' => 0.02]], 'pictures' => [['name' => 'FEN_0412.RAW', 'exif' => ['aperture' => 5.6], 'small' => 'data:image/jpeg;base64,AAAA']],
            'result' => 4, 'note' => 'Wind from the dyke.', 'mine' => ['kept' => true],
        ] + $more;

        return [
            'format' => OutingFile::FORMAT, 'version' => 1, 'name' => 'Fen edge', 'date' => '2026-12-04', 'place' => 'East dyke', 'startsAt' => '2026-12-04T06:50:00+01:00',
            'conditions' => ['surroundings' => ['cold'], 'iso' => 400], 'by' => 'mass', 'preparations' => [['what' => 'Plate out', 'leadS' => 7200, 'for' => 'Sedge seed']], 'checks' => ['Card empty'],
            'packed' => ['Body A'], 'weather' => 'frost',
            'subjects' => [
                ['name' => 'Sedge seed', 'wish' => ['fieldWidthMm' => 6, 'support' => 'table'], 'subject' => ['depthMm' => 1.2, 'traits' => ['melts']], 'at' => '2026-12-04T07:40:00+01:00', 'without' => ['tube-9'], 'pinned' => $rig()],
                ['name' => 'Lichen', 'wish' => ['magnification' => 1]],
            ],
            'plan' => ['massG' => 3500], 'entries' => [$entry(1, []), $entry(2, ['replaces' => ['0b9f3e1c-5a54-4d3e-9c39-2f6a1c7f0001']])],
        ];
    }

    private static function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return is_int($value) ? (float) $value : $value;
        }
        ksort($value);

        return array_map(self::sorted(...), $value);
    }
}
