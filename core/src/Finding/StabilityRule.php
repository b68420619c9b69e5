<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** `heavy-front`: more moment than the camera's mount takes. */
final class StabilityRule implements Rule
{
    /** `heavy-front`: the moment about the mount, Nm, over its limit. */
    public function find(RuleContext $context): array
    {
        $limit = $context->rig->camera->mountMomentNm ?? Limits::MOUNT_NM;

        return Span::where($context->columns->momentAtMountNm, $limit, INF, new Finding(Code::HeavyFront, Severity::Warn, -1,
            'The rig pulls on the camera’s mount with {moment:nm}; its limit is {limit:nm}. Hold it at its foot or at the bellows.', ['limit' => $limit]),
            ['moment' => $context->columns->momentAtMountNm]);
    }
}
