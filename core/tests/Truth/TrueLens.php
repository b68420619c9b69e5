<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Truth;

use ZincThimble\Core\Tests\RigMaker;

/** One lens of glass as somebody owns it: what it really does in a rig, and what its catalogue says of it. mm. */
final class TrueLens
{
    /** What a catalogue, a ruler and a pair of callipers are off by: standard deviations. */
    private const FOCAL_LENGTH = 0.018;

    private const BAYONET_MM = 0.06;

    private const THREAD_MM = 0.3;

    private const RIM_MM = 0.4;

    private readonly Glass $glass;

    /** How far the focusing group goes until the ring's greatest magnification; 0 = the whole lens moves. */
    private readonly float $shift;

    /** Of the mount, as it really is. */
    private readonly float $register;

    private readonly float $back;

    /** Front rim ahead of the first glass, and rear metal behind the flange. */
    private readonly float $recess;

    private readonly float $protrusion;

    public readonly float $m0;

    /** Register of the camera it is used on. */
    public readonly float $camera;

    /** @var array<string, mixed> as a file has it, before anything is measured */
    public readonly array $catalogue;

    /** @param  array{design: string, focal: array{float, float}, glass: Glass}  $form */
    public function __construct(array $form, private readonly RigMaker $make, string $name)
    {
        $nominal = round($make->number(...$form['focal']));
        $surfaces = array_map(static fn (array $s): array => [$s[0] * (1.0 + 0.02 * $make->bell()), $s[1] * (1.0 + 0.03 * $make->bell()), $s[2]], $form['glass']->surfaces);
        $glass = new Glass(self::diaphragmMoved($surfaces, $form['glass']->stop, $make->number(0.15, 0.85)), $form['glass']->stop, $form['glass']->moving);
        $this->glass = $glass->scaled($nominal * (1.0 + self::FOCAL_LENGTH * $make->bell()) / $glass->focalLength());
        $this->back = $this->glass->backFocus();
        $internal = $form['glass']->moving !== null;
        $threaded = $form['design'] === 'triplet';
        $this->camera = $form['design'] === 'wide' ? 18.4 : 44.5;
        $stated = match (true) {
            $threaded => round(0.9 * $nominal),
            default => $this->camera,
        };
        $this->register = $stated + ($threaded ? self::THREAD_MM : self::BAYONET_MM) * $make->bell();
        $this->recess = $make->number(1.0, 6.0);
        $this->protrusion = max(0.0, $this->register - $this->back) + $make->number(0.5, 3.0);
        $this->m0 = match (true) {
            $threaded => 0.0,
            $internal => $make->number(0.3, 0.6),
            $form['design'] === 'symmetrical' && $nominal > 60.0 => $make->number(0.3, 0.5),
            default => $make->number(0.1, 0.2),
        };
        $this->shift = $internal ? $this->shiftTo($this->m0) : 0.0;
        $catalogue = [
            'kind' => 'lens', 'name' => $name, 'rear' => $threaded ? 'thread:39x26tpi' : 'larch', 'focalLengthMm' => $nominal, 'registerMm' => $stated,
            'frontRimMm' => round($this->rim() + self::RIM_MM * $make->bell(), 1), 'rearProtrusionMm' => $this->protrusion, 'design' => $form['design'],
            'focusing' => $threaded ? 'fixed' : ($internal ? 'internal' : 'unit'), 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'],
        ];
        if (! $threaded) {
            $closest = $this->really(0.0, false, 1.0)['subjectDistanceMm'];
            $catalogue['minFocusMm'] = round($closest * (1.0 + 0.003 * $make->bell()) / ($closest > 400.0 ? 10.0 : 5.0)) * ($closest > 400.0 ? 10.0 : 5.0);
            $catalogue['maxMagnification'] = round($this->m0 * (1.0 + 0.012 * $make->bell()), 2);
        }
        $this->catalogue = $catalogue;
    }

    /**
     * No two makers put the diaphragm in the same place of the air it stands in: that is most of what sets pupils of one form apart.
     *
     * @param  list<array{float, float, float}>  $surfaces
     * @return list<array{float, float, float}>
     */
    private static function diaphragmMoved(array $surfaces, int $stop, float $share): array
    {
        $air = $surfaces[$stop - 1][1] + $surfaces[$stop][1];
        $surfaces[$stop - 1][1] = $share * $air;
        $surfaces[$stop][1] = (1.0 - $share) * $air;

        return $surfaces;
    }

    public function nominal(): float
    {
        return (float) $this->catalogue['focalLengthMm'];
    }

    /** Flange to front rim at infinity. */
    private function rim(): float
    {
        return $this->back - $this->register + $this->glass->length() + $this->recess;
    }

    /** How far the group has to go for a magnification on its own camera. */
    private function shiftTo(float $m): float
    {
        $low = 0.0;
        $high = 0.35 * $this->glass->focalLength();
        for ($n = 0; $n < 60; $n++) {
            $middle = ($low + $high) / 2.0;
            $this->glass->focused($middle)->image($this->back)[0] < $m ? $low = $middle : $high = $middle;
        }

        return $low;
    }

    /**
     * What it does on a camera of its own register with so much between, at f/8.
     *
     * @return array{magnification: float, workingDistanceMm: float, subjectDistanceMm: float, effectiveAperture: float}
     */
    public function really(float $spacersMm, bool $reversed, float $focus): array
    {
        $radius = $this->glass->diaphragm(8.0);
        $z0 = $this->camera + $spacersMm;
        $glass = $this->glass->focused($this->shift * $focus);
        $out = $this->shift > 0.0 ? 0.0 : $this->glass->focalLength() * $this->m0 * $focus;
        $rear = $this->back - $this->register + $out;
        if ($reversed) {
            $turned = $glass->turned();
            [$m, $subject] = $turned->image($z0 + $this->recess);
            $working = $subject - ($rear - $out) - $this->protrusion;
            $number = $turned->effective($z0 + $this->recess, $radius);
            $from = $z0 + $this->recess + $glass->length();
        } else {
            [$m, $subject] = $glass->image($z0 + $rear);
            $working = $subject - $this->recess;
            $number = $glass->effective($z0 + $rear, $radius);
            $from = $z0 + $rear + $glass->length();
        }

        return ['magnification' => $m, 'workingDistanceMm' => $working, 'subjectDistanceMm' => $from + $subject, 'effectiveAperture' => $number];
    }

    /**
     * A picture of a ruler taken with it, read as well as people read one.
     *
     * @return array<string, mixed>
     */
    public function shot(float $spacersMm, bool $reversed, float $focus, bool $working = false, bool $subject = false): array
    {
        $really = $this->really($spacersMm, $reversed, $focus);

        return ['cameraRegisterMm' => $this->camera, 'spacersMm' => $spacersMm, 'reversed' => $reversed, 'focus' => $focus, 'magnification' => $really['magnification'] * (1.0 + 0.006 * $this->make->bell())]
            + ($working ? ['workingDistanceMm' => max(0.0, $really['workingDistanceMm'] + 0.6 * $this->make->bell())] : [])
            + ($subject ? ['subjectDistanceMm' => $really['subjectDistanceMm'] + 1.2 * $this->make->bell()] : []);
    }
}
