<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** Which cautions a rig, its subject and its surroundings call for. */
final class Cautions
{
    /**
     * @param  float  $lengthMm  sensor to front-most metal
     * @param  list<Finding>  $findings
     * @return list<Caution>
     */
    public static function of(Rig $rig, Reading $reading, float $lengthMm, array $findings): array
    {
        $codes = [];
        foreach ($rig->conditions->surroundings as $where) {
            if (in_array($where, ['sun', 'cold', 'water'], true)) {
                $codes[] = $where;
            }
        }
        foreach ($rig->chain as $part) {
            if ($part->kind === Kind::Port) {
                $codes[] = 'water';
            }
        }
        foreach (['stings', 'protected', 'hot'] as $trait) {
            if ($rig->subject?->has($trait) === true) {
                $codes[] = $trait;
            }
        }
        if ($rig->subject?->has('melts') === true) {
            $codes[] = 'hot';
        }
        $found = array_map(static fn (Finding $finding): Code => $finding->code, $findings);
        if (($rig->totals->massG ?? 0.0) >= Limits::HEAVY_G || $lengthMm >= Limits::LONG_MM || in_array(Code::HeavyFront, $found, true)) {
            $codes[] = 'heavy';
        }
        if (in_array(Code::ThreadLookalike, $found, true)) {
            $codes[] = 'thread';
        }
        if ($rig->subject?->has('flees') === true && ($reading->workingDistanceMm ?? INF) < Limits::FLASH_NEAR_MM) {
            $codes[] = 'flash';
        }

        return array_map(Caution::of(...), array_values(array_unique($codes)));
    }
}
