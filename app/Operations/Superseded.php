<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Nobody waits for this answer any more: the same person asked again. */
final class Superseded extends ConflictHttpException
{
    public function __construct()
    {
        parent::__construct('A newer question has taken the place of this one.');
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage()], 409);
    }
}
