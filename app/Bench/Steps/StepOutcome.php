<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use ZincThimble\Core\Rig\Rig as CoreRig;

/** A rig after a step, and what the step is called in its history. */
final readonly class StepOutcome
{
    public function __construct(public CoreRig $rig, public string $label)
    {
    }
}
