<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;

/** What was measured of a rig, brought to the figures that are predicted. */
final class Measurements
{
    /** What stands for a ruler that reaches across the frame: mm of it, and its half-width. */
    private const FIELD = 'fieldWidthMm';

    /** Half-width of what a ruler across the frame reads, mm at both ends together, and as a share of it, unless given. */
    private const RULER_MM = 0.1;

    private const RULER_SHARE = 0.002;

    /**
     * With the magnification that a ruler across the frame tells, where none was given: sensor width over so many mm of it. What else was
     * measured stays as it is.
     */
    public static function of(Rig $rig, Values $measured): Values
    {
        $name = LedgerFigure::Magnification->value;
        $field = $measured->floatOrNull(self::FIELD);
        if ($field === null || $field <= 0.0 || $measured->has($name)) {
            return $measured;
        }
        $half = $measured->floatOrNull(self::FIELD.'HalfWidth') ?? max(self::RULER_MM, self::RULER_SHARE * $field);
        $m = $rig->frame->widthMm / $field;

        return new Values($measured->fields + [$name => $m, LedgerFigure::Magnification->halfWidth() => $m * $half / $field]);
    }
}
