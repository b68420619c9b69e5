<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Outing;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\Ledger;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\LedgerLine;
use ZincThimble\Core\Outing\LoggedFigures;
use ZincThimble\Core\Outing\Measurements;
use ZincThimble\Core\Outing\Prediction;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;

final class LedgerTest extends TestCase
{
    public function test_each_measured_figure_stands_beside_what_was_predicted_then(): void
    {
        $ledger = Ledger::of([
            self::logged('Process 62', ['magnification' => 1.0, 'magnificationHalfWidth' => 0.03, 'workingDistanceMm' => 50.0], ['magnification' => 1.05, 'magnificationHalfWidth' => 0.04, 'workingDistanceMm' => 49.0, 'sliceMm' => 0.5]),
            self::logged('Process 62', [], ['magnification' => 2.0]),
            self::logged('Moor 50', ['magnification' => 2.0], ['magnification' => 1.9]),
        ]);
        $this->assertSame([[0, LedgerFigure::Magnification], [0, LedgerFigure::WorkingDistance], [2, LedgerFigure::Magnification]], array_map(static fn ($each): array => [$each->entry, $each->figure], $ledger->residuals));
        $this->assertEqualsWithDelta(0.05, $ledger->residuals[0]->error(), 1e-12);
        // 0.03 and 0.04 together are 0.05: just inside.
        $this->assertEqualsWithDelta(0.05, $ledger->residuals[0]->halfWidth, 1e-12);
        $this->assertNull($ledger->residuals[1]->isInside());
        $this->assertEqualsWithDelta(-0.02, $ledger->residuals[1]->error(), 1e-12);
        $this->assertEqualsWithDelta(-0.05, $ledger->residuals[2]->error(), 1e-12);
    }

    public function test_median_error_and_how_often_the_truth_lay_inside_over_all_and_by_lens(): void
    {
        $said = static fn (string $lens, float $measured, float $half = 0.02): LoggedFigures => self::logged($lens, ['magnification' => $measured], ['magnification' => 1.0, 'magnificationHalfWidth' => $half]);
        $ledger = Ledger::of([$said('A', 1.0 / 1.01), $said('A', 1.0 / 1.02, 0.05), $said('B', 1.0 / 0.9), $said('B', 1.0 / 0.8), $said('B', 1.0 / 1.04)]);
        $this->assertCount(1, $ledger->lines);
        $all = $ledger->lines[0];
        $this->assertNull($all->lens);
        $this->assertSame([5, 5, 2], [$all->count, $all->stated, $all->inside]);
        $this->assertEqualsWithDelta(0.04, $all->medianError, 1e-12);
        $this->assertEqualsWithDelta(0.01, $all->medianSigned, 1e-12);
        $this->assertSame(['B', 'A'], array_map(static fn (LedgerLine $line): ?string => $line->lens, $ledger->byLens));
        $this->assertEqualsWithDelta(0.1, $ledger->byLens[0]->medianError, 1e-12);
        $this->assertEqualsWithDelta(-0.1, $ledger->byLens[0]->medianSigned, 1e-12);
        // Of an even number, between the two in the middle.
        $this->assertEqualsWithDelta(0.015, $ledger->byLens[1]->medianError, 1e-12);
        $this->assertSame([2, 2], [$ledger->byLens[1]->stated, $ledger->byLens[1]->inside]);
    }

    /** A ruler that reaches across the frame tells the magnification; one that was given stands. */
    public function test_so_many_mm_of_a_ruler_across_the_frame_are_a_magnification(): void
    {
        $rig = self::logged('A', [], [])->rig;
        $width = $rig->frame->widthMm;
        $told = Measurements::of($rig, new Values(['fieldWidthMm' => 10.0 * $width, 'workingDistanceMm' => 80.0]));
        $this->assertEqualsWithDelta([0.1, 80.0, 0.1 * 0.002], [$told->float('magnification'), $told->float('workingDistanceMm'), $told->float('magnificationHalfWidth')], 1e-12);
        // Of a short piece a tenth of a mm counts for more.
        $this->assertEqualsWithDelta($width / 5.0 * 0.1 / 5.0, Measurements::of($rig, new Values(['fieldWidthMm' => 5.0]))->float('magnificationHalfWidth'), 1e-12);
        $this->assertEqualsWithDelta($width / 5.0 * 0.02 / 5.0, Measurements::of($rig, new Values(['fieldWidthMm' => 5.0, 'fieldWidthMmHalfWidth' => 0.02]))->float('magnificationHalfWidth'), 1e-12);
        $given = new Values(['fieldWidthMm' => 5.0, 'magnification' => 1.0]);
        $this->assertSame($given->fields, Measurements::of($rig, $given)->fields);
        $this->assertSame(['sliceMm' => 1.0], Measurements::of($rig, new Values(['sliceMm' => 1.0]))->fields);
    }

    /** What is said before, under the names that the log has for it: the reading and its half-widths. */
    public function test_a_prediction_is_the_reading_with_its_half_widths(): void
    {
        $rig = RigFile::parse((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/1-tower-clock-tooth.rig.json'));
        $reading = Reading::of($rig);
        $sure = Uncertainty::of($rig);
        $this->assertEqualsWithDelta([
            'magnification' => $reading->magnification, 'magnificationHalfWidth' => $sure->halfWidth('magnification'), 'workingDistanceMm' => $reading->workingDistanceMm,
            'workingDistanceMmHalfWidth' => $sure->halfWidth('workingDistanceMm'), 'sliceMm' => $reading->depthOfFieldMm, 'sliceMmHalfWidth' => $sure->halfWidth('depthOfFieldMm'),
        ], Prediction::of($rig)->fields, 1e-9);
    }

    /** The edge itself is inside; a step beyond isn't. */
    public function test_inside_ends_where_the_half_width_ends(): void
    {
        $at = static fn (float $measured): ?bool => Ledger::of([self::logged('A', ['sliceMm' => $measured], ['sliceMm' => 0.5, 'sliceMmHalfWidth' => 0.25])])->residuals[0]->isInside();
        $this->assertTrue($at(0.75));
        $this->assertFalse($at(0.7500001));
        $this->assertTrue($at(0.25));
        $this->assertFalse($at(0.2499999));
    }

    public function test_a_residual_points_at_the_only_lens_of_its_rig(): void
    {
        $said = static fn (array $lenses, float $measured, ?float $half): LoggedFigures => self::logged($lenses, ['magnification' => $measured], ['magnification' => 1.0] + ($half === null ? [] : ['magnificationHalfWidth' => $half]));
        $ledger = Ledger::of([
            $said(['A'], 1.1, 0.05), $said(['A'], 1.3, 0.05), $said(['A'], 1.2, 0.05), $said(['B'], 1.04, 0.05), $said(['C', 'D'], 2.0, 0.05), $said(['E'], 2.0, null), $said(['F'], 2.0, 0.0),
        ]);
        $this->assertSame(['A' => 1, 'F' => 6], $ledger->pointsAt());
    }

    public function test_an_empty_log_says_nothing(): void
    {
        $ledger = Ledger::of([]);
        $this->assertSame([[], [], [], []], [$ledger->residuals, $ledger->lines, $ledger->byLens, $ledger->pointsAt()]);
        $this->assertSame([], Ledger::of([self::logged('A', ['magnification' => 0.0], ['magnification' => 1.0])])->residuals);
    }

    /**
     * @param  string|list<string>  $lenses
     * @param  array<string, float>  $measured
     * @param  array<string, float>  $predicted
     */
    private static function logged(string|array $lenses, array $measured, array $predicted): LoggedFigures
    {
        $chain = array_map(static fn (string $name): array => [
            'kind' => 'lens', 'name' => $name, 'rear' => 'tern', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 18.4, 'frontRimMm' => 40,
        ], (array) $lenses);
        $rig = RigFile::read(json_decode(json_encode(['format' => RigFile::FORMAT, 'version' => 1, 'camera' => ['joint' => 'tern', 'registerMm' => 18.4, 'sensor' => ['widthMm' => 23.6, 'heightMm' => 15.7]], 'chain' => $chain], JSON_THROW_ON_ERROR)));

        return new LoggedFigures($rig, new Values($measured), new Values($predicted));
    }
}
