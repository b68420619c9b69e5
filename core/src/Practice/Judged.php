<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/** Whether a task is done, in one sentence whose figures stand as in findings: `{m:x}`. */
final readonly class Judged
{
    /** @param  array<string, float>  $numbers */
    public function __construct(public bool $done, public string $pattern, public array $numbers)
    {
    }
}
