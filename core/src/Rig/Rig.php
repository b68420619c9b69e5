<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;

/**
 * A camera and the chain of parts on it, from the camera outwards, as set, with its lenses settled.
 *
 * @immutable nothing but its own copies is ever written to: a copy costs a fifth of a constructor, and readings are made of copies
 */
final class Rig
{
    /**
     * @param  list<Part>  $chain
     * @param  array<int, SettledLens>  $lenses  by place in the chain
     */
    private function __construct(
        public ?string $name,
        public Camera $camera,
        /** @phpstan-allow-private-mutation */
        public array $chain,
        /** @phpstan-allow-private-mutation */
        public Setting $setting,
        public Conditions $conditions,
        public ?Subject $subject,
        public Frame $frame,
        /** Blur limit in use, mm. */
        public float $blurLimitMm,
        /** @phpstan-allow-private-mutation */
        public array $lenses,
        /** What the parts add up to, whatever they are set to. */
        public RigTotals $totals,
        /**
         * Unknown keys of the file.
         *
         * @var array<string, mixed>
         */
        public array $extra,
        /** Whether the working diaphragm stays where nothing moves it. */
        public bool $isStuck = false,
    ) {
    }

    /**
     * @param  list<Part>  $chain
     * @param  array<string, mixed>  $extra
     *
     * @throws InvalidFigure names the field of a lens whose figures can't be settled
     */
    public static function of(
        Camera $camera,
        array $chain,
        Setting $setting,
        Conditions $conditions,
        ?Subject $subject = null,
        ?string $name = null,
        array $extra = [],
    ): self {
        $frame = $camera->frame($conditions->mode);
        $totals = RigTotals::of($camera, $chain, $setting);
        self::refuseWhatIsNotModelled($chain);
        $lenses = [];
        foreach ($chain as $i => $part) {
            if ($part instanceof Lens) {
                $lenses[$i] = Settling::settle($part, $setting->zoomMm[$i] ?? null);
            }
        }

        return new self(
            name: $name,
            camera: $camera,
            chain: $chain,
            setting: $setting,
            conditions: $conditions,
            subject: $subject,
            frame: $frame,
            blurLimitMm: $conditions->blurLimit($frame),
            lenses: $lenses,
            totals: $totals,
            extra: $extra,
            isStuck: $totals->coupling === ApertureWorked::Stuck,
        );
    }

    /** The same rig with one control moved. Settles a lens again only when its zoom was turned. */
    public function with(TravelKind $kind, int $part, float $value): self
    {
        $copy = clone $this;
        $copy->setting = $this->setting->with($kind, $part, $value);
        if ($kind === TravelKind::Zoom) {
            $lens = $this->chain[$part];
            if ($lens instanceof Lens) {
                $copy->lenses[$part] = Settling::settle($lens, $value);
            }
        }

        return $copy;
    }

    /**
     * The same parts, set otherwise.
     *
     * @throws InvalidFigure names the field of a lens that can't be settled there.
     */
    public function withSetting(Setting $setting): self
    {
        return self::of($this->camera, $this->chain, $setting, $this->conditions, $this->subject, $this->name, $this->extra);
    }

    /**
     * The same rig with a makeshift at one part, or without it.
     *
     * @throws InvalidFigure as of() does.
     */
    public function withMakeshift(int $part, bool $used): self
    {
        return $this->withSetting($this->setting->withMakeshift($part, $used));
    }

    /** How the part at one place goes on what is behind it; a close-up lens that is taped goes on anything. */
    public function fitAt(int $index): Fit
    {
        $fit = $this->untapedFitAt($index);

        return $fit !== Fit::Mates && $this->chain[$index] instanceof CloseUpLens && ($this->setting->makeshift[$index] ?? false) ? Fit::Improvised : $fit;
    }

    /** Whether a makeshift helps there: a lever to wedge, a latch to turn to the other side, glass to tape on. */
    public function takesMakeshift(int $index): bool
    {
        $part = $this->chain[$index];

        return ApertureWorked::takesMakeshift($part) || $part instanceof CloseUpLens && $this->untapedFitAt($index) !== Fit::Mates;
    }

    private function untapedFitAt(int $index): Fit
    {
        return Mating::of($this->camera, $this->chain[$index - 1] ?? null, $this->chain[$index]);
    }

    /** The same rig with the lens at one place settled otherwise. */
    public function withLens(int $index, SettledLens $lens): self
    {
        $copy = clone $this;
        $copy->lenses[$index] = $lens;

        return $copy;
    }

    /** The same rig with one part replaced by one that joins and settles like it. */
    public function withPart(int $index, Part $part): self
    {
        $chain = $this->chain;
        $chain[$index] = $part;

        $copy = clone $this;
        $copy->chain = array_values($chain);

        return $copy;
    }

    /** @param  list<Part>  $chain */
    public function withChain(array $chain, Setting $setting): self
    {
        return self::of($this->camera, $chain, $setting, $this->conditions, $this->subject, $this->name, $this->extra);
    }

    /**
     * The same chain on another camera.
     *
     * @throws InvalidFigure as of() does.
     */
    public function withCamera(Camera $camera): self
    {
        return self::of($camera, $this->chain, $this->setting, $this->conditions, $this->subject, $this->name, $this->extra);
    }

    /**
     * The same rig read under other conditions.
     *
     * @throws InvalidFigure as of() does.
     */
    public function withConditions(Conditions $conditions): self
    {
        return self::of($this->camera, $this->chain, $this->setting, $conditions, $this->subject, $this->name, $this->extra);
    }

    /** The same rig before another subject; null = none. */
    public function withSubject(?Subject $subject): self
    {
        return self::of($this->camera, $this->chain, $this->setting, $this->conditions, $subject, $this->name, $this->extra);
    }

    /**
     * Every part without the ones at these places; settings follow.
     *
     * @param  list<int>  $indices
     */
    public function without(array $indices): self
    {
        return Arrangement::of($this)->without($indices)->rig($this);
    }

    /** Place of the lens whose diaphragm is in use; null when the rig has no lens. */
    public function workingLens(): ?int
    {
        return $this->totals->workingLens;
    }

    /**
     * Marked f-number the diaphragm at that place stands at: where it is stuck, whatever was asked; else as set; its widest when left
     * alone; null when not known.
     */
    public function markedAperture(int $part): ?float
    {
        if ($this->isStuck && $part === $this->totals->workingLens) {
            return $this->totals->stuckOpen ? $this->lenses[$part]->widest : $this->lenses[$part]->smallest ?? $this->lenses[$part]->widest;
        }

        return $this->setting->aperture[$part] ?? $this->lenses[$part]->widest ?? null;
    }

    /**
     * The marked stops that the lens at that place can be set to here, widest first; one where it is stuck or has nothing to set.
     *
     * @return list<float>
     */
    public function stopsAt(int $part): array
    {
        $settled = $this->lenses[$part] ?? null;
        $lens = $this->chain[$part];
        if ($settled === null || ! $lens instanceof Lens) {
            return [];
        }
        $marked = $this->markedAperture($part);
        if ($settled->widest === null || $settled->smallest === null || $this->isStuck && $part === $this->totals->workingLens) {
            return $marked === null ? [] : [$marked];
        }

        return MarkedStops::between($settled->widest, $settled->smallest, $lens->aperture->control);
    }

    /** Length a variable spacer is set to, mm. */
    public function lengthMm(int $part): float
    {
        $spacer = $this->chain[$part];
        $set = $this->setting->lengthMm[$part] ?? null;

        return $set ?? ($spacer instanceof VariableSpacer ? $spacer->minMm : $spacer->shortestMm());
    }

    /**
     * The controls that move focus, from the camera outwards.
     *
     * @return list<Travel>
     */
    public function focusTravels(): array
    {
        $travels = [];
        foreach (array_keys($this->chain) as $i) {
            array_push($travels, ...$this->travelsAt($i));
        }

        return $travels;
    }

    /** @return list<Travel> controls of one part that move focus: its length or its ring, or none */
    public function travelsAt(int $i): array
    {
        $part = $this->chain[$i];

        return match (true) {
            $part instanceof VariableSpacer => [new Travel($i, TravelKind::Length, $part->minMm, $part->maxMm, 0.1)],
            isset($this->lenses[$i]) && $this->lenses[$i]->turns() => [new Travel($i, TravelKind::Focus, $this->lenses[$i]->leastFocus(), 1.0, 0.001)],
            default => [],
        };
    }

    /** @param  list<Part>  $chain */
    private static function refuseWhatIsNotModelled(array $chain): void
    {
        $wet = false;
        foreach ($chain as $part) {
            if ($wet && ! in_array($part->kind, [Kind::CloseUpLens, Kind::Afocal, Kind::StepRing, Kind::Adapter], true)) {
                throw InvalidFigure::because('chain', 'a port is the last part, or only wet close-up lenses, converters and rings between them follow it');
            }
            $wet = $wet || $part->kind === Kind::Port;
        }
    }
}
