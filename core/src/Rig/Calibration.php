<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;
use ZincThimble\Core\Gear\Values;

/**
 * What pictures of a ruler and a pair of callipers tell of a lens (OPTICS.md, "Calibration").
 *
 * The lens's ring stands at infinity. Normal: `M = (z0 - R)/f`, a straight line over z0; reversed: `M = (z0 + q)/f - 1`
 * with `q = rim - b`. One shot fixes the offset, two or more the focal length too. A measured working distance fixes b
 * (normal) or a (reversed). What belongs to the focal length alone is not counted again in the others' half-widths:
 * readings vary it on its own.
 */
final readonly class Calibration
{
    /** @param  list<SettledFigure>  $figures */
    private function __construct(private Lens $lens, private ?int $station, public array $figures)
    {
    }

    /**
     * @param  Lens  $lens  which way round it stood for the shots is what its own `reversed` says
     * @param  non-empty-list<RulerShot>  $shots
     * @param  ?float  $zoomMm  the station of a zoom it was set to
     *
     * @throws InvalidFigure names `shots`, `zoomMm`, or the figure that no lens can have
     */
    public static function byRuler(Lens $lens, array $shots, ?float $zoomMm = null): self
    {
        $station = self::stationAt($lens, $zoomMm);
        $figures = $station === null ? $lens->figures : $lens->stations[$station];
        $near = self::withWorkingDistance($shots);
        $rim = $figures->frontRimMm;
        $register = $figures->registerMm;
        $registerHalf = 0.0;
        $out = [];
        // The same shots with the line or, of one shot alone, with a focal length that is taken as it was.
        if (count($shots) > 1) {
            $line = Line::through(array_map(static fn (RulerShot $shot): array => [$shot->z0, $shot->magnification, $shot->halfWidth], $shots));
            if ($line->slope <= 0.0) {
                throw InvalidFigure::because('shots', 'show less magnification on more extension; check which shot is which');
            }
            $f = 1.0 / $line->slope;
            $out[] = self::figure($lens, $figures, 'focalLengthMm', $f, $line->error($f * $f, 0.0));
            $offset = static fn (float $add): float => ($line->intercept + $add) / $line->slope;
            $offsetHalf = static fn (float $add): float => $line->error(-$offset($add) * $f, $f);
        } else {
            $shot = $shots[0];
            // Once the gap is given the closest focus is no longer used: the focal length is the nominal one again.
            $f = $lens->reversed || $near !== null ? $figures->focalLengthMm : Settling::settle($lens, $figures->focalLengthMm)->f0;
            $offset = static fn (float $add): float => ($shot->magnification + $add) * $f - $shot->z0;
            $offsetHalf = static fn (float $add): float => $shot->halfWidth * $f;
        }
        if (! $lens->reversed) {
            $register = -$offset(0.0);
            $registerHalf = $offsetHalf(0.0);
            $out[] = self::figure($lens, $figures, 'registerMm', $register, $registerHalf);
            if ($near !== null) {
                // b = WD + rim - f (1 + 1/M), and g = b - a with a = f - R.
                $m = $near->magnification;
                $gap = (float) $near->workingDistanceMm + $rim - $f * (2.0 + 1.0 / $m) + $register;
                $out[] = self::figure($lens, $figures, 'principalGapMm', $gap, hypot(hypot($near->workingDistanceHalfMm, $registerHalf), $f * $near->halfWidth / ($m * $m)));
            }

            return new self($lens, $station, self::believable($out));
        }
        if ($near !== null) {
            // a = f (1 + 1/M) - rear protrusion - WD, and R = f - a.
            $m = $near->magnification;
            $register = $figures->rearProtrusionMm + (float) $near->workingDistanceMm - $f / $m;
            $registerHalf = hypot($near->workingDistanceHalfMm, $f * $near->halfWidth / ($m * $m));
            $out[] = self::figure($lens, $figures, 'registerMm', $register, $registerHalf);
        }
        // q = rim - b and b = f - R + g: the gap is rim - f + R - q. f and q come from one line, so their sum is taken.
        $gap = $rim + $register - $offset(1.0) - $f;
        $out[] = self::figure($lens, $figures, 'principalGapMm', $gap, hypot($registerHalf, $offsetHalf(count($shots) > 1 ? 2.0 : 1.0)));

        return new self($lens, $station, self::believable($out));
    }

    /**
     * Pupil ratio from the two pupils, seen from over a metre: exit (from behind) over entrance (from the front).
     *
     * @param  float  $exitMm  diameter, above 0
     * @param  float  $entranceMm  diameter, above 0
     * @param  float  $halfMm  how far each may be off
     *
     * @throws InvalidFigure names `exitMm` or `entranceMm`
     */
    public static function byPupils(Lens $lens, float $exitMm, float $entranceMm, float $halfMm = 0.3, ?float $zoomMm = null): self
    {
        foreach (['exitMm' => $exitMm, 'entranceMm' => $entranceMm] as $field => $value) {
            if (! is_finite($value) || $value <= $halfMm || $value > 500.0) {
                throw InvalidFigure::because($field, 'should be a diameter in mm, wider than what it may be off');
            }
        }
        $station = self::stationAt($lens, $zoomMm);
        $figures = $station === null ? $lens->figures : $lens->stations[$station];
        $ratio = $exitMm / $entranceMm;

        return new self($lens, $station, [self::figure($lens, $figures, 'pupilRatio', $ratio, $ratio * hypot($halfMm / $exitMm, $halfMm / $entranceMm))]);
    }

    /**
     * The fields of the lens with the measured ones in place, and marked measured.
     *
     * @return array<string, mixed>
     */
    public function fields(): array
    {
        $fields = $this->lens->document->fields;
        $measured = $this->lens->document->object('measured')->fields;
        foreach ($this->figures as $figure) {
            $value = round($figure->new, 6);
            if ($this->station === null) {
                $fields[$figure->field] = $value;
            } else {
                $fields['stations'] = self::atStation($fields['stations'] ?? null, $this->lens->stations[$this->station]->focalLengthMm, $figure->field, $value);
            }
            $measured[$figure->field] = round($figure->newHalfWidth, 6);
        }
        $fields['measured'] = $measured;

        return $fields;
    }

    /** The lens as it is known now. */
    public function lens(): Lens
    {
        return Lens::from(new Values($this->fields()));
    }

    /** @return list<mixed> the stations with one field of one of them changed */
    private static function atStation(mixed $stations, float $focalLengthMm, string $field, float $value): array
    {
        $changed = [];
        foreach (is_array($stations) ? $stations : [] as $station) {
            $own = is_array($station) ? $station : ($station instanceof \stdClass ? get_object_vars($station) : []);
            $at = $own['focalLengthMm'] ?? null;
            $changed[] = (is_int($at) || is_float($at)) && abs($at - $focalLengthMm) < 1e-9 ? [$field => $value] + $own : $own;
        }

        return $changed;
    }

    /** @throws InvalidFigure names `zoomMm` when a zoom stood between its stations */
    private static function stationAt(Lens $lens, ?float $zoomMm): ?int
    {
        if (! $lens->isZoom()) {
            return null;
        }
        foreach ($lens->stations as $i => $station) {
            if ($zoomMm !== null && abs($station->focalLengthMm - $zoomMm) <= 0.005 * $station->focalLengthMm) {
                return $i;
            }
        }
        throw InvalidFigure::because('zoomMm', 'set the zoom to one of its stations for the shot: '
            .implode(', ', array_map(static fn (LensFigures $each): string => (string) $each->focalLengthMm, $lens->stations)).' mm');
    }

    /** @param  list<RulerShot>  $shots */
    private static function withWorkingDistance(array $shots): ?RulerShot
    {
        $best = null;
        foreach ($shots as $shot) {
            // The larger the picture, the less an error of its scale moves the plane.
            if ($shot->workingDistanceMm !== null && ($best === null || $shot->magnification > $best->magnification)) {
                $best = $shot;
            }
        }

        return $best;
    }

    private static function figure(Lens $lens, LensFigures $figures, string $field, float $new, float $newHalfWidth): SettledFigure
    {
        $given = $figures->known()[$field] ?? null;
        $design = $lens->design;
        $old = $given ?? match ($field) {
            'principalGapMm' => $design->gapRatio() * $figures->focalLengthMm,
            'pupilRatio' => $design->pupilRatio(),
            default => 0.0,
        };
        $oldHalfWidth = $lens->measured[$field] ?? match (true) {
            $field === 'focalLengthMm' => Settling::FOCAL_LENGTH * $figures->focalLengthMm,
            $field === 'principalGapMm' && $given === null => $design->gapRatioHalfWidth() * $figures->focalLengthMm,
            $field === 'pupilRatio' && $given === null => $design->pupilRatioHalfWidth(),
            default => 0.0,
        };

        return new SettledFigure($field, $old, $oldHalfWidth, $given === null, $new, $newHalfWidth);
    }

    /**
     * @param  list<SettledFigure>  $figures
     * @return list<SettledFigure>
     *
     * @throws InvalidFigure names a figure out of the range that the files allow
     */
    private static function believable(array $figures): array
    {
        $ranges = ['focalLengthMm' => [1.0, 2000.0], 'registerMm' => [0.0, 3000.0], 'principalGapMm' => [-2000.0, 2000.0]];
        foreach ($figures as $figure) {
            [$least, $greatest] = $ranges[$figure->field];
            if (! is_finite($figure->new) || $figure->new < $least || $figure->new > $greatest) {
                throw InvalidFigure::because('shots', sprintf('would make %s %.4g; check the extension, the ruler and which way round the lens stood', $figure->field, $figure->new));
            }
        }

        return $figures;
    }
}
