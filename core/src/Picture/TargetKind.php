<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** What rigs are tried on: things of sizes of our own, or the subject as it is described. */
enum TargetKind: string
{
    case Subject = 'subject';
    case Seed = 'seed';
    case Capsule = 'capsule';
    case Tooth = 'tooth';
    case Dots = 'dots';
    case Grid = 'grid';
    case Print = 'print';
    case Label = 'label';
    case Ruler = 'ruler';
    case Edge = 'edge';
    case Rule = 'rule';

    /** Whether it is there to be measured: as large as the field asks for. */
    public function isMeasured(): bool
    {
        return $this === self::Ruler || $this === self::Edge || $this === self::Rule;
    }
}
