<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/** What can limit the light of a rig. */
enum OpeningKind: string
{
    case Diaphragm = 'diaphragm';
    case Throat = 'throat';
    case Glass = 'glass';
    case Mount = 'mount';
    case NumericalAperture = 'numerical-aperture';
}
