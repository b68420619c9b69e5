<?php

declare(strict_types=1);

namespace App\Practice;

use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use App\Look\LookStore;
use App\Look\Setup;
use App\Models\Frame;
use App\Models\Look;
use App\Models\Rig;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Practice\CameraTask;
use ZincThimble\Core\Practice\Judged;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\TravelKind;

/** Tasks before the made-up camera: set, and judged by where things truly stand. */
final class CameraTasks
{
    /** So far off it begins where it is to be focused: slices, and mm at the least and at the most. */
    private const OFF_SLICES = 12.0;

    private const OFF_MM = [2.0, 20.0];

    public function __construct(private readonly LookStore $looks)
    {
    }

    /**
     * What stands before the camera for it. What is to be focused begins out of focus.
     *
     * @throws DeviceLost|DeviceRefused|ValidationException
     */
    public function begin(Rig $rig, Look $look, CameraTask $task): void
    {
        $look->update(match ($task) {
            CameraTask::Focus => ['target' => 'tooth'],
            CameraTask::LifeSize => ['target' => 'ruler', 'hidden' => true],
            CameraTask::SharpestStop => ['target' => 'edge', 'hidden' => true],
            CameraTask::Stack => ['target' => 'tooth'],
        } + ['task' => $task->value, 'task_at' => now()]);
        if ($task === CameraTask::Focus) {
            $setup = $this->looks->setup($rig, $look);
            $off = max(self::OFF_MM[0], min(self::OFF_MM[1], self::OFF_SLICES * ($setup->reading->depthOfFieldMm ?? 0.0)));
            $this->looks->stand($look, $setup, max(0.0, $setup->middleMm - $setup->target->depthMm / 2.0 - $off));
        }
    }

    public function leave(Look $look): void
    {
        $look->update(['task' => null, 'task_at' => null]);
    }

    /** Judges the task that is set; every time counts as a try. */
    public function judge(Rig $rig, Look $look, Setup $setup): ?Judged
    {
        $task = CameraTask::tryFrom((string) $look->task);
        if ($task === null) {
            return null;
        }
        $true = $this->asItIs($setup);
        $judged = match ($task) {
            CameraTask::Focus => CameraTask::focus($this->composed($true, $look, $setup), $look->rail_mm - $setup->middleMm, $setup->target->depthMm),
            CameraTask::LifeSize => CameraTask::lifeSize($true),
            CameraTask::SharpestStop => CameraTask::sharpestStop($setup->rig, $setup->rig->workingLens(), $setup->seed()),
            CameraTask::Stack => $this->stacked($rig, $look, $setup, $true),
        };
        DB::statement('insert into practice_tasks (user_id, task, tried, done, last_at) values (?, ?, 1, ?, ?) on conflict (user_id, task) do update set tried = practice_tasks.tried + 1, done = practice_tasks.done + excluded.done, last_at = excluded.last_at', [
            $rig->user_id, $task->value, $judged->done ? 1 : 0, now(),
        ]);

        return $judged;
    }

    private function stacked(Rig $rig, Look $look, Setup $setup, CoreRig $true): Judged
    {
        $places = [];
        // The widest of their stops: what isn't sharp there is sharp in none.
        $stop = INF;
        foreach (Frame::query()->where('rig_id', $rig->id)->where('created_at', '>=', $look->task_at)->get(Frame::TOLD) as $frame) {
            if (($frame->figures['target'] ?? null) === $look->target && is_numeric($frame->figures['railMm'] ?? null)) {
                $places[] = (float) $frame->figures['railMm'];
                $stop = min($stop, is_numeric($frame->figures['aperture'] ?? null) ? (float) $frame->figures['aperture'] : INF);
            }
        }
        $at = $true->workingLens();
        $set = $at === null || is_infinite($stop) ? $true : $true->with(TravelKind::Aperture, $at, $stop);
        $half = $setup->deepMm() / 2.0;

        return CameraTask::stack($set, $places, $setup->middleMm - $half, $setup->middleMm + $half);
    }

    /** As it is looked at: wide open, unless it is closed by hand. */
    private function composed(CoreRig $true, Look $look, Setup $setup): CoreRig
    {
        $at = $true->workingLens();
        $stop = $setup->composing($look->closed)->aperture;

        return $at === null || $stop === null ? $true : $true->with(TravelKind::Aperture, $at, $stop);
    }

    private function asItIs(Setup $setup): CoreRig
    {
        $seed = $setup->seed();

        return $seed === null ? $setup->rig : HiddenLens::in($setup->rig, $seed);
    }
}
