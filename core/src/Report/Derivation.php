<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\OpeningKind;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;

/**
 * How a reading comes about for a rig, step by step with its own numbers, as it is worked out (OPTICS.md, "Frame of reference", "The
 * rig", "Depth"): two rays from the sensor outwards, and what they tell. Beside the answer the rule of thumb that people know, and what
 * it would say here. Lengths in mm.
 */
final class Derivation
{
    /** What can be asked for, by the readings' names. */
    public const READINGS = ['magnification', 'workingDistanceMm', 'subjectDistanceMm', 'fieldWidthMm', 'effectiveAperture', 'depthOfFieldMm', 'detailMm'];

    /** Height that the field ray leaves the sensor at, as a share of its width: the ray of its edge. */
    private const EDGE = 0.5;

    /** One more than readings are told with: so a sum adds up to the eye. */
    private const DIGITS = 4;

    /** @var list<DerivationStep> */
    public array $steps = [];

    /** The rule of thumb with this rig's numbers; empty = there is none, or nothing to tell. */
    public string $thumb = '';

    /** @var list<list<array{float, float}>> the two rays, places along the axis and heights: from the middle of the sensor, and from its edge */
    public array $rays = [];

    /** @var list<array{float, float}> where each group bends: its image-side and its subject-side principal plane */
    public array $planes = [];

    public ?float $subjectMm = null;

    private readonly Axis $axis;

    private readonly Reading $reading;

    private function __construct(private readonly Rig $rig)
    {
        $this->axis = Axis::of($rig);
        $this->reading = Reading::along($rig, $this->axis);
    }

    /** @param  string  $name  one of READINGS; of another there is nothing to tell */
    public static function of(Rig $rig, string $name): self
    {
        $told = new self($rig);
        if ($told->axis->unmodelled || $told->axis->slope <= 0.0) {
            $told->steps[] = new DerivationStep(match (true) {
                $told->axis->image === Image::AtInfinity => 'As it is set, the ray from the middle of the sensor leaves the rig parallel to its axis: it meets it nowhere, and the picture is of infinity.',
                $told->axis->groupPart === [] => 'Nothing here bends light yet.',
                default => 'As it is set, the ray from the middle of the sensor never comes back to the axis in front: there is no picture.',
            });

            return $told;
        }
        $told->trace();
        match ($name) {
            'magnification' => $told->magnification(),
            'workingDistanceMm' => $told->working(),
            'subjectDistanceMm' => $told->subject(),
            'fieldWidthMm' => $told->field(),
            'effectiveAperture' => $told->aperture(),
            'depthOfFieldMm' => $told->depth(),
            'detailMm' => $told->detail(),
            default => null,
        };

        return $told;
    }

    private function magnification(): void
    {
        $this->axialRay();
        $axis = $this->axis;
        $sum = sprintf('M = %s / 1 = %s', self::n($axis->slope), self::x($axis->slope));
        $this->add('Sizes are as slopes: what the ray has in front, over what it left the sensor with, is the magnification.', $sum);
        if ($axis->factor !== 1.0) {
            $this->add('The converter at the camera enlarges that.', sprintf('%s × %s = %s', self::n($axis->slope), self::n($axis->factor), self::x($this->reading->magnification)));
        }
        $lens = $this->onlyLens();
        if ($lens !== null && $axis->extensionMm !== null && $axis->factor === 1.0) {
            $f = $this->rig->lenses[$lens]->f0;
            $own = LensModel::of($this->rig->lenses[$lens], false)->magnification($this->rig->setting->focus[$lens] ?? 0.0);
            $this->thumb = sprintf('Extension over focal length, and what its own ring adds: %s / %s + %s = %s.', self::n($axis->extensionMm), self::n($f), self::n($own), self::x($axis->extensionMm / $f + $own));
        }
    }

    private function working(): void
    {
        $axis = $this->axis;
        $this->axialRay();
        $this->add(
            sprintf('At the front of the rig, %s from the sensor, the ray is so high.', self::mm($axis->front)),
            sprintf('%s − %s × (%s − %s) = %s', self::mm(abs($axis->y)), self::n($axis->slope), self::n($axis->frontOptical), self::n($axis->zLast), self::mm(-$axis->height)),
        );
        $this->add(
            'From there it falls to the axis: where it meets it, it is sharp.',
            sprintf('%s / %s%s = %s', self::n(-$axis->height), self::n($axis->slope), $axis->medium === 1.0 ? '' : sprintf(' × %s, the water’s index', self::n($axis->medium)), self::mm($this->reading->workingDistanceMm)),
        );
    }

    private function subject(): void
    {
        $axis = $this->axis;
        $this->add('The front of the rig stands so far from the sensor.', self::mm($axis->front + $axis->converterMm));
        $this->add('In front of that lies the working distance.', sprintf('%s + %s = %s', self::n($axis->front + $axis->converterMm), self::n((float) $this->reading->workingDistanceMm), self::mm($this->reading->subjectDistanceMm)));
    }

    private function field(): void
    {
        $frame = $this->rig->frame;
        $m = (float) $this->reading->magnification;
        $this->add('The sensor sees what is so many times smaller than the magnification makes it.', sprintf('%s / %s = %s', self::n($frame->widthMm), self::n($m), self::mm($this->reading->fieldWidthMm)));
        $this->add('And across the other way.', sprintf('%s / %s = %s', self::n($frame->heightMm), self::n($m), self::mm($this->reading->fieldHeightMm)));
    }

    private function aperture(): void
    {
        $axis = $this->axis;
        $effective = $this->reading->effectiveAperture;
        if ($effective === null) {
            $this->add('Nothing here is known to limit the light: the lens’s aperture isn’t told.');

            return;
        }
        if ($axis->stop >= 0) {
            $h = abs($axis->axialAt[$axis->stop]);
            $this->add(
                sprintf('The light is limited by %s. A ray that leaves the sensor with slope 1 would pass it so high.', $this->stopName()),
                self::mm($h),
            );
            $this->add('The f-number that the sensor sees is that height over the opening’s width.', sprintf('%s / %s = f/%s', self::n($h), self::n(2.0 * $axis->openR[$axis->stop]), self::n($axis->number)));
        } else {
            $this->add('The objective’s numerical aperture limits the light.', sprintf('%s / (2 × %s) = f/%s', self::n($axis->slope), self::n((float) $axis->na), self::n($axis->number)));
        }
        if ($axis->factor !== 1.0) {
            $this->add('The converter at the camera spreads the same light.', sprintf('f/%s × %s = f/%s', self::n($axis->number), self::n($axis->factor), self::n($effective)));
        }
        $marked = $this->reading->markedAperture;
        $m = (float) $this->reading->magnification;
        if ($marked !== null) {
            $this->add('Against what the ring says, so many stops are lost: twice the logarithm, to the base 2, of their ratio.', sprintf('2 × log₂ (%s / %s) = %s', self::n($effective), self::n($marked), self::n((float) $this->reading->stopsLost)));
            $this->thumb = sprintf('The number on the ring times 1 + M: f/%s × (1 + %s) = f/%s.', self::n($marked), self::n($m), self::n($marked * (1.0 + $m)));
        }
    }

    private function depth(): void
    {
        $reading = $this->reading;
        $m = (float) $reading->magnification;
        $effective = $reading->effectiveAperture;
        if ($effective === null) {
            $this->aperture();

            return;
        }
        $c = $this->rig->blurLimitMm;
        $this->add('A point may be a disc so large on the sensor, and so large in the subject, and still look sharp.', sprintf('%s / %s = %s', self::mm($c), self::n($m), self::mm($c / $m)));
        $pupil = $reading->entrancePupilMm;
        if ($pupil === null) {
            $this->add('The pupil is infinitely far off: the slice is as deep before as behind.', sprintf('%s × %s / %s² = %s', self::n($c), self::n($effective), self::n($m), self::mm($reading->nearMm)));
        } else {
            $de = $pupil / $this->axis->medium * $m / $effective;
            $this->add('The light comes through a pupil so far off and so wide.', sprintf('%s; %s × %s / %s = %s', self::mm($pupil), self::n($pupil / $this->axis->medium), self::n($m), self::n($effective), self::mm($de)));
            $this->add('Towards the rig the disc reaches that size here.', sprintf('%s × %s / (%s + %s) = %s', self::n($pupil), self::n($c / $m), self::n($de), self::n($c / $m), $reading->nearMm === null ? '∞' : self::mm($reading->nearMm)));
            $this->add('And away from it here.', sprintf('%s × %s / (%s − %s) = %s', self::n($pupil), self::n($c / $m), self::n($de), self::n($c / $m), $reading->farMm === null ? '∞' : self::mm($reading->farMm)));
        }
        if ($reading->depthOfFieldMm !== null && $reading->nearMm !== null && $reading->farMm !== null) {
            $this->add('Both together are the slice.', sprintf('%s + %s = %s', self::n($reading->nearMm), self::n($reading->farMm), self::mm($reading->depthOfFieldMm)));
        }
        $this->thumb = sprintf('Twice the disc times the effective aperture, over M squared: 2 × %s × %s / %s² = %s.', self::n($c), self::n($effective), self::n($m), self::mm(2.0 * $c * $effective / ($m * $m)));
    }

    private function detail(): void
    {
        $reading = $this->reading;
        if ($reading->effectiveAperture === null) {
            $this->aperture();

            return;
        }
        $nm = $this->rig->conditions->wavelengthNm;
        $this->add('Light spreads at the diaphragm: a point becomes a spot this wide on the sensor.', sprintf('2.44 × %s µm × %s = %s µm', self::n($nm / 1000.0), self::n($reading->effectiveAperture), self::n((float) $reading->airyDiameterMm * 1000.0)));
        $this->add('Two points are told apart from half of that on; in the subject it is smaller by the magnification.', sprintf('%s / 2 / %s = %s µm', self::n((float) $reading->airyDiameterMm * 1000.0), self::n((float) $reading->magnification), self::n((float) $reading->detailMm * 1000.0)));
    }

    /** The ray from the middle of the sensor, told glass by glass. */
    private function axialRay(): void
    {
        $axis = $this->axis;
        $this->add('A ray leaves the middle of the sensor with slope 1: 1 mm up for every millimetre on.');
        [$y, $t, $z] = [0.0, 1.0, 0.0];
        foreach ($axis->zi as $k => $plane) {
            $part = $this->rig->chain[$axis->groupPart[$k]];
            $before = [$y, $t, $z];
            $y += $t * ($plane - $z);
            $turned = $t - $y * $axis->phi[$k];
            if ($axis->scale[$k] !== 1.0) {
                $this->add(sprintf('%s widens it: heights times %s, slopes by as much less.', $part->label(), self::n($axis->scale[$k])), sprintf('%s × %s = %s; %s / %s = %s', self::n($y), self::n($axis->scale[$k]), self::mm($y * $axis->scale[$k]), self::n($turned), self::n($axis->scale[$k]), self::n($turned / $axis->scale[$k])));
                [$y, $turned] = [$y * $axis->scale[$k], $turned / $axis->scale[$k]];
            } else {
                $this->add(
                    sprintf('%s%s: its plane stands %s from the sensor. There the ray is so high, and is bent by its height over the focal length.', $part->label(), $this->asSet($axis->groupPart[$k]), self::mm($plane)),
                    sprintf('%s + %s × (%s − %s) = %s; %s − %s / %s = %s', self::n($before[0]), self::n($before[1]), self::n($plane), self::n($before[2]), self::mm($y), self::n($t), self::n($y), self::n(1.0 / $axis->phi[$k]), self::n($turned)),
                );
            }
            $t = $turned;
            $z = $axis->zo[$k];
        }
    }

    /** How a lens is turned and set, where that changes what it does. */
    private function asSet(int $part): string
    {
        $lens = $this->rig->chain[$part];
        if (! $lens instanceof Lens) {
            return '';
        }
        $focus = $this->rig->setting->focus[$part] ?? 0.0;
        $words = [...($lens->reversed ? ['turned round'] : []), ...($focus > 0.0 ? ['its ring turned in'] : [])];

        return $words === [] ? '' : ' ('.implode(', ', $words).')';
    }

    private function stopName(): string
    {
        $axis = $this->axis;
        $kind = match ($axis->openKind[$axis->stop]) {
            OpeningKind::Diaphragm => 'the diaphragm',
            OpeningKind::Glass => 'the front glass',
            OpeningKind::Throat => 'the opening',
            OpeningKind::Mount => 'the mount',
            OpeningKind::NumericalAperture => 'the aperture',
        };

        return $kind.' of '.($axis->openPart[$axis->stop] < 0 ? 'the camera' : $this->rig->chain[$axis->openPart[$axis->stop]]->label());
    }

    /** The place of the only thing that bends light, where that is a lens the usual way round. */
    private function onlyLens(): ?int
    {
        $parts = $this->axis->groupPart;
        $lens = count($parts) === 1 ? $this->rig->chain[$parts[0]] : null;

        return $lens instanceof Lens && ! $lens->reversed ? $parts[0] : null;
    }

    private function trace(): void
    {
        $axis = $this->axis;
        $subject = $axis->zLast + $axis->y / -$axis->t;
        $edge = self::EDGE * $this->rig->frame->widthMm / $axis->factor;
        // The cone's own edge, not slope 1: drawn, that would leave the barrel.
        $share = $axis->number > 0.0 ? 0.5 / $axis->number : 0.1;
        // The field ray through the middle of the stop.
        foreach ([[0.0, $share], [$edge, $edge * ($axis->chief ?? 0.0)]] as [$y, $t]) {
            $points = [[0.0, $y]];
            $z = 0.0;
            foreach ($axis->zi as $k => $plane) {
                $y += $t * ($plane - $z);
                $points[] = [$plane, $y];
                $t -= $y * $axis->phi[$k];
                $y *= $axis->scale[$k];
                $t /= $axis->scale[$k];
                $z = $axis->zo[$k];
                $points[] = [$z, $y];
            }
            $points[] = [$subject, $y + $t * ($subject - $z)];
            $this->rays[] = $points;
        }
        foreach ($axis->zi as $k => $plane) {
            $this->planes[] = [$plane, $axis->zo[$k]];
        }
        $this->subjectMm = $subject;
    }

    private function add(string $says, string $sum = ''): void
    {
        $this->steps[] = new DerivationStep($says, $sum);
    }

    private static function n(float $value): string
    {
        $decimals = $value === 0.0 ? 0 : max(0, min(6, self::DIGITS - 1 - (int) floor(log10(abs($value)))));
        $text = number_format($value, $decimals, '.', '');

        return str_replace('-', '−', str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text);
    }

    private static function x(?float $value): string
    {
        return $value === null ? '–' : self::n($value).'×';
    }

    private static function mm(?float $value): string
    {
        return $value === null ? '–' : self::n($value)."\u{2009}mm";
    }
}
