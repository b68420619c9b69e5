<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** `touching`, `light-shut-out`: whether there is room between rig and subject. */
final class RoomRule implements Rule
{
    /** From 0 on and under a bound, in the words of Span::where(): above, and up to. */
    private const ROUNDING = 1e-12;

    /** `touching`, `light-shut-out`. */
    public function find(RuleContext $context): array
    {
        $distance = $context->columns->workingDistanceMm;
        $gap = $context->columns->lightGapDeg;

        return [
            ...Span::where($distance, -self::ROUNDING, Limits::TOUCHING_MM - self::ROUNDING, new Finding(Code::Touching, Severity::Warn, null,
                'Only {room:mm} between the rig and the subject: they nearly touch.'), ['room' => $distance]),
            ...Span::where($gap, -INF, Limits::SHUT_OUT_DEG - self::ROUNDING, new Finding(Code::LightShutOut, Severity::Warn, null,
                'The rig shades its subject: light gets in only below {gap:deg} over the subject plane. A slimmer front, more distance or light from behind helps.'), ['gap' => $gap]),
        ];
    }
}
