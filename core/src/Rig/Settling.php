<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;

/**
 * Brings what is known of a lens into agreement before anything is traced: catalogue, what is filled in, and shots (OPTICS.md, "Settling
 * a lens", "What its owner knows", "Shots").
 */
final class Settling
{
    /** Half-width of the effective aperture of an internally focusing lens at m = 1, as a share. */
    public const CLOSE_APERTURE = 0.15;

    /** Focal lengths at the closest, over the one at infinity, that an internally focusing lens can believably have. */
    private const BELIEVABLE = [0.4, 1.1];

    /** By how much a figure has to be taken otherwise than given to be worth a word, as a share of it and in mm. */
    private const WORTH_SHARE = 0.005;

    private const WORTH_MM = 0.3;

    /** How many settings of a zoom are kept at most. */
    private const MOST_KEPT = 64;

    /** @var \WeakMap<Lens, array<string, SettledLens>>|null */
    private static ?\WeakMap $settled = null;

    /**
     * @param  ?float  $zoomMm  where a zoom is set, mm of focal length
     *
     * @throws InvalidFigure names the field of a lens whose figures no lens can have
     */
    public static function settle(Lens $lens, ?float $zoomMm): SettledLens
    {
        $settled = self::$settled ??= self::none();
        $key = $lens->stations === [] ? 'as it is' : 'at '.$zoomMm;
        $kept = $settled[$lens] ?? [];
        if (! isset($kept[$key])) {
            $kept = count($kept) < self::MOST_KEPT ? $kept : [];
            $kept[$key] = self::between($lens, $zoomMm);
            $settled[$lens] = $kept;
        }

        return $kept[$key];
    }

    /**
     * One set of figures, whatever else the lens has.
     *
     * @throws InvalidFigure as settle() does
     */
    public static function station(Lens $lens, LensFigures $figures): SettledLens
    {
        $from = SettledLens::from($lens, $figures, KnownFigures::of($lens, $figures));
        if ($from->focusing === Focusing::Internal) {
            $from->mustBeALens();
        }
        $fit = LensFit::of($from, $figures->shots);

        return self::told($from, $figures, $fit->x, $fit->covariance);
    }

    /**
     * What a lens says of itself, before anything was measured with it.
     *
     * @throws InvalidFigure as settle() does
     */
    public static function asSaid(Lens $lens, ?float $zoomMm): SettledLens
    {
        [$below, $above, $share] = $lens->stationsAbout($zoomMm);

        return self::station($lens, ($share <= 0.0 ? $below : $below->between($above, $share))->withoutShots());
    }

    /** @return \WeakMap<Lens, array<string, SettledLens>> */
    private static function none(): \WeakMap
    {
        /** @var \WeakMap<Lens, array<string, SettledLens>> $none */
        $none = new \WeakMap;

        return $none;
    }

    /** Between two stations what the shots of each have moved, and how sure they left it, is linear like every other figure. */
    private static function between(Lens $lens, ?float $zoomMm): SettledLens
    {
        [$below, $above, $share] = $lens->stationsAbout($zoomMm);
        if ($share <= 0.0 || ($below->shots === [] && $above->shots === [])) {
            return self::station($lens, $share <= 0.0 ? $below : $below->between($above, $share));
        }
        $figures = $below->between($above, $share);
        $from = SettledLens::from($lens, $figures, KnownFigures::of($lens, $figures));
        $plain = LensFit::of($from, []);
        $x = $plain->x;
        $covariance = array_map(static fn (array $row): array => array_map(static fn (): float => 0.0, $row), $plain->covariance);
        foreach ([[$below, 1.0 - $share], [$above, $share]] as [$station, $weight]) {
            $own = SettledLens::from($lens, $station, KnownFigures::of($lens, $station));
            $alike = $own->figures === $from->figures;
            $shot = LensFit::of($own, $station->shots);
            $unshot = LensFit::of($own, []);
            foreach ($x as $k => $value) {
                $x[$k] = $value + ($alike || $k < 4 ? $weight * (($shot->x[$k] ?? 0.0) - ($unshot->x[$k] ?? 0.0)) : 0.0);
                foreach ($covariance[$k] as $j => $sum) {
                    $covariance[$k][$j] = $sum + $weight * ($alike ? $shot->covariance[$k][$j] : $plain->covariance[$k][$j]);
                }
            }
        }

        return self::told($from, $figures, $x, $covariance);
    }

    /**
     * @param  list<float>  $x
     * @param  array<int, array<int, float>>  $covariance
     */
    private static function told(SettledLens $from, LensFigures $figures, array $x, array $covariance): SettledLens
    {
        $lens = $from->at($x)->mustBeALens();
        $factor = Cholesky::factor($covariance);
        $ways = [];
        foreach ($x as $k => $_) {
            $way = [];
            foreach ($factor as $row) {
                $way[] = KnownFigures::NINE_IN_TEN * $row[$k];
            }
            $ways[] = $way;
        }
        $sure = $lens->told($ways, [], [], false);
        $beyond = $lens->focusing === Focusing::Internal && ($lens->f1 < self::BELIEVABLE[0] * $lens->f0 || $lens->f1 > self::BELIEVABLE[1] * $lens->f0);
        $residuals = [];
        foreach ($figures->shots as $i => $shot) {
            $trace = ShotTrace::of($lens, $shot);
            foreach (ShotTrace::measures($shot, $from->f0) as [$reading, $value, $half]) {
                $residuals[] = new ShotResidual($i, $reading, $value, $half, $reading === 'magnification' || $trace->magnification > 0.0 ? $trace->reading($reading) : null);
            }
        }

        return $lens->told($ways, self::takenAs($sure, $from->catalogue(), $x), $residuals, $lens->disagrees || $beyond);
    }

    /**
     * @param  list<float>  $given
     * @param  list<float>  $x
     * @return list<TakenAs>
     */
    private static function takenAs(SettledLens $lens, array $given, array $x): array
    {
        $taken = [];
        foreach ($lens->figures as $k => $figure) {
            $value = match ($figure) {
                LensFigure::CloseFocalLength => $lens->f1,
                LensFigure::CloseGap => $lens->g1,
                default => $x[$k],
            };
            if (in_array($figure, $lens->known->filled, true)) {
                $taken[] = new TakenAs($figure, null, $value, $lens->halfWidth($figure));
            } elseif (match ($figure) {
                LensFigure::FocalLength, LensFigure::Magnification => abs($value - $given[$k]) >= self::WORTH_SHARE * $given[$k],
                LensFigure::Register, LensFigure::FrontRim => abs($value - $given[$k]) >= self::WORTH_MM,
                default => false,
            }) {
                $taken[] = new TakenAs($figure, $given[$k], $value, $lens->halfWidth($figure));
            }
        }

        return $taken;
    }
}
