<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;

/**
 * Controls that move focus, those that do the same as one. Lengths with nothing but metal between them add up: what twelve helicoids
 * in a row can do, one can that is as long as all of them. So how much there is to look through grows with the glass, not with the rings.
 */
final class TravelGroups
{
    /** @return non-empty-list<non-empty-list<Travel>>|array{} from the camera outwards; those that go nowhere are left out */
    public static function of(Rig $rig): array
    {
        $groups = [];
        $lengths = null;
        foreach ($rig->chain as $i => $part) {
            if (! $part instanceof VariableSpacer && ! $part instanceof Spacer) {
                $lengths = null;
            }
            foreach ($rig->travelsAt($i) as $travel) {
                if (! $travel->spans()) {
                    continue;
                }
                if ($travel->kind === TravelKind::Length && $lengths !== null) {
                    $groups[$lengths][] = $travel;

                    continue;
                }
                $groups[] = [$travel];
                $lengths = $travel->kind === TravelKind::Length ? count($groups) - 1 : null;
            }
        }

        return $groups;
    }

    /**
     * One control for a group: what all of them come to together.
     *
     * @param  non-empty-list<Travel>  $group
     */
    public static function joined(array $group): Travel
    {
        $first = $group[0];
        $sum = static fn (string $end): float => array_sum(array_map(static fn (Travel $travel): float => $end === 'least' ? $travel->least : $travel->greatest, $group));

        return count($group) === 1 ? $first : new Travel($first->part, $first->kind, $sum('least'), $sum('greatest'), $first->step);
    }

    /**
     * A rig with every control of a group at the same share of its way.
     *
     * @param  non-empty-list<Travel>  $group
     * @param  float  $share  0 the least, 1 the greatest
     */
    public static function set(Rig $rig, array $group, float $share): Rig
    {
        foreach ($group as $travel) {
            $rig = $rig->with($travel->kind, $travel->part, $travel->least + ($travel->greatest - $travel->least) * $share);
        }

        return $rig;
    }
}
