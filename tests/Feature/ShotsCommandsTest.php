<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\RailProgram;
use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Plan\Shots;

/** Light, shots and a rail's program from the command line: the core's figures, and what is wrong said with exit 2. */
final class ShotsCommandsTest extends TestCase
{
    private const SEED = 'database/demo/4-sedge-seed.rig.json';

    public function test_shots_are_the_cores_by_every_option(): void
    {
        $rig = RigFile::parse((string) file_get_contents(base_path(self::SEED)));
        $this->assertSame(0, Artisan::call('rig:shots', ['file' => base_path(self::SEED), '--json' => true]));
        $this->assertEquals(json_decode((string) json_encode(Shots::of($rig)->toArray()), true), json_decode(Artisan::output(), true));
        $options = ['--ev' => '8', '--iso' => '200', '--support' => 'braced', '--guide-number' => '24', '--flash-mm' => '180', '--diffuser-stops' => '1', '--pitch' => '1.25', '--steps' => '400', '--backlash' => '0.05', '--overlap' => '0.2'];
        $this->assertSame(1, Artisan::call('rig:shots', ['file' => base_path(self::SEED), '--json' => true] + $options), 'too slow for what must stand still');
        $lit = $rig->withConditions($rig->conditions->with(['ev' => 8.0, 'iso' => 200.0, 'support' => 'braced']));
        $shots = Shots::of($lit, RailScrew::of(1.25, 400, 0.05), 0.2, FlashPlan::of($lit, 24.0, 180.0, 1.0));
        $this->assertEquals(json_decode((string) json_encode($shots->toArray()), true), json_decode(Artisan::output(), true));
        $this->assertNotNull($shots->flash?->power);
        $this->assertSame(1, Artisan::call('rig:shots', ['file' => base_path(self::SEED)] + $options));
        $said = Artisan::output();
        foreach (['Too slow by', 'Flash at 1/', 'One shot: f/', 'Stack: f/', 'turns a frame'] as $words) {
            $this->assertStringContainsString($words, $said);
        }
        $this->assertSame(0, Artisan::call('rig:shots', ['file' => base_path(self::SEED), '--ev' => '22', '--iso' => '3200', '--support' => 'table']));
    }

    public function test_where_options_are_silent_the_rigs_own_plan_is_gone_by(): void
    {
        $document = json_decode((string) file_get_contents(base_path(self::SEED)), true);
        $document['conditions'] = ['ev' => 8, 'iso' => 200, 'support' => 'table', 'plan' => [
            'light' => 'flash', 'flash' => ['guideNumber' => 24, 'distanceMm' => 180, 'diffuserStops' => 1], 'rail' => ['pitchMm' => 1.25, 'steps' => 1600, 'backlashMm' => 0.1, 'travelMm' => 90], 'overlap' => 0.2, 'settleS' => 3,
        ]];
        $file = (string) tempnam(sys_get_temp_dir(), 'rig');
        file_put_contents($file, json_encode($document));
        $rig = RigFile::parse((string) json_encode($document));
        $shots = Shots::planned($rig);
        $this->assertNotNull($shots->rail);
        $this->assertSame(1600, $shots->rail->screw->steps);
        Artisan::call('rig:shots', ['file' => $file, '--json' => true]);
        $this->assertEquals(json_decode((string) json_encode($shots->toArray()), true), json_decode(Artisan::output(), true));
        Artisan::call('rail:gcode', ['file' => $file]);
        $this->assertSame(RailProgram::of($shots->rail, (string) $rig->name, settleS: 3.0)->text(), Artisan::output());
        // A rail that is said is that one alone.
        Artisan::call('rail:gcode', ['file' => $file, '--pitch' => '2']);
        $said = Shots::of($rig, RailScrew::of(2.0), 0.2)->rail;
        $this->assertNotNull($said);
        $this->assertSame(RailProgram::of($said, (string) $rig->name, settleS: 3.0)->text(), Artisan::output());
        Artisan::call('rig:sheet', ['file' => $file]);
        $this->assertStringContainsString((string) $shots->flash?->powerSaid(), Artisan::output());
        unlink($file);
    }

    public function test_a_bad_option_is_said_and_exits_2(): void
    {
        $file = base_path(self::SEED);
        foreach ([
            [['--ev' => 'x'], '--ev'], [['--iso' => '0'], '--iso'], [['--support' => 'sofa'], '--support'], [['--guide-number' => '24'], '--guide-number, --flash-mm'], [['--flash-mm' => '24'], '--guide-number, --flash-mm'],
            [['--guide-number' => '24', '--flash-mm' => '0'], '--flash-mm'], [['--pitch' => '0'], '--pitch'], [['--pitch' => '1', '--steps' => '0'], '--steps'], [['--pitch' => '5', '--steps' => '10'], 'steps: one step of this rail'],
            [['--overlap' => '1'], 'overlap: should be'], [['--overlap' => '-0.1'], '--overlap'],
        ] as [$options, $said]) {
            $this->assertSame(2, Artisan::call('rig:shots', ['file' => $file] + $options), $said);
            $this->assertStringContainsString($said, Artisan::output());
        }
        $this->assertSame(2, Artisan::call('rig:shots', ['file' => '/nowhere.rig.json']));
        $this->assertSame(2, Artisan::call('rail:gcode', ['file' => '/nowhere.rig.json']));
        $this->assertSame(2, Artisan::call('rail:gcode', ['file' => $file, '--press' => 'M2']));
        $this->assertStringContainsString('trigger', Artisan::output());
        $flat = tempnam(sys_get_temp_dir(), 'rig');
        $document = json_decode((string) file_get_contents($file), true);
        unset($document['subject']);
        file_put_contents($flat, json_encode($document));
        $this->assertSame(1, Artisan::call('rail:gcode', ['file' => $flat]));
        $this->assertStringContainsString('nothing to stack', Artisan::output());
        $this->assertSame(0, Artisan::call('rig:shots', ['file' => $flat]));
        $this->assertStringContainsString('one shot', Artisan::output());
        unlink($flat);
    }

    public function test_the_rails_program_is_the_cores(): void
    {
        $rig = RigFile::parse((string) file_get_contents(base_path(self::SEED)));
        $this->assertSame(0, Artisan::call('rail:gcode', ['file' => base_path(self::SEED), '--pitch' => '1.25', '--steps' => '1600', '--backlash' => '0.1', '--feed' => '30', '--settle' => '3', '--hold' => '1', '--press' => 'M106', '--release' => 'M107']));
        $stack = Shots::of($rig, RailScrew::of(1.25, 1600, 0.1))->rail;
        $this->assertNotNull($stack);
        $this->assertSame(RailProgram::of($stack, (string) $rig->name, 30.0, 3.0, 1.0, ['M106', 'M107'])->text(), Artisan::output());
    }
}
