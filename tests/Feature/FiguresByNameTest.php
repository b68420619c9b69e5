<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use App\Http\Resources\FoundRig;
use App\Http\Resources\RangeView;
use App\Http\Resources\Readings;
use App\Models\Rig;
use App\Models\User;
use Tests\TestCase;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\Advice;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\NextMeasurement;
use ZincThimble\Core\Reading\Reach;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Travels;
use ZincThimble\Core\Tests\Columns;

/** Every figure of every resource is the one of its own name: two neighbours swapped would be seen. */
final class FiguresByNameTest extends TestCase
{
    private User $user;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->guest();
        $this->actingAs($this->user);
    }

    public function test_readings_range_infinity_and_doubts(): void
    {
        foreach ($this->rigs() as $row => [$rig, $told]) {
            $report = RigReport::of($rig);
            $beside = Beside::of($rig, $report->axis, $report->reading) + ['fullFrameMagnification' => Beside::onFullFrame($report->reading->magnification, $rig->frame)];
            $totals = ['massG' => $rig->totals->massG, 'price' => $rig->totals->price, 'joints' => $rig->totals->joints, 'coupling' => $rig->totals->coupling->value];
            foreach (self::names(Readings::class) as $name) {
                $expected = match (true) {
                    array_key_exists($name, $totals) => $totals[$name],
                    array_key_exists($name, $beside) => $beside[$name],
                    $name === 'cornerPart' => $report->reading->cornerPart === null ? null : ($report->reading->cornerPart < 0 ? 'camera' : $rig->chain[$report->reading->cornerPart]->label()),
                    default => $report->reading->{$name},
                };
                $this->same($expected, $told['readings'][$name], $row.' '.$name);
            }
            [$least, $greatest] = $report->range->magnification;
            $ranges = [
                'magnification' => $report->range->magnification, 'workingDistanceMm' => $report->range->workingDistanceMm, 'subjectDistanceMm' => $report->range->subjectDistanceMm,
                'fieldWidthMm' => [$greatest > 0.0 ? $rig->frame->widthMm / $greatest : null, $least > 0.0 ? $rig->frame->widthMm / $least : null],
            ] + Reach::of($rig);
            foreach (self::names(RangeView::class) as $name) {
                $this->same($ranges[$name][0], $told['range'][$name]['least'], $row.' least '.$name);
                $this->same($ranges[$name][1], $told['range'][$name]['greatest'], $row.' greatest '.$name);
            }
            foreach (['reached', 'overshotMm', 'spacerToKeepMm', 'furthestSubjectMm', 'neverMm'] as $name) {
                $this->same($report->infinity->{$name}, $told['infinity'][$name], $row.' infinity '.$name);
            }
            $this->assertSame(array_keys($report->halfWidths), array_column($told['doubts'], 'reading'), $row);
            $settling = NextMeasurement::ofAll($rig, $report->sure);
            foreach ($told['doubts'] as $doubt) {
                $this->same($report->halfWidths[$doubt['reading']], $doubt['halfWidth'], $row.' half-width of '.$doubt['reading']);
                $this->assertSame($report->sure->source($doubt['reading'])->part, $doubt['index'], $row);
                $next = $settling[$doubt['reading']] ?? null;
                $this->assertSame($next?->way->value, $doubt['way'], $row);
                $this->same($next?->after, $doubt['after'], $row.' what would be left of '.$doubt['reading']);
            }
        }
    }

    public function test_figures_that_are_taken_otherwise(): void
    {
        $seen = 0;
        foreach ($this->rigs() as $row => [$rig, $told]) {
            $expected = [];
            foreach ($rig->lenses as $i => $lens) {
                foreach ($lens->takenAs as $each) {
                    $expected[] = [$i, $rig->chain[$i]->label(), $each->figure->value, $each->given, $each->taken, $each->halfWidth];
                }
            }
            $this->assertEqualsWithDelta($expected, array_map(static fn (array $each): array => [$each['index'], $each['part'], $each['field'], $each['given'], $each['taken'], $each['halfWidth']], $told['takenAs']), 1e-9, $row);
            $seen += count($expected);
        }
        $this->assertGreaterThan(1, $seen);
    }

    public function test_the_drawing(): void
    {
        foreach ($this->rigs() as $row => [$rig, $told]) {
            $axis = Axis::of($rig);
            $plan = json_decode(json_encode(Layout::of($rig, $axis, Reading::along($rig, $axis)), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
            $this->assertEquals($plan, $told['drawing'], $row);
            $this->assertSame(array_keys($plan), array_keys($told['drawing']), $row);
        }
    }

    public function test_advice_and_schools(): void
    {
        $seen = 0;
        foreach ($this->rigs() as $row => [$rig, $told]) {
            $advice = Advice::of($rig);
            if ($advice->best !== null && $advice->depthMm !== null) {
                $best = $advice->best;
                foreach (['depthMm' => $advice->depthMm, 'single' => $best->single, 'singleBlurMm' => $best->singleBlurMm, 'stacking' => $best->stacking, 'frames' => $best->stack?->frames, 'stepMm' => $best->stack?->stepMm] as $name => $value) {
                    $this->same($value, $told['advice'][$name], $row.' '.$name);
                }
                $seen++;
            }
            $as = static fn (array $conditions): Reading => Reading::of($rig->withConditions($rig->conditions->with($conditions)));
            $reading = Reading::of($rig);
            foreach ([
                'simpleAperture' => $as(['apertureModel' => 'simple'])->effectiveAperture, 'simpleStopsLost' => $as(['apertureModel' => 'simple'])->stopsLost, 'pupilAperture' => $as(['apertureModel' => 'pupil'])->effectiveAperture,
                'totalDepthMm' => $reading->depthOfFieldMm === null ? null : $reading->depthOfFieldMm + $reading->waveDepthMm,
                'otherDepthMm' => $as(['blurRule' => $told['schools']['otherBlurRule']])->depthOfFieldMm,
            ] as $name => $value) {
                $this->same($value, $told['schools'][$name], $row.' '.$name);
            }
            $this->assertSame($rig->conditions->blurRule->value, $told['schools']['blurRule']);
            $this->assertSame($rig->blurLimitMm, $told['blurLimitMm']);
        }
        $this->assertGreaterThan(2, $seen);
    }

    public function test_travels_and_the_chain(): void
    {
        foreach ($this->rigs() as $row => [$rig, $told]) {
            foreach (Travels::of($rig) as $n => $travel) {
                $view = $told['travels'][$n];
                $this->assertSame([$travel->name(), $travel->part, $travel->kind->value], [$view['name'], $view['index'], $view['kind']], $row);
                $this->same($travel->least, $view['least'], $row.' least');
                $this->same($travel->greatest, $view['greatest'], $row.' greatest');
                $this->same(Travels::setting($rig, $travel), $view['value'], $row.' value');
                $this->assertEqualsWithDelta(Travels::positions($rig, $travel), $view['positions'], 1e-9, $row);
                foreach ($view['marks'] as $mark) {
                    $this->assertGreaterThanOrEqual($travel->least - 1e-6, $mark['at'], $row);
                    $this->assertLessThanOrEqual($travel->greatest + 1e-6, $mark['at'], $row);
                }
            }
            foreach ($rig->chain as $i => $part) {
                $view = $told['chain'][$i];
                $this->assertSame([$i, $part->kind->value, $part->label()], [$view['index'], $view['kind'], $view['name']], $row);
            }
        }
    }

    public function test_a_helicoid_is_numbered_in_the_turns_that_it_is_told_in(): void
    {
        $rig = $this->rigOf($this->user, 'Lichen disc');
        $helicoid = $this->user->kits()->firstOrFail()->parts()->where('kind', 'helicoid')->get()->firstOrFail(static fn ($part): bool => isset($part->document->pitchMm));
        $told = $this->postJson("/api/rigs/{$rig->id}/steps", ['revision' => $rig->revision, 'step' => ['action' => 'insert', 'index' => 1, 'parts' => [$helicoid->id]]])->assertOk()->json('travels');
        $view = array_values(array_filter($told, static fn (array $each): bool => $each['unit'] === 'turns'))[0];
        $this->assertGreaterThan(2, count($view['marks']));
        foreach ($view['marks'] as $mark) {
            $this->assertEqualsWithDelta((float) $mark['text'], ($mark['at'] - $view['zero']) / $view['per'], 0.006);
            $this->assertGreaterThanOrEqual($view['least'] - 1e-6, $mark['at']);
            $this->assertLessThanOrEqual($view['greatest'] + 1e-6, $mark['at']);
        }
    }

    public function test_sweeps(): void
    {
        $rows = 0;
        foreach ($this->rigs() as $id => [$rig]) {
            foreach (Travels::of($rig) as $travel) {
                $told = Columns::unpacked($this->getJson("/api/rigs/{$id}/sweep?travel=".$travel->name())->assertOk()->json());
                $sweep = Sweep::of($rig, $travel);
                $this->assertSame([$travel->name(), $travel->part], [$told['travel'], $told['index']]);
                $last = count($told['positions']) - 1;
                foreach ([0, intdiv($last, 2), $last] as $row) {
                    $report = RigReport::of($rig->with($travel->kind, $travel->part, $sweep->positions[$row]));
                    $beside = Beside::of($report->rig, $report->axis, $report->reading) + ['fullFrameMagnification' => Beside::onFullFrame($report->reading->magnification, $rig->frame)];
                    foreach ($told['readings'] as $name => $column) {
                        $this->near(array_key_exists($name, $beside) ? $beside[$name] : $report->reading->{$name}, $column[$row], "{$id} {$travel->name()} {$row} {$name}");
                    }
                    foreach ($told['still'] as $name) {
                        $this->assertArrayNotHasKey($name, $told['readings']);
                        $this->near(RigReport::of($rig)->figures()[$name], $beside[$name], "{$id} {$travel->name()} {$row} {$name} isn’t moved");
                    }
                    $this->near($report->axis->front + $report->axis->converterMm, $told['tipMm'][$row], 'tip');
                    $this->near($sweep->positions[$row], $told['positions'][$row], 'position');
                    $this->near($sweep->drawing->frontMm[$row], $told['frontMm'][$row], 'front');
                    foreach (array_values($sweep->drawing->groups) as $k => $group) {
                        foreach ($group as $what => $column) {
                            $this->near($column[$row], $told['groups'][$k][$what][$row], "{$id} {$travel->name()} {$row} group {$k} {$what}");
                        }
                    }
                    foreach ($sweep->halfWidths as $name => $column) {
                        $this->near($column[$row], $told['halfWidths'][$name][$row], "{$id} {$travel->name()} {$row} half-width of {$name}");
                    }
                    $rows++;
                }
                $this->assertCount(count($sweep->spans), $told['findings']);
                foreach ($sweep->spans as $n => $span) {
                    $finding = $told['findings'][$n];
                    $this->assertSame([$span->finding->code->value, $span->finding->severity->value, $span->finding->part, $span->from, $span->to], [$finding['code'], $finding['severity'], $finding['index'], $finding['from'], $finding['to']]);
                    foreach ($finding['columns'] as $name => $column) {
                        $this->assertCount($span->to - $span->from + 1, $column, $name);
                        $this->near($span->columns[$name][$span->from], $column[0], $name);
                    }
                }
            }
        }
        $this->assertGreaterThan(40, $rows);
    }

    public function test_what_find_found(): void
    {
        $kit = $this->user->kits()->firstOrFail();
        $rows = array_slice($this->getJson("/api/kits/{$kit->id}/find?fieldWidthMm=20&leastRoomMm=60")->assertOk()->json('rows'), 0, 5);
        $this->assertNotSame([], $rows);
        foreach ($rows as $row) {
            $rig = $this->postJson("/api/kits/{$kit->id}/rigs", ['camera' => $row['camera'], 'parts' => $row['parts']])->assertCreated()->json();
            foreach (array_intersect(self::names(FoundRig::class), array_keys($rig['readings'])) as $name) {
                $this->near($rig['readings'][$name], $row[$name], $row['title'].' '.$name);
            }
            $halves = array_column($rig['doubts'], 'halfWidth', 'reading');
            $this->near($halves['magnification'] ?? null, $row['magnificationHalfWidth'], 'half-width of the magnification');
            $this->near($halves['workingDistanceMm'] ?? null, $row['workingDistanceHalfWidth'], 'half-width of the working distance');
            $this->near($rig['drawing']['tipMm'], $row['tipMm'], 'tip');
            $this->assertSame($rig['camera']['name'], $row['cameraName']);
            $this->assertSame(array_column($rig['chain'], 'partId'), array_column($row['parts'], 'part'));
        }
    }

    /** @return iterable<string, array{CoreRig, array<string, mixed>}> each rig of the demonstration, as the core knows it and as it is told */
    private function rigs(): iterable
    {
        foreach ($this->user->rigs()->with('parts')->get() as $row) {
            assert($row instanceof Rig);
            yield (string) $row->id => [$this->app->make(RigStore::class)->read($row), $this->getJson('/api/rigs/'.$row->id)->assertOk()->json()];
        }
    }

    /**
     * @param  class-string  $resource
     * @return list<string>
     */
    private static function names(string $resource): array
    {
        return array_map(static fn (\ReflectionParameter $parameter): string => $parameter->getName(), (new \ReflectionMethod($resource, '__construct'))->getParameters());
    }

    private function same(mixed $expected, mixed $actual, string $what): void
    {
        is_float($expected) ? $this->assertEqualsWithDelta($expected, $actual, 1e-9 * max(1.0, abs($expected)), $what) : $this->assertSame($expected, $actual, $what);
    }

    private function near(mixed $expected, mixed $actual, string $what): void
    {
        is_float($expected) && $actual !== null ? $this->assertEqualsWithDelta($expected, $actual, 2e-6 * max(1.0, abs($expected)), $what) : $this->assertEquals($expected, $actual, $what);
    }
}
