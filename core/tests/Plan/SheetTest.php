<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\LightFigures;
use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\KitRigs;
use ZincThimble\Core\Tests\RigMaker;

/** The sheet that goes to the table: every figure on it is the rig's, its settings are as engraved, nothing runs over the page. */
final class SheetTest extends TestCase
{
    public function test_a_planned_rig_has_all_of_it_in_order(): void
    {
        $rig = self::seed();
        $rig = $rig->withConditions($rig->conditions->with(['ev' => 8.0, 'iso' => 200.0, 'support' => 'braced', 'surroundings' => ['sun']]));
        $flash = FlashPlan::of($rig, 24.0, 180.0, 1.0);
        $shots = Shots::of($rig, RailScrew::of(1.25, 400), 0.25, $flash);
        $sheet = Sheet::of($shots);
        $reading = Reading::of($rig);
        $told = $sheet->toArray();
        $this->assertSame(['Figures', 'Join, from the camera out', 'Do', 'Window of focus', 'Light', 'One shot', 'Stack', 'Mind', 'Write down'], array_keys($told));
        $this->assertSame('Sedge seed, coat pattern', $sheet->title);
        $this->assertSame([
            ['text' => 'Magnification', 'figure' => Phrase::figure((float) $reading->magnification, 'x')],
            ['text' => 'Field', 'figure' => Phrase::digits((float) $reading->fieldWidthMm).' × '.Phrase::figure((float) $reading->fieldHeightMm, 'mm')],
            ['text' => 'Front to subject', 'figure' => Phrase::figure((float) $reading->workingDistanceMm, 'mm')],
            ['text' => 'Really f/', 'figure' => Phrase::digits((float) $reading->effectiveAperture)],
        ], $told['Figures']);
        $this->assertEqualsWithDelta($reading->workingDistanceMm, $sheet->ruleMm, 1e-9);
        $joins = $told['Join, from the camera out'];
        $this->assertSame('Body A', $joins[0]['text']);
        foreach ($rig->chain as $i => $part) {
            $said = AsEngraved::of($rig, $i);
            $this->assertSame(['text' => AsEngraved::name($part), 'figure' => $said === '' ? null : $said], $joins[$i + 1]);
        }
        $steps = implode("\n", array_column($told['Do'], 'text'));
        foreach (['draw 84', 'of it fill the frame', 'Open the aperture; move the whole rig', 'Close to f/5.6', $shots->frames().' frames', 'turns of the rail'] as $words) {
            $this->assertStringContainsString($words, $steps);
        }
        // Magnification is set before the distance, and the stop last.
        $this->assertLessThan(strpos($steps, 'move the whole rig'), strpos($steps, 'fill the frame'));
        $this->assertLessThan(strpos($steps, 'Close to'), strpos($steps, 'move the whole rig'));
        $light = array_column($told['Light'], 'figure', 'text');
        $this->assertSame([$flash?->powerSaid(), 'below '.number_format((float) $reading->lightGapDeg).'°', '200', Phrase::figure((float) $shots->shutter->exposureS, 's'), Phrase::figure((float) $shots->shutter->longestS(), 's')], array_values($light));
        $this->assertSame(Phrase::digits(1000.0 * (float) $shots->blurMm).' µm', $told['One shot'][0]['figure']);
        $stack = array_column($told['Stack'], 'figure', 'text');
        $this->assertSame([(string) $shots->frames(), Phrase::figure((float) $shots->sliceMm, 'mm')], [$stack['Frames'], $stack['Slice']]);
        $this->assertSame(Phrase::figure($shots->rail?->railMm()[$shots->rail->frames() - 1] ?? 0.0, 'mm'), $stack['Way of the rail']);
        $this->assertStringContainsString('sun', $told['Mind'][0]['text']);
        $this->assertSame(['draw', 'ring of Fell 35', 'front to subject', 'aperture', 'shutter', 'frames', 'sharp?'], array_column($told['Write down'], 'text'));
    }

    public function test_what_is_planned_with_the_rig_is_on_it(): void
    {
        $rig = self::seed();
        $planned = static fn (array $plan): Shots => Shots::planned($rig->withConditions($rig->conditions->with(['ev' => 8.0, 'iso' => 200.0, 'support' => 'braced', 'plan' => $plan])));
        $of = static fn (Shots $shots, string $heading): array => array_column(Sheet::of($shots)->toArray()[$heading] ?? [], 'figure', 'text');
        $flash = ['name' => 'Spark 24', 'guideNumber' => 24, 'distanceMm' => 180, 'angleDeg' => 35, 'recycleS' => 8];
        $rail = ['name' => 'Ninety rail', 'pitchMm' => 1.25, 'steps' => 400];

        $shots = $planned(['light' => 'flash', 'flash' => $flash, 'by' => 'rail', 'rail' => $rail, 'overlap' => 0.3, 'batteryFrames' => 10]);
        $light = $of($shots, 'Light');
        $this->assertSame($shots->flash?->powerSaid(), $light['Spark 24, '.Phrase::figure(180.0, 'mm').' from the subject']);
        $this->assertSame('35°, below '.number_format((float) Reading::of($rig)->lightGapDeg).'°', $light['Over the plane of focus']);
        $stack = $of($shots, 'Stack');
        $this->assertSame(0.3, $shots->overlap);
        $this->assertSame(Phrase::digits((float) $shots->rail?->turnsAFrame()), $stack['Turns a frame']);
        $this->assertArrayHasKey('Ninety rail: its way', $stack);
        $this->assertSame((string) (int) ceil((int) $shots->frames() / 10), $stack['Batteries']);
        // Each frame settles for two seconds; the flash is charged for as much of eight as of its power it gave, but never quicker than two.
        $this->assertEqualsWithDelta((int) $shots->frames() * (2.0 + max(2.0, 8.0 * (float) $shots->stackFlash()?->power)), $shots->seconds(), 1e-9);

        $this->assertSame([], $of($planned(['by' => 'single']), 'Stack'));
        $macro = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000]], 'subject' => ['depthMm' => 4], 'chain' => [
            ['kind' => 'lens', 'name' => 'Fell 105', 'rear' => 'larch', 'focalLengthMm' => 105, 'registerMm' => 44.5, 'frontRimMm' => 100, 'focusing' => 'unit', 'design' => 'symmetrical', 'maxMagnification' => 1.0, 'bracketStep' => 0.0004,
                'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8, 'focus' => 0.6]],
        ]]);
        $by = static fn (string $way): Shots => Shots::planned($macro->withConditions($macro->conditions->with(['plan' => ['by' => $way]])));
        $bracketing = $by('bracketing');
        $this->assertNotNull($bracketing->bracketing);
        $this->assertSame($bracketing->bracketing->frames, $bracketing->frames());
        $said = $of($bracketing, 'Stack');
        $this->assertSame([(string) $bracketing->bracketing->setting, Phrase::figure($bracketing->bracketing->widestMm, 'mm')], [$said['Step of the camera'], $said['Widest step']]);
        $ring = $by('ring');
        $this->assertNotNull($ring->ring);
        $this->assertSame(count($ring->ring->frames), $ring->frames());
        $at = $ring->ring->ring->part;
        $said = $of($ring, 'Stack');
        $this->assertSame(AsEngraved::finely($ring->stacked ?? $rig, $at, $ring->ring->frames[0]->focus), $said['Ring, first frame']);
        $lamp = $planned(['light' => 'lamp', 'lamp' => ['name' => 'Reading lamp', 'watts' => 9, 'lumensPerWatt' => 80]]);
        $figures = LightFigures::of($lamp->rig);
        $this->assertSame([Phrase::digits((float) $figures->lightLux).' lux', Phrase::figure((float) $figures->lampMm, 'mm')], array_slice(array_values($of($lamp, 'Light')), 0, 2));
        $torch = $planned(['light' => 'torch']);
        $this->assertSame(Phrase::figure(4.0, 's'), $of($torch, 'Light')['Room dark, painted with a torch for'] ?? null);
    }

    public function test_a_ring_is_told_as_finely_as_frames_differ(): void
    {
        // Its own mount, 100 mm, m = 0.1 at a tenth of the ring: 100 x (2 + 0.1 + 10) = 1210 mm; m = 1 at its end: 400 mm.
        $rig = RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'lens', 'name' => 'Hundred', 'rear' => 'larch', 'focalLengthMm' => 100, 'registerMm' => 44.5, 'frontRimMm' => 80, 'focusing' => 'unit', 'design' => 'symmetrical', 'principalGapMm' => 0, 'maxMagnification' => 1],
        ]]);
        $this->assertSame(['∞', "1.2100\u{202f}m", "400.0\u{202f}mm"], [AsEngraved::finely($rig, 0, 0.0), AsEngraved::finely($rig, 0, 0.1), AsEngraved::finely($rig, 0, 1.0)]);
    }

    public function test_a_rail_that_can_not_go_through_is_told_and_the_rest_stands(): void
    {
        $rig = self::seed();
        $shots = Shots::planned($rig->withConditions($rig->conditions->with(['plan' => ['rail' => ['pitchMm' => 1000, 'steps' => 1]]])));
        $this->assertNull($shots->rail);
        $this->assertStringContainsString('one step of this rail is 1000 mm', (string) $shots->railTrouble);
        $this->assertNotNull($shots->sliceMm);
        $this->assertNull(Shots::planned($rig)->railTrouble);
    }

    public function test_over_rigs_that_somebody_might_build_no_line_runs_over_and_no_figure_is_lost(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $rigs = KitRigs::ofTheDemonstration($make);
        $sharp = 0;
        for ($n = 0; $n < 150; $n++) {
            $rig = $rigs->rig();
            $shots = Shots::of($rig);
            $sheet = Sheet::of($shots);
            $text = $sheet->text();
            foreach (explode("\n", $text) as $line) {
                $this->assertLessThanOrEqual(72, mb_strlen($line), $line);
                $this->assertSame(rtrim($line), $line);
            }
            foreach ($sheet->toArray() as $heading => $lines) {
                $this->assertNotSame([], $lines);
                $this->assertStringContainsString("\n".$heading."\n", $text);
                foreach ($lines as $line) {
                    $this->assertStringContainsString($line['figure'] ?? '', $text);
                }
            }
            $reading = Reading::of($rig);
            $isSharp = FocusState::of($rig, Axis::of($rig), $reading->workingDistanceMm) === FocusState::Sharp;
            $sharp += $isSharp ? 1 : 0;
            $isSharp ? $this->assertEqualsWithDelta($reading->workingDistanceMm, $sheet->ruleMm, 1e-9) : $this->assertNull($sheet->ruleMm, 'no rule for a distance that isn’t there');
            $this->assertSame($isSharp, str_contains(preg_replace('/\s+/', ' ', $text) ?? '', 'ove the whole rig until it is sharp'));
        }
        $this->assertGreaterThan(40, $sharp);
    }

    public function test_powers_are_said_as_flashes_show_them(): void
    {
        $rig = self::seed();
        $said = [];
        for ($mm = 40.0; $mm < 6000.0; $mm *= 1.06) {
            $plan = FlashPlan::of($rig, 40.0, $mm);
            if ($plan?->power !== null) {
                preg_match('/^1\/(\d+)(?: \+ (⅓|⅔))?$/u', (string) $plan->powerSaid(), $found);
                $this->assertEqualsWithDelta($plan->power, 2.0 ** (['' => 0.0, '⅓' => 1.0, '⅔' => 2.0][$found[2] ?? ''] / 3.0) / (int) $found[1], 1e-9, (string) $plan->powerSaid());
                $said[] = $plan->powerSaid();
            } else {
                $this->assertNull($plan?->powerSaid());
            }
        }
        $this->assertContains('1/256', $said);
        $this->assertContains('1/1', $said);
        $this->assertGreaterThan(20, count(array_unique($said)));
    }

    private static function seed(): Rig
    {
        return RigFile::parse((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/4-sedge-seed.rig.json'));
    }
}
