<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Start;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Start\PartLine;
use ZincThimble\Core\Start\PartList;

/** Lists of parts as people write them. */
final class PartListTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $fields
     */
    #[DataProvider('words')]
    public function test_one_part_in_words(string $text, string $kind, array $fields): void
    {
        $lines = PartList::read($text, ['larch'], 'mirror 46');
        $this->assertCount(1, $lines, $text);
        $this->assertSame('', $lines[0]->trouble);
        $this->assertSame($kind, $lines[0]->fields['kind'] ?? null);
        $this->assertEquals($fields, array_intersect_key((array) $lines[0]->fields, $fields), $text);
        self::read($lines);
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function words(): iterable
    {
        $all = [
            ['tube 10', 'tube', ['lengthMm' => 10.0, 'rear' => 'mirror 46', 'front' => 'mirror 46', 'name' => 'Tube 10']],
            ['Extension tube 31 mm M42', 'tube', ['lengthMm' => 31.0, 'rear' => 'thread:42x1', 'front' => 'thread:42x1']],
            ['2x tube 12.5 larch 45 g €12', 'tube', ['lengthMm' => 12.5, 'rear' => 'larch', 'count' => 2, 'massG' => 45.0, 'price' => 12.0]],
            ['auto tube 25 mm with contacts', 'tube', ['lengthMm' => 25.0, 'passes' => ['contacts']]],
            ['58 mm f/2 M42', 'lens', ['focalLengthMm' => 58.0, 'rear' => 'thread:42x1', 'registerMm' => 45.46, 'design' => 'symmetrical']],
            ['58mm 1:2 M42x1', 'lens', ['focalLengthMm' => 58.0, 'rear' => 'thread:42x1']],
            ['28mm f2.8 larch 0.3 m filter 52', 'lens', ['focalLengthMm' => 28.0, 'rear' => 'larch', 'minFocusMm' => 300.0, 'front' => 'thread:52x0.75', 'design' => 'retrofocus']],
            ['macro 55 mm f/3.5 1:2', 'lens', ['focalLengthMm' => 55.0, 'maxMagnification' => 0.5]],
            ['macro 100 mm f/2.8 1:1 30 cm', 'lens', ['focalLengthMm' => 100.0, 'maxMagnification' => 1.0, 'minFocusMm' => 300.0]],
            ['zoom 24–70 mm f/2.8', 'lens', ['focalLengthMm' => 24.0, 'name' => 'Zoom 24–70 mm f/2.8']],
            ['50 mm f/2.8 enlarging lens', 'lens', ['focalLengthMm' => 50.0, 'rear' => 'thread:39x26tpi', 'focusing' => 'fixed', 'design' => 'triplet']],
            ['135 mm f/3.5', 'lens', ['focalLengthMm' => 135.0, 'registerMm' => 46.5, 'design' => 'telephoto']],
            ['bellows 35-135 mm 700 g', 'bellows', ['minMm' => 35.0, 'maxMm' => 135.0, 'massG' => 700.0]],
            ['helicoid M42 12–17', 'helicoid', ['minMm' => 12.0, 'maxMm' => 17.0, 'rear' => 'thread:42x1']],
            ['+4 58 mm', 'close-up-lens', ['powerD' => 4.0, 'rear' => 'thread:58x0.75', 'elements' => 1]],
            ['close-up 250 M52 achromat', 'close-up-lens', ['powerD' => 4.0, 'rear' => 'thread:52x0.75', 'elements' => 2]],
            ['close-up lens 3 dioptres 49 mm', 'close-up-lens', ['powerD' => 3.0, 'rear' => 'thread:49x0.75']],
            ['reversing ring 52', 'reversing-ring', ['rear' => 'mirror 46', 'front' => 'thread:52x0.75', 'lengthMm' => 4.0]],
            ['step ring 49-52', 'step-ring', ['rear' => 'thread:49x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 2.0]],
            ['coupling ring 52 to 58, 3 mm', 'coupling-ring', []],
            ['objective 4x/0.10', 'objective', ['nominal' => 4.0, 'na' => 0.1, 'workingDistanceMm' => 25.0, 'corrected' => 'finite']],
            ['objective 10/0.25 infinity wd 7.4', 'objective', ['nominal' => 10.0, 'na' => 0.25, 'workingDistanceMm' => 7.4, 'corrected' => 'infinite']],
            ['teleconverter 1.4x', 'teleconverter', ['factor' => 1.4]],
            ['adapter short 18 mirror 46', 'adapter', ['rear' => 'short 18', 'front' => 'mirror 46', 'lengthMm' => 28.5]],
            ['adapter M42 28 mm short 18', 'adapter', ['rear' => 'thread:42x1', 'front' => 'short 18', 'lengthMm' => 28.0]],
            ['camera 23.5 x 15.6 short 18', 'camera', ['joint' => 'short 18', 'registerMm' => 18.0, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.6]]],
            ['full frame body register 46.5', 'camera', ['registerMm' => 46.5, 'sensor' => ['widthMm' => 36.0, 'heightMm' => 24.0]]],
            ['flash GN 32', 'flash', ['guideNumber' => 32.0]],
            ['desk lamp 10 W', 'lamp', ['watts' => 10.0]],
            ['tripod 5 kg', 'tripod', ['loadG' => 5000.0]],
            ['hood 52 mm', 'hood', ['rear' => 'thread:52x0.75']],
            ['flat port 67', 'port', ['rear' => 'thread:67x0.75', 'index' => 1.49]],
            ['wide converter 0.7x 58 mm', 'afocal', ['factor' => 0.7]],
        ];
        foreach ($all as $each) {
            if ($each[2] !== []) {
                yield $each[0] => $each;
            }
        }
    }

    public function test_several_on_a_line_and_numbers_alone_go_on_with_what_stood_before(): void
    {
        $lines = PartList::read("tube 10, tube 21, 58 mm f/2 M42\n\n- tubes 12, 20, 36\n3) tube 10,5; +2 + +4\ntubes 10,20,30");
        $this->assertSame([[1, 'tube', 10.0], [1, 'tube', 21.0], [1, 'lens', null], [3, 'tube', 12.0], [3, 'tube', 20.0], [3, 'tube', 36.0], [4, 'tube', 10.5], [4, 'close-up-lens', null], [4, 'close-up-lens', null], [5, 'tube', 10.0], [5, 'tube', 20.0], [5, 'tube', 30.0]],
            array_map(static fn (PartLine $each): array => [$each->line, $each->fields['kind'] ?? $each->trouble, $each->fields['lengthMm'] ?? null], $lines));
        $this->assertSame([2.0, 4.0], [$lines[7]->fields['powerD'] ?? null, $lines[8]->fields['powerD'] ?? null]);
        self::read($lines);
    }

    public function test_rows_of_a_spreadsheet_by_their_heads(): void
    {
        $lines = PartList::read("Qty\tPart\tLength\tMount\tWeight\tPrice\n2\tTube\t12,5\tM42\t40\t15\n\tCamera lens\t\tM42\t\t\n1\tBellows 35-135\t\tM42\t620\t90");
        $this->assertSame(['tube', null, 'bellows'], array_map(static fn (PartLine $each): ?string => $each->fields['kind'] ?? null, $lines));
        $this->assertSame([2, 12.5, 'thread:42x1', 40.0, 15.0], [$lines[0]->fields['count'] ?? 0, $lines[0]->fields['lengthMm'] ?? 0, $lines[0]->fields['rear'] ?? '', $lines[0]->fields['massG'] ?? 0, $lines[0]->fields['price'] ?? 0]);
        $this->assertSame([2, 3, 4], array_map(static fn (PartLine $each): int => $each->line, $lines));
        $this->assertSame([620.0, 90.0], [$lines[2]->fields['massG'] ?? 0, $lines[2]->fields['price'] ?? 0]);
        $focal = PartList::read("Lens\tFocal\tAperture\tClosest\nOld macro\t55\t3,5\t0,24")[0];
        $this->assertSame([55.0, 240.0], [$focal->fields['focalLengthMm'] ?? null, $focal->fields['minFocusMm'] ?? null]);
    }

    /** What isn't understood says what it wants; and nothing is made up of it. */
    #[DataProvider('wanting')]
    public function test_what_is_lacking_is_said(string $text, string $asks): void
    {
        $lines = PartList::read($text);
        $this->assertNull($lines[0]->fields);
        $this->assertStringContainsString($asks, $lines[0]->trouble);
    }

    /** @return iterable<string, array{string, string}> */
    public static function wanting(): iterable
    {
        yield 'nothing' => ['something nice', 'isn’t said'];
        yield 'tube' => ['tube', 'How long'];
        yield 'lens' => ['lens M42', 'focal length'];
        yield 'bellows' => ['bellows', 'how short'];
        yield 'helicoid' => ['helicoid 17', 'how short'];
        yield 'glass' => ['close-up lens', 'How strong'];
        yield 'step ring' => ['step ring', 'which thread'];
        yield 'a thread there is not' => ['step ring 51-53', 'which thread'];
        yield 'reversing ring' => ['reversing ring', 'filter thread'];
        yield 'objective' => ['objective 4', 'NA'];
        yield 'converter' => ['teleconverter', 'how much'];
        yield 'camera' => ['camera', 'sensor'];
    }

    public function test_what_is_taken_is_said_and_of_a_lens_marked_with_its_half_width(): void
    {
        $lens = PartList::read('58 mm M42')[0];
        $this->assertNull($lens->fields, 'a number of millimetres alone may be anything');
        $lens = PartList::read('lens 58 mm M42')[0];
        $this->assertSame(['frontRimMm', 'aperture.widest', 'minFocusMm'], array_keys((array) ($lens->fields['guessed'] ?? [])));
        $this->assertCount(3, $lens->taken);
        $this->assertMatchesRegularExpression('/^mount to front rim \d+ ± \d+(\.\d)? mm$/u', $lens->taken[0]);
        $this->assertSame(['your camera’s mount, larch'], PartList::read('tube 10', [], 'larch')[0]->taken);
    }

    public function test_there_is_an_end_to_it(): void
    {
        $lines = PartList::read(str_repeat("tube 10\n", PartList::MOST + 50));
        $this->assertCount(PartList::MOST + 1, $lines);
        $this->assertStringContainsString((string) PartList::MOST, $lines[PartList::MOST]->trouble);
        $this->assertNotSame('', PartList::read(str_repeat('x', 100_000))[0]->trouble);
        $this->assertSame([], PartList::read(" \n\t\n"));
    }

    /** Whatever is written, nothing breaks, and what is understood is a part that the files' own check takes. */
    public function test_any_heap_of_words_makes_parts_or_says_why_not(): void
    {
        mt_srand(20261128);
        $heap = ['tube', 'tubes', 'lens', 'macro', 'zoom', 'f/2', 'f/', '1:2', '58', '58 mm', '10-20', '0', '0 mm', '999999', '+4', '+0', 'm42', 'M39', 'm42x1', 'm99', 'bellows', 'helicoid', 'ring', 'step', 'reversing', 'close-up', '250', 'objective', '4/0.1', '0/0.0', '1.4x', 'converter', 'port', 'camera', '36 x 24', 'register 46', 'kg', '5 kg', '€', '€12', ',', ';', "\t", "\n", '(', '"', "'", '–', '∞', 'short 18', 'stand', 'filter', 'flash', 'gn', '1e5', '-5', '.5', '...', 'ß', '🍄'];
        $understood = 0;
        for ($n = 0; $n < 3000; $n++) {
            $text = implode(mt_rand(0, 3) === 0 ? '' : ' ', array_map(static fn (): string => $heap[mt_rand(0, count($heap) - 1)], range(0, mt_rand(0, 7))));
            foreach (PartList::read($text, ['larch'], mt_rand(0, 1) === 0 ? null : 'short 18') as $line) {
                $this->assertTrue(($line->fields === null) !== ($line->trouble === ''), $text);
                $understood += $line->fields === null ? 0 : 1;
            }
        }
        $this->assertGreaterThan(700, $understood);
    }

    /** @param  list<PartLine>  $lines */
    private static function read(array $lines): void
    {
        $cameras = $parts = [];
        foreach ($lines as $line) {
            if (($line->fields['kind'] ?? null) === 'camera') {
                $cameras[] = array_diff_key($line->fields, ['kind' => 0]);
            } elseif ($line->fields !== null) {
                $parts[] = $line->fields;
            }
        }
        KitFile::read(json_decode((string) json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => $cameras, 'parts' => $parts]), false));
    }
}
