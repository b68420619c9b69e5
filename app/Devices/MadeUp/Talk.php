<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

/** One connection to the driver: what came in and isn't taken yet, and what is still to go out. */
final class Talk
{
    public string $in = '';

    public string $out = '';

    /** Whether it ends when all has gone out. */
    public bool $ends = false;

    /** Whether something is under way that isn't answered yet. */
    public bool $busy = false;

    /** @param  ?RailTalk  $rail  null = it is the camera's */
    public function __construct(public readonly ?RailTalk $rail)
    {
    }
}
