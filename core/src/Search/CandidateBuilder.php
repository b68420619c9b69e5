<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Finding\Weight;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;

/** Puts a rig that was found together, sets it, and reads it in full: what the Bench would say of it. */
final class CandidateBuilder
{
    /** Orders of rings that are looked at for the brightest corner. */
    private const ORDERS = 24;

    /** The rig in the order of its rings that keeps all limits and leaves the corner brightest; null when a limit is broken or it can't work. */
    public static function of(CameraBody $base, Stacks $stacks, StackGroup $group, int $i, FrontOptics $optics, FrontSetting $point, Conditions $conditions, SearchCriteria $wanted): ?Candidate
    {
        $set = $stacks->set[$group->at[$i]];
        $best = null;
        foreach ($stacks->orders($set, $group->ends, 1) as $order) {
            $best = self::brighter($best, self::read($base, $order, $optics, $point, $conditions, $wanted, $group->least[$i]));
        }
        if ($best === null || $best[0] > 0 || $best[1] > 0 || $best[2] > 1e-9) {
            foreach ($stacks->orders($set, $group->ends, self::ORDERS) as $order) {
                $best = self::brighter($best, self::read($base, $order, $optics, $point, $conditions, $wanted, $group->least[$i]));
            }
        }
        if ($best === null || $best[0] > 0 || $best[1] > 0) {
            return null;
        }
        [, , , , $rig, $reading, $warnings] = $best;

        return new Candidate($rig, $reading, Route::of($optics->front->route(), $group->route[$i]), $warnings, self::rank($rig, $reading, $warnings, $optics, $wanted));
    }

    /**
     * No stop before any, limits kept before broken ones (a narrow ring at the lens may be the stop, and leave the corner as bright as the
     * middle), then the brighter corner, then fewer warnings.
     *
     * @param  array{int, int, float, int, Rig, Reading, list<Finding>}|null  $one
     * @param  array{int, int, float, int, Rig, Reading, list<Finding>}  $other
     * @return array{int, int, float, int, Rig, Reading, list<Finding>}
     */
    private static function brighter(?array $one, array $other): array
    {
        return $one === null || [$other[0], $other[1], round($other[2], 9), $other[3]] < [$one[0], $one[1], round($one[2], 9), $one[3]] ? $other : $one;
    }

    /**
     * @param  list<\ZincThimble\Core\Gear\Spacer|VariableSpacer>  $order
     * @return array{int, int, float, int, Rig, Reading, list<Finding>} stops, whether a limit is broken, darkness of the corner, warnings
     */
    private static function read(CameraBody $base, array $order, FrontOptics $optics, FrontSetting $point, Conditions $conditions, SearchCriteria $wanted, float $least): array
    {
        $chain = [...($base->converter === null ? [] : [$base->converter]), ...$order, ...$optics->front->parts];
        $behind = count($chain) - count($optics->front->parts);
        $length = $focus = $aperture = $zoom = [];
        // The draw that is missing goes to the part that can give it all, else to one after the other.
        $missing = max(0.0, $point->z - $least);
        $variable = [];
        foreach ($chain as $p => $part) {
            if ($part instanceof VariableSpacer) {
                $variable[$p] = $part->maxMm - $part->minMm;
                $length[$p] = $part->minMm;
            }
        }
        asort($variable);
        $enough = array_filter($variable, static fn (float $way): bool => $way >= $missing - 1e-9);
        foreach ($enough === [] ? array_reverse($variable, true) : array_slice($enough, 0, 1, true) as $p => $way) {
            $given = min($way, $missing);
            $length[$p] = ($length[$p] ?? 0.0) + $given;
            $missing -= $given;
        }
        foreach ($optics->front->parts as $n => $part) {
            $p = $behind + $n;
            $zoom[$p] = $optics->zoomMm[$n] ?? null;
            if ($part instanceof Lens) {
                $focus[$p] = $n === 0 ? $point->s : $optics->second;
                $aperture[$p] = $n === 0 ? $point->stop : null;
            }
        }
        $rig = Rig::of($base->camera, $chain, new Setting($length, $focus, $aperture, $zoom, [], [], null), $conditions, $wanted->subject());
        $reading = Reading::of($rig);
        $warnings = [];
        $stops = 0;
        foreach (Findings::asSet($rig, $reading) as $finding) {
            if ($finding->severity === Severity::Stop) {
                $stops++;
            } elseif ($finding->code !== Code::JointMismatch) {
                $warnings[] = $finding;
            }
        }

        return [$stops, self::keeps($rig, $reading, $wanted) ? 0 : 1, 1.0 - ($reading->cornerBrightness ?? 1.0), count($warnings), $rig, $reading, $warnings];
    }

    /** Whether the limits that light and rings decide are kept, by the reading itself. */
    private static function keeps(Rig $rig, Reading $reading, SearchCriteria $wanted): bool
    {
        $slack = 1e-7;

        return ($wanted->mostStopsLost === null || ($reading->stopsLost ?? 0.0) <= $wanted->mostStopsLost + $slack)
            && ($wanted->leastCorner === null || ($reading->cornerBrightness ?? 1.0) >= $wanted->leastCorner - $slack)
            && ($wanted->depthMm === null || $reading->depthOfFieldMm === null || $reading->depthOfFieldMm >= $wanted->depthMm * (1.0 - $slack))
            && ($wanted->detailMm === null || $reading->detailMm === null || $reading->detailMm <= $wanted->detailMm * (1.0 + $slack))
            && ($wanted->automatic === null || $rig->totals->coupling->isAutomatic() === $wanted->automatic);
    }

    /** What a joint weighs on a camera (Weight). */
    public static function perJoint(Camera $camera): float
    {
        return ($camera->mountMomentNm ?? Limits::MOUNT_NM) <= Weight::PLASTIC_NM ? Weight::JOINT_ON_PLASTIC : Weight::JOINT;
    }

    /**
     * @param  list<Finding>  $warnings
     * @return list<float>
     */
    private static function rank(Rig $rig, Reading $reading, array $warnings, FrontOptics $optics, SearchCriteria $wanted): array
    {
        $lost = $reading->stopsLost ?? 99.0;
        $joints = $rig->totals->joints;
        $weight = array_sum(array_map(Weight::of(...), $warnings)) + self::perJoint($rig->camera) * $joints
            + LimitCheck::rest($optics->far, $optics->curved, $wanted, $reading->magnification ?? 0.0, $reading->detailMm ?? 0.0, $rig->frame->pitchMm());
        $ease = [round($weight, 6), (float) $joints, $lost];

        return match ($wanted->ranking) {
            Ranking::Ease => $ease,
            Ranking::Room => [-($reading->workingDistanceMm ?? 0.0), ...$ease],
            Ranking::Light => [$lost, ...$ease],
            Ranking::Mass => [$rig->totals->massG ?? INF, ...$ease],
            Ranking::Price => [$rig->totals->price ?? INF, ...$ease],
        };
    }
}
