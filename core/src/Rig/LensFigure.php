<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/** The figures of a lens that its shots weigh against the catalogue, in the order of its covariance (OPTICS.md, "Shots", "How sure"). */
enum LensFigure: string
{
    case FocalLength = 'focalLengthMm';
    case PrincipalGap = 'principalGapMm';
    case Register = 'registerMm';
    case FrontRim = 'frontRimMm';
    case Magnification = 'maxMagnification';
    case CloseGap = 'closePrincipalGapMm';
    case ClosestFocus = 'minFocusMm';
    case CloseFocalLength = 'closeFocalLengthMm';
}
