<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * How wide a part is where nobody measured it: from its joints, else from its kind's pattern. Diameters in mm.
 *
 * Used for drawing, light and balance only; what comes from here is marked estimated.
 */
final class Outline
{
    /** Metal around a thread, and around a bayonet whose width nobody gave. */
    private const THREAD_WALL_MM = 4.0;

    private const BAYONET_MM = 60.0;

    /** Body of a camera from sensor plane to its back, mm. */
    private const CAMERA_BACK_MM = 28.0;

    /** Outer diameter at the front, mm: given, else its widest, else by its joint or kind. */
    public static function frontMm(Part $part): float
    {
        $identity = $part->identity;

        return $identity->frontOuterMm ?? self::widest($part) ?? self::joint($identity->front) ?? self::pattern($part->kind);
    }

    /** Outer diameter at the rear, mm: given, else its widest, else by its joint or kind. */
    public static function rearMm(Part $part): float
    {
        $identity = $part->identity;

        return $identity->rearOuterMm ?? self::widest($part) ?? self::joint($identity->rear) ?? self::pattern($part->kind);
    }

    /** Widest outer diameter, mm. */
    public static function widestMm(Part $part): float
    {
        return self::widest($part) ?? max(self::frontMm($part), self::rearMm($part));
    }

    /** Whether the front's width was worked out, not given. */
    public static function frontIsEstimated(Part $part): bool
    {
        return $part->identity->frontOuterMm === null && $part->identity->outerMm === null;
    }

    /** Depth of a camera, sensor plane to back, mm. */
    public static function cameraBackMm(Camera $camera): float
    {
        return $camera->depthMm === null ? self::CAMERA_BACK_MM : max(5.0, $camera->depthMm - $camera->registerMm);
    }

    private static function widest(Part $part): ?float
    {
        return $part->identity->outerMm;
    }

    private static function joint(JointEnd $end): ?float
    {
        $joint = $end->main();

        return match ($joint?->type) {
            JointType::Thread => (float) $joint->diameterMm + self::THREAD_WALL_MM,
            JointType::Bayonet => self::BAYONET_MM,
            default => null,
        };
    }

    private static function pattern(Kind $kind): float
    {
        return match ($kind) {
            Kind::Objective => 24.0,
            Kind::Port => 100.0,
            Kind::Bellows => 80.0,
            default => self::BAYONET_MM,
        };
    }
}
