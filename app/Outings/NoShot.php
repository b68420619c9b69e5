<?php

declare(strict_types=1);

namespace App\Outings;

/** Why no shot of a lens can be told from what was written down. */
enum NoShot: string
{
    case NotAlone = 'A shot is of one lens by itself: this rig has none, or has other glass beside it.';
    case NotInKit = 'The kit doesn’t have this lens any more, so nothing can be kept with it.';
    case Unread = 'What the scales read isn’t known: without it nobody can tell where the lens stood. Write the entry down anew with it.';
    case NothingMeasured = 'A shot needs something measured: a ruler across the frame, the magnification, or the distance from front to subject.';
}
