<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Models\Entry;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\LensSharpness;
use ZincThimble\Core\Tests\Measure\PictureMaker;
use ZincThimble\Core\Tests\RigMaker;

/** Pictures that are measured over HTTP: which camera took them, what was found, what it settles, and what a trial changes. */
final class PictureApiTest extends TestCase
{
    private User $user;

    private int $kit;

    private Part $camera;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
        $this->kit = $this->user->kits()->firstOrFail()->id;
        $this->camera = Part::query()->where('kit_id', $this->kit)->where('kind', 'camera')->oldest('position')->firstOrFail();
    }

    /** @return array{int, int} pixels across and down */
    private function pixels(): array
    {
        $sensor = $this->camera->fields()['sensor'];

        return [(int) $sensor['columns'], (int) $sensor['rows']];
    }

    private function pitch(): float
    {
        return (float) $this->camera->fields()['sensor']['widthMm'] / $this->pixels()[0];
    }

    /** @param  array<string, mixed>  $more */
    private function measure(?GreyPlane $plane, array $more): TestResponse
    {
        [$width, $height] = $this->pixels();

        return $this->post("/api/kits/{$this->kit}/pictures", $more + ($plane === null ? [] : ['box' => UploadedFile::fake()->createWithContent('box.png', MeasurePictureTest::file($plane, 'png'))]) + ['width' => $width, 'height' => $height], ['Accept' => 'application/json']);
    }

    public function test_a_ruler_tells_the_magnification_by_the_camera_that_took_it(): void
    {
        $plane = (new PictureMaker(new RigMaker(4)))->ruler(400, 100, ['period' => 25.0, 'angle' => 0.1]);
        $told = $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5'])->assertOk()->json();
        $ruler = Ruler::in($plane);
        $this->assertSame(['ruler', $this->camera->id, $this->camera->name, false, $ruler->lines], [$told['what'], $told['camera'], $told['cameraName'], $told['isResized'], $told['count']]);
        $this->assertEqualsWithDelta([25.0, 25.0 * $this->pitch() / 0.5, rad2deg(0.1), $this->pitch()], [$told['pixelsPerDivision'], $told['magnification'], $told['angleDeg'], $told['pitchMm']], 0.02);
        $this->assertEqualsWithDelta(0.001, $told['magnificationHalfWidth'] / $told['magnification'], 0.0005);
        $this->assertCount($ruler->lines, $told['lines']);
        [$x1, $y1, $x2, $y2] = $told['lines'][0];
        $this->assertEqualsWithDelta(-tan(0.1), ($x2 - $x1) / ($y2 - $y1), 0.01, 'as the lines lie');
        $this->assertEqualsWithDelta(25.0, hypot($told['lines'][1][0] - $x1, 0) * cos(0.1), 0.5);
        foreach ($told['lines'] as $line) {
            $this->assertGreaterThanOrEqual(-30.0, min($line));
            $this->assertLessThanOrEqual(430.0, max($line));
        }
        // Half as wide a picture was made smaller: each of its pixels is two.
        [$width, $height] = $this->pixels();
        $half = $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5', 'width' => intdiv($width, 2), 'height' => intdiv($height, 2)])->assertOk()->json();
        $this->assertTrue($half['isResized']);
        $this->assertEqualsWithDelta(2.0 * $told['magnification'], $half['magnification'], 1e-3);
        // Upright, and of another shape.
        $this->assertSame($this->camera->id, $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5', 'width' => $height, 'height' => $width])->json('camera'));
        $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5', 'width' => 1000, 'height' => 1000])->assertOk()->assertJson(['camera' => null, 'magnification' => null]);
        $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5', 'width' => 1000, 'height' => 1000, 'camera' => $this->camera->id])->assertUnprocessable()->assertJsonValidationErrorFor('camera');
        $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '0.5', 'camera' => 999999])->assertUnprocessable();
    }

    public function test_an_edge_a_leaning_rule_and_two_marks(): void
    {
        $pictures = new PictureMaker(new RigMaker(4));
        $plane = $pictures->edge(120, 200, ['angle' => 0.1, 'sigma' => 1.5]);
        $edge = $this->measure($plane, ['what' => 'edge', 'magnification' => '2'])->assertOk()->json();
        $this->assertEqualsWithDelta(Edge::in($plane)->mtf50, $edge['mtf50'], 0.002);
        $this->assertEqualsWithDelta([$edge['mtf50'] / $this->pitch(), 2.0 * $edge['mtf50'] / $this->pitch()], [$edge['pairsPerMm'], $edge['pairsPerMmInSubject']], 1e-6);
        [$x1, $y1, $x2, $y2] = $edge['lines'][0];
        $this->assertEqualsWithDelta([0.0, 199.0, -199.0 * tan(0.1)], [$y1, $y2, $x2 - $x1], 0.3);
        $rule = $this->measure($pictures->slantedRule(600, 120, ['period' => 20.0, 'focus' => 3.0, 'discPerLine' => 1.2]), ['what' => 'rule', 'divisionMm' => '0.5', 'leanDeg' => '45', 'blurMm' => (string) (4.0 * $this->pitch())])->assertOk()->json();
        $depth = 0.5 * sin(deg2rad(45.0));
        $this->assertEqualsWithDelta([2.0 * 4.0 / 1.2 * $depth, 3.0 * $depth], [$rule['sliceMm'], $rule['middleMm']], 0.05);
        $marks = $this->measure(null, ['what' => 'marks', 'divisionMm' => '1', 'x1' => '100', 'y1' => '50', 'x2' => '400', 'y2' => '450', 'divisions' => '10'])->assertOk()->json();
        $this->assertEqualsWithDelta([50.0, 50.0 * $this->pitch()], [$marks['pixelsPerDivision'], $marks['magnification']], 1e-9);
        $this->assertEqualsWithDelta(hypot(2.0 / 500.0, 0.001), $marks['magnificationHalfWidth'] / $marks['magnification'], 1e-9);
        $this->measure(null, ['what' => 'marks', 'divisionMm' => '1', 'x1' => '100', 'y1' => '50', 'x2' => '104', 'y2' => '50', 'divisions' => '1'])->assertUnprocessable();
    }

    public function test_what_cant_be_measured_is_refused_with_what_to_do(): void
    {
        $plane = (new PictureMaker(new RigMaker(4)))->ruler(60, 60, ['period' => 12.0, 'angle' => 0.0]);
        $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '1'])->assertUnprocessable()->assertJsonPath('errors.box.0', fn (string $why): bool => str_contains($why, '80 pixels'));
        foreach ([['what' => 'ruler'], ['what' => 'rule', 'divisionMm' => '1'], ['what' => 'face'], ['what' => 'ruler', 'divisionMm' => '0'], ['what' => 'marks', 'divisionMm' => '1']] as $wrong) {
            $this->measure($plane, $wrong)->assertUnprocessable();
        }
        $this->measure(null, ['what' => 'edge'])->assertUnprocessable()->assertJsonValidationErrorFor('box');
        $this->post("/api/kits/{$this->kit}/pictures", ['what' => 'edge', 'width' => 10, 'height' => 10, 'box' => UploadedFile::fake()->createWithContent('box.png', 'no picture')], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonValidationErrorFor('box');
        $this->actingAs($this->guest());
        $this->measure($plane, ['what' => 'ruler', 'divisionMm' => '1'])->assertNotFound();
    }

    public function test_a_ruler_becomes_a_shot_with_its_own_half_width(): void
    {
        $lens = Part::query()->where('kit_id', $this->kit)->where('kind', 'lens')->get()->first(fn (Part $part): bool => ! isset($part->fields()['stations']));
        $this->assertInstanceOf(Part::class, $lens);
        $shot = ['camera' => $this->camera->id, 'reversed' => false, 'spacersMm' => 20, 'magnification' => 0.4127, 'magnificationHalfWidth' => 0.0006];
        $this->postJson("/api/kits/{$this->kit}/parts/{$lens->id}/measure", ['version' => $lens->version, 'keep' => true, 'shots' => [$shot]])->assertOk();
        $kept = $lens->refresh()->fields()['shots'];
        $this->assertEquals([0.4127, 0.0006], [end($kept)['magnification'], end($kept)['magnificationHalfWidth']]);
        $this->postJson("/api/kits/{$this->kit}/parts/{$lens->id}/measure", ['version' => $lens->version, 'keep' => false, 'shots' => [['magnificationHalfWidth' => 0] + $shot]])->assertUnprocessable();
    }

    private function tried(): Rig
    {
        return $this->rigOf($this->user, 'Tower clock tooth');
    }

    public function test_a_trial_is_looked_at_kept_with_its_lens_and_changes_advice(): void
    {
        $rig = $this->tried();
        $core = $this->app->make(RigStore::class)->read($rig->load('parts'));
        $at = (int) $core->workingLens();
        $stops = array_map(static fn (float $stop): array => ['aperture' => $stop, 'mtf50' => $stop === $core->stopsAt($at)[2] ? 0.21 : 0.12, 'halfWidth' => 0.004], array_slice($core->stopsAt($at), 0, 6));
        $this->assertNull(LensSharpness::of($core, Reading::of($core)->magnification));
        $seen = $this->postJson("/api/rigs/{$rig->id}/trial", ['keep' => false, 'stops' => $stops])->assertOk()->json();
        $this->assertSame([false, $core->chain[$at]->label(), false], [$seen['kept'], $seen['lens'], $seen['reversed']]);
        $this->assertEquals([$core->stopsAt($at)[2], [$core->stopsAt($at)[2]]], [$seen['sharpest'], $seen['asSharp']]);
        $this->assertEqualsWithDelta(Reading::of($core)->magnification, $seen['magnification'], 1e-9);
        foreach ($seen['stops'] as $n => $stop) {
            $this->assertEquals([$stops[$n]['aperture'], $stops[$n]['mtf50'], 0.004], [$stop['aperture'], $stop['mtf50'], $stop['halfWidth']]);
            $this->assertGreaterThan($stop['mtf50'], $stop['allowed']);
            $this->assertGreaterThan(0.0, $stop['blurMm']);
        }
        $part = Part::query()->findOrFail($seen['part']);
        $this->assertArrayNotHasKey('trials', $part->fields());
        $kept = $this->postJson("/api/rigs/{$rig->id}/trial", ['keep' => true, 'stops' => $stops])->assertOk()->json();
        $this->assertTrue($kept['kept']);
        $this->assertCount(1, $part->refresh()->fields()['trials']);
        // The rig on the bench has it from then on, and every advice with it.
        $now = $this->app->make(RigStore::class)->read(Rig::query()->with('parts')->findOrFail($rig->id));
        $tried = LensSharpness::of($now, Reading::of($now)->magnification);
        $this->assertEquals($core->stopsAt($at)[2], $tried?->sharpest());
        $changes = array_column($kept['changes'], null, 'what');
        $depth = $core->subject?->depthOver(Reading::of($core)->fieldWidthMm);
        $this->assertEquals(BestAperture::of($core, (float) $depth)?->stacking, $changes['stack']['was']);
        $this->assertEquals(BestAperture::of($now, (float) $depth)?->stacking, $changes['stack']['is']);
        $this->assertGreaterThan($changes['detailMm']['was'], $changes['detailMm']['is']);
        $shots = $this->getJson("/api/rigs/{$rig->id}/shots")->assertOk()->json();
        $this->assertEquals([$core->stopsAt($at)[2], $seen['magnification']], [$shots['tried']['sharpest'], $shots['tried']['magnification']]);
        // Undo in the kit takes it back.
        $this->postJson("/api/kits/{$this->kit}/undo", ['revision' => $this->user->kits()->firstOrFail()->revision])->assertOk();
        $this->assertArrayNotHasKey('trials', $part->refresh()->fields());
        foreach ([['stops' => []], ['stops' => [['aperture' => 4, 'mtf50' => 0]]], ['stops' => [['aperture' => 4, 'mtf50' => 0.2, 'x' => 1]]], ['stops' => [['aperture' => 0.4, 'mtf50' => 0.2]]]] as $wrong) {
            $this->postJson("/api/rigs/{$rig->id}/trial", ['keep' => false] + $wrong)->assertUnprocessable();
        }
        $this->postJson("/api/rigs/{$rig->id}/trial", ['stops' => $stops])->assertUnprocessable();
    }

    public function test_the_trial_of_an_entry_goes_to_its_lens(): void
    {
        $entry = Entry::query()->where('user_id', $this->user->id)->get()->first(static fn (Entry $row): bool => count($row->document->trial ?? []) > 1);
        $this->assertInstanceOf(Entry::class, $entry);
        $address = "/api/outings/{$entry->outing_id}/entries/{$entry->id}/trial";
        $seen = $this->postJson($address, ['keep' => false])->assertOk()->json();
        $this->assertCount(count($entry->document->trial), $seen['stops']);
        $this->assertNotNull($seen['part']);
        $this->postJson($address, ['keep' => true])->assertOk();
        $kept = Part::query()->findOrFail($seen['part'])->fields()['trials'];
        $this->assertEqualsWithDelta($seen['magnification'], $kept[0]['magnification'], 1e-9);
        $this->postJson($address, [])->assertUnprocessable();
        $other = Entry::query()->where('user_id', $this->user->id)->get()->first(static fn (Entry $row): bool => ! isset($row->document->trial));
        $this->postJson("/api/outings/{$other?->outing_id}/entries/{$other?->id}/trial", ['keep' => false])->assertUnprocessable();
    }
}
