<?php

declare(strict_types=1);

namespace App\Look;

use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use App\Devices\Devices;
use App\Devices\FrameCrop;
use App\Devices\Rail;
use App\Devices\ShutterSettings;
use App\Models\Look;
use App\Models\Rig;
use App\Models\StackRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Stacks on the made-up rail, a frame at a time. A frame and the count of frames are written together, and the camera takes a frame of one
 * number once: whoever is ended in the middle leaves the stack at the frame it stood at, never one twice, never one left out.
 */
final class StackRuns
{
    /** How fast the rail goes from frame to frame, mm a minute. */
    private const FEED = 300.0;

    /** How often a device is asked again before somebody has to see to it, and how long between, s. */
    private const TRIES = 5;

    private const AGAIN_S = 3;

    /** Seconds over what a frame takes after which nobody can be at work on it any more. */
    private const STUCK_S = 8.0;

    public function __construct(private readonly Devices $devices, private readonly LookStore $looks)
    {
    }

    /** @throws ValidationException when none can be run, or one is under way; DeviceLost|DeviceRefused when the table can't be laid */
    public function begin(Rig $rig, Look $look, Setup $setup): StackRun
    {
        $plan = $setup->stack();
        if ($this->looks->underWay($rig) !== null) {
            throw ValidationException::withMessages(['rail' => 'A stack is under way already.']);
        }
        $this->looks->lay($look, $setup);
        $settings = $setup->shutter($plan['aperture']);
        $crop = $setup->crop(width: Setup::STACK_FRAME[0], height: Setup::STACK_FRAME[1]);
        $run = DB::transaction(function () use ($rig, $look, $setup, $plan, $settings, $crop): StackRun {
            // The frames of the stack before make room: what is worth keeping has been downloaded.
            DB::table('stack_runs')->where('rig_id', $rig->id)->whereNotIn('state', ['running', 'paused'])->delete();

            return StackRun::query()->create([
                'rig_id' => $rig->id, 'state' => 'running', 'positions' => $plan['positions'], 'settings' => get_object_vars($settings) + [
                    'settleS' => $plan['settleS'], 'betweenS' => $plan['betweenS'], 'playMm' => $setup->screw->backlashMm, 'secondsAFrame' => $plan['secondsAFrame'], 'crop' => get_object_vars($crop),
                    'figures' => FrameFigures::of($setup, $look, $settings, $crop, 0.0),
                ],
            ])->refresh();
        });
        TakeFrame::dispatch($run->id);

        return $run;
    }

    public function pause(StackRun $run): StackRun
    {
        return $this->moved($run, ['running'], 'paused');
    }

    public function stop(StackRun $run): StackRun
    {
        return $this->moved($run, ['running', 'paused', 'failed'], 'stopped');
    }

    /** Goes on at the frame it stood at. */
    public function goOn(StackRun $run): StackRun
    {
        $gone = $this->moved($run, ['paused', 'failed'], 'running');
        if ($gone->state === 'running') {
            TakeFrame::dispatch($run->id);
        }

        return $gone;
    }

    /** Somebody was ended in the middle of a frame, and nobody is at work on it any more: it is taken up again. */
    public function takeUp(StackRun $run): void
    {
        if ($run->state === 'running' && $run->updated_at->addSeconds((int) ceil($run->settings['secondsAFrame'] * (float) config('zinc.devices.pace') + self::STUCK_S))->isPast()) {
            $run->touch();
            TakeFrame::dispatch($run->id);
        }
    }

    /** The next frame of a run, if it is running and nobody else is at it. */
    public function next(int $id): void
    {
        DB::transaction(function () use ($id): void {
            $row = DB::selectOne("select pg_try_advisory_xact_lock(hashtext('stack run'), ?) as mine", [$id]);
            $run = StackRun::query()->find($id);
            if (! $row instanceof \stdClass || $row->mine !== true || $run === null || $run->state !== 'running') {
                return;
            }
            try {
                $this->frame($run);
            } catch (DeviceLost $lost) {
                $this->lost($run, $lost);

                return;
            } catch (DeviceRefused $refused) {
                $this->write($run, ['state' => 'failed', 'reason' => $refused->getMessage()]);

                return;
            }
            if ($run->taken >= count($run->positions)) {
                $this->write($run, ['state' => 'done', 'reason' => null]);

                return;
            }
            TakeFrame::dispatch($id)->delay(now()->addSeconds((int) round($run->settings['betweenS'] * (float) config('zinc.devices.pace'))));
        });
    }

    /** @throws DeviceLost|DeviceRefused */
    private function frame(StackRun $run): void
    {
        $look = Look::query()->where('rig_id', $run->rig_id)->firstOrFail();
        $number = $run->taken;
        $mm = (float) $run->positions[$number];
        $settings = $run->settings;
        $rail = $this->devices->rail($look->table_name);
        $says = $this->approach($rail, $mm, (float) $settings['playMm']);
        $rail->dwell((float) $settings['settleS']);
        $crop = $settings['crop'];
        $png = $this->devices->camera($look->table_name)->take(
            'run '.$run->id.' '.$number,
            new ShutterSettings($settings['aperture'] === null ? null : (float) $settings['aperture'], (float) $settings['light'], (float) $settings['iso'], (float) $settings['exposureS']),
            new FrameCrop($crop['x'], $crop['y'], $crop['width'], $crop['height']),
        );
        $this->looks->keep($run->rig()->firstOrFail(), $run, $number, ['railMm' => $says, 'frame' => $number + 1, 'frames' => count($run->positions)] + $settings['figures'], $png);
        $this->write($run, ['taken' => $number + 1, 'tries' => 0, 'reason' => null]);
        DB::table('looks')->where('id', $look->id)->update(['rail_mm' => $says]);
    }

    /**
     * Goes there from below, so that play is taken up: where it stands beyond, it goes back first.
     *
     * @throws DeviceLost|DeviceRefused
     */
    private function approach(Rail $rail, float $mm, float $playMm): float
    {
        if ($rail->position() > $mm + 1e-9 && $playMm > 0.0) {
            $rail->moveTo(max(0.0, $mm - 2.0 * $playMm), self::FEED);
        }

        return $rail->moveTo($mm, self::FEED);
    }

    private function lost(StackRun $run, DeviceLost $why): void
    {
        if ($run->tries + 1 >= self::TRIES) {
            $this->write($run, ['state' => 'failed', 'tries' => 0, 'reason' => $why->getMessage()]);

            return;
        }
        $this->write($run, ['tries' => $run->tries + 1, 'reason' => $why->getMessage()]);
        TakeFrame::dispatch($run->id)->delay(now()->addSeconds(max(1, (int) round(self::AGAIN_S * (float) config('zinc.devices.pace')))));
    }

    /**
     * Only while it still runs: who paused or stopped it meanwhile isn't overruled, and the frame that was under way counts all the same.
     *
     * @param  array<string, mixed>  $to
     */
    private function write(StackRun $run, array $to): void
    {
        $query = StackRun::query()->whereKey($run->id);
        if (isset($to['state'])) {
            $query->where('state', 'running');
        }
        $query->update($to + ['updated_at' => now()]);
        $run->refresh();
    }

    /** @param  list<string>  $from */
    private function moved(StackRun $run, array $from, string $to): StackRun
    {
        StackRun::query()->whereKey($run->id)->whereIn('state', $from)->update(['state' => $to, 'tries' => 0, 'updated_at' => now()] + ($to === 'running' ? ['reason' => null] : []));

        return $run->refresh();
    }
}
