<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\PartIdentity;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;

/**
 * Masses on a lever (OPTICS.md, "Light": moment about a point on the axis = 9.81e-6 x sum of massG x (balance - point)).
 */
final class Balance
{
    private const GRAVITY = 9.81e-6;

    /** Moment of all that hangs in front of the camera's mount, Nm; null when no mass is known. */
    public static function aboutMount(Rig $rig, Axis $axis): ?float
    {
        $sum = 0.0;
        $known = false;
        $mount = $rig->camera->registerMm;
        foreach ($rig->chain as $i => $part) {
            $identity = $part->identity;
            if ($identity->massG !== null) {
                $known = true;
                $sum += $identity->massG * (self::ofPart($axis, $i, $identity) - $mount);
            }
        }

        return $known ? self::GRAVITY * $sum : null;
    }

    /** Moment of the whole rig about the foot that carries it best, Nm; null when no part has a foot or no mass is known. */
    public static function aboutFoot(Rig $rig, Axis $axis): ?float
    {
        if (! $rig->totals->hasFoot) {
            return null;
        }
        $point = self::balancePoint($rig, $axis);
        $foot = $point === null ? null : self::footNearest($rig, $axis, $point[0]);

        return $point === null || $foot === null ? null : self::GRAVITY * $point[1] * ($point[0] - $foot);
    }

    /** The foot that carries it best, mm from the sensor: the one nearest to where it balances; null when no part has one. */
    public static function footMm(Rig $rig, Axis $axis): ?float
    {
        return self::footNearest($rig, $axis, self::balancePoint($rig, $axis)[0] ?? 0.0);
    }

    private static function footNearest(Rig $rig, Axis $axis, float $balance): ?float
    {
        $best = null;
        foreach ($rig->chain as $i => $part) {
            if ($part->identity->footMm !== null) {
                $foot = $axis->rearMm[$i] + $part->identity->footMm + $axis->converterMm;
                $best = $best === null || abs($foot - $balance) < abs($best - $balance) ? $foot : $best;
            }
        }

        return $best;
    }

    /**
     * Where the whole rig balances, mm from the sensor, and the mass that is known, g.
     *
     * @return array{float, float}|null
     */
    public static function balancePoint(Rig $rig, Axis $axis): ?array
    {
        $mass = 0.0;
        $sum = 0.0;
        $camera = $rig->camera;
        if ($camera->massG !== null) {
            $back = Outline::cameraBackMm($camera);
            $middle = $camera->balanceMm === null ? ($camera->registerMm - $back) / 2.0 : $camera->balanceMm - $back;
            $mass += $camera->massG;
            $sum += $camera->massG * $middle;
        }
        foreach ($rig->chain as $i => $part) {
            $identity = $part->identity;
            if ($identity->massG !== null) {
                $balance = self::ofPart($axis, $i, $identity);
                $mass += $identity->massG;
                $sum += $identity->massG * $balance;
            }
        }

        return $mass > 0.0 ? [$sum / $mass, $mass] : null;
    }

    /** Where a part balances, mm from the sensor: in its middle unless given. */
    private static function ofPart(Axis $axis, int $i, PartIdentity $identity): float
    {
        $rear = $axis->rearMm[$i];
        $balance = $identity->balanceMm === null ? ($rear + $axis->frontMm[$i]) / 2.0 : $rear + $identity->balanceMm;

        // A converter stands in front of the mount and pushes all the rest out.
        return $balance + ($i === 0 ? $axis->converterMm / 2.0 : $axis->converterMm);
    }
}
