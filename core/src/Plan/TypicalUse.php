<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\Settling;

/** How sure a lens is where one of its kind is mostly used: at its closest when its ring goes near, else on some tube. */
final readonly class TypicalUse
{
    /** From this magnification on a lens is used by its own ring. */
    private const BY_ITS_RING = 0.25;

    /** How much tube it gets otherwise, over its focal length. */
    private const TUBE = 0.4;

    private function __construct(
        public SettledLens $lens,
        /** Between its own camera and the lens, mm; 0 = at its closest. */
        public float $spacersMm,
        public ?float $magnification,
        public float $magnificationHalfWidth,
        public ?float $workingDistanceMm,
        public float $workingDistanceHalfWidth,
    ) {
    }

    /** @throws InvalidFigure names the field of a lens whose figures no lens can have */
    public static function of(Lens $lens, ?float $zoomMm = null): self
    {
        $settled = Settling::settle($lens, $zoomMm);
        $near = $settled->turns() && $settled->m0 >= self::BY_ITS_RING;
        $tube = $near ? 0.0 : max(5.0, round(self::TUBE * $settled->known->focalLengthMm));
        $usual = $lens->reversed ? $lens->turned() : $lens;
        $camera = Camera::from(new Values(['registerMm' => $settled->known->registerMm, 'sensor' => ['widthMm' => 36.0, 'heightMm' => 24.0]]));
        $chain = $near ? [$usual] : [Parts::make(Kind::Tube, new Values(['lengthMm' => $tube])), $usual];
        $at = count($chain) - 1;
        $rig = Rig::of($camera, $chain, new Setting([], [$at => $near ? 1.0 : 0.0], [], [$at => $zoomMm], [], [], null), Conditions::from(new Values([])));
        $reading = Reading::onAxis($rig);
        $sure = Uncertainty::of($rig);

        return new self(
            $settled, $tube, $reading->magnification, $sure->halfWidth('magnification') ?? 0.0, $reading->workingDistanceMm, $sure->halfWidth('workingDistanceMm') ?? 0.0,
        );
    }
}
