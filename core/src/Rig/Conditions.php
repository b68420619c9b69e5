<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Gear\Values;

/** Under which conditions a rig is read: schools, light, support, and what is planned with them. */
final readonly class Conditions
{
    public function __construct(
        /** Wavelength, nm. */
        public float $wavelengthNm,
        /** Blur limit asked for, mm; null = by rule. */
        public ?float $blurLimitMm,
        public BlurRule $blurRule,
        /** Whether effective aperture is told by the simple school: P = 1, E = f. */
        public bool $simpleAperture,
        /** Whether stacks and findings use geometric and wave depth together. */
        public bool $totalDepth,
        /** `hand`, `braced`, `table`; null = not said. */
        public ?string $support,
        public ?float $askedDistanceMm,
        public ?float $iso,
        /** Light, exposure value at ISO 100. */
        public ?float $ev,
        /**
         * `sun`, `cold`, `water`.
         *
         * @var list<string>
         */
        public array $surroundings,
        /** Crop or video mode in use. */
        public ?string $mode,
        /** Whether it is to focus at infinity too. */
        public bool $infinity,
        /** What is decided of light and shots. */
        public ShootingPlan $plan,
        public Values $document,
    ) {
    }

    /** What the checked fields say, with the defaults of the format. */
    public static function from(Values $values): self
    {
        $limit = $values->floatOrNull('blurLimitMm');
        $rule = $values->stringOrNull('blurRule');
        $surroundings = $values->fields['surroundings'] ?? null;

        return new self(
            wavelengthNm: $values->floatOr('wavelengthNm', 550.0),
            blurLimitMm: $limit,
            blurRule: $rule !== null ? BlurRule::from($rule) : ($limit !== null ? BlurRule::Given : BlurRule::Format),
            simpleAperture: $values->stringOr('apertureModel', 'pupil') === 'simple',
            totalDepth: $values->stringOr('depthModel', 'geometric') === 'total',
            support: $values->stringOrNull('support'),
            askedDistanceMm: $values->floatOrNull('askedDistanceMm'),
            iso: $values->floatOrNull('iso'),
            ev: $values->floatOrNull('ev'),
            surroundings: is_string($surroundings) ? [$surroundings] : $values->strings('surroundings'),
            mode: $values->stringOrNull('mode'),
            infinity: $values->boolOr('infinity', false),
            plan: ShootingPlan::from($values->object('plan')),
            document: $values,
        );
    }

    /**
     * The same conditions with some fields of the file changed.
     *
     * @param  array<string, mixed>  $changed
     */
    public function with(array $changed): self
    {
        return self::from(new Values($changed + $this->document->fields));
    }

    /** Blur limit at the sensor, mm (OPTICS.md, "Depth"): diagonal / 1500, 2 x pixel pitch, or any number. */
    public function blurLimit(Frame $frame): float
    {
        $byFormat = sqrt($frame->widthMm * $frame->widthMm + $frame->heightMm * $frame->heightMm) / 1500.0;

        return match ($this->blurRule) {
            BlurRule::Given => $this->blurLimitMm ?? $byFormat,
            BlurRule::Format => $byFormat,
            BlurRule::Pixel => $frame->columns > 0 ? 2.0 * $frame->widthMm / $frame->columns : $byFormat,
        };
    }
}
