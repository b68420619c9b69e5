<?php

declare(strict_types=1);

namespace App\Compare;

use App\Http\Resources\BeatenBy;
use App\Http\Resources\BestIn;
use App\Http\Resources\ComparedRigView;
use App\Http\Resources\ComparisonView;
use App\Http\Resources\ControlName;
use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\PartAdds;
use App\Http\Resources\PictureLayer;
use App\Http\Resources\RangeView;
use App\Http\Resources\Readings;
use App\Http\Resources\TargetView;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Picture\Layer;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Report\ComparedRig;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Report\Contribution;
use ZincThimble\Core\Report\Criterion;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\Travels;

/** Turns what the core says of several rigs into what their screen gets. */
final class ComparisonViews
{
    /** More than these stand in no drawing: of a longer list what only a drawing shows stays away. */
    public const DRAWN = 9;

    /** Places from the middle of a picture to its corner at which its brightness is told. */
    private const TO_THE_CORNER = 17;

    /** @param  list<int>  $ids  rows of the rigs, in the order of their letters */
    public static function of(Comparison $comparison, array $ids): ComparisonView
    {
        $rigs = [];
        foreach ($comparison->rigs as $n => $rig) {
            $rigs[] = self::rig($rig, $ids[$n], $comparison->target, count($comparison->rigs) <= self::DRAWN);
        }
        $target = $comparison->target;
        $best = [];
        foreach ($comparison->best() as $criterion => $one) {
            $best[] = new BestIn(Criterion::from($criterion), $one['letter'] ?? null, $one['by'] ?? null);
        }

        return new ComparisonView(new TargetView($target->kind, $target->shape, $target->widthMm, $target->heightMm, $target->depthMm), $rigs, $best, array_map(static fn (array $each): BeatenBy => new BeatenBy(...$each), $comparison->beaten()));
    }

    private static function rig(ComparedRig $compared, int $id, Target $target, bool $isDrawn): ComparedRigView
    {
        $report = $compared->report;
        $plan = Layout::of($compared->rig, $report->axis, $report->reading);
        $settings = $compared->settings();

        return new ComparedRigView(
            letter: $compared->letter,
            id: $id,
            name: $compared->rig->name,
            cameraName: $compared->rig->camera->name ?? 'Camera',
            title: AsEngraved::title($compared->rig),
            settings: array_map(static fn (string $part, string $said): string => $part.' '.$said, array_keys($settings), $settings),
            met: $compared->met,
            readings: new Readings(...$report->figures()),
            halfWidths: (object) $report->halfWidths,
            range: RangeView::of($report),
            findings: array_values(array_map(static fn (Finding $finding): string => $finding->message(), array_filter($report->findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note))),
            resolvedDetailMm: $compared->resolvedDetailMm,
            tried: ($compared->picture->lensMm ?? 0.0) > 0.0,
            pixelsLeft: $compared->pixelsLeft,
            cropToMm: $compared->cropToMm,
            blurAtEdgeMm: $compared->blurAtEdgeMm,
            depthMm: $compared->depthMm,
            layers: array_map(static fn (Layer $layer): PictureLayer => new PictureLayer($layer->atMm, $layer->magnification, $layer->discMm), $compared->layers($target)),
            adds: $isDrawn ? array_map(static fn (Contribution $one): PartAdds => new PartAdds($one->part, $compared->rig->chain[$one->part]->label(), $one->magnification, $one->workingDistanceMm, $one->stops), Contribution::all($compared->rig)) : [],
            body: new DrawingCamera(...$plan['camera']),
            drawn: DrawingPart::all($plan['parts']),
            tipMm: $plan['tipMm'],
            subjectDistanceMm: $report->reading->subjectDistanceMm,
            columns: $compared->rig->frame->columns,
            gaussianMm: $compared->picture?->gaussianMm,
            brightness: $compared->brightness(self::TO_THE_CORNER),
            travels: $isDrawn ? array_map(static fn (Travel $travel): ControlName => new ControlName($travel->name(), $travel->part, $travel->kind), Travels::of($compared->rig)) : [],
            byHand: array_keys($compared->byHand),
            isCoupled: $compared->value(Criterion::Coupled) === 1.0,
        );
    }
}
