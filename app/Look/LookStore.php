<?php

declare(strict_types=1);

namespace App\Look;

use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use App\Devices\Devices;
use App\Models\Frame;
use App\Models\Look;
use App\Models\Rig;
use App\Models\StackRun;
use App\Pictures\Labelled;
use App\Plan\PlanViews;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** What stands before a rig's made-up camera: kept, laid on the table, moved, photographed. */
final class LookStore
{
    /** How fast the rail goes where nobody waits for a stack, mm a minute. */
    private const FEED = 1200.0;

    /** What says in each frame that it is none. */
    public const MADE_UP = 'Made up from the figures of a rig, not a photograph.';

    public function __construct(private readonly PlanViews $plans, private readonly Devices $devices)
    {
    }

    public function of(Rig $rig): Look
    {
        $look = Look::query()->where('rig_id', $rig->id)->first();
        if ($look === null) {
            // Two that come at once make one.
            Look::query()->insertOrIgnore(['rig_id' => $rig->id, 'table_name' => Str::random(32), 'target' => $rig->subject === null ? 'seed' : 'subject', 'created_at' => now(), 'updated_at' => now()]);
            $look = Look::query()->where('rig_id', $rig->id)->firstOrFail();
        }

        return $look->setRelation('rig', $rig);
    }

    /** @throws ValidationException when the camera could take nothing through the rig */
    public function setup(Rig $rig, Look $look): Setup
    {
        return Setup::of($this->plans->completed($rig), $look);
    }

    /**
     * Lays on the table what should lie there, unless it does. While a stack is under way nothing is touched.
     *
     * @throws DeviceLost|DeviceRefused
     */
    public function lay(Look $look, Setup $setup): void
    {
        if ($this->underWay($look->rig) !== null) {
            return;
        }
        $laid = $setup->laid();
        $word = $look->target.' '.hash('sha256', json_encode($laid, JSON_THROW_ON_ERROR));
        $table = $this->devices->madeUp($look->table_name);
        if ($look->laid === $word && ($look->lost || $table->isLaid())) {
            return;
        }
        // Another target stands elsewhere: the rail goes to where its nearest point is in focus.
        $moves = explode(' ', $look->laid)[0] !== $look->target;
        $look->rail_mm = $table->lay($laid + ['standsMm' => $setup->startMm(), 'moves' => $moves]);
        $look->laid = $word;
        $look->save();
    }

    public function underWay(Rig $rig): ?StackRun
    {
        return StackRun::query()->where('rig_id', $rig->id)->where(fn (Builder $query) => $query->where('state', 'running')->orWhere('state', 'paused'))->first();
    }

    /**
     * The finder's picture, the rail moved first where that is asked for.
     *
     * @throws DeviceLost|DeviceRefused|ValidationException
     */
    public function live(Look $look, Setup $setup, ?float $railMm, int $width): string
    {
        if ($railMm === null) {
            $this->lay($look, $setup);
        } else {
            $this->stand($look, $setup, $railMm);
        }

        return $this->devices->camera($look->table_name)->live($setup->composing($look->closed), $width);
    }

    /**
     * The rail goes somewhere, and nothing is looked at.
     *
     * @throws DeviceLost|DeviceRefused|ValidationException
     */
    public function stand(Look $look, Setup $setup, float $railMm): void
    {
        $this->lay($look, $setup);
        $this->mustStand($look->rig);
        $look->rail_mm = $this->devices->rail($look->table_name)->moveTo($railMm, self::FEED);
        $look->save();
    }

    /**
     * One frame, kept.
     *
     * @param  float  $x  the middle of the piece that is kept, as a share of the frame's width
     * @param  float  $y  and of its height
     * @param  ?float  $aperture  marked number for this frame alone; null = as the rig is set
     *
     * @throws DeviceLost|DeviceRefused|ValidationException
     */
    public function take(Look $look, Setup $setup, string $key, float $x, float $y, ?float $aperture = null): Frame
    {
        $this->lay($look, $setup);
        $this->mustStand($look->rig);
        if ($aperture !== null && ! in_array($aperture, $setup->stops(), true)) {
            throw ValidationException::withMessages(['aperture' => 'The lens has no such stop in this rig.']);
        }
        $settings = $setup->shutter($aperture);
        $crop = $setup->crop($x, $y);
        $this->devices->rail($look->table_name)->dwell($setup->rig->conditions->plan->settleS ?? 0.0);
        $png = $this->devices->camera($look->table_name)->take($key, $settings, $crop);

        return DB::transaction(function () use ($look, $setup, $png, $settings, $crop, $key): Frame {
            $kept = Frame::query()->where('rig_id', $look->rig_id)->where('figures->key', $key)->first(Frame::TOLD);

            return $kept ?? $this->keep($look->rig, null, null, FrameFigures::of($setup, $look, $settings, $crop, $look->rail_mm) + ['key' => $key], $png);
        });
    }

    /**
     * Keeps a frame with its figures inside; whoever calls is in a transaction.
     *
     * @param  array<string, mixed>  $figures
     */
    public function keep(Rig $rig, ?StackRun $run, ?int $number, array $figures, string $png): Frame
    {
        $labelled = Labelled::png($png, ['Description' => self::MADE_UP, 'Software' => 'Zinc Thimble', 'Comment' => json_encode($figures, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)]);
        $this->makeRoom($rig);
        $id = DB::table('frames')->insertGetId([
            'rig_id' => $rig->id, 'stack_run_id' => $run?->id, 'number' => $number, 'figures' => json_encode($figures, JSON_THROW_ON_ERROR), 'png' => DB::raw("decode('".base64_encode($labelled)."', 'base64')"), 'created_at' => now()->format('Y-m-d H:i:s.u'),
        ]);

        return Frame::query()->findOrFail($id, Frame::TOLD);
    }

    /** The oldest frames of a person go when there is no room for one more; those of a stack that is under way stay. */
    private function makeRoom(Rig $rig): void
    {
        $most = (int) config('zinc.most_frames');
        $over = DB::table('frames')->join('rigs', 'rigs.id', '=', 'frames.rig_id')->where('rigs.user_id', $rig->user_id)->count() - $most + 1;
        if ($over > 0) {
            $old = DB::table('frames')->join('rigs', 'rigs.id', '=', 'frames.rig_id')->leftJoin('stack_runs', 'stack_runs.id', '=', 'frames.stack_run_id')->where('rigs.user_id', $rig->user_id)
                ->where(fn ($query) => $query->whereNull('stack_runs.id')->orWhereNotIn('stack_runs.state', ['running', 'paused']))->orderBy('frames.id')->limit($over)->pluck('frames.id');
            DB::table('frames')->whereIn('id', $old)->delete();
        }
    }

    /** The picture of a frame, as a file. */
    public function png(Frame $frame): string
    {
        $row = DB::selectOne("select encode(png, 'base64') as png from frames where id = ?", [$frame->id]);

        return $row instanceof \stdClass && is_string($row->png) ? (string) base64_decode($row->png, true) : '';
    }

    /** @throws DeviceLost|DeviceRefused */
    public function lose(Look $look, Setup $setup, bool $lost): void
    {
        $this->lay($look, $setup);
        $this->devices->madeUp($look->table_name)->lose($lost);
        $look->lost = $lost;
        $look->save();
    }

    /** @throws ValidationException while a stack has the rail */
    private function mustStand(Rig $rig): void
    {
        if ($this->underWay($rig)?->state === 'running') {
            throw ValidationException::withMessages(['rail' => 'A stack is running on this rail. Pause it first.']);
        }
    }
}
