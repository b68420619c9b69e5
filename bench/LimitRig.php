<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

use ZincThimble\Core\Gear\Afocal;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** A rig in the numbers that bench/limit reads, and a reading in the order in which it prints one. */
final class LimitRig
{
    private const RING = 0;

    private const LENS = 1;

    private const CLOSE_UP = 2;

    private const AFOCAL = 3;

    private const OBJECTIVE = 4;

    private const CONVERTER = 5;

    private const PORT = 6;

    /** @param  list<float>  $settings  of the control, at which it is read */
    public static function told(Rig $rig, Travel $travel, array $settings): string
    {
        $camera = $rig->camera;
        $back = Outline::cameraBackMm($camera);
        $last = $rig->chain[count($rig->chain) - 1] ?? null;
        $numbers = [
            $camera->registerMm, $camera->throatMm, $camera->massG, $camera->balanceMm === null ? ($camera->registerMm - $back) / 2.0 : $camera->balanceMm - $back,
            $rig->frame->widthMm, $rig->frame->heightMm, Vignetting::cornerMm($rig), $rig->conditions->wavelengthNm * 1e-6, $rig->blurLimitMm, $last === null ? 0.0 : Outline::frontMm($last),
            $rig->totals->hasFoot ? 1 : 0, $rig->totals->workingLens ?? -1, count($rig->chain),
        ];
        $medium = 1.0;
        foreach ($rig->chain as $i => $part) {
            array_push($numbers, ...self::part($rig, $i, $part, $medium));
            $medium = $part instanceof Port ? $part->medium : $medium;
        }
        array_push($numbers, $travel->kind === TravelKind::Length ? 0 : 1, $travel->part, count($settings), ...$settings);

        return implode(' ', array_map(static fn (float|int|null $number): string => $number === null ? 'nan' : sprintf('%.17g', $number), $numbers))."\n";
    }

    /** A sweep: the rig with all places where its control can rest, then what may be otherwise in it, each moved up and down. */
    public static function sweep(Rig $rig, Travel $travel): string
    {
        $places = Travels::positions($rig, $travel);
        $inputs = Uncertainty::inputs($rig->with($travel->kind, $travel->part, $places[0]), $travel->kind === TravelKind::Focus ? $travel->part : null);
        $text = self::told($rig, $travel, $places).count($inputs)."\n";
        foreach ($inputs as $input) {
            $text .= self::told($input->up, $travel, []).self::told($input->down, $travel, []);
        }

        return $text;
    }

    /** @return list<float|int|null> */
    private static function part(Rig $rig, int $i, Part $part, float $medium): array
    {
        $fields = [
            'kind' => self::RING, 'mass' => $part->identity->massG, 'balance' => $part->identity->balanceMm, 'foot' => $part->identity->footMm,
            'length' => 0.0, 'clear' => null, 'power' => 0.0, 'plane' => 0.0, 'factor' => 1.0, 'na' => null, 'gap' => 0.0, 'glass' => 0.0, 'index' => 1.0, 'medium' => 1.0,
        ];
        $own = match (true) {
            $part instanceof Spacer => ['length' => $part->lengthMm, 'clear' => $part->clearMm],
            $part instanceof VariableSpacer => ['length' => $rig->setting->lengthMm[$i] ?? $part->minMm, 'clear' => $part->clearMm],
            $part instanceof Lens => ['kind' => self::LENS],
            $part instanceof CloseUpLens => ['kind' => self::CLOSE_UP, 'length' => $part->thicknessMm, 'clear' => $part->clearMm, 'power' => ($medium !== 1.0 ? $part->powerInWaterD($medium) : $part->powerD) / 1000.0, 'plane' => $part->planeFromFrontMm],
            $part instanceof Afocal => ['kind' => self::AFOCAL, 'length' => $part->thicknessMm, 'clear' => $part->clearMm, 'factor' => $part->factor],
            $part instanceof Objective => ['kind' => self::OBJECTIVE, 'length' => $part->shortestMm(), 'power' => 1.0 / $part->focalLengthMm(), 'plane' => $part->planeMm(), 'na' => $part->na],
            $part instanceof Teleconverter => ['kind' => self::CONVERTER, 'length' => $part->lengthMm, 'factor' => $part->factor],
            $part instanceof Port => ['kind' => self::PORT, 'gap' => $part->gapMm, 'glass' => $part->glassMm, 'index' => $part->index, 'medium' => $part->medium],
            default => throw new \LogicException('The reference knows no '.$part->kind->value.'.'),
        };

        return [...array_values([...$fields, ...$own]), ...($part instanceof Lens ? self::lens($rig, $i, $part) : [])];
    }

    /** @return list<float|int|null> */
    private static function lens(Rig $rig, int $i, Lens $part): array
    {
        $settled = $rig->lenses[$i];
        $lens = LensModel::of($settled, $rig->conditions->simpleAperture);

        return [
            $part->reversed ? 1 : 0, $lens->showsEffective ? 1 : 0, $lens->bends ? 1 : 0, $lens->mag0, $lens->mag1, $settled->f0, $lens->phi0, $lens->phi1, $lens->bend, $lens->register,
            $lens->gap0, $lens->gap1, $lens->bulge, $lens->rim0, $lens->rim1, $lens->pupil0, $lens->pupil1, $lens->leastPupil, $lens->loss0, $lens->loss1, $lens->spread0, $lens->spread1,
            $lens->protrusion, $lens->frontGlass, $settled->imageCircle, $rig->isStuck ? $rig->markedAperture($i) : $rig->setting->aperture[$i] ?? $settled->widest, $rig->setting->focus[$i] ?? 0.0,
        ];
    }

    /** @return array<string, float> in the order of the reference; NAN = none */
    public static function figures(Reading $reading): array
    {
        $figures = ['image' => (float) array_search($reading->image, [Image::Real, Image::AtInfinity, Image::None], true), 'cornerPart' => (float) ($reading->cornerPart ?? -2)];
        foreach ([
            'magnification', 'workingDistanceMm', 'subjectDistanceMm', 'fieldWidthMm', 'fieldHeightMm', 'effectiveAperture', 'stopsLost', 'nearMm', 'farMm', 'depthOfFieldMm', 'waveDepthMm',
            'airyDiameterMm', 'detailMm', 'entrancePupilMm', 'extensionMm', 'lightGapDeg', 'cornerBrightness', 'imageCircleMm', 'markedAperture', 'momentAtMountNm', 'momentAtFootNm',
        ] as $name) {
            $figures[$name] = $reading->{$name} ?? NAN;
        }

        return $figures;
    }
}
