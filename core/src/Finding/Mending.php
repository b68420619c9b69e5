<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelGroups;

/**
 * Changes that cure a finding. Every candidate is carried out on a copy and kept only when the finding is gone, nothing
 * worse has come, and a lens is left.
 */
final class Mending
{
    /** More ways than this to cure one thing only confuse. */
    private const MOST = 2;

    /** And more changes than this are not tried for one of them: a rig of forty parts has hundreds, and each is read whole. */
    private const TRIES = 60;

    /** Where glass stands between more moving parts than this, each of them takes ten times as long. */
    private const FEW = 5;

    /** Findings that no change of the rig cures, and why. */
    public const WITHOUT = [
        'heavy-front' => 'It is held differently, not built differently.',
        'screw-loose' => 'It is a way of holding the barrel, not of building the rig.',
        'data-disagree' => 'Only a measurement tells which figure is wrong.',
        'no-shoulder' => 'The adapter is what it is; it is screwed in with care.',
        'body-uncoupled' => 'It is a setting of the camera.',
        'flare' => 'It is cured with black lining, which changes no figure.',
        'unsuited' => 'It takes another lens, which is the person’s choice.',
    ];

    /** A mend that leaves less than this share of the magnification, or more than its inverse, is another picture. */
    private const SAME_PICTURE = 0.5;

    /**
     * What cures each finding; a change that cures two stands with the worse of them alone.
     *
     * @param  list<Finding>  $findings  as told, worst first
     * @param  list<Part>  $kit  parts at hand that are not in the rig
     * @return list<array{Finding, list<Mend>}>
     */
    public static function ofAll(Rig $rig, array $findings, array $kit = []): array
    {
        $before = self::findings($rig);
        $offered = [];
        $all = [];
        foreach ($findings as $finding) {
            $mends = [];
            foreach (self::among($rig, $finding, $before, $kit) as $mend) {
                if (! isset($offered[$mend->change()])) {
                    $offered[$mend->change()] = true;
                    $mends[] = $mend;
                }
            }
            $all[] = [$finding, $mends];
        }

        return $all;
    }

    /**
     * @param  list<Part>  $kit  parts at hand that are not in the rig
     * @return list<Mend> the least change of magnification first
     */
    public static function of(Rig $rig, Finding $finding, array $kit = []): array
    {
        return self::among($rig, $finding, self::findings($rig), $kit);
    }

    /**
     * @param  list<Finding>  $findings  all of the rig's
     * @param  list<Part>  $kit
     * @return list<Mend>
     */
    private static function among(Rig $rig, Finding $finding, array $findings, array $kit): array
    {
        if (isset(self::WITHOUT[$finding->code->value])) {
            return [];
        }
        $before = Reading::of($rig)->magnification ?? 0.0;
        $mends = [];
        $tried = [];
        $tries = 0;
        $most = count(TravelGroups::of($rig)) > self::FEW ? intdiv(self::TRIES, 10) : self::TRIES;
        foreach (MendCandidates::for($rig, $finding, $kit) as $candidate) {
            // Two ways to one change come to the same; and whoever reads two like buttons wonders what the second does.
            $change = $candidate->change();
            if (isset($tried[$change])) {
                continue;
            }
            $tried[$change] = true;
            if (++$tries > $most) {
                break;
            }
            try {
                $after = self::applied($rig, $candidate);
            } catch (InvalidFigure) {
                continue;
            }
            if ($after->lenses === [] && $rig->lenses !== []) {
                continue;
            }
            $magnification = Reading::of($after)->magnification;
            if (! self::isSamePicture($finding, $before, $magnification)) {
                continue;
            }
            if (self::cures($finding, $findings, self::findings($after))) {
                $mends[] = $candidate->leavingMagnification($magnification);
            }
        }
        usort($mends, static fn (Mend $a, Mend $b): int => [count($a->steps), abs(($a->magnification ?? 0.0) - $before)] <=> [count($b->steps), abs(($b->magnification ?? 0.0) - $before)]);

        return array_slice($mends, 0, self::MOST);
    }

    /** Whether the rig still does what it is for. What can't work at all has nothing to lose, and who asks for infinity wants no magnification. */
    private static function isSamePicture(Finding $finding, float $before, ?float $after): bool
    {
        return $finding->severity === Severity::Stop || in_array($finding->code, [Code::InfinityOvershot, Code::InfinityLost], true) || $before <= 0.0
            || $after !== null && $after >= self::SAME_PICTURE * $before && self::SAME_PICTURE * $after <= $before;
    }

    /** The rig after all steps of a mend. */
    public static function applied(Rig $rig, Mend $mend): Rig
    {
        foreach ($mend->steps as $step) {
            $rig = $step->applyTo($rig);
        }

        return $rig;
    }

    /** @return list<Finding> without what needs half-widths */
    public static function findings(Rig $rig): array
    {
        $range = Range::of($rig, rough: true);

        return Findings::all($rig, Reading::of($rig), $range, Infinity::of($rig, $range));
    }

    /**
     * Whether one finding fewer of that code is there that is as bad, and nothing new that is worse than it.
     *
     * @param  list<Finding>  $before
     * @param  list<Finding>  $after
     */
    public static function cures(Finding $finding, array $before, array $after): bool
    {
        if (self::count($after, $finding) >= self::count($before, $finding)) {
            return false;
        }
        foreach ($after as $each) {
            $known = array_filter($before, static fn (Finding $other): bool => $other->code === $each->code && $other->severity->rank() <= $each->severity->rank());
            if ($known === [] && $each->severity->rank() < $finding->severity->rank()) {
                return false;
            }
            if ($each->severity === Severity::Stop && self::count($after, $each) > self::count($before, $each)) {
                return false;
            }
        }

        return true;
    }

    /**
     * How many findings say that, and as badly. A rig set past infinity and one whose stop lies past it share a code, and curing one leaves the other.
     *
     * @param  list<Finding>  $findings
     */
    private static function count(array $findings, Finding $finding): int
    {
        return count(array_filter($findings, static fn (Finding $each): bool => $each->code === $finding->code
            && $each->severity->rank() <= $finding->severity->rank()
            && ($each->code !== Code::InfinityOvershot || $each->pattern === $finding->pattern)));
    }
}
