<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Tests\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Reading\Reading;

/** outing:plan: an outing's file and a kit's, and what the core plans of them, without a server or an account. */
final class PlanOutingCommandTest extends TestCase
{
    private const KIT = 'database/demo/herbarium.kit.json';

    private const OUTING = 'database/demo/outings/3-fen-edge-first-frost.outing.json';

    public function test_each_subject_has_its_rig_as_a_file_that_does_it(): void
    {
        $plan = $this->plan([], 0);
        $this->assertSame(['Frost flower on sedge', 'Lichen disc on bark', 'Late dragonfly on the dyke', 'Moss capsule, teeth', 'Label of the herbarium sheet'], array_column($plan['assignments'], 'subject'));
        $rigs = array_column($plan['rigs'], 'parts', 'letter');
        foreach (array_combine([12, 24, 90, 4, 60], $plan['assignments']) as $width => $each) {
            $rig = RigFile::read(json_decode(json_encode($each['file'], JSON_THROW_ON_ERROR)));
            $this->assertEqualsWithDelta((float) $width, Reading::of($rig)->fieldWidthMm, 1e-6, $each['subject']);
            $this->assertSame($rigs[$each['rig']][0], $each['file']['camera']['name']);
            $this->assertSame(array_slice($rigs[$each['rig']], 1), array_column($each['file']['chain'], 'name'));
            $this->assertSame(['cold'], $each['file']['conditions']['surroundings']);
        }
        $this->assertSame(array_column($plan['visits'], 'rig'), $plan['order']);
        // One is at twenty past seven, the other at half past eight.
        $subjects = array_merge(...array_column($plan['visits'], 'subjects'));
        $this->assertLessThan(array_search('Late dragonfly on the dyke', $subjects, true), array_search('Frost flower on sedge', $subjects, true));
        $this->assertEqualsWithDelta($plan['massG'], array_sum(array_map(static fn (array $item): float => $item['count'] * $item['massG'], $plan['bag'])), 1e-9);
        $this->assertSame($plan['parts'], array_sum(array_column($plan['bag'], 'count')));
        $this->assertTrue($plan['optimal']);
        $this->assertEquals(0, $plan['atMostOffBy']);
    }

    public function test_the_goal_of_the_file_holds_unless_another_is_asked_for(): void
    {
        $usual = $this->plan([], 0);
        $this->assertSame($usual, $this->plan(['--by' => 'parts'], 0));
        $light = $this->plan(['--by' => 'mass'], 0);
        $this->assertLessThan($usual['massG'], $light['massG']);
        $this->assertGreaterThan($usual['parts'], $light['parts']);
        $this->assertLessThanOrEqual(count($light['rigs']), count($this->plan(['--by' => 'rigs'], 0)['rigs']));
    }

    public function test_for_people_it_says_what_to_take_and_in_which_order(): void
    {
        $this->assertSame(0, Artisan::call('outing:plan', ['outing' => base_path(self::OUTING), 'kit' => base_path(self::KIT)]));
        $said = Artisan::output();
        foreach (['A   Frost flower on sedge', '1. A  Body', ' 1 × Low tripod', "1450\u{2009}g", ' parts, '] as $words) {
            $this->assertStringContainsString($words, $said);
        }
    }

    public function test_a_subject_without_a_rig_exits_1_and_a_fault_2(): void
    {
        $outing = json_decode((string) file_get_contents(base_path(self::OUTING)), true);
        $outing['subjects'] = [['name' => 'Far frog', 'wish' => ['fieldWidthMm' => 18, 'leastRoomMm' => 400]]];
        $file = tempnam(sys_get_temp_dir(), 'outing');
        file_put_contents($file, json_encode($outing, JSON_THROW_ON_ERROR));
        $told = $this->plan(['outing' => $file], 1);
        $this->assertNull($told['assignments'][0]['rig']);
        $this->assertSame('lens', $told['assignments'][0]['buy'][0]['kind']);
        file_put_contents($file, '{"format": "zinc-thimble/outing", "version": 1}');
        $this->assertSame(2, Artisan::call('outing:plan', ['outing' => $file, 'kit' => base_path(self::KIT)]));
        unlink($file);
        $this->assertSame(2, Artisan::call('outing:plan', ['outing' => base_path(self::OUTING), 'kit' => '/nowhere']));
        $this->assertSame(2, Artisan::call('outing:plan', ['outing' => base_path(self::OUTING), 'kit' => base_path(self::KIT), '--by' => 'beauty']));
    }

    /**
     * @param  array<string, string>  $options
     * @return array<string, mixed>
     */
    private function plan(array $options, int $exit): array
    {
        $this->assertSame($exit, Artisan::call('outing:plan', $options + ['outing' => base_path(self::OUTING), 'kit' => base_path(self::KIT), '--json' => true]));
        $told = json_decode(Artisan::output(), true, flags: JSON_THROW_ON_ERROR);
        $this->assertIsArray($told);

        return $told;
    }
}
