<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/** Find under water: only what stands behind a port, and every distance in water. */
final class UnderWaterSearchTest extends TestCase
{
    private const KIT = ['format' => 'zinc-thimble/kit', 'version' => 1,
        'cameras' => [['name' => 'Built in', 'joint' => 'fixed', 'registerMm' => 20, 'sensor' => ['widthMm' => 13.2, 'heightMm' => 8.8, 'columns' => 5472, 'rows' => 3648]]],
        'parts' => [
            ['kind' => 'lens', 'name' => 'Zoom', 'rear' => 'fixed', 'front' => 'thread:55x0.75', 'focalLengthMm' => 12, 'registerMm' => 20, 'frontRimMm' => 50, 'focusing' => 'internal', 'minFocusMm' => 200, 'maxMagnification' => 0.06, 'aperture' => ['widest' => 2.8, 'smallest' => 11, 'control' => 'electronic'],
                'stations' => [['focalLengthMm' => 12], ['focalLengthMm' => 40, 'minFocusMm' => 500, 'maxMagnification' => 0.09]]],
            ['kind' => 'port', 'name' => 'Port', 'rear' => 'thread:55x0.75', 'front' => 'thread:52x0.75', 'gapMm' => 6, 'glassMm' => 8, 'index' => 1.49, 'medium' => 1.333],
            ['kind' => 'step-ring', 'name' => 'Ring', 'rear' => 'thread:52x0.75', 'front' => 'thread:67x0.75', 'lengthMm' => 4],
            // Joins the same two threads the same way, but is no ring that stands in water.
            ['kind' => 'coupling-ring', 'name' => 'Dry ring', 'rear' => 'thread:52x0.75', 'front' => 'thread:67x0.75', 'lengthMm' => 3, 'rearSide' => 'male', 'frontSide' => 'female'],
            ['kind' => 'close-up-lens', 'name' => 'Wet +10', 'rear' => 'thread:67x0.75', 'front' => 'thread:67x0.75', 'powerD' => 10, 'elements' => 2, 'thicknessMm' => 30, 'sealed' => true],
            ['kind' => 'close-up-lens', 'name' => 'Wet +6', 'rear' => 'thread:67x0.75', 'front' => 'thread:67x0.75', 'powerD' => 6, 'elements' => 2, 'thicknessMm' => 25, 'sealed' => true],
            ['kind' => 'afocal', 'name' => 'Wide', 'rear' => 'thread:67x0.75', 'factor' => 0.6, 'thicknessMm' => 60],
            ['kind' => 'close-up-lens', 'name' => 'Dry +4', 'rear' => 'thread:55x0.75', 'front' => 'thread:55x0.75', 'powerD' => 4, 'elements' => 1, 'thicknessMm' => 6],
        ]];

    public function test_every_rig_has_a_port_and_is_met_exactly_by_its_own_reading(): void
    {
        $seen = [];
        foreach ([['fieldWidthMm' => 150.0], ['fieldWidthMm' => 40.0], ['magnification' => 0.25], ['workingDistanceMm' => 150.0], ['workingDistanceMm' => 90.0], ['subjectDistanceMm' => 260.0], ['subjectDistanceMm' => 700.0]] as $wish) {
            $rows = $this->ask(new SearchCriteria(...$wish, underWater: true));
            $this->assertNotSame([], $rows, (string) json_encode($wish));
            foreach ($rows as $row) {
                $kinds = array_map(static fn ($part): Kind => $part->kind, $row->rig->chain);
                $this->assertContains(Kind::Port, $kinds);
                $reading = Reading::of($row->rig);
                $this->assertEqualsWithDelta(reset($wish), (float) $reading->{(string) key($wish)}, 1e-6 * (float) reset($wish), (string) json_encode($wish));
                $this->assertSame(['water'], $row->rig->conditions->surroundings);
                $seen[implode(' ', array_map(static fn ($part): string => $part->label(), array_slice($row->rig->chain, 1)))] = true;
            }
        }
        ksort($seen);
        $this->assertSame(['Port', 'Port Ring Wet +10', 'Port Ring Wet +10 Wet +6', 'Port Ring Wet +6', 'Port Ring Wide'], array_keys($seen));
    }

    public function test_limits_are_those_in_water(): void
    {
        $nearest = min(array_map(static fn (Candidate $row): float => (float) $row->reading->workingDistanceMm, $this->ask(new SearchCriteria(fieldWidthMm: 60.0, underWater: true))));
        $most = max(array_map(static fn (Candidate $row): float => (float) $row->reading->workingDistanceMm, $this->ask(new SearchCriteria(fieldWidthMm: 60.0, underWater: true))));
        $this->assertGreaterThan($nearest, $most);
        $between = ($nearest + $most) / 2.0;
        foreach ($this->ask(new SearchCriteria(fieldWidthMm: 60.0, leastRoomMm: $between, underWater: true)) as $row) {
            $this->assertGreaterThanOrEqual($between, (float) $row->reading->workingDistanceMm);
        }
        $this->assertSame([], $this->ask(new SearchCriteria(fieldWidthMm: 60.0, leastRoomMm: $most + 1.0, underWater: true)));
        $this->assertNotSame([], $this->ask(new SearchCriteria(fieldWidthMm: 60.0, leastRoomMm: $most - 0.01, underWater: true)));
    }

    public function test_in_air_no_port_is_used_and_without_one_nothing_goes_under(): void
    {
        foreach ($this->ask(new SearchCriteria(fieldWidthMm: 60.0)) as $row) {
            $this->assertNotContains(Kind::Port, array_map(static fn ($part): Kind => $part->kind, $row->rig->chain));
        }
        $dry = self::KIT;
        $dry['parts'] = array_values(array_filter($dry['parts'], static fn (array $part): bool => $part['kind'] !== 'port'));
        $this->assertSame([], $this->ask(new SearchCriteria(fieldWidthMm: 60.0, underWater: true), $dry));
    }

    /**
     * @param  array<string, mixed>  $kit
     * @return list<Candidate>
     */
    private function ask(SearchCriteria $wanted, array $kit = self::KIT): array
    {
        $search = Search::of(SearchKit::of(KitFile::read(json_decode((string) json_encode($kit), false))->kit()), Conditions::from(new Values([])));

        return $search->ask($wanted, 1000)->rows;
    }
}
