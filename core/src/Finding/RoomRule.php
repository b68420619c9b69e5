<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** `touching`, `light-shut-out`: whether there is room between rig and subject. */
final class RoomRule implements Rule
{
    public const TOUCHING_MM = 5.0;

    public const SHUT_OUT_DEG = 20.0;

    /** `touching`, `light-shut-out`. */
    public function find(Facts $facts): array
    {
        $distance = $facts->columns->workingDistanceMm;
        $near = [];
        $low = [];
        foreach ($facts->columns->lightGapDeg as $row => $gap) {
            $d = $distance[$row];
            $near[] = $d !== null && $d >= 0.0 && $d < self::TOUCHING_MM ? 1.0 : null;
            $low[] = $gap !== null && $gap < self::SHUT_OUT_DEG ? 1.0 : null;
        }

        return [
            ...Span::where($near, 0.0, INF, new Finding(Code::Touching, Severity::Warn, null,
                'Only {room:mm} between the rig and the subject: they nearly touch.'), ['room' => $distance]),
            ...Span::where($low, 0.0, INF, new Finding(Code::LightShutOut, Severity::Warn, null,
                'The rig shades its subject: light gets in only below {gap:deg} over the subject plane. A slimmer front, more distance or light from behind helps.'), ['gap' => $facts->columns->lightGapDeg]),
        ];
    }
}
