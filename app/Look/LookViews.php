<?php

declare(strict_types=1);

namespace App\Look;

use App\Bench\RigViews;
use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use App\Http\Resources\FrameView;
use App\Http\Resources\LookTargetView;
use App\Http\Resources\LookView;
use App\Http\Resources\RunView;
use App\Models\Frame;
use App\Models\Look;
use App\Models\Rig;
use App\Models\StackRun;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Practice\CameraTask;
use ZincThimble\Core\Rig\LightSource;

/** What stands before a rig's made-up camera, as the bench shows it. */
final class LookViews
{
    /** Frames that are shown at a time: the last that were taken. */
    private const SHOWN = 60;

    public function __construct(private readonly LookStore $store, private readonly StackRuns $runs, private readonly RigViews $rigs)
    {
    }

    /** @throws ValidationException when the camera could take nothing through the rig */
    public function of(Rig $rig, Look $look): LookView
    {
        $setup = $this->store->setup($rig, $look);
        $trouble = null;
        try {
            $this->store->lay($look, $setup);
        } catch (DeviceLost|DeviceRefused $why) {
            $trouble = $why->getMessage();
        }
        $target = $setup->target;
        $shutter = $setup->shutter();
        $sharp = $setup->sharp($look->closed);
        $conditions = $setup->rig->conditions;
        $stack = $stackTrouble = null;
        try {
            $stack = $setup->stack();
        } catch (ValidationException $why) {
            $stackTrouble = $why->getMessage();
        }
        $run = StackRun::query()->where('rig_id', $rig->id)->latest('id')->first();
        if ($run !== null) {
            $this->runs->takeUp($run);
        }
        $crop = $setup->crop();
        $at = $setup->rig->workingLens();
        /** @var list<Frame> $frames */
        $frames = Frame::query()->where('rig_id', $rig->id)->latest('id')->take(self::SHOWN)->get(Frame::TOLD)->all();

        return new LookView(
            revision: $rig->revision,
            target: new LookTargetView($target->kind, $target->shape, $target->widthMm, $target->heightMm, $target->depthMm, $target->divisionMm > 0.0 ? $target->divisionMm : null, $target->kind === TargetKind::Rule ? Target::LEAN_DEG : null),
            task: CameraTask::tryFrom((string) $look->task), hidden: $look->hidden, closed: $look->closed, lost: $look->lost, exposureStops: $look->exposure_stops,
            aperture: $setup->reading->markedAperture, widest: $setup->widest(), stops: $setup->stops(), exposureS: $shutter->exposureS, iso: $shutter->iso,
            isMetered: $conditions->plan->light !== LightSource::Flash && ($conditions->ev === null || $conditions->iso === null),
            railMm: $look->rail_mm, travelMm: $setup->travelMm, unitMm: $setup->screw->unitMm(), middleMm: $setup->middleMm,
            nearMm: $sharp['nearMm'] ?? null, farMm: $sharp['farMm'] ?? null, deepMm: $setup->deepMm(), fieldWidthMm: (float) $setup->reading->fieldWidthMm,
            columns: $setup->rig->frame->columns, rows: $setup->rig->frame->rows, crop: ['width' => $crop->width, 'height' => $crop->height],
            stackFrames: $stack === null ? null : count($stack['positions']), stackTrouble: $stackTrouble, stackSeconds: $stack === null ? null : count($stack['positions']) * $stack['secondsAFrame'],
            trouble: $trouble,
            run: $run === null ? null : self::run($run),
            lens: $at === null ? null : $setup->rig->chain[$at]->label(), shot: $at === null ? null : $this->rigs->shot($rig, $setup->rig, $at),
            frames: array_map(static fn (Frame $frame): FrameView => self::frame($frame, $rig), $frames),
        );
    }

    public static function run(StackRun $run): RunView
    {
        $frames = count($run->positions);
        $each = (float) $run->settings['secondsAFrame'];
        $step = $frames > 1 ? ((float) $run->positions[$frames - 1] - (float) $run->positions[0]) / ($frames - 1) : null;

        return new RunView(
            id: $run->id, state: $run->state, frames: $frames, taken: $run->taken, secondsAFrame: $each, secondsLeft: ($frames - $run->taken) * $each, reason: $run->reason, sliceMm: $step,
            aperture: $run->settings['aperture'] === null ? null : (float) $run->settings['aperture'],
        );
    }

    public static function frame(Frame $frame, Rig $rig): FrameView
    {
        $figures = $frame->figures;
        $number = static fn (string $name): ?float => is_numeric($figures[$name] ?? null) ? (float) $figures[$name] : null;
        $crop = is_array($figures['crop'] ?? null) ? $figures['crop'] : [];
        $target = is_string($figures['target'] ?? null) ? $figures['target'] : '';

        return new FrameView(
            id: $frame->id, run: $frame->stack_run_id, number: $frame->number, target: $target, aperture: $number('aperture'), railMm: $number('railMm') ?? 0.0,
            width: (int) ($crop['width'] ?? 0), height: (int) ($crop['height'] ?? 0), divisionMm: $number('divisionMm'), name: self::name($frame, $rig), takenAt: $frame->created_at->toIso8601String(),
        );
    }

    /** Of its file: the stop in it, so that a trial sorts itself. */
    public static function name(Frame $frame, Rig $rig): string
    {
        $aperture = $frame->figures['aperture'] ?? null;
        $target = is_string($frame->figures['target'] ?? null) ? $frame->figures['target'] : 'frame';

        return implode('-', array_filter([
            Str::slug(mb_substr($rig->name ?? 'rig', 0, 60)) ?: 'rig', $target, is_numeric($aperture) ? 'f'.rtrim(rtrim(sprintf('%.1F', (float) $aperture), '0'), '.') : null,
            $frame->number === null ? (string) $frame->id : sprintf('%03d', $frame->number + 1),
        ])).'.png';
    }
}
