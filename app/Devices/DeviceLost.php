<?php

declare(strict_types=1);

namespace App\Devices;

use Illuminate\Http\JsonResponse;

/** A device doesn't answer, or no longer. What was asked of it may or may not have been done. */
final class DeviceLost extends \RuntimeException
{
    public static function because(string $what, ?\Throwable $why = null): self
    {
        return new self($what, 0, $why);
    }

    /** As the answer to a request: what was asked hangs on a device. */
    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage().' The rest of your work is untouched; try again.'], 424);
    }
}
