<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** How a reading comes about, by its name; each ends at the figure that the Bench shows. */
final class DerivationTest extends TestCase
{
    #[TestWith(['magnification', 'magnification', '×'])]
    #[TestWith(['workingDistanceMm', 'workingDistanceMm', 'mm'])]
    #[TestWith(['subjectDistanceMm', 'subjectDistanceMm', 'mm'])]
    #[TestWith(['fieldWidthMm', 'fieldHeightMm', 'mm'])]
    #[TestWith(['effectiveAperture', 'stopsLost', ''])]
    #[TestWith(['depthOfFieldMm', 'depthOfFieldMm', 'mm'])]
    public function test_it_ends_at_the_figure(string $reading, string $last, string $unit): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc');
        $figures = $this->actingAs($user)->getJson('/api/rigs/'.$rig->id)->json('readings');
        $told = $this->getJson('/api/rigs/'.$rig->id.'/derivation/'.$reading)->assertOk()->json();
        $sums = array_values(array_filter(array_column($told['steps'], 'sum')));
        $end = explode(' = ', (string) end($sums));
        $this->assertEqualsWithDelta($figures[$last], (float) str_replace('−', '-', (string) end($end)), 6e-4 * abs($figures[$last]));
        $this->assertSame($unit, trim((string) preg_replace('/[−\d. \x{2009}]/u', '', (string) end($end))));
        $this->assertCount(2, $told['rays']);
        $this->assertEqualsWithDelta($figures['subjectDistanceMm'], $told['subjectMm'], 0.01);
    }

    public function test_of_what_is_no_reading_there_is_nothing(): void
    {
        $user = $this->guest();
        $rig = $this->rigOf($user, 'Lichen disc');
        $this->actingAs($user)->getJson('/api/rigs/'.$rig->id.'/derivation/massG')->assertNotFound();
        $this->getJson('/api/rigs/'.$rig->id.'/derivation/detailMm')->assertOk()->assertJsonPath('thumb', '');
    }
}
