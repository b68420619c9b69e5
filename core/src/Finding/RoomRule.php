<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** `touching`, `light-shut-out`: whether there is room between rig and subject. Focus inside says all that they could. */
final class RoomRule implements Rule
{
    /** `touching`, `light-shut-out`: one sentence. */
    public function find(RuleContext $context): array
    {
        $distance = $context->columns->workingDistanceMm;
        $gap = $context->columns->lightGapDeg;
        $touching = $dark = $shaded = [];
        foreach ($distance as $row => $room) {
            $isNear = $room !== null && $room >= 0.0 && $room < Limits::TOUCHING_MM;
            $isShut = $gap[$row] !== null && $gap[$row] < Limits::SHUT_OUT_DEG && ($room === null || $room >= 0.0);
            $touching[] = $isNear && ! $isShut ? 1.0 : null;
            $dark[] = $isNear && $isShut ? 1.0 : null;
            $shaded[] = $isShut && ! $isNear ? 1.0 : null;
        }

        return [
            ...Span::where($touching, 0.0, INF, new Finding(Code::Touching, Severity::Warn, null,
                'Only {room:mm} between the rig and the subject: they nearly touch.'), ['room' => $distance]),
            ...Span::where($dark, 0.0, INF, new Finding(Code::Touching, Severity::Warn, null,
                'Only {room:mm} between the rig and the subject: they nearly touch, and light gets in only below {gap:deg} over the subject plane.'), ['room' => $distance, 'gap' => $gap]),
            ...Span::where($shaded, 0.0, INF, new Finding(Code::LightShutOut, Severity::Warn, null,
                'The rig shades its subject: light gets in only below {gap:deg} over the subject plane. A slimmer front, more distance or light from behind helps.'), ['gap' => $gap]),
        ];
    }
}
