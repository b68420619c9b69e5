<?php

declare(strict_types=1);

namespace App\Plan;

use App\Bench\RigStore;
use App\Http\Resources\BracketingView;
use App\Http\Resources\LightSweep;
use App\Http\Resources\LightView;
use App\Http\Resources\RailFrame;
use App\Http\Resources\RailView;
use App\Http\Resources\RingFrameView;
use App\Http\Resources\RingView;
use App\Http\Resources\ShotsView;
use App\Http\Resources\SweepColumn;
use App\Http\Resources\SweepPlaces;
use App\Http\Resources\TriedView;
use App\Models\Rig;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\Bracketing;
use ZincThimble\Core\Plan\FlashPlan;
use ZincThimble\Core\Plan\LightFigures;
use ZincThimble\Core\Plan\LightTable;
use ZincThimble\Core\Plan\RailStack;
use ZincThimble\Core\Plan\RingFrame;
use ZincThimble\Core\Plan\RingStack;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Travel;

/** Light and shots of a rig as the bench shows them: what its plan says, completed from its kit. */
final class PlanViews
{
    public function __construct(private readonly RigStore $store, private readonly GearAtHand $gear)
    {
    }

    /** The rig with its plan completed: what is asked of light and shots is asked of this. */
    public function completed(Rig $row): CoreRig
    {
        return self::with($this->store->read($row), $this->gear->of($row));
    }

    public function light(Rig $row): LightView
    {
        $gear = $this->gear->of($row);
        $rig = self::with($this->store->read($row), $gear);

        return new LightView($row->revision, LightFigures::of($rig)->toArray(), (object) $rig->conditions->document->object('plan')->fields, $gear['flash'], $gear['lamp'], $gear['rail']);
    }

    public function sweep(Rig $row, CoreRig $rig, Travel $travel): LightSweep
    {
        $table = LightTable::along($rig, $travel);

        return new LightSweep($travel->name(), $row->revision, SweepPlaces::of($table->positions), array_map(SweepColumn::of(...), $table->columns));
    }

    public function shots(Rig $row): ShotsView
    {
        $rig = $this->completed($row);
        $shots = Shots::planned($rig);
        $ring = RingStack::ring($rig);
        $lens = $ring === null ? null : $rig->chain[$ring->part];
        $frames = $shots->frames();

        return new ShotsView(
            revision: $row->revision, by: $rig->conditions->plan->by?->value, depthMm: $shots->fall?->depthMm, sagMm: $shots->fall?->sagMm, focusedAt: $shots->fall?->focusedAt,
            singleAperture: $shots->best?->single, singleBlurMm: $shots->blurMm, singleBlurPixels: $shots->blurMm === null || $rig->frame->pitchMm() === null ? null : $shots->blurMm / $rig->frame->pitchMm(), stackAperture: $shots->best?->stacking, sliceMm: $shots->sliceMm, overlap: $shots->overlap, frames: $frames,
            seconds: $frames === null ? null : $shots->secondsOf($frames), scaleChange: $shots->scaleChange, settleS: $rig->conditions->plan->settleS ?? Shots::SETTLE_S, betweenS: $rig->conditions->plan->betweenS ?? Shots::RECYCLE_S,
            batteryFrames: $rig->conditions->plan->batteryFrames,
            rail: $shots->rail === null ? null : self::rail($shots, $shots->rail), railTrouble: $shots->railTrouble,
            ring: $shots->ring === null || $shots->stacked === null ? null : self::ring($shots, $shots->ring, $shots->stacked), ringTrouble: $shots->ringTrouble,
            bracketing: $shots->bracketing === null || $shots->stacked === null || $ring === null ? null : self::bracketing($shots, $shots->bracketing, $shots->stacked, $ring),
            bracketLens: $lens?->label(), bracketPart: $lens === null ? null : RigStore::reference($lens->document->fields),
            tried: $shots->best?->tried === null ? null : new TriedView($shots->best->tried->sharpest(), $shots->best->tried->trial->magnification, $shots->best->tried->trial->at, $shots->best->tried->trial->note),
            bracketMeasured: $lens instanceof Lens && ($lens->document->floatOrNull('bracketStep') ?? 0.0) > 0.0,
        );
    }

    private static function rail(Shots $shots, RailStack $rail): RailView
    {
        $mm = $rail->railMm();
        $frames = [];
        foreach ($rail->dial() as $n => $dial) {
            $frames[] = new RailFrame($mm[$n], $dial['turns'], $dial['line']);
        }

        return new RailView($rail->frames(), $mm[$rail->frames() - 1], $rail->stepMm, $rail->turnsAFrame(), $rail->screw->steps, $shots->secondsOf($rail->frames()), $frames);
    }

    private static function ring(Shots $shots, RingStack $ring, CoreRig $stacked): RingView
    {
        $frames = array_map(static fn (RingFrame $frame): RingFrameView => new RingFrameView(
            AsEngraved::finely($stacked, $ring->ring->part, $frame->focus), $frame->focus, $frame->planeMm, $frame->fieldMm, $frame->sliceMm,
        ), $ring->frames);

        return new RingView($stacked->chain[$ring->ring->part]->label(), $ring->isWhole, $shots->secondsOf(count($frames)), $frames);
    }

    private static function bracketing(Shots $shots, Bracketing $bracketing, CoreRig $stacked, Travel $ring): BracketingView
    {
        return new BracketingView(
            setting: $bracketing->setting, frames: $bracketing->frames, widestMm: $bracketing->widestMm, leavesGap: $bracketing->leavesGap, firstFieldMm: $bracketing->firstFieldMm, lastFieldMm: $bracketing->lastFieldMm,
            start: AsEngraved::finely($stacked, $ring->part, $bracketing->startFocus), seconds: $shots->secondsOf($bracketing->frames), planesMm: $bracketing->planesMm,
        );
    }

    /** @param  array<string, list<array<string, mixed>>>  $gear */
    private static function with(CoreRig $rig, array $gear): CoreRig
    {
        $plan = GearAtHand::completed($rig->conditions->document->object('plan')->fields, $gear);
        $flash = is_array($plan['flash'] ?? null) ? $plan['flash'] : null;
        if ($flash !== null && ! isset($flash['distanceMm'])) {
            // Whole millimetres are what anybody lays a ruler to.
            $plan['flash'] = ['distanceMm' => round(FlashPlan::usualMm(Reading::of($rig)->workingDistanceMm))] + $flash;
        }

        return $plan === [] ? $rig : $rig->withConditions($rig->conditions->with(['plan' => $plan]));
    }
}
