<?php

declare(strict_types=1);

namespace App\Devices;

use Illuminate\Http\JsonResponse;

/** A device answers, and won't: why, in words for whoever asked. */
final class DeviceRefused extends \RuntimeException
{
    /** As the answer to a request. */
    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage(), 'errors' => [['pointer' => '/device', 'message' => $this->getMessage()]]], 422);
    }
}
