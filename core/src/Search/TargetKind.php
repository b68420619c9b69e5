<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** What a wish can ask to be met exactly. */
enum TargetKind
{
    case Magnification;
    case WorkingDistance;
    case SubjectDistance;
}
