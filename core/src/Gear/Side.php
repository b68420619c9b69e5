<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** Which half of a joint an end of a part is. */
enum Side: string
{
    case Male = 'male';
    case Female = 'female';
}
