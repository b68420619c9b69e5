<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Models\User;
use Tests\TestCase;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Report\Contribution;

/** Rigs of one's own side by side: every figure the core's, nobody else's rigs, and none of them changed. */
final class CompareApiTest extends TestCase
{
    private User $user;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
    }

    public function test_every_figure_is_the_cores(): void
    {
        $rows = [$this->rigOf($this->user, 'Sedge seed, coat pattern'), $this->rigOf($this->user, 'Lichen disc'), $this->rigOf($this->user, 'Tower clock tooth')];
        $ids = array_column($rows, 'id');
        $store = $this->app->make(RigStore::class);
        foreach ([
            ['', Bringing::asSet()],
            ['&to=magnification&value=0.5', Bringing::asSet()->to(SolveTarget::Magnification, 0.5)],
            ['&to=fieldWidthMm&value=9&sharpest=1&depthMm=2', Bringing::asSet(2.0)->to(SolveTarget::FieldWidth, 9.0)->atSharpest()],
            ['&to=subjectDistanceMm&value=230', Bringing::asSet()->to(SolveTarget::SubjectDistance, 230.0)],
            ['&to=closest&effective=22', Bringing::asSet()->toClosest()->atEffective(22.0)],
        ] as [$query, $bringing]) {
            $told = $this->getJson('/api/comparison?rigs='.implode(',', $ids).$query)->assertOk()->json();
            $comparison = Comparison::of(array_map($store->read(...), $rows), $bringing, TargetKind::Subject);
            $this->assertSame(['A', 'B', 'C'], array_column($told['rigs'], 'letter'));
            $this->assertSame($ids, array_column($told['rigs'], 'id'));
            foreach ($comparison->rigs as $n => $rig) {
                $one = $told['rigs'][$n];
                $this->assertSame($rig->met, $one['met'], $query.$rig->letter);
                $this->assertSame(array_map(static fn (string $part, string $said): string => $part.' '.$said, array_keys($rig->settings()), $rig->settings()), $one['settings']);
                foreach ($rig->report->figures() as $name => $value) {
                    is_float($value) ? $this->assertEqualsWithDelta($value, $one['readings'][$name], 1e-9 * max(1.0, abs($value)), $name) : $this->assertEquals($value instanceof \BackedEnum ? $value->value : $value, $one['readings'][$name], $name);
                }
                foreach (['resolvedDetailMm' => $rig->resolvedDetailMm, 'cropToMm' => $rig->cropToMm, 'blurAtEdgeMm' => $rig->blurAtEdgeMm, 'pixelsLeft' => $rig->pixelsLeft, 'subjectDistanceMm' => $rig->report->reading->subjectDistanceMm] as $name => $value) {
                    $value === null ? $this->assertNull($one[$name], $name) : $this->assertEqualsWithDelta($value, $one[$name], 1e-9 * max(1.0, abs($value)), $name);
                }
                $this->assertEqualsWithDelta($rig->report->range->magnification[1], $one['range']['magnification']['greatest'], 1e-9);
                $this->assertEqualsWithDelta($rig->report->halfWidths['workingDistanceMm'], $one['halfWidths']['workingDistanceMm'], 1e-9);
                $this->assertCount(count($rig->rig->chain), $one['drawn']);
                foreach ($rig->layers($comparison->target) as $k => $layer) {
                    foreach (['atMm', 'magnification', 'discMm'] as $name) {
                        $this->assertEqualsWithDelta($layer->{$name}, $one['layers'][$k][$name], 1e-9, $name);
                    }
                }
                $this->assertCount(count($rig->layers($comparison->target)), $one['layers']);
                $rig->depthMm === null ? $this->assertNull($one['depthMm']) : $this->assertEqualsWithDelta($rig->depthMm, $one['depthMm'], 1e-9);
                foreach (Contribution::all($rig->rig) as $k => $adds) {
                    $this->assertSame([$adds->part, $rig->rig->chain[$adds->part]->label()], [$one['adds'][$k]['index'], $one['adds'][$k]['name']]);
                    foreach (['magnification', 'workingDistanceMm', 'stops'] as $name) {
                        $this->assertEqualsWithDelta($adds->{$name}, $one['adds'][$k][$name], 1e-9, $name);
                    }
                }
                $this->assertCount(count(Contribution::all($rig->rig)), $one['adds']);
            }
            $best = array_column($told['best'], null, 'criterion');
            foreach ($comparison->best() as $criterion => $one) {
                $this->assertSame($one['letter'] ?? null, $best[$criterion]['letter'], $criterion);
            }
            $this->assertSame($comparison->beaten(), $told['beaten']);
        }
        foreach ($rows as $row) {
            $this->assertSame($row->revision, $row->refresh()->revision, 'they stay as they are');
        }
    }

    public function test_letters_go_by_the_order_asked_for_and_each_rig_stands_once(): void
    {
        $one = $this->rigOf($this->user, 'Lichen disc')->id;
        $other = $this->rigOf($this->user, 'Tower clock tooth')->id;
        $this->assertSame([$other, $one], array_column($this->getJson("/api/comparison?rigs={$other},{$one},{$other}")->assertOk()->json('rigs'), 'id'));
    }

    public function test_nobody_elses_rigs_and_nothing_that_cant_be(): void
    {
        $mine = $this->rigOf($this->user, 'Lichen disc')->id;
        $theirs = $this->rigOf($this->guest(), 'Lichen disc')->id;
        $this->getJson("/api/comparison?rigs={$mine},{$theirs}")->assertStatus(422)->assertJsonPath('errors.rigs.0', 'One of these rigs isn’t yours, or is gone.');
        foreach ([
            '' => 'rigs', 'rigs=' => 'rigs', 'rigs=x' => 'rigs', 'rigs=0' => 'rigs', 'rigs[]='.$mine => 'rigs', 'rigs='.implode(',', array_fill(0, 65, $mine)) => 'rigs', "rigs={$mine}," => 'rigs',
            "rigs={$mine}&to=width&value=3" => 'to', "rigs={$mine}&to=magnification" => 'value', "rigs={$mine}&to=magnification&value=0" => 'value', "rigs={$mine}&to=magnification&value=x" => 'value',
            "rigs={$mine}&to=fieldWidthMm&value=100001" => 'value', "rigs={$mine}&effective=0.4" => 'effective', "rigs={$mine}&effective=1025" => 'effective', "rigs={$mine}&sharpest=maybe" => 'sharpest',
            "rigs={$mine}&depthMm=-0.1" => 'depthMm', "rigs={$mine}&target=moon" => 'target', "rigs={$mine}&target[]=seed" => 'target', "rigs={$mine}&set=A" => 'set', "rigs={$mine}&set=A:0.length:1e9" => 'set',
            "rigs={$mine}&set=A:0.length:5,A" => 'set',  "rigs={$mine}&as=pdf" => 'as',
        ] as $query => $field) {
            $this->getJson('/api/comparison?'.$query)->assertStatus(422)->assertJsonValidationErrors($field);
        }
        $this->getJson("/api/comparison?rigs={$mine}&to=closest")->assertOk();
    }
}
