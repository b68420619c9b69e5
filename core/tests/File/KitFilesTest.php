<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\KitCsv;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Schema;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Tests\RigMaker;

/** Kits as JSON and CSV, the published schema against the check that files go through, and the guide to the fields. */
final class KitFilesTest extends TestCase
{
    private const DEMO = __DIR__.'/../../../database/demo/herbarium.kit.json';

    public function test_a_kit_comes_back_from_csv_as_it_was_and_in_the_same_bytes(): void
    {
        $kit = KitFile::parse((string) file_get_contents(self::DEMO));
        $csv = KitCsv::write($kit);
        $back = KitCsv::parse($csv);
        $this->assertSame(Json::write(['items' => self::plain($kit)]), Json::write(['items' => self::plain($back)]));
        $this->assertSame($csv, KitCsv::write($back));
    }

    public function test_hostile_texts_are_defused_and_come_back(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $pieces = ['=1+1', '+cmd', '-2', '@sum', "'", '"', ',', "\n", "\r\n", "\t", 'ä', '1', 'true', 'null', '{}', '[1]', ' ', '’', 'é', ';', '|'];
        for ($n = 0; $n < 500; $n++) {
            $text = '';
            for ($k = 0; $k < 4; $k++) {
                $text .= $maker->pick($pieces);
            }
            $document = ['format' => KitFile::FORMAT, 'version' => 1, 'parts' => [[
                'kind' => 'tube', 'name' => $text, 'note' => $maker->pick($pieces).$text, 'lengthMm' => $maker->number(0, 99), 'colour' => $text, 'odd.key' => $text, 'list' => [$text, 1], 'deep' => ['a' => $text, 'b.c' => 2],
                'passes' => ['contacts'],
            ], ['kind' => 'lens', 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 30, 'aperture' => ['widest' => 2.8, 'own' => $text]]]];
            $kit = KitFile::parse(json_encode($document, JSON_THROW_ON_ERROR));
            $csv = KitCsv::write($kit);
            $this->assertSame(Json::write(['items' => self::plain($kit)]), Json::write(['items' => self::plain(KitCsv::parse($csv))]));
            // No cell of text begins what a spreadsheet takes for a formula.
            foreach (self::cells($csv) as $cell) {
                $this->assertFalse(in_array($cell[0] ?? '', ['=', '+', '@', "\t", "\r"], true) && ! is_numeric($cell), $cell);
                $this->assertFalse(($cell[0] ?? '') === '-' && ! is_numeric($cell), $cell);
            }
        }
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function badCsv(): iterable
    {
        yield 'no header' => ['', ['/1']];
        yield 'no kind column' => ["name,lengthMm\nTube,10\n", ['/1']];
        yield 'twice the same column' => ["kind,name,name\ntube,a,b\n", ['/1/name']];
        yield 'unknown kind' => ["kind,lengthMm\ntube,10\nspoon,3\n", ['/3/kind']];
        yield 'words for a number' => ["kind,lengthMm\ntube,long\ntube,\"26,1\"\n", ['/2/lengthMm', '/3/lengthMm']];
        yield 'out of range' => ["kind,lengthMm\ntube,3001\n", ['/2/lengthMm']];
        yield 'a needed field missing' => ["kind,name\ntube,x\n", ['/2/lengthMm']];
        yield 'no such joint' => ["kind,lengthMm,rear\ntube,3,thread:42\n", ['/2/rear']];
        yield 'nested out of range' => ["kind,focalLengthMm,registerMm,frontRimMm,aperture.widest\nlens,50,44,30,0.1\n", ['/2/aperture.widest']];
        yield 'too many cells' => ["kind,lengthMm\ntube,3,4\n", ['/2']];
        yield 'bad flag' => ["kind,lengthMm,shoulder\ntube,3,perhaps\n", ['/2/shoulder']];
        yield 'same id twice' => ["kind,id,lengthMm\ntube,a,1\ntube,a,2\n", ['/3/id']];
        yield 'kept on nothing' => ["kind,id,lengthMm,marriedTo\ntube,a,1,b\n", ['/2/marriedTo']];
        yield 'a multi-line cell counts its lines' => ["kind,note,lengthMm\ntube,\"one\ntwo\",4\ntube,,x\n", ['/4/lengthMm']];
        yield 'not UTF-8' => ["kind,name,lengthMm\ntube,\xE4,4\n", ['']];
    }

    /** @param  list<string>  $places */
    #[DataProvider('badCsv')]
    public function test_bad_csv_is_refused_with_line_and_column(string $csv, array $places): void
    {
        try {
            KitCsv::parse($csv);
            $this->fail('it was taken');
        } catch (FileInvalid $invalid) {
            $this->assertSame($places, array_map(static fn ($fault): string => $fault->pointer, $invalid->faults));
        }
    }

    public function test_csv_as_people_write_it(): void
    {
        $kit = KitCsv::parse("\xEF\xBB\xBFkind,name,lengthMm,passes,shoulder\r\ntube,x,10,\"contacts, lever\",yes\r\n\r\n");
        $this->assertSame(['contacts', 'lever'], $kit->items[0]->fields['passes']);
        $this->assertTrue($kit->items[0]->fields['shoulder']);
    }

    public function test_the_published_schemas_are_the_ones_the_shapes_make(): void
    {
        foreach (['rig' => Schema::rig(), 'kit' => Schema::kit(), 'outing' => Schema::outing()] as $name => $schema) {
            $this->assertSame(Json::write($schema), (string) file_get_contents(__DIR__.'/../../../docs/schema/'.$name.'-1.schema.json'), 'php artisan schema:write');
        }
    }

    public function test_the_schema_takes_every_file_that_is_taken(): void
    {
        foreach (self::rigs() as $rig) {
            $this->assertTrue(self::valid('rig', $rig));
        }
        $this->assertTrue(self::valid('kit', json_decode((string) file_get_contents(self::DEMO))));
        $outing = json_decode((string) file_get_contents(__DIR__.'/../../../database/demo/outings/3-fen-edge-first-frost.outing.json'));
        $this->assertTrue(self::valid('outing', $outing));
        $outing->subjects[0]->pinned = (object) ['format' => 'zinc-thimble/rig', 'version' => 1];
        $this->assertFalse(self::valid('outing', $outing));
    }

    public function test_schema_and_check_refuse_the_same_files(): void
    {
        $maker = RigMaker::seeded(__METHOD__);
        $cases = self::rigs();
        $odd = [null, true, 'x', '', -1, 0, 0.5, 1, 7.5, 3000, 3000.1, 1e9, [], ['contacts'], ['levers'], new \stdClass, 'thread:42x1', 'thread:42', "bell\x07", 'ring', str_repeat('n', 2001)];
        $refused = 0;
        for ($n = 0; $n < 700; $n++) {
            $rig = json_decode(json_encode($maker->pick($cases), JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
            $target = $maker->pick([$rig->camera, $maker->pick($rig->chain), $maker->pick($rig->chain), $rig->camera->sensor]);
            $kind = Kind::tryFrom(is_string($target->kind ?? null) ? $target->kind : 'camera') ?? Kind::Camera;
            $names = array_map(static fn ($field): string => $field->name, Shapes::part($kind));
            $target->{$maker->pick([...$names, ...array_keys(get_object_vars($target))])} = $maker->pick($odd);
            $taken = self::valid('rig', $rig);
            try {
                RigFile::read($rig);
                $this->assertTrue($taken, 'the schema refuses '.json_encode($rig));
            } catch (FileInvalid $invalid) {
                $refused++;
                // What one field says about another is beyond a schema; what is wrong with one field is not.
                if ($taken) {
                    $this->assertMatchesRegularExpression('/goes from|shorter|too short|least|below|longer|greater|before|mode|at least|fit|under|nothing else tells/', implode(' ', array_map(strval(...), $invalid->faults)));
                }
            }
        }
        $this->assertGreaterThan(150, $refused);
    }

    public function test_every_field_has_an_entry_in_the_guide(): void
    {
        foreach (Kind::cases() as $kind) {
            $form = FieldGuide::form($kind);
            $this->assertNotSame([], $form);
            $this->assertTrue($form[0]['first']);
            foreach ($form as $each) {
                $entry = FieldGuide::of($kind, $each['name'] === $each['field']->name || str_contains($each['name'], '.') ? $each['name'] : $each['field']->name);
                $this->assertNotSame('', $entry['label']);
                $this->assertGreaterThan(8, mb_strlen($entry['help']), $kind->value.'.'.$each['name']);
            }
        }
    }

    /** @return list<array<string, mixed>> */
    private static function plain(KitFile $kit): array
    {
        return array_map(static function ($item): array {
            $fields = json_decode(json_encode($item->fields, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
            self::sortKeys($fields);

            return ['kind' => $item->kind->value, 'fields' => $fields];
        }, $kit->items);
    }

    /** @param  array<mixed>  $value */
    private static function sortKeys(array &$value): void
    {
        if (! array_is_list($value)) {
            ksort($value);
        }
        foreach ($value as &$each) {
            if (is_array($each)) {
                self::sortKeys($each);
            }
        }
    }

    /** @return list<string> */
    private static function cells(string $csv): array
    {
        $stream = fopen('php://memory', 'w+');
        fwrite($stream, $csv);
        rewind($stream);
        $cells = [];
        while (($row = fgetcsv($stream, null, ',', '"', '')) !== false) {
            array_push($cells, ...array_map(strval(...), $row));
        }

        return $cells;
    }

    /** @return non-empty-list<\stdClass> the rigs of the worked cases, as decoded */
    private static function rigs(): array
    {
        return array_column(json_decode((string) file_get_contents(__DIR__.'/../cases/readings.json'), false, 64, JSON_THROW_ON_ERROR)->cases, 'rig');
    }

    private static function valid(string $schema, mixed $document): bool
    {
        static $schemas = [];
        $schemas[$schema] ??= json_decode(Json::write(match ($schema) {
            'rig' => Schema::rig(), 'kit' => Schema::kit(), default => Schema::outing()
        }), false, 64, JSON_THROW_ON_ERROR);

        return (new Validator)->validate($document, $schemas[$schema])->isValid();
    }
}
