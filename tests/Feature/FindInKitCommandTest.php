<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Report\RigReport;

/** kit:find: a kit file, a wish, and the rigs that do it, without a server or an account. */
final class FindInKitCommandTest extends TestCase
{
    private const KIT = 'database/demo/herbarium.kit.json';

    public function test_it_tells_rigs_as_files_that_read_as_it_says(): void
    {
        $told = $this->found(['--field' => '18', '--room' => '60', '--stops' => '3', '--coupled' => true], 0);
        $this->assertSame(['considered', 'fulfil', 'mayFulfil', 'leftOut', 'rows'], array_keys($told));
        $this->assertGreaterThan(3, count($told['rows']));
        $this->assertGreaterThanOrEqual(array_sum(array_column($told['rows'], 'alike')), $told['fulfil']);
        foreach ($told['rows'] as $row) {
            $report = RigReport::of(RigFile::parse((string) json_encode($row['file'])));
            $this->assertEqualsWithDelta(18.0, $report->reading->fieldWidthMm, 1e-6);
            $this->assertGreaterThanOrEqual(60.0, $row['reading']['workingDistanceMm']);
            $this->assertEqualsWithDelta($report->reading->workingDistanceMm, $row['reading']['workingDistanceMm'], 1e-9);
            $this->assertContains($row['reading']['coupling'], ['full', 'contacts', 'lever']);
            $this->assertNotSame([], $row['why']);
            $this->assertStringNotContainsString('"note"', (string) json_encode($row['file']), 'what belongs to the kit stays there');
        }
        $this->assertCount(2, $this->found(['--field' => '18', '--top' => '2'], 0)['rows']);
    }

    public function test_focusing_from_here_to_there_is_kept_by_every_row(): void
    {
        // A rig that focuses 182 to 302 mm was offered for 230 to 3,000.
        $told = $this->found(['--sensor-distance' => '300', '--focus-from' => '230', '--focus-to' => '302'], 0);
        foreach ($told['rows'] as $row) {
            [$near, $far] = $row['reading']['range']['subjectDistanceMm'];
            $this->assertLessThanOrEqual(230.001, $near);
            $this->assertTrue($far === null || $far >= 301.999);
        }
        foreach ($this->found(['--sensor-distance' => '400', '--focus-from' => '230', '--focus-to' => '3000'], 1)['rows'] as $row) {
            $this->assertTrue($row['reading']['range']['subjectDistanceMm'][1] === null || $row['reading']['range']['subjectDistanceMm'][1] >= 2999.9);
        }
    }

    public function test_what_must_and_must_not_be_in_it(): void
    {
        $names = static fn (array $row): array => array_column($row['file']['chain'], 'name');
        $with = $this->found(['--magnification' => '1', '--with' => ['Fell 35', 'Tube 31']], 0);
        foreach ($with['rows'] as $row) {
            $this->assertContains('Fell 35', $names($row));
            $this->assertContains('Tube 31', $names($row));
        }
        $without = $this->found(['--magnification' => '1', '--without' => ['Rail bellows', 'Fell 35'], '--camera' => ['Body B']], 0);
        foreach ($without['rows'] as $row) {
            $this->assertSame([], array_intersect(['Rail bellows', 'Fell 35'], $names($row)));
            $this->assertSame('Body B', $row['file']['camera']['name']);
        }
        $this->assertLessThan($this->found(['--magnification' => '1'], 0)['fulfil'], $with['fulfil']);
    }

    public function test_it_says_what_is_wrong_and_how_it_went(): void
    {
        $this->assertSame(2, Artisan::call('kit:find', ['file' => 'nowhere.kit.json', '--field' => '18']));
        $this->assertSame(2, Artisan::call('kit:find', ['file' => base_path(self::KIT)]));
        $this->assertSame(2, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--field' => 'much']));
        $this->assertSame(2, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--field' => '18', '--with' => ['Nothing of the sort']]));
        $this->assertSame(2, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--field' => '18', '--order' => 'luck']));
        $this->assertSame(1, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--field' => '18', '--room' => '90000']));
        $this->assertSame(0, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--field' => '18', '--top' => '1']));
        $this->assertStringContainsString('rigs of this kit do it.', Artisan::output());
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<string, mixed>
     */
    private function found(array $options, int $code): array
    {
        $this->assertSame($code, Artisan::call('kit:find', ['file' => base_path(self::KIT), '--json' => true] + $options));
        $told = json_decode(Artisan::output(), true);
        $this->assertIsArray($told);

        return $told;
    }
}
