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
        $gaps = $facts->columns->lightGapDeg;
        $isNear = $isLow = false;
        foreach ($gaps as $row => $gap) {
            $d = $distance[$row];
            $isNear = $isNear || $d !== null && $d < self::TOUCHING_MM && $d >= 0.0;
            $isLow = $isLow || $gap !== null && $gap < self::SHUT_OUT_DEG;
        }
        $near = ! $isNear ? [] : array_map(static fn (?float $d): ?float => $d !== null && $d >= 0.0 && $d < self::TOUCHING_MM ? 1.0 : null, $distance);
        $low = ! $isLow ? [] : array_map(static fn (?float $gap): ?float => $gap !== null && $gap < self::SHUT_OUT_DEG ? 1.0 : null, $gaps);

        return [
            ...Span::where($near, 0.0, INF, new Finding(Code::Touching, Severity::Warn, null,
                'Only {room:mm} between the rig and the subject: they nearly touch.'), ['room' => $distance]),
            ...Span::where($low, 0.0, INF, new Finding(Code::LightShutOut, Severity::Warn, null,
                'The rig shades its subject: light gets in only below {gap:deg} over the subject plane. A slimmer front, more distance or light from behind helps.'), ['gap' => $gaps]),
        ];
    }
}
