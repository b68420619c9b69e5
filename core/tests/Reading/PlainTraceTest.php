<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** What the core reads is what OPTICS.md says, written down a second time from the file's fields alone. */
final class PlainTraceTest extends TestCase
{
    private const IMAGES = ['real' => Image::Real, 'infinity' => Image::AtInfinity, 'none' => Image::None];

    public function test_every_reading_is_the_one_that_plain_tracing_gives(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $real = $cut = 0;
        for ($n = 0; $n < 2000; $n++) {
            $document = $make->document();
            try {
                $reading = Reading::of(RigMaker::made($document));
            } catch (FileInvalid) {
                continue;
            }
            $plain = (new PlainTrace($document))->reads;
            $name = sprintf('%s, rig %d of seed %d', $document['name'], $n, $make->seed);
            self::assertSame(self::IMAGES[$plain['image']], $reading->image, $name);
            // Near infinity a small slope is the difference of large numbers.
            $m = (float) $reading->magnification;
            $digits = 1e-9 / max(1e-4, min(1.0, $m));
            foreach (['magnification', 'effectiveAperture', 'extensionMm'] as $what) {
                Near::assert($plain[$what], $reading->{$what}, $digits, $name.' '.$what);
            }
            self::assertEqualsWithDelta($plain['stopsLost'], $reading->stopsLost, 1e-6, $name);
            if ($plain['cornerBrightness'] !== null && $reading->cornerBrightness !== null) {
                self::assertEqualsWithDelta($plain['cornerBrightness'], $reading->cornerBrightness, 2e-3, $name.' corner');
                $cut += $reading->cornerBrightness < 0.99 ? 1 : 0;
            }
            if ($reading->image !== Image::Real || $m < 1e-3) {
                continue;
            }
            $real++;
            foreach (['workingDistanceMm', 'subjectDistanceMm', 'entrancePupilMm'] as $what) {
                // A distance is the difference of places as far away as the pupil or the sensor.
                self::assertEqualsWithDelta($plain[$what], $reading->{$what}, 1e-6 * (1.0 + abs((float) $plain['subjectDistanceMm']) + abs((float) $plain['entrancePupilMm'])), $name.' '.$what);
            }
            foreach (['nearMm', 'farMm'] as $what) {
                if ($plain[$what] !== null && abs($plain[$what]) < 1e4) {
                    Near::assert($plain[$what], $reading->{$what}, 1e-4, $name.' '.$what);
                }
            }
        }
        self::assertGreaterThan(1000, $real);
        self::assertGreaterThan(50, $cut);
    }

    public function test_the_oracle_itself_meets_the_worked_cases_it_can_read(): void
    {
        $met = 0;
        $file = json_decode((string) file_get_contents(__DIR__.'/../cases/readings.json'), true, 64, JSON_THROW_ON_ERROR);
        foreach ($file['cases'] as ['rig' => $document, 'expect' => $expect]) {
            foreach ($document['chain'] as $i => $part) {
                if ($part['kind'] === 'lens') {
                    $document['chain'][$i] += ['reversed' => false, 'design' => 'unknown', 'focusing' => 'unknown', 'rearProtrusionMm' => 0.0];
                }
            }
            if (! self::isRead($document)) {
                continue;
            }
            $reads = (new PlainTrace($document))->reads;
            foreach (['magnification', 'workingDistanceMm', 'effectiveAperture'] as $what) {
                Near::assert($expect[$what] ?? null, $reads[$what], 1e-6, $document['name'].' '.$what);
            }
            $met++;
        }
        self::assertGreaterThan(5, $met);
    }

    /**
     * Whether a rig holds nothing that the plain way leaves out: measured families, closest figures that are given, odd cameras.
     *
     * @param  array<string, mixed>  $document
     */
    private static function isRead(array $document): bool
    {
        foreach ($document['chain'] as $i => $part) {
            if ($part['kind'] === 'teleconverter' && $i > 0) {
                return false;
            }
            if ($part['kind'] === 'lens' && (isset($part['stations']) || array_intersect_key($part, array_flip(['closePrincipalGapMm', 'closeFocalLengthMm', 'closePupilRatio', 'closeEffectiveAperture', 'rimTravelMm', 'measured'])) !== [] || ($part['aperture']['shows'] ?? null) !== null || ! isset($part['aperture']['widest']))) {
                return false;
            }
            if ($part['kind'] === 'close-up-lens' && (isset($part['planeFromFrontMm']) || ! isset($part['clearMm'], $part['thicknessMm'], $part['elements']))) {
                return false;
            }
        }

        return ! isset($document['conditions']['mode']);
    }
}
