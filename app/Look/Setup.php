<?php

declare(strict_types=1);

namespace App\Look;

use App\Devices\FrameCrop;
use App\Devices\ShutterSettings;
use App\Models\Look;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Picture\FrameBox;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Picture\TargetKind;
use ZincThimble\Core\Plan\LightFigures;
use ZincThimble\Core\Plan\RailScrew;
use ZincThimble\Core\Plan\RailStack;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\LightSource;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** A rig before its made-up camera: the target, the rail, and how the camera is set, all from the rig as it stands and from its plan. */
final readonly class Setup
{
    /** A rail of which nothing is known: as they usually are. */
    private const PITCH_MM = 1.0;

    private const TRAVEL_MM = 100.0;

    /** Pixels of a frame that is kept, and of one of a stack. */
    public const FRAME = [1440, 960];

    public const STACK_FRAME = [720, 480];

    /** Of what is deeper than any stack, so many slices are gone through. */
    private const SLICES = 12.0;

    /** Without a light that is known, the camera's meter chooses, s. */
    private const METERED_S = 0.125;

    private const ISO = 100.0;

    private function __construct(
        public Rig $rig,
        public Reading $reading,
        public Target $target,
        public RailScrew $screw,
        public float $travelMm,
        /** Where the middle of the target's depth is in focus, mm of the rail. */
        public float $middleMm,
        private Look $look,
        private float $fieldMm,
    ) {
    }

    /**
     * @param  Rig  $rig  with its plan completed
     *
     * @throws ValidationException when the camera could take nothing through it
     */
    public static function of(Rig $rig, Look $look): self
    {
        $reading = Reading::of($rig);
        $field = $reading->fieldWidthMm;
        $pitch = $rig->frame->pitchMm();
        if ($reading->magnification === null || $reading->magnification <= 0.0 || $field === null) {
            throw ValidationException::withMessages(['rig' => 'There is nothing to be seen through this rig: it images nothing before it.']);
        }
        if ($pitch === null) {
            throw ValidationException::withMessages(['rig' => 'Frames are taken at the camera’s own pixels, and nobody has said how many it has. Fill in pixels across and down of the camera.']);
        }
        $kind = TargetKind::from($look->target);
        $target = match (true) {
            $kind->isMeasured() => Target::measured($kind, $field, $reading->depthOfFieldMm, $pitch / $reading->magnification),
            $kind === TargetKind::Subject => Target::ofSubject($rig->subject, $field),
            default => Target::own($kind),
        };
        $plan = $rig->conditions->plan;
        $screw = RailScrew::of($plan->pitchMm ?? self::PITCH_MM, $plan->steps, $plan->backlashMm, $plan->railTravelMm ?? self::TRAVEL_MM);
        $travel = $screw->travelMm ?? self::TRAVEL_MM;

        return new self($rig, $reading, $target, $screw, $travel, self::whole($travel / 2.0, $screw->unitMm()), $look, $field);
    }

    /** @return array<string, mixed> as it is laid on the table */
    public function laid(): array
    {
        $target = $this->target;

        return [
            'rig' => RigFile::document($this->rig),
            'target' => [
                'kind' => $target->kind->value, 'shape' => $target->shape->value, 'widthMm' => $target->widthMm, 'heightMm' => $target->heightMm, 'depthMm' => $target->depthMm, 'divisionMm' => $target->divisionMm, 'fieldMm' => $this->fieldMm,
            ],
            'rail' => ['travelMm' => $this->travelMm, 'unitMm' => $this->screw->unitMm(), 'playMm' => $this->screw->backlashMm],
            'middleMm' => $this->middleMm,
            'hidden' => $this->seed(),
        ];
    }

    /** Of what its lenses truly are: the same for one person's lens, whatever rig it is in; null = they are what is known of them. */
    public function seed(): ?int
    {
        return $this->look->hidden ? crc32('hidden '.$this->look->rig->user_id) : null;
    }

    /** Where the rail stands at first: the nearest point of the target in focus. */
    public function startMm(): float
    {
        return $this->kept($this->middleMm - $this->deepMm() / 2.0);
    }

    /** As it is composed: wide open, unless the diaphragm is closed by hand; the finder shows it as bright as it can. */
    public function composing(bool $closed): ShutterSettings
    {
        return new ShutterSettings($closed ? $this->reading->markedAperture : $this->widest(), 1.0, self::ISO, 0.0);
    }

    /** As a frame is taken, by the light that is known. */
    public function shutter(?float $aperture = null): ShutterSettings
    {
        $at = $this->rig->workingLens();
        $rig = $at === null || $aperture === null ? $this->rig : $this->rig->with(TravelKind::Aperture, $at, $aperture);
        $light = LightFigures::of($rig);
        $plan = $rig->conditions->plan;
        $isFlash = $plan->light === LightSource::Flash && $light->flashNeeded !== null;

        return new ShutterSettings(
            $aperture ?? $this->reading->markedAperture,
            // A flash that has too little leaves it dark.
            2.0 ** $this->look->exposure_stops * ($isFlash ? min(1.0, 1.0 / max(1e-6, (float) $light->flashNeeded)) : 1.0),
            $rig->conditions->iso ?? self::ISO,
            $isFlash ? 0.005 : min(30.0, $light->exposureS ?? self::METERED_S),
        );
    }

    /** The piece of the frame that is kept: so many of the camera's own pixels about a place of the frame, as shares of it. */
    public function crop(float $x = 0.5, float $y = 0.5, int $width = self::FRAME[0], int $height = self::FRAME[1]): FrameCrop
    {
        $frame = $this->rig->frame;
        $box = FrameBox::about($frame->columns, $frame->rows, $x * $frame->columns, $y * $frame->rows, $width, $height);

        return new FrameCrop($box->x, $box->y, $box->width, $box->height);
    }

    /**
     * @return array{aperture: ?float, sliceMm: float, rail: RailStack, settleS: float, betweenS: float, secondsAFrame: float, positions: list<float>} a stack through the target
     *
     * @throws ValidationException when there is none to be run
     */
    public function stack(): array
    {
        if ($this->target->depthMm <= 0.0) {
            throw ValidationException::withMessages(['target' => 'This target is flat: one frame has all of it sharp.']);
        }
        $best = BestAperture::of($this->rig, $this->deepMm());
        $at = $this->rig->workingLens();
        $set = $at === null || $best === null ? $this->rig : $this->rig->with(TravelKind::Aperture, $at, $best->stacking);
        $slice = Stack::depths(ReadingTable::ofOne(Reading::of($set)), $set->conditions->totalDepth)[0];
        if ($slice === null || $slice <= 0.0) {
            throw ValidationException::withMessages(['target' => 'Everything from here to infinity is sharp: one frame does it.']);
        }
        $plan = $this->rig->conditions->plan;
        try {
            $rail = RailStack::through($this->deepMm($slice), $slice, $this->screw, $plan->overlap ?? Stack::OVERLAP);
        } catch (InvalidFigure $fault) {
            throw ValidationException::withMessages(['target' => $fault->getMessage()]);
        }
        $most = (int) config('zinc.most_frames_of_stack');
        if ($rail->frames() > $most) {
            throw ValidationException::withMessages(['target' => "That takes {$rail->frames()} frames, and the made-up camera’s card has room for {$most}. Stop down, or magnify less."]);
        }
        $first = $this->kept($this->middleMm - $this->deepMm($slice) / 2.0);
        $positions = array_map(fn (float $mm): float => round($first + $mm, 6), $rail->railMm());
        if ($first < $this->screw->backlashMm || $positions[count($positions) - 1] > $this->travelMm) {
            throw ValidationException::withMessages(['target' => 'The rail is too short for it: it reaches its end before the last frame.']);
        }
        $settle = $plan->settleS ?? Shots::SETTLE_S;
        $between = $plan->betweenS ?? Shots::RECYCLE_S;

        return [
            'aperture' => $best?->stacking, 'sliceMm' => $slice, 'rail' => $rail, 'settleS' => $settle, 'betweenS' => $between,
            'secondsAFrame' => $settle + $between + $this->shutter($best?->stacking)->exposureS, 'positions' => $positions,
        ];
    }

    /**
     * What is sharp before and behind the plane of focus, as it is composed.
     *
     * @return ?array{nearMm: float, farMm: float} null = to infinity, or not known
     */
    public function sharp(bool $closed): ?array
    {
        $at = $this->rig->workingLens();
        $aperture = $this->composing($closed)->aperture;
        $reading = Reading::of($at === null || $aperture === null ? $this->rig : $this->rig->with(TravelKind::Aperture, $at, $aperture));

        return $reading->nearMm === null || $reading->farMm === null ? null : ['nearMm' => $reading->nearMm, 'farMm' => $reading->farMm];
    }

    /** Depth that a stack goes through, mm: of a rule that leans on beyond every stack, some slices of it. */
    public function deepMm(?float $sliceMm = null): float
    {
        $slice = $sliceMm ?? $this->reading->depthOfFieldMm;

        return $this->target->shape === Shape::Sheet && $slice !== null && $this->target->kind->isMeasured() ? min($this->target->depthMm, self::SLICES * $slice) : $this->target->depthMm;
    }

    public function widest(): ?float
    {
        return $this->stops()[0] ?? $this->reading->markedAperture;
    }

    /** @return list<float> marked stops that the lens has in this rig, the widest first; [] = none to be set */
    public function stops(): array
    {
        $at = $this->rig->workingLens();

        return $at === null ? [] : $this->rig->stopsAt($at);
    }

    private function kept(float $mm): float
    {
        return self::whole(max(0.0, min($this->travelMm, $mm)), $this->screw->unitMm());
    }

    private static function whole(float $mm, float $unit): float
    {
        return round(floor($mm / $unit + 1e-9) * $unit, 6);
    }
}
