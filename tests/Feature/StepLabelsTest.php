<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\Describe;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Side;
use ZincThimble\Core\Gear\Values;

/** What a step is called in the history, what it leaves, and what matters of a part in a few words. */
final class StepLabelsTest extends TestCase
{
    private User $user;

    private Rig $rig;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
    }

    public function test_parts_come_go_turn_and_change_places(): void
    {
        $this->on('Tower clock tooth');
        $this->assertChain(['Tern to Larch', 'Tube 31', 'Larch to 39 × 26 tpi', 'Process 62']);
        $this->step(['action' => 'insert', 'index' => 1, 'parts' => [$this->part('Tube 9'), $this->part('Tube 15')]], 'put in Tube 9 + Tube 15');
        $this->assertChain(['Tern to Larch', 'Tube 9', 'Tube 15', 'Tube 31', 'Larch to 39 × 26 tpi', 'Process 62']);
        $this->step(['action' => 'move', 'index' => 3, 'to' => 1], 'move Tube 31');
        $this->assertChain(['Tern to Larch', 'Tube 31', 'Tube 9', 'Tube 15', 'Larch to 39 × 26 tpi', 'Process 62']);
        $this->step(['action' => 'remove', 'index' => 2], 'take off Tube 9');
        $this->assertChain(['Tern to Larch', 'Tube 31', 'Tube 15', 'Larch to 39 × 26 tpi', 'Process 62']);
        $this->step(['action' => 'swap', 'index' => 2, 'part' => $this->part('Tube 9')], 'swap Tube 15 for Tube 9');
        $this->assertChain(['Tern to Larch', 'Tube 31', 'Tube 9', 'Larch to 39 × 26 tpi', 'Process 62']);
        $this->step(['action' => 'turn', 'index' => 4], 'turn Process 62 round');
        $this->assertTrue($this->shown()['chain'][4]['reversed']);
        $this->step(['action' => 'turn', 'index' => 4], 'turn Process 62 round');
        $this->assertFalse($this->shown()['chain'][4]['reversed']);
    }

    public function test_a_lever_is_wedged_and_a_ring_of_two_threads_turned_and_both_are_kept(): void
    {
        $this->on('Tower clock tooth');
        $document = json_decode((string) $this->get("/api/rigs/{$this->rig->id}/file")->getContent(), true);
        $lens = ['kind' => 'lens', 'name' => 'Levered 50', 'rear' => 'larch', 'front' => 'thread:58x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'aperture' => ['widest' => 2, 'smallest' => 16, 'control' => 'lever'], 'set' => ['aperture' => 8]];
        $document['chain'] = [...array_slice($document['chain'], 0, 2), $lens];
        $this->rig = Rig::query()->findOrFail($this->postJson('/api/rigs/import', ['text' => json_encode($document)])->assertCreated()->json('id'));
        $told = $this->shown();
        $this->assertSame('stuck', $told['readings']['coupling']);
        $this->assertFalse($told['chain'][2]['makeshift']);
        $this->assertNull($told['chain'][1]['makeshift']);
        $this->assertNotContains('aperture', array_column($told['travels'], 'kind'), 'a ring that moves nothing');
        $stuck = $told['readings']['effectiveAperture'];
        $this->step(['action' => 'makeshift', 'index' => 2, 'used' => true], 'wedge or tape the lever of Levered 50');
        $told = $this->shown();
        $this->assertSame('makeshift', $told['readings']['coupling']);
        $this->assertTrue($told['chain'][2]['makeshift']);
        $this->assertLessThan($stuck, $told['readings']['effectiveAperture'], 'it was read where its ring stands');
        $this->step(['action' => 'makeshift', 'index' => 2, 'used' => false], 'free the lever of Levered 50');
        $this->assertSame('stuck', $this->shown()['readings']['coupling']);
        $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $this->rig->refresh()->revision, 'step' => ['action' => 'makeshift', 'index' => 1, 'used' => true]])->assertStatus(422);

        $this->step(['action' => 'insert', 'index' => 3, 'parts' => [$this->part('Step ring 58 to 52')]], 'put in Step ring 58 to 52');
        $this->assertTrue($this->shown()['chain'][3]['turns']);
        $this->assertSame('M52×0.75', $this->shown()['chain'][3]['joint']);
        $this->step(['action' => 'turn', 'index' => 3], 'turn Step ring 58 to 52 round');
        $this->assertTrue($this->shown()['chain'][3]['reversed']);
        $this->assertSame('M58×0.75', $this->shown()['chain'][3]['joint']);
        $this->assertFalse($this->shown()['chain'][1]['turns']);
    }

    /** @return iterable<string, array{string, list<string>}> rig, kinds of what moves on it */
    public static function moving(): iterable
    {
        yield 'a ring and an aperture' => ['Lichen disc', ['focus', 'aperture']];
        yield 'bellows and a lens on them' => ['Sedge seed, coat pattern', ['length', 'focus', 'aperture']];
        yield 'a zoom' => ['Seed tray overview', ['focus', 'zoom', 'aperture']];
    }

    /** @param  list<string>  $kinds */
    #[DataProvider('moving')]
    public function test_everything_that_moves_is_called_by_what_it_is(string $rig, array $kinds): void
    {
        $this->on($rig);
        $told = $this->shown();
        $this->assertEqualsCanonicalizing($kinds, array_values(array_diff(array_unique(array_column($told['travels'], 'kind')), ['swing', 'shift'])));
        foreach ($told['travels'] as $travel) {
            $name = $told['chain'][$travel['index']]['name'];
            $middle = ($travel['least'] + $travel['greatest']) / 2;
            $label = match ($travel['kind']) {
                'length' => "set {$name} to ".Phrase::figure($middle, 'mm'),
                'zoom' => "zoom {$name} to ".Phrase::figure($middle, 'mm'),
                'aperture' => "set {$name} to ".Phrase::figure($middle, 'f'),
                'focus' => "turn the ring of {$name}",
                'swing' => "swing {$name}",
                'shift' => "shift {$name}",
                default => '?',
            };
            $this->step(['action' => 'set', 'travel' => $travel['name'], 'value' => $middle], $label);
            $this->assertEqualsWithDelta($middle, array_column($this->shown()['travels'], 'value', 'name')[$travel['name']], 1e-9, $travel['name']);
        }
    }

    public function test_another_camera_keeps_the_chain_and_forgets_the_frame_of_the_one_before(): void
    {
        $this->on('Tower clock tooth');
        $before = $this->shown();
        $this->step(['action' => 'camera', 'part' => $this->part('Body B')], 'change to Body B');
        $after = $this->shown();
        $this->assertSame('Body B', $after['camera']['name']);
        $this->assertSame(array_column($before['chain'], 'name'), array_column($after['chain'], 'name'));
        // Its register is longer by what the adapter makes up for on the other.
        $this->assertEqualsWithDelta($before['readings']['magnification'] + (44.5 - 18.4) / 62, $after['readings']['magnification'], 1e-9);
        $this->assertNotSame($before['readings']['fieldWidthMm'], $after['readings']['fieldWidthMm']);
        // What doesn't go on is said, and nothing is changed about it.
        $this->assertContains('joint-mismatch', array_column($after['findings'], 'code'));
    }

    public function test_subject_and_conditions_are_two_steps_in_words_of_their_own(): void
    {
        $this->on('Tower clock tooth');
        $this->step(['action' => 'describe', 'document' => ['subject' => ['name' => 'Tooth', 'widthMm' => 12.5, 'depthMm' => 1.5]]], 'describe the subject');
        $this->step(['action' => 'describe', 'document' => ['conditions' => ['support' => 'braced']]], 'change the conditions');
        $this->step(['action' => 'describe', 'document' => ['subject' => ['name' => 'Tooth'], 'conditions' => ['support' => 'table']]], 'describe the subject');
    }

    public function test_a_reading_that_is_asked_for_says_whether_it_got_there(): void
    {
        $this->on('Sedge seed, coat pattern');
        $before = $this->shown()['readings']['magnification'];
        $asked = round($before * 1.02, 3);
        $answer = $this->step(['action' => 'solve', 'reading' => 'magnification', 'value' => $asked, 'near' => true], null)->json();
        $this->assertMatchesRegularExpression('/^(set to|as near as it gets to) [\d.]+× with .+$/u', $answer['history']['undo']);
        if (str_starts_with($answer['history']['undo'], 'set to')) {
            $this->assertEqualsWithDelta($asked, $answer['readings']['magnification'], 1e-6);
        }
        $far = $this->step(['action' => 'solve', 'reading' => 'magnification', 'value' => 90, 'near' => true], null)->json();
        $this->assertStringStartsWith('as near as it gets to 90× with ', $far['history']['undo']);
        $this->assertLessThan(90, $far['readings']['magnification']);
    }

    /** @return iterable<string, array{Kind, array<string, mixed>, string}> */
    public static function parts(): iterable
    {
        $thin = "\u{2009}";
        yield 'tube' => [Kind::Tube, ['lengthMm' => 31], "31{$thin}mm"];
        yield 'step ring of a fraction' => [Kind::StepRing, ['lengthMm' => 2.34], "2.34{$thin}mm"];
        yield 'hood of no length' => [Kind::Hood, [], "0{$thin}mm"];
        yield 'helicoid' => [Kind::Helicoid, ['minMm' => 14, 'maxMm' => 29], "14–29{$thin}mm"];
        yield 'bellows' => [Kind::Bellows, ['minMm' => 36, 'maxMm' => 162], "36–162{$thin}mm"];
        $lens = ['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38];
        yield 'lens' => [Kind::Lens, $lens + ['aperture' => ['widest' => 1.8]], "50{$thin}mm · f/1.8"];
        yield 'lens without a number' => [Kind::Lens, $lens, "50{$thin}mm"];
        yield 'zoom' => [Kind::Lens, $lens + ['aperture' => ['widest' => 4], 'stations' => [['focalLengthMm' => 70], ['focalLengthMm' => 24]]], "24–70{$thin}mm · f/4"];
        yield 'close-up lens' => [Kind::CloseUpLens, ['powerD' => 4], '+4 · single'];
        yield 'corrected pair' => [Kind::CloseUpLens, ['powerD' => 2.5, 'elements' => 2], '+2.5 · corrected'];
        yield 'one that spreads' => [Kind::CloseUpLens, ['powerD' => -2], '-2 · single'];
        yield 'objective' => [Kind::Objective, ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 17], '4× · NA 0.1'];
        yield 'teleconverter' => [Kind::Teleconverter, ['factor' => 1.4], '1.4×'];
        yield 'afocal, far' => [Kind::Afocal, ['factor' => 1.7], '1.7× tele'];
        yield 'afocal, wide' => [Kind::Afocal, ['factor' => 0.7], '0.7× wide'];
        yield 'port' => [Kind::Port, ['gapMm' => 12, 'glassMm' => 6, 'index' => 1.49], "18{$thin}mm"];
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('parts')]
    public function test_a_part_in_a_few_words(Kind $kind, array $fields, string $said): void
    {
        $this->assertSame($said, Describe::measure(Parts::make($kind, new Values($fields))));
    }

    public function test_a_camera_and_a_joint_in_a_few_words(): void
    {
        $camera = Camera::from(new Values(['registerMm' => 18.4, 'sensor' => ['widthMm' => 23.6, 'heightMm' => 15.7]]));
        $this->assertSame("23.6 × 15.7\u{2009}mm · register 18.4", Describe::camera($camera));
        $this->assertSame('not known', Describe::joint(new JointEnd(Side::Male, [])));
        $this->assertSame('larch', Describe::joint(new JointEnd(Side::Male, [Joint::parse('larch')])));
        $this->assertSame('M52×0.75', Describe::joint(new JointEnd(Side::Female, [Joint::parse('thread:52x0.75'), Joint::parse('larch')])));
        $this->assertSame('39 × 26 tpi', Describe::joint(new JointEnd(Side::Female, [Joint::parse('thread:39x26tpi')])));
    }

    private function on(string $name): void
    {
        $this->rig = $this->rigOf($this->user, $name);
    }

    /** @return array<string, mixed> */
    private function shown(): array
    {
        return (array) $this->getJson("/api/rigs/{$this->rig->id}")->assertOk()->json();
    }

    /**
     * Takes a step, and sees that it is called so and that one undo takes it back whole.
     *
     * @param  array<string, mixed>  $step
     */
    private function step(array $step, ?string $label): TestResponse
    {
        $before = $this->shown();
        $taken = $this->postJson("/api/rigs/{$this->rig->id}/steps", ['revision' => $before['revision'], 'step' => $step])->assertOk();
        $after = $taken->json();
        if ($label !== null) {
            $this->assertSame($label, $after['history']['undo']);
        }
        $undone = $this->postJson("/api/rigs/{$this->rig->id}/undo", ['revision' => $after['revision']])->assertOk()->json();
        foreach (['readings', 'chain', 'camera', 'travels', 'findings'] as $what) {
            $this->assertSame($before[$what], $undone[$what], $what.' after undo');
        }
        $redone = $this->postJson("/api/rigs/{$this->rig->id}/redo", ['revision' => $undone['revision']])->assertOk()->json();
        // A control that was solved for is kept to the last digit but one.
        $this->assertEqualsWithDelta($after['readings'], $redone['readings'], 1e-9);
        $this->assertEqualsWithDelta($after['chain'], $redone['chain'], 1e-9);

        return $taken;
    }

    /** @param  list<string>  $names */
    private function assertChain(array $names): void
    {
        $this->assertSame($names, array_column($this->shown()['chain'], 'name'));
    }

    private function part(string $name): int
    {
        return Part::query()->where('kit_id', $this->rig->kit_id)->where('name', $name)->firstOrFail()->id;
    }
}
