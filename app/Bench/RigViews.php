<?php

declare(strict_types=1);

namespace App\Bench;

use App\Bench\Steps\Mend;
use App\Http\Resources\AdviceView;
use App\Http\Resources\CameraView;
use App\Http\Resources\CautionView;
use App\Http\Resources\ChainPart;
use App\Http\Resources\Doubt;
use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingGroup;
use App\Http\Resources\DrawingMovement;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\DrawingView;
use App\Http\Resources\FindingView;
use App\Http\Resources\HistoryView;
use App\Http\Resources\InfinityView;
use App\Http\Resources\MendsView;
use App\Http\Resources\MendView;
use App\Http\Resources\NewsChange;
use App\Http\Resources\NewsView;
use App\Http\Resources\RangeView;
use App\Http\Resources\Readings;
use App\Http\Resources\RigView;
use App\Http\Resources\SchoolsView;
use App\Http\Resources\ShareView;
use App\Http\Resources\ShotSetup;
use App\Http\Resources\StateView;
use App\Http\Resources\SubjectView;
use App\Http\Resources\SweepView;
use App\Http\Resources\TakenAsView;
use App\Http\Resources\TravelMark;
use App\Http\Resources\TravelView;
use App\Http\Resources\WaterView;
use App\Models\Rig;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Finding\Caution;
use ZincThimble\Core\Finding\Cautions;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Gear\Helicoid;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Plan\Advice;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Reading\Contributor;
use ZincThimble\Core\Reading\Estimates;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Measurement;
use ZincThimble\Core\Reading\NextMeasurement;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Refocus;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Report\UnderWater;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\BlurRule;
use ZincThimble\Core\Rig\LensAlone;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\MarkedStops;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** Turns what the core says of a rig into what its screen gets. */
final class RigViews
{
    public function __construct(private readonly RigStore $store, private readonly KitAtHand $kit)
    {
    }

    /** @param  ?CoreRig  $before  as it stood before the step that was just taken; null = none was */
    public function rig(Rig $row, CoreRig $rig, ?CoreRig $before = null): RigView
    {
        $history = $this->store->history($row);

        return $this->view(
            $row, $rig, new HistoryView($history['undo'], $history['redo']), array_map(self::news(...), $row->news),
            $row->share === null ? null : Sharing::view($row->share), $before === null ? null : Refocus::byMm($before, $rig),
        );
    }

    /** A rig that somebody shared: without its owner's rows and history. */
    public function shared(CoreRig $rig): RigView
    {
        return $this->view(null, $rig, new HistoryView(null, null), [], null);
    }

    /** @param  list<NewsView>  $news */
    private function view(?Rig $row, CoreRig $rig, HistoryView $history, array $news, ?ShareView $share, ?float $movesMm = null): RigView
    {
        $answer = RigReport::of($rig);

        return new RigView(
            id: $row->id ?? 0,
            revision: $row->revision ?? 1,
            kitId: $row?->kit_id,
            name: $row === null ? $rig->name : $row->name,
            camera: new CameraView($row?->camera_id, $rig->camera->name ?? 'Camera', Describe::joint($rig->camera->front), $rig->frame->widthMm, $rig->frame->heightMm, $rig->camera->finderCoverage),
            chain: $this->chain($row, $rig),
            travels: array_map(fn (Travel $travel): TravelView => $this->travel($rig, $travel), Travels::of($rig)),
            readings: new Readings(...$answer->figures()),
            range: RangeView::of($answer),
            focus: $answer->focus(),
            infinity: new InfinityView($answer->infinity->reached, $answer->infinity->overshotMm, $answer->infinity->spacerToKeepMm, $answer->infinity->furthestSubjectMm, $answer->infinity->neverMm, Infinity::pastMm($rig, $answer->axis)),
            doubts: $this->doubts($row, $rig, $answer),
            takenAs: $this->takenAs($rig),
            estimates: Estimates::of($rig, $answer->reading->magnification),
            findings: array_map(fn (Finding $finding): FindingView => new FindingView(
                $finding->code, $finding->severity, $finding->part, $finding->pattern, $finding->numbers, $finding->message(),
            ), $answer->findings),
            cautions: array_map(
                fn (Caution $caution): CautionView => new CautionView($caution->code, $caution->text),
                Cautions::of($rig, $answer->reading, $answer->axis->front + $answer->axis->converterMm, $answer->findings),
            ),
            drawing: $this->drawing($rig, $answer),
            subject: $rig->subject === null ? null : new SubjectView($rig->subject->name, $rig->subject->widthMm, $rig->subject->depthMm, (object) $rig->subject->document->fields),
            blurLimitMm: $rig->blurLimitMm,
            history: $history,
            news: $news,
            movesMm: $movesMm,
            share: $share,
            tags: $row->tags ?? [],
            schools: $this->schools($rig, $answer->reading),
            advice: $this->advice($rig),
            conditions: (object) $rig->conditions->document->fields,
            modes: array_values(array_filter(array_map(static fn (Frame $mode): ?string => $mode->name, $rig->camera->modes))),
            water: array_map(WaterView::of(...), UnderWater::of($rig)),
        );
    }

    /** A state of a rig's history, in words and numbers. */
    public function state(int $number, string $label, CoreRig $rig): StateView
    {
        $answer = RigReport::of($rig);
        $parts = [$rig->camera->name ?? 'Camera'];
        foreach ($rig->chain as $i => $part) {
            $parts[] = implode(' · ', array_filter([$part->label().($part instanceof Lens && $part->reversed ? ', reversed' : ''), AsEngraved::of($rig, $i)]));
        }

        return new StateView($number, $label, $parts, new Readings(...$answer->figures()), array_map(static fn (Finding $finding): string => $finding->message(), $answer->findings));
    }

    /** Handbook, "Where the schools differ": what the others say, on demand. */
    private function schools(CoreRig $rig, Reading $reading): SchoolsView
    {
        $conditions = $rig->conditions;
        $simple = Reading::of($rig->withConditions($conditions->with(['apertureModel' => 'simple'])));
        $pupil = Reading::of($rig->withConditions($conditions->with(['apertureModel' => 'pupil'])));
        $otherRule = $conditions->blurRule === BlurRule::Pixel ? BlurRule::Format : BlurRule::Pixel;
        $other = $rig->withConditions($conditions->with(['blurRule' => $otherRule->value]));
        $wave = $reading->waveDepthMm;

        return new SchoolsView(
            apertureModel: $conditions->simpleAperture ? 'simple' : 'pupil', simpleAperture: $simple->effectiveAperture, simpleStopsLost: $simple->stopsLost, pupilAperture: $pupil->effectiveAperture,
            depthModel: $conditions->totalDepth ? 'total' : 'geometric', totalDepthMm: $reading->depthOfFieldMm === null || $wave === null ? null : $reading->depthOfFieldMm + $wave,
            blurRule: $conditions->blurRule, otherBlurRule: $otherRule, otherBlurLimitMm: $other->blurLimitMm, otherDepthMm: Reading::of($other)->depthOfFieldMm,
        );
    }

    private function advice(CoreRig $rig): ?AdviceView
    {
        $advice = Advice::of($rig);
        $best = $advice->best;

        return $best === null || $advice->depthMm === null ? null : new AdviceView($advice->depthMm, $best->single, $best->singleBlurMm, $best->stacking, $best->stack?->frames, $best->stack?->stepMm);
    }

    private static function news(\stdClass $news): NewsView
    {
        $plain = static fn (mixed $value): string|int|float|bool|null => is_scalar($value) ? $value : null;

        return new NewsView((string) $news->part, (bool) $news->followed, $news->reason ?? null, array_values(array_map(
            static fn (\stdClass $change): NewsChange => new NewsChange((string) $change->label, (string) $change->unit, $plain($change->before), $plain($change->after)), (array) $news->changes,
        )));
    }

    public function mends(Rig $row, CoreRig $rig): MendsView
    {
        $findings = RigReport::of($rig)->findings;
        $kit = $this->kit->left($row);
        $views = [];
        foreach (Mending::ofAll($rig, $findings, $kit) as [$finding, $mends]) {
            foreach ($mends as $i => $mend) {
                $views[] = new MendView(
                    $finding->code, $finding->part, $mend->pattern, $mend->numbers, $mend->magnification,
                    new Mend($finding->code, $finding->part, $i),
                );
            }
        }

        return new MendsView($row->revision, $views);
    }

    public function sweep(Rig $row, CoreRig $rig, Travel $travel): SweepView
    {
        return SweepView::of(Sweep::of($rig, $travel), $rig, $row->revision);
    }

    /** @return list<ChainPart> */
    private function chain(?Rig $row, CoreRig $rig): array
    {
        $chain = [];
        $behind = null;
        foreach ($rig->chain as $i => $part) {
            $chain[] = new ChainPart(
                index: $i,
                partId: $row?->parts[$i]->part_id ?? null,
                kind: $part->kind,
                name: $part->label(),
                measure: Describe::measure($part),
                setting: AsEngraved::of($rig, $i),
                joint: Describe::joint($part->identity->front),
                fit: $rig->fitAt($i),
                reversed: ($part instanceof Lens || $part instanceof Spacer) && $part->reversed,
                turns: Mating::turned($part) !== null,
                makeshift: $rig->takesMakeshift($i) ? $rig->setting->makeshift[$i] ?? false : null,
                turnedMagnification: $this->turnedMagnification($rig, $i),
                removable: true,
            );
            $behind = $part;
        }

        return $chain;
    }

    /** What the rig would magnify with the lens at one place the other way round, whatever ring that takes. */
    private function turnedMagnification(CoreRig $rig, int $index): ?float
    {
        if (! $rig->chain[$index] instanceof Lens || Mating::turned($rig->chain[$index]) === null) {
            return null;
        }
        try {
            return Reading::onAxis(Arrangement::of($rig)->turning($index)->rig($rig))->magnification;
        } catch (InvalidFigure) {
            return null;
        }
    }

    /** A control as it stands engraved on the part. */
    public function travel(CoreRig $rig, Travel $travel): TravelView
    {
        return new TravelView(
            $travel->name(),
            $travel->part,
            $travel->kind,
            $travel->least,
            $travel->greatest,
            Travels::setting($rig, $travel),
            Travels::positions($rig, $travel),
            $this->marks($rig, $travel),
            ...$this->ownScale($rig, $travel),
        );
    }

    /**
     * A part's own units: draw from where its scale reads 0, a helicoid in turns, a ring by what stands engraved on it.
     *
     * @return array{float, float, string, list<?float>} zero, size of a unit, its name, engraved distances
     */
    private function ownScale(CoreRig $rig, Travel $travel): array
    {
        $part = $rig->chain[$travel->part];
        if ($travel->kind === TravelKind::Length) {
            return match (true) {
                $part instanceof Bellows => [$part->scaleZeroMm, 1.0, 'mm', []],
                $part instanceof Helicoid && $part->pitchMm !== null && $part->pitchMm > 0.0 => [$part->minMm, $part->pitchMm, 'turns', []],
                default => [0.0, 1.0, 'mm', []],
            };
        }
        if ($travel->kind !== TravelKind::Focus) {
            return [0.0, 1.0, match ($travel->kind) {
                TravelKind::Aperture => 'f/',
                TravelKind::Swing => '°',
                default => 'mm',
            }, []];
        }
        $lens = LensModel::of($rig->lenses[$travel->part]);
        $engraved = [];
        foreach (Travels::positions($rig, $travel) as $s) {
            $engraved[] = AsEngraved::engravedMm($lens, $s);
        }

        return $lens->mag1 > 0.0 ? [-$lens->mag0 / $lens->mag1, 1.0 / $lens->mag1, '×', $engraved] : [0.0, 1.0, '×', $engraved];
    }

    /**
     * What is engraved on a scale.
     *
     * @return list<TravelMark>
     */
    private function marks(CoreRig $rig, Travel $travel): array
    {
        $part = $rig->chain[$travel->part];
        if ($travel->kind === TravelKind::Aperture && $part instanceof Lens) {
            // Rings number the full stops; halves and thirds between are ticks.
            return array_map(fn (float $stop): TravelMark => new TravelMark(
                $stop, MarkedStops::isFull($stop) || $stop === $travel->least || $stop === $travel->greatest ? Phrase::digits($stop) : '',
            ), MarkedStops::between($travel->least, $travel->greatest, $part->aperture->control));
        }
        if ($travel->kind === TravelKind::Focus && $part instanceof Lens) {
            $marks = [];
            foreach ($part->marks as $mark) {
                $marks[] = new TravelMark($mark->focus, match (true) {
                    $mark->distanceMm !== null => Phrase::digits($mark->distanceMm / 1000.0).' m',
                    $mark->magnification !== null => Phrase::figure($mark->magnification, 'x'),
                    default => '∞',
                });
            }

            return $marks === [] ? [new TravelMark(0.0, '∞'), new TravelMark(1.0, Phrase::figure($rig->lenses[$travel->part]->m0, 'x'))] : $marks;
        }
        // In the scale's own units: mm from where it reads 0, or turns.
        [$zero, $per, $unit] = $this->ownScale($rig, $travel);
        $least = ($travel->least - $zero) / $per;
        $greatest = ($travel->greatest - $zero) / $per;
        $step = match (true) {
            $greatest - $least > 200.0 => 50.0,
            $greatest - $least > 80.0 => 20.0,
            $greatest - $least > 30.0 => 10.0,
            $greatest - $least > 12.0 => 5.0,
            $unit === 'turns' && $greatest - $least <= 4.0 => 0.5,
            default => 1.0,
        };
        $marks = [];
        for ($at = ceil($least / $step - 1e-9) * $step; $at <= $greatest + 1e-9; $at += $step) {
            $marks[] = new TravelMark($at * $per + $zero, Phrase::digits($at));
        }

        return $marks;
    }

    /** @return list<Doubt> */
    private function doubts(?Rig $row, CoreRig $rig, RigReport $answer): array
    {
        $doubts = [];
        $settling = NextMeasurement::ofAll($rig, $answer->sure);
        foreach ($answer->halfWidths as $name => $half) {
            $source = $answer->sure->source($name);
            if ($source === null) {
                continue;
            }
            $next = $settling[$name] ?? null;
            $doubts[] = new Doubt(
                reading: $name, halfWidth: $half, index: $source->part, part: $rig->chain[$source->part]->label(), assumed: Measurement::assumed($rig, $source),
                rests: $this->rests($rig, $answer->sure, $name), way: $next?->way, settle: $next === null ? null : $next->way->spoken($rig->chain[$next->part]->label()), after: $next?->after,
                shot: $next === null || $row === null ? null : $this->shot($row, $rig, $next->part),
            );
        }

        return $doubts;
    }

    /** @return list<string> figures that nobody gave and that move a reading */
    private function rests(CoreRig $rig, Uncertainty $sure, string $reading): array
    {
        $rests = [];
        foreach (Uncertainty::shares($rig, $sure->inputs, $sure->changes[$reading]) as [$part, $field, $share]) {
            $figure = LensFigure::tryFrom($field);
            if ($share > 0.0 && $figure !== null && in_array($figure, ($rig->lenses[$part] ?? null)->known->filled ?? [], true)) {
                $rests[] = Measurement::assumed($rig, new Contributor($part, $field, false));
            }
        }

        return $rests;
    }

    /** The rig told as a shot of one of its lenses; null where it stands behind other glass, or isn't of a kit. */
    public function shot(Rig $row, CoreRig $rig, int $at): ?ShotSetup
    {
        $alone = LensAlone::at($rig, $at);
        $part = $alone?->lens->document->fields[RigStore::REFERENCE] ?? null;

        return $alone !== null && is_int($part) && $row->camera_id !== null && $row->kit_id !== null
            ? new ShotSetup($part, $row->camera_id, $alone->spacersMm, $alone->lens->reversed, $rig->setting->focus[$at] ?? 0.0, $alone->lens->isZoom() ? $rig->setting->zoomMm[$at] ?? $alone->lens->figures->focalLengthMm : null)
            : null;
    }

    /** @return list<TakenAsView> */
    private function takenAs(CoreRig $rig): array
    {
        $views = [];
        foreach ($rig->lenses as $i => $lens) {
            array_push($views, ...TakenAsView::of($i, $rig->chain[$i]->label(), $lens));
        }

        return $views;
    }

    private function drawing(CoreRig $rig, RigReport $answer): DrawingView
    {
        $plan = Layout::of($rig, $answer->axis, $answer->reading);
        $plan['camera'] = new DrawingCamera(...$plan['camera']);
        $plan['parts'] = DrawingPart::all($plan['parts']);
        $plan['groups'] = array_map(static fn (array $group): DrawingGroup => new DrawingGroup(...$group), $plan['groups']);

        $plan['movement'] = $plan['movement'] === null ? null : new DrawingMovement(...$plan['movement']);

        return new DrawingView(...$plan);
    }
}
