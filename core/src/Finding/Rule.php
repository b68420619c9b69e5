<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** One mistake, or a few of one kind, that rigs are searched for. */
interface Rule
{
    /** @return list<Span> */
    public function find(RuleContext $context): array;
}
