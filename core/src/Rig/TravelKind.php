<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** What a control of a part changes. */
enum TravelKind: string
{
    /** Helicoid or bellows, mm. */
    case Length = 'length';
    /** Focus ring, 0 to 1. */
    case Focus = 'focus';
    /** Marked f-number. */
    case Aperture = 'aperture';
    /** Focal length of a zoom, mm. */
    case Zoom = 'zoom';
    /** Swing of a bellows standard, degrees. */
    case Swing = 'swing';
    /** Shift of a bellows standard, mm. */
    case Shift = 'shift';

    /** Whether it moves focus: the travels over which range and infinity are taken (the zoom stays as set). */
    public function movesFocus(): bool
    {
        return $this === self::Length || $this === self::Focus;
    }
}
