<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Plan\Cards;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\PurchaseSuggestion;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/** The cards for the bag, the map without a wish, and what is said when nothing fulfils one. */
final class CardsTest extends TestCase
{
    public function test_the_ladder_has_every_subset_and_what_each_part_adds(): void
    {
        $card = $this->cards('Moor 50')->ladder($this->part(CloseUpLens::class, 'Close-up +4'));
        // Three tubes, with and without the close-up lens.
        self::assertCount(16, $card->rows);
        $rows = self::byLabel($card);
        // M = extension / f with the ring at infinity; the lens is settled a little off its nominal 50 mm.
        $f = 9.0 / $rows['Tube 9'][0];
        self::assertEqualsWithDelta(50.0, $f, 1.5);
        self::assertEqualsWithDelta((9.0 + 15.0 + 31.0) / $f, $rows['Tube 9 + Tube 15 + Tube 31'][0], 1e-9);
        self::assertSame(INF, $rows['the lens alone'][2]);
        self::assertSame(0.0, $rows['the lens alone'][0]);
        self::assertStringContainsString(sprintf('Tube 31 %+.2f×', 31.0 / $f), $rows['Tube 9 + Tube 31'][10]);
        self::assertMatchesRegularExpression('/^±0\.\d+×, ±\d+(\.\d+)?\x{2009}mm$/u', $rows['Tube 9 + Tube 31'][9]);
        self::assertStringContainsString('Close-up +4 +', $rows['Tube 9 + Close-up +4'][10]);
    }

    public function test_close_up_lenses_have_a_nearest_and_a_furthest_focus_at_every_zoom_setting(): void
    {
        $card = $this->cards('Sedge 24–70')->closeUps();
        self::assertCount(4 * count($this->part(Lens::class, 'Sedge 24–70')->stations) + 1, $card->columns);
        self::assertSame('none', $card->rows[0]->label);
        self::assertSame(INF, $card->rows[0]->values[2]);
        $card = $this->cards('Moor 50')->closeUps();
        foreach (array_slice($card->rows, 1) as $row) {
            [$near, $nearField, $far, $farField] = $row->values;
            self::assertLessThan($far, $near);
            self::assertLessThan($farField, $nearField);
        }
        // With the lens at infinity the subject stands 1000/D from the plane of the close-up lens.
        $rows = self::byLabel($card);
        self::assertEqualsWithDelta(250.0, $rows['Close-up +4'][2], 5.0);
        // A power is good to 5 %, and so is the furthest focus; near, the lens adds its own.
        self::assertMatchesRegularExpression('/^±\d+(\.\d+)? %$/', $rows['Close-up +4'][4]);
        self::assertGreaterThan(4.5, (float) substr($rows['Close-up +4'][4], strlen('±')));
    }

    public function test_glasses_go_two_by_two_and_zooms_at_any_setting(): void
    {
        $single = $this->cards('Moor 50')->closeUps();
        $pairs = $this->cards('Moor 50')->closeUps(pairs: true);
        self::assertGreaterThan(count($single->rows), count($pairs->rows));
        $rows = self::byLabel($pairs);
        // The stronger next to the lens; together nearer than either.
        self::assertArrayHasKey('Close-up +4 + Close-up +2', $rows);
        self::assertLessThan($rows['Close-up +4'][2], $rows['Close-up +4 + Close-up +2'][2]);
        $zoomed = $this->cards('Sedge 24–70')->closeUps([50.0, 35.0, 35.0, 200.0]);
        self::assertSame(['35 mm: nearest', '50 mm: nearest'], [$zoomed->columns[0]['name'], $zoomed->columns[4]['name']]);
        self::assertCount(9, $zoomed->columns, 'what it can’t be set to is left out');
        self::assertSame(35.0, $zoomed->rows[0]->rig?->setting->zoomMm[array_key_last($zoomed->rows[0]->rig->chain)]);
    }

    public function test_a_ladder_per_zoom_setting_turned_round_and_with_each_glass(): void
    {
        $card = $this->cards('Sedge 24–70')->ladder(zoomsMm: [24.0, 70.0]);
        self::assertCount(2, array_filter($card->rows, static fn ($row): bool => str_ends_with($row->label, 'the lens alone')));
        $round = $this->cards('Fell 35')->ladder(reversed: true);
        foreach ($round->rows as $row) {
            $lens = $row->rig?->chain[$row->rig->workingLens()];
            self::assertTrue($lens instanceof Lens && $lens->reversed);
        }
        self::assertGreaterThan(4, count($round->rows), 'tubes go before the reversing ring');
        $every = $this->cards('Moor 50')->ladder(every: true);
        self::assertGreaterThan(30, count($every->rows));
    }

    public function test_no_room_is_never_a_negative_distance_and_the_ladder_ends_there(): void
    {
        $kit = KitFile::parse((string) json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], 'parts' => [
            ...array_map(static fn (int $mm): array => ['kind' => 'tube', 'name' => 'Tube '.$mm, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $mm], [10, 20, 40]),
            ['kind' => 'lens', 'name' => 'Twenty', 'rear' => 'larch', 'front' => 'thread:58x0.75', 'focalLengthMm' => 20, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'retrofocus', 'aperture' => ['widest' => 2.8, 'smallest' => 16]],
        ]]))->kit();
        $lens = $kit->ofClass(Lens::class)[0];
        $rows = (new Cards($kit, $kit->cameras()[0], $lens, Conditions::from(new Values([]))))->ladder()->rows;
        self::assertLessThan(8, count($rows));
        self::assertSame('inside', $rows[count($rows) - 1]->values[2]);
        foreach ($rows as $n => $row) {
            self::assertSame($n === count($rows) - 1, $row->values[2] === 'inside');
            self::assertTrue(! is_float($row->values[2]) || $row->values[2] >= 0.0);
        }
    }

    public function test_all_lenses_with_one_tube_or_one_glass(): void
    {
        foreach (['Tube 31', 'Close-up +4', 'Rail bellows'] as $name) {
            $card = $this->cards('Moor 50')->lensesWith($this->part(Part::class, $name));
            self::assertGreaterThan(3, count($card->rows), $name);
            foreach ($card->rows as $row) {
                self::assertNotNull($row->rig);
                self::assertContains($name, array_map(static fn (Part $part): string => $part->label(), $row->rig->chain));
                $reading = \ZincThimble\Core\Reading\Reading::of($row->rig);
                self::assertSame($reading->magnification, $row->values[0]);
                self::assertSame($reading->effectiveAperture, $row->values[4]);
                self::assertSame($row->rig->totals->price, $row->values[6]);
            }
        }
        $this->expectException(InvalidFigure::class);
        $this->cards('Moor 50')->lensesWith($this->part(Lens::class, 'Fell 35'));
    }

    public function test_a_clip_on_stands_in_the_table(): void
    {
        $labels = [];
        foreach ($this->kit()->ofClass(Lens::class) as $lens) {
            try {
                array_push($labels, ...array_keys(self::byLabel($this->cards($lens->label())->closeUps())));
            } catch (InvalidFigure) {
                continue;
            }
        }
        self::assertContains('Clip-on +10', $labels);
    }

    public function test_draws_are_told_on_the_scale_and_lose_more_stops_the_longer(): void
    {
        $card = $this->cards('Moor 50')->draws($this->part(VariableSpacer::class, 'Rail bellows'), true);
        $before = -INF;
        foreach ($card->rows as $row) {
            self::assertGreaterThan($before, $row->values[5]);
            $before = $row->values[5];
        }
        self::assertGreaterThan(8, count($card->rows));
        self::assertLessThanOrEqual(16, count($card->rows));
    }

    public function test_a_card_is_one_table_as_csv(): void
    {
        $lines = explode("\r\n", trim($this->cards('Moor 50')->ladder()->csv()));
        self::assertCount(9, $lines);
        self::assertSame('Behind and before the lens,magnification,field (mm),working distance (mm),slice (mm),effective aperture,stops lost,at its closest,working distance there (mm),price,good to,each part adds', $lines[0]);
        self::assertStringContainsString('the lens alone,0,infinity,infinity,', $lines[1]);
    }

    public function test_a_lens_that_nothing_leads_to_is_refused(): void
    {
        $this->expectException(InvalidFigure::class);
        $body = \ZincThimble\Core\Gear\Camera::from(new Values(['joint' => 'elsewhere', 'registerMm' => 20.0, 'sensor' => ['widthMm' => 24.0, 'heightMm' => 16.0]]));
        (new Cards($this->kit(), $body, $this->part(Lens::class, 'Moor 50'), Conditions::from(new Values([]))))->ladder();
    }

    public function test_the_map_counts_every_rig_and_names_what_nothing_reaches(): void
    {
        $search = Search::of(SearchKit::of($this->kit()), Conditions::from(new Values([])));
        $map = $search->overview();
        self::assertSame($search->rigs(), array_sum($map->rigsByRoute));
        self::assertSame($search->rigs(), $map->rigs);
        self::assertSame([], $map->gaps);
        // Single lengths of tube behind a reversed lens leave gaps; the bellows fill them.
        self::assertNotSame([], $map->gapsByRoute['reversed']);
        foreach ($map->gapsByRoute as $gaps) {
            foreach ($gaps as [$from, $to]) {
                self::assertGreaterThan($from, $to);
            }
        }
        self::assertLessThanOrEqual($search->rigs() + 1e-6, array_sum(array_map(array_sum(...), $map->density)));
        // Whatever a wish finds lies on a cell that the map counts, and not above its edge but for half a cell.
        foreach ($search->ask(new SearchCriteria(magnification: 1.0))->rows as $row) {
            $column = (int) (log($row->reading->magnification / $map::LEAST_M) / log($map::MOST_M / $map::LEAST_M) * $map::COLUMNS);
            self::assertArrayHasKey($column, $map->edge);
            self::assertLessThanOrEqual($map->edge[$column] * 1.1, $row->reading->workingDistanceMm);
        }
    }

    public function test_two_lengths_leave_a_gap_that_is_named_exactly(): void
    {
        $parts = [['kind' => 'lens', 'name' => 'Lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed']];
        foreach ([10, 25] as $mm) {
            $parts[] = ['kind' => 'tube', 'name' => 'Tube '.$mm, 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $mm];
        }
        $kit = SearchKit::of(KitFile::parse(json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], 'parts' => $parts], JSON_THROW_ON_ERROR))->kit());
        $gaps = Search::of($kit, Conditions::from(new Values([])))->overview()->gaps;
        self::assertCount(2, $gaps);
        self::assertEqualsWithDelta([0.2, 0.5], $gaps[0], 1e-9);
        self::assertEqualsWithDelta([0.5, 0.7], $gaps[1], 1e-9);
    }

    public function test_when_nothing_does_it_the_nearest_and_the_part_that_would_are_told(): void
    {
        $kit = SearchKit::of($this->kit());
        $conditions = Conditions::from(new Values([]));
        $wanted = new SearchCriteria(fieldWidthMm: 18.0, leastRoomMm: 400.0);
        $search = Search::of($kit, $conditions);
        self::assertSame(0, $search->ask($wanted)->fulfil);
        $near = $search->nearest($wanted);
        self::assertEqualsWithDelta(18.0, $near[0]->reading->fieldWidthMm, 1e-6);
        self::assertGreaterThan(300.0, $near[0]->reading->workingDistanceMm);
        self::assertLessThan(400.0, $near[0]->reading->workingDistanceMm);
        $missing = PurchaseSuggestion::of($kit, $conditions, $wanted);
        self::assertSame('a lens of 200 mm, larch', $missing[0]->part->label());
        // With that part the kit does it.
        self::assertGreaterThan(0, Search::of($kit->with($missing[0]->part), $conditions)->ask($wanted)->fulfil);
        self::assertGreaterThanOrEqual(400.0, $missing[0]->row->reading->workingDistanceMm);
    }

    private function cards(string $lens): Cards
    {
        $kit = $this->kit();

        return new Cards($kit, $kit->cameras()[0], $this->part(Lens::class, $lens), Conditions::from(new Values([])));
    }

    private function kit(): Kit
    {
        return KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit();
    }

    /**
     * @template T of Part
     *
     * @param  class-string<T>  $class
     * @return T
     */
    private function part(string $class, string $name): Part
    {
        foreach ($this->kit()->ofClass($class) as $part) {
            if ($part->label() === $name) {
                return $part;
            }
        }
        self::fail('The kit has no '.$name);
    }

    /** @return array<string, list<float|string|null>> */
    private static function byLabel(\ZincThimble\Core\Plan\Card $card): array
    {
        $rows = [];
        foreach ($card->rows as $row) {
            $rows[$row->label] = $row->values;
        }

        return $rows;
    }
}
