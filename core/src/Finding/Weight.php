<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/**
 * How much a warning spoils, so that rigs can be put in order: 1 is a thorn in everybody's side, a dark corner that loses half its light or
 * a diaphragm worked by hand; what is barely over its bound is a fraction of that.
 */
final class Weight
{
    /** A joint to make by hand; on a plastic mount each pulls and gives. */
    public const JOINT = 0.2;

    public const JOINT_ON_PLASTIC = 0.35;

    /** A mount that takes no more than this is one of plastic, Nm. */
    public const PLASTIC_NM = 0.6;

    /** Above life size, a lens for far things the usual way round. */
    public const WRONG_WAY = 0.5;

    /** A flat subject with a lens that isn't known to draw it flat. */
    public const CURVED_FIELD = 0.5;

    /** For every doubling of the smallest detail over two pixels. */
    public const DETAIL = 0.25;

    /** @return float 0 and up; a warning that knows no measure is 1 */
    public static function of(Finding $finding): float
    {
        $n = static fn (string $name, float $else): float => (float) ($finding->numbers[$name] ?? $else);

        return match ($finding->code) {
            Code::Vignette => isset($finding->numbers['dark']) ? self::corner($n('dark', 1.0)) : 1.0,
            Code::Touching => isset($finding->numbers['gap']) ? 1.5 : 1.0,
            Code::LightShutOut => self::shade($n('gap', 0.0)),
            Code::Diffraction => self::spread($n('spot', 0.0), $n('limit', 1.0)),
            Code::SliceThin => self::thin($n('depth', 0.0), $n('slice', 1.0)),
            Code::Sway => self::sway($n('sway', 0.0), $n('slice', 1.0)),
            Code::HeavyFront => self::heavy($n('moment', 0.0), $n('limit', 1.0)),
            Code::DiopterStrong => self::strong($n('power', 0.0)),
            Code::DataDisagree => 0.5,
            default => 1.0,
        };
    }

    /** @param  float  $dark  share of its light that the corner loses */
    public static function corner(float $dark): float
    {
        return 2.0 * $dark;
    }

    /** @param  float  $gapDeg  angle below which light gets in */
    public static function shade(float $gapDeg): float
    {
        return 0.3 + (Limits::SHUT_OUT_DEG - $gapDeg) / Limits::SHUT_OUT_DEG;
    }

    /** Half, and one for every doubling of the spot. */
    public static function spread(float $spotMm, float $limitMm): float
    {
        return 0.5 + max(0.0, log($spotMm / (Limits::SPOT_OVER_BLUR * $limitMm), 2.0));
    }

    /** Half, and a half for every doubling over ten slices. */
    public static function thin(float $depthMm, float $sliceMm): float
    {
        return 0.5 + 0.5 * max(0.0, log($depthMm / (Limits::MANY_SLICES * $sliceMm), 2.0));
    }

    /** Half, and a quarter for every doubling of sway over half the slice. */
    public static function sway(float $swayMm, float $sliceMm): float
    {
        return 0.5 + 0.25 * max(0.0, log($swayMm / ($sliceMm / 2.0), 2.0));
    }

    /** Half at the limit, one and a half at twice. */
    public static function heavy(float $momentNm, float $limitNm): float
    {
        return $momentNm / $limitNm - 0.5;
    }

    /** +4 a half, +8 one. */
    public static function strong(float $powerD): float
    {
        return $powerD / 8.0;
    }
}
