<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/**
 * Every bound of findings, cautions and advice, once. Which side of it the bound itself is on stands beside it: "from" takes it in,
 * "over" and "under" leave it out.
 */
final class Limits
{
    /** `touching`: working distance from 0 to under this, mm. */
    public const TOUCHING_MM = 5.0;

    /** `light-shut-out`: light gap angle under this, degrees. */
    public const SHUT_OUT_DEG = 20.0;

    /** `vignette`: brightness of the corner under this, as a share of the middle. */
    public const CORNER_BRIGHTNESS = 0.9;

    /** Advice: brightness of a corner from which it is clear, as a share of the middle. */
    public const CLEAR_CORNER = 0.999;

    /** `diopter-strong`: power of single close-up lenses together: a note from this, a warning over it, dioptres. */
    public const STRONG_D = 4.0;

    /** An entrance pupil under this width forgives one step of `diopter-strong`, mm. */
    public const FORGIVING_PUPIL_MM = 5.0;

    /** `adds-little`: change of the field without the part under this, as a share. */
    public const ADDS_LITTLE = 0.05;

    /** `turn-it-round`: magnification of a lens the usual way round over this. */
    public const BETTER_REVERSED = 1.0;

    /** `turn-it-round`: a reversed lens does no more than the usual way round from this share of its magnification. */
    public const SAME_EITHER_WAY = 0.95;

    /** `unsuited`: share of a reversed lens's length that adds no extension over this. */
    public const WASTED = 0.5;

    /** `unsuited`: magnification over this with a lens not designed for close-up work. */
    public const CLOSE_UP_WORK = 0.5;

    /** `unsuited`: a lens whose widest number is under this is one of those. */
    public const WIDE_APERTURE = 1.5;

    /** `diffraction`: diffraction spot over this many blur limits. */
    public const SPOT_OVER_BLUR = 2.0;

    /** `slice-thin`: the subject's depth over this many slices is worth knowing. */
    public const SLICES = 1.0;

    /** `slice-thin`: over this many it works badly. */
    public const MANY_SLICES = 10.0;

    /** Usual sway to and fro over half a second, mm, by support (OPTICS.md, "Light"). */
    public const SWAY_MM = ['hand' => 1.0, 'braced' => 0.3];

    /** In which that sway happens, s. */
    public const SWAY_S = 0.5;

    /** `sway`: over this share of half the slice. */
    public const SWAY_SHARE = 1.0;

    /** `heavy-front`: moment about a mount whose own limit is not given, over this, Nm: a metal one. */
    public const MOUNT_NM = 1.0;

    /** `flare`: bare length behind the lens over this, mm. */
    public const BARE_MM = 100.0;

    /** `flare`: bare tubes in a row from this. */
    public const BARE_TUBES = 3;

    /** `infinity-lost`: a subject that far is reason to ask for infinity, mm; from it on. */
    public const FAR_MM = 2000.0;

    /** The same of a subject that wide, mm. */
    public const FAR_WIDTH_MM = 500.0;

    /** `infinity-overshot`: too short by over this, mm; and the slack of a shim that is offered for it. */
    public const SHIM_MM = 0.02;

    /** Caution `heavy`: mass from this, g. */
    public const HEAVY_G = 2000.0;

    /** Caution `heavy`: sensor to front-most metal from this, mm. */
    public const LONG_MM = 350.0;

    /** Caution `flash`: working distance to what flees under this, mm. */
    public const FLASH_NEAR_MM = 150.0;
}
