<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\Settling;

/**
 * Which inputs of a rig are uncertain, and what each reading owes to them (OPTICS.md, "How sure": the root of the sum over uncertain
 * inputs of `((r(+) - r(-)) / 2)^2`). A lens's figures are moved together, along the columns of the factor of their covariance.
 */
final class Uncertainty
{
    /** The readings that carry a half-width. */
    public const READINGS = [
        'magnification', 'fieldWidthMm', 'fieldHeightMm', 'workingDistanceMm', 'subjectDistanceMm', 'effectiveAperture', 'stopsLost',
        'depthOfFieldMm', 'nearMm', 'farMm', 'waveDepthMm', 'airyDiameterMm', 'detailMm', 'entrancePupilMm',
    ];

    /**
     * A figure is named as the greatest contributor before another only when it contributes this many times as much: of equals, the one
     * nearer the camera is named, whatever the last digit says.
     */
    public const CLEARLY = 1.000001;

    /**
     * @param  list<UncertainInput>  $inputs
     * @param  array<string, list<float>>  $changes  by reading: what each input moves it by, `(r(+) - r(-)) / 2`
     */
    private function __construct(private readonly Rig $rig, public readonly array $inputs, public readonly array $changes)
    {
    }

    public static function of(Rig $rig): self
    {
        $inputs = self::inputs($rig);
        $changes = array_fill_keys(self::READINGS, []);
        foreach ($inputs as $input) {
            $up = Reading::onAxis($input->up);
            $down = Reading::onAxis($input->down);
            foreach (self::READINGS as $name) {
                $a = $up->{$name};
                $b = $down->{$name};
                $changes[$name][] = is_float($a) && is_float($b) ? ($a - $b) / 2.0 : 0.0;
            }
        }

        return new self($rig, $inputs, $changes);
    }

    /** Half-width of a reading; null = nothing uncertain moves it. */
    public function halfWidth(string $reading): ?float
    {
        $sum = 0.0;
        foreach ($this->changes[$reading] as $change) {
            $sum += $change * $change;
        }

        return $sum > 0.0 ? sqrt($sum) : null;
    }

    /** @return array<string, float> of every reading that something uncertain moves */
    public function halfWidths(): array
    {
        $halfWidths = [];
        foreach (self::READINGS as $name) {
            $half = $this->halfWidth($name);
            if ($half !== null) {
                $halfWidths[$name] = $half;
            }
        }

        return $halfWidths;
    }

    /** The figure that a reading owes most of its half-width to; null = none. */
    public function source(string $reading): ?Contributor
    {
        return self::most($this->rig, $this->inputs, $this->changes[$reading]);
    }

    /**
     * What each figure contributes to the square of a half-width: within a lens `(grad)_i (C grad)_i`, which may be below 0 where another
     * of its figures makes up for it; its own square elsewhere.
     *
     * @param  list<UncertainInput>  $inputs
     * @param  list<float>  $changes
     * @return list<array{int, string, float}> part, field, share
     */
    public static function shares(Rig $rig, array $inputs, array $changes): array
    {
        $shares = [];
        foreach ($inputs as $i => $input) {
            if ($input->way < 0) {
                $shares[] = [$input->part, $input->field, $changes[$i] * $changes[$i]];
            } elseif ($input->way === 0) {
                $lens = $rig->lenses[$input->part];
                $own = [];
                foreach ($lens->ways as $way => $_) {
                    $each = $inputs[$i + $way] ?? null;
                    $own[] = $each !== null && $each->way === $way && $each->part === $input->part ? $changes[$i + $way] : 0.0;
                }
                foreach (self::within($lens, $own) as $k => $share) {
                    $shares[] = [$input->part, $lens->figures[$k]->value, $share];
                }
            }
        }

        return $shares;
    }

    /**
     * @param  list<UncertainInput>  $inputs
     * @param  list<float>  $changes
     */
    public static function most(Rig $rig, array $inputs, array $changes): ?Contributor
    {
        $most = 0.0;
        $found = null;
        foreach (self::shares($rig, $inputs, $changes) as [$part, $field, $share]) {
            if ($share > $most) {
                $most = $share * self::CLEARLY;
                $found = [$part, $field];
            }
        }

        return $found === null ? null : new Contributor($found[0], $found[1], self::isMeasured($rig, $found[0], $found[1]));
    }

    /**
     * Of one lens: the gradient over its figures falls out of what its columns do, since these are the columns of a triangle.
     *
     * @param  list<float>  $changes  of its columns
     * @return list<float> share of each figure
     */
    private static function within(SettledLens $lens, array $changes): array
    {
        $ways = $lens->ways;
        $n = count($ways);
        // A column of the triangle is a row of what is turned over: `L^T grad = changes`.
        $gradient = $changes;
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($k = $i + 1; $k < $n; $k++) {
                $gradient[$i] -= $ways[$i][$k] * $gradient[$k];
            }
            $gradient[$i] = $ways[$i][$i] > 0.0 ? $gradient[$i] / $ways[$i][$i] : 0.0;
        }
        $shares = [];
        for ($i = 0; $i < $n; $i++) {
            $sum = 0.0;
            for ($way = 0; $way <= $i; $way++) {
                $sum += $ways[$way][$i] * $changes[$way];
            }
            $shares[] = $gradient[$i] * $sum;
        }

        return $shares;
    }

    private static function isMeasured(Rig $rig, int $part, string $field): bool
    {
        $thing = $rig->chain[$part];
        if ($thing instanceof Lens) {
            return isset($thing->figuresAt($rig->setting->zoomMm[$part] ?? null)->measured[$field]);
        }

        return $thing->document->object('measured')->has($field);
    }

    /**
     * What may be otherwise, each with the rig moved up and down; what can't matter is left out.
     *
     * @param  ?int  $turning  the part whose ring is going to be turned; null = all rings stay
     * @return list<UncertainInput>
     */
    public static function inputs(Rig $rig, ?int $turning = null): array
    {
        $inputs = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                array_push($inputs, ...self::lens($rig, $i, $turning === $i));
            } elseif ($part instanceof CloseUpLens) {
                array_push($inputs, ...self::closeUpLens($rig, $i, $part));
            }
        }

        return $inputs;
    }

    /** @return list<UncertainInput> */
    private static function lens(Rig $rig, int $i, bool $turns): array
    {
        $lens = $rig->lenses[$i];
        $s = $lens->turns() ? $rig->setting->focus[$i] ?? 0.0 : 0.0;
        $inputs = [];
        $add = static function (string $field, SettledLens $up, SettledLens $down, int $way = -1) use (&$inputs, $rig, $i): void {
            $inputs[] = new UncertainInput($i, $field, self::isMeasured($rig, $i, $field), $rig->withLens($i, $up), $rig->withLens($i, $down), $way);
        };
        // At infinity nothing that is known of the closest matters: the first four figures are all.
        $ways = $turns || $s !== 0.0 ? count($lens->ways) : min(4, count($lens->ways));
        for ($way = 0; $way < $ways; $way++) {
            $figure = $lens->figures[$way];
            $add($figure->value, $lens->moved($way, 1.0), $lens->moved($way, -1.0), $way);
        }
        $half = $lens->known->pupilRatioHalfWidth;
        if ($half > 0.0) {
            $add('pupilRatio', $lens->withPupilRatio($lens->p0 + $half), $lens->withPupilRatio(max(0.01, $lens->p0 - $half)));
        }
        if ($lens->focusing === Focusing::Internal) {
            if ($lens->closeLoss === null && ($turns || $s !== 0.0)) {
                $add('closeEffectiveAperture', $lens->withApertureShift(Settling::CLOSE_APERTURE), $lens->withApertureShift(-Settling::CLOSE_APERTURE));
            }
            foreach ($turns || ($s > 0.0 && $s < 1.0) ? $lens->bends() : [] as [$up, $down]) {
                $add('focusing', $up, $down);
            }
        }

        return $inputs;
    }

    /** @return list<UncertainInput> */
    private static function closeUpLens(Rig $rig, int $i, CloseUpLens $part): array
    {
        $inputs = [new UncertainInput(
            $i,
            'powerD',
            self::isMeasured($rig, $i, 'powerD'),
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
