<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** What is to be done with the made-up camera, and whether it is done: judged by where things truly stand, never by how it was got there. */
enum CameraTask: string
{
    /** The plane of focus on the target. */
    case Focus = 'focus';
    /** As large on the sensor as it is. */
    case LifeSize = 'life-size';
    /** The stop at which this lens is sharpest. */
    case SharpestStop = 'sharpest-stop';
    /** Frames so that every place of the target is sharp in one. */
    case Stack = 'stack';

    /** So near to 1 : 1 is 1 : 1. */
    private const NEAR = 1.03;

    /** What is within so much of the sharpest is as sharp. */
    private const AS_SHARP = 1.05;

    /** Standard deviation of a diffraction disc over wavelength times f-number. */
    private const AIRY_SPREAD = 0.42;

    /**
     * @param  Rig  $true  as it truly is
     * @param  float  $behindMm  how far behind the middle of the target its plane of focus lies
     * @param  float  $deepMm  depth of the target, 0 and more
     */
    public static function focus(Rig $true, float $behindMm, float $deepMm): Judged
    {
        $slice = Reading::of($true)->depthOfFieldMm;
        $off = max(0.0, abs($behindMm) - $deepMm / 2.0);
        if ($slice === null || $off <= $slice / 2.0) {
            return new Judged(true, $slice === null ? 'In focus: from here to infinity all is sharp.' : 'In focus: the sharp slice, {slice:mm} deep, lies on it.', ['slice' => $slice ?? 0.0]);
        }

        return new Judged(false, $behindMm > 0.0 ? 'The plane of focus lies {off:mm} behind it, and the sharp slice is only {slice:mm} deep.' : 'The plane of focus lies {off:mm} before it, and the sharp slice is only {slice:mm} deep.', ['off' => $off, 'slice' => $slice]);
    }

    /** @param  Rig  $true  as it truly is */
    public static function lifeSize(Rig $true): Judged
    {
        $m = Reading::of($true)->magnification;
        if ($m === null || $m <= 0.0) {
            return new Judged(false, 'This rig draws nothing.', []);
        }

        return new Judged(abs(log($m)) <= log(self::NEAR), abs(log($m)) <= log(self::NEAR) ? 'It draws {m:x}: life-size.' : 'It draws {m:x}. A ruler across the frame tells it.', ['m' => $m]);
    }

    /**
     * @param  Rig  $known  as it is known, with the stop set
     * @param  ?int  $at  its working lens; null = it has none
     * @param  ?int  $seed  of what its lens truly is; null = what is known of it, without a blur of its own
     */
    public static function sharpestStop(Rig $known, ?int $at, ?int $seed): Judged
    {
        $set = Reading::of($known)->markedAperture;
        if ($at === null || $set === null) {
            return self::withoutStops();
        }
        $hidden = $seed === null ? null : HiddenLens::at($known, $at, $seed);
        $blurs = [];
        foreach ($known->stopsAt($at) as $stop) {
            $there = $known->with(TravelKind::Aperture, $at, $stop);
            $effective = Reading::of($seed === null ? $there : HiddenLens::in($there, $seed))->effectiveAperture;
            if ($effective !== null) {
                $blurs[] = [hypot($hidden?->blurMm($stop) ?? 0.0, self::AIRY_SPREAD * $known->conditions->wavelengthNm * 1e-6 * $effective), $stop];
            }
        }
        if ($blurs === []) {
            return self::withoutStops();
        }
        [$least, $best] = min($blurs);
        foreach ($blurs as [$blur, $stop]) {
            if (abs($stop / $set - 1.0) < 1e-6 && $blur <= self::AS_SHARP * $least) {
                return new Judged(true, 'Sharpest there: {set:f}. Wider its own faults blur more, narrower diffraction does.', ['set' => $set]);
            }
        }

        return new Judged(false, $set < $best ? 'At {set:f} its own faults still blur more than need be. It is sharpest at a narrower stop.' : 'At {set:f} diffraction blurs more than need be. It is sharpest at a wider stop.', ['set' => $set]);
    }

    private static function withoutStops(): Judged
    {
        return new Judged(false, 'This rig has no stops to choose from.', []);
    }

    /**
     * @param  Rig  $true  as it truly is, at the stop of the frames
     * @param  list<float>  $framesMm  where the rail stood for each
     * @param  float  $fromMm  where it stands when the nearest of the target is in focus
     * @param  float  $toMm  when the furthest is
     */
    public static function stack(Rig $true, array $framesMm, float $fromMm, float $toMm): Judged
    {
        $slice = Reading::of($true)->depthOfFieldMm;
        if ($framesMm === []) {
            return new Judged(false, 'No frame has been taken since.', []);
        }
        if ($slice === null) {
            return new Judged(true, 'Every frame is sharp from here to infinity.', []);
        }
        sort($framesMm);
        $sharpTo = $fromMm;
        $widest = 0.0;
        foreach ([...$framesMm, null] as $frame) {
            $begins = $frame === null ? $toMm : min($toMm, $frame - $slice / 2.0);
            $widest = max($widest, $begins - $sharpTo);
            $sharpTo = max($sharpTo, $frame === null ? $toMm : $frame + $slice / 2.0);
        }
        $numbers = ['n' => (float) count($framesMm), 'gap' => $widest, 'slice' => $slice];

        // What rounds away isn't a gap.
        return $widest <= 1e-6
            ? new Judged(true, 'No gap: {n:n} frames, and every place of it is sharp in one.', $numbers)
            : new Judged(false, 'A gap of {gap:mm} is sharp in none of the {n:n} frames; each is sharp over {slice:mm}.', $numbers);
    }
}
