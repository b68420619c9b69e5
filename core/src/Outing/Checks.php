<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Conditions;

/** What is worth a look before one leaves with what was planned (handbook: a body that doesn't fire without a lens it knows, an empty battery, a full card). */
final class Checks
{
    /** @return list<string> */
    public static function of(OutingPlan $plan, Conditions $conditions): array
    {
        $frames = 0;
        $stuck = $unknown = false;
        $flash = false;
        foreach ($plan->assignments as $each) {
            if ($each->rig === null) {
                continue;
            }
            $shots = Shots::planned($each->rig);
            $frames += $shots->isStack() ? $shots->frames() ?? 1 : 1;
            $worked = ApertureWorked::through($each->rig->camera, $each->rig->chain, $each->rig->workingLens(), $each->rig->setting->makeshift);
            $unknown = $unknown || ! in_array($worked, [ApertureWorked::Full, ApertureWorked::Contacts], true);
            $stuck = $stuck || $worked === ApertureWorked::Detach;
            $flash = $flash || $each->rig->conditions->document->object('plan')->has('flash');
        }
        if ($frames === 0) {
            return [];
        }
        $around = $conditions->surroundings;

        return [
            'Camera batteries charged',
            ...$flash ? ['Flash batteries charged'] : [],
            'Card empty: '.Phrase::figure((float) $frames, 'n').($frames === 1 ? ' frame' : ' frames').' and as many again',
            ...$unknown ? ['Body set so that it fires without a lens it knows'] : [],
            ...$stuck ? ['Aperture stopped down on the camera before the lens comes off'] : [],
            ...in_array('cold', $around, true) ? ['A closed bag and a cloth against dew'] : [],
            ...in_array('water', $around, true) ? ['Seals looked at, and a dry dip first'] : [],
        ];
    }
}
