<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;
use ZincThimble\Core\Rig\Perturbation;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Settling;

/**
 * Which inputs of a rig are uncertain, and what each reading owes to them (OPTICS.md, "Uncertainty": the root of the sum
 * over uncertain inputs of (r(+) - r(-))^2 / 4).
 */
final class Uncertainty
{
    /** The readings that carry a half-width. */
    public const READINGS = [
        'magnification', 'fieldWidthMm', 'fieldHeightMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost',
        'depthOfFieldMm', 'nearMm', 'farMm', 'waveDepthMm', 'airyDiameterMm', 'detailMm', 'entrancePupilMm',
    ];

    /**
     * An input is named as the greatest contributor before another only when it contributes this many times as much: of equals,
     * the one nearer the camera is named, whatever the last digit says.
     */
    public const CLEARLY = 1.000001;

    /** Half-widths that a lens's figures have unless measured: a share of the figure. */
    private const SHARES = [
        'focalLengthMm' => Settling::FOCAL_LENGTH,
        'minFocusMm' => Settling::CLOSEST_FOCUS,
        'maxMagnification' => Settling::GREATEST_MAGNIFICATION,
    ];

    /** @return list<UncertainInput> */
    public static function inputs(Rig $rig): array
    {
        $inputs = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                array_push($inputs, ...self::lens($rig, $i, $part));
            } elseif ($part instanceof CloseUpLens) {
                array_push($inputs, ...self::closeUpLens($rig, $i, $part));
            }
        }

        return $inputs;
    }

    /**
     * @return array{halfWidths: array<string, float>, sources: array<string, UncertainInput>} by reading: its half-width,
     *                                                                                           and the input that contributes most
     */
    public static function of(Rig $rig): array
    {
        $sums = [];
        $most = [];
        $sources = [];
        foreach (self::inputs($rig) as $input) {
            $up = Reading::onAxis($input->up);
            $down = Reading::onAxis($input->down);
            foreach (self::READINGS as $name) {
                $a = $up->{$name};
                $b = $down->{$name};
                if (! is_float($a) || ! is_float($b)) {
                    continue;
                }
                $share = ($a - $b) * ($a - $b) / 4.0;
                if ($share <= 0.0) {
                    continue;
                }
                $sums[$name] = ($sums[$name] ?? 0.0) + $share;
                if ($share > ($most[$name] ?? 0.0)) {
                    $most[$name] = $share * self::CLEARLY;
                    $sources[$name] = $input;
                }
            }
        }

        return ['halfWidths' => array_map(sqrt(...), $sums), 'sources' => $sources];
    }

    /** @return list<UncertainInput> */
    private static function lens(Rig $rig, int $i, Lens $part): array
    {
        $figures = $part->figuresAt($rig->setting->zoomMm[$i] ?? null);
        $settled = $rig->lenses[$i];
        $ring = $settled->m0 > 0.0;
        $inputs = [];
        foreach ($figures->known() as $field => $value) {
            $measured = $part->measured[$field] ?? null;
            $usual = match ($field) {
                'focalLengthMm' => $value * self::SHARES[$field],
                'minFocusMm', 'maxMagnification' => $ring ? $value * self::SHARES[$field] : 0.0,
                'frontRimMm' => Settling::RIM_MM,
                default => 0.0,
            };
            $halfWidth = $measured ?? $usual;
            if ($halfWidth > 0.0) {
                $inputs[] = self::varied($rig, $i, $part, $field, $measured !== null, $figures->with($field, $value + $halfWidth), $figures->with($field, $value - $halfWidth));
            }
        }
        if ($figures->principalGapMm === null || $figures->pupilRatio === null) {
            $inputs[] = self::varied($rig, $i, $part, 'design', false, $figures, $figures, new Perturbation(1.0), new Perturbation(-1.0));
        }
        if ($settled->focusing === Focusing::Internal) {
            if ($figures->closePrincipalGapMm === null) {
                $inputs[] = self::varied($rig, $i, $part, 'closePrincipalGapMm', false, $figures, $figures, new Perturbation(0.0, 1.0), new Perturbation(0.0, -1.0));
            }
            if ($figures->closeEffectiveAperture === null) {
                $inputs[] = self::varied($rig, $i, $part, 'closeEffectiveAperture', false, $figures, $figures, new Perturbation(0.0, 0.0, 1.0), new Perturbation(0.0, 0.0, -1.0));
            }
        }

        return $inputs;
    }

    private static function varied(Rig $rig, int $i, Lens $lens, string $field, bool $measured, LensFigures $up, LensFigures $down, ?Perturbation $upwards = null, ?Perturbation $downwards = null): UncertainInput
    {
        return new UncertainInput($i, $field, $measured, self::variant($rig, $i, $lens, $up, $upwards), self::variant($rig, $i, $lens, $down, $downwards));
    }

    /** A variant that no lens can have leaves that side where it was. */
    private static function variant(Rig $rig, int $i, Lens $lens, LensFigures $figures, ?Perturbation $perturbation): Rig
    {
        try {
            return $rig->withLens($i, Settling::settle($lens, null, $figures, $perturbation, $rig->lenses[$i]->focusing));
        } catch (InvalidFigure) {
            return $rig;
        }
    }

    /** @return list<UncertainInput> */
    private static function closeUpLens(Rig $rig, int $i, CloseUpLens $part): array
    {
        $inputs = [new UncertainInput(
            $i,
            'powerD',
            $part->document->object('measured')->has('powerD'),
            $rig->withPart($i, $part->perturbed($part->powerHalfWidthD, 0.0)),
            $rig->withPart($i, $part->perturbed(-$part->powerHalfWidthD, 0.0)),
        )];
        if (! $part->planeGiven && $part->thicknessMm > 0.0) {
            $half = $part->thicknessMm / 2.0;
            $inputs[] = new UncertainInput(
                $i, 'planeFromFrontMm', false, $rig->withPart($i, $part->perturbed(0.0, $half)), $rig->withPart($i, $part->perturbed(0.0, -$half)),
            );
        }

        return $inputs;
    }
}
