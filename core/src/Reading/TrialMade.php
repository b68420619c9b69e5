<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensTrial;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\LensAlone;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** A trial that was made with a rig, as its lens keeps it (OPTICS.md, "Measuring pictures"). */
final readonly class TrialMade
{
    /** Trials that a lens keeps; then the oldest goes. */
    public const MOST = 24;

    private function __construct(
        /** Where the lens is in the chain. */
        public int $part,
        public LensTrial $trial,
        /** @var array<string, mixed> as a file has it */
        public array $fields,
    ) {
    }

    /**
     * @param  list<array{aperture: float, mtf50: float, halfWidth: ?float}>  $stops  as the edge came out at each
     * @param  array<string, string>  $told  when, and what there is to say of it
     * @return ?self null = another glass stands with the lens, nothing is imaged, or the camera's pixels aren't known
     */
    public static function with(Rig $rig, array $stops, array $told = []): ?self
    {
        $alone = LensAlone::of($rig);
        $at = $rig->workingLens();
        $magnification = Reading::of($rig)->magnification;
        $pitch = $rig->frame->pitchMm();
        if ($alone === null || $alone->index !== $at || $magnification === null || $magnification <= 0.0 || $pitch === null || $stops === []) {
            return null;
        }
        $tried = [];
        foreach ($stops as $stop) {
            $effective = Reading::of($rig->with(TravelKind::Aperture, $at, $stop['aperture']))->effectiveAperture;
            if ($effective !== null) {
                $tried[] = ['aperture' => $stop['aperture'], 'effectiveAperture' => $effective, 'mtf50' => $stop['mtf50']] + ($stop['halfWidth'] === null ? [] : ['halfWidth' => $stop['halfWidth']]);
            }
        }
        if ($tried === []) {
            return null;
        }
        $zoom = $alone->lens->isZoom() ? $rig->setting->zoomMm[$at] ?? $alone->lens->figures->focalLengthMm : null;
        $fields = ['magnification' => $magnification, 'pitchMm' => $pitch] + ($alone->lens->reversed ? ['reversed' => true] : []) + ($zoom === null ? [] : ['zoomMm' => $zoom])
            + ($rig->conditions->wavelengthNm === 550.0 ? [] : ['wavelengthNm' => $rig->conditions->wavelengthNm]) + $told + ['stops' => $tried];

        return new self($at, LensTrial::from(new Values($fields)), $fields);
    }

    /** The same rig with the trial kept with its lens. */
    public function keptIn(Rig $rig): Rig
    {
        $lens = $rig->chain[$this->part];
        assert($lens instanceof Lens);
        $chain = $rig->chain;
        $chain[$this->part] = Parts::make($lens->kind, new Values(['trials' => self::added($lens->document->fields['trials'] ?? null, $this->fields)] + $lens->document->fields));

        return $rig->withChain(array_values($chain), $rig->setting);
    }

    /**
     * @param  mixed  $kept  trials as a file has them
     * @param  array<string, mixed>  $fields
     * @return list<mixed>
     */
    public static function added(mixed $kept, array $fields): array
    {
        return array_slice([...is_array($kept) ? array_values($kept) : [], $fields], -self::MOST);
    }
}
