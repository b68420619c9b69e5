<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** Other long work of the same person is still running. */
final class TooBusy extends ServiceUnavailableHttpException
{
    public function __construct()
    {
        parent::__construct(3, 'Something else of yours is still being worked out. Try again in a few seconds.');
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage(), 'busy' => true], 503, ['Retry-After' => '3']);
    }
}
