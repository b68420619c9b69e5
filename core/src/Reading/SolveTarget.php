<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** A reading that a control can be set for. */
enum SolveTarget: string
{
    case Magnification = 'magnification';
    case FieldWidth = 'fieldWidthMm';
    case WorkingDistance = 'workingDistanceMm';
    case SubjectDistance = 'subjectDistanceMm';
}
