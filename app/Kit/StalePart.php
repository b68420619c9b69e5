<?php

declare(strict_types=1);

namespace App\Kit;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** A change was meant for a part or a kit that has changed since. Nothing was written. */
final class StalePart extends ConflictHttpException
{
    public function __construct(string $what, public readonly int $version)
    {
        parent::__construct($what.' was changed in another window. Look at it as it is now, then change it again.');
    }

    public function render(): JsonResponse
    {
        return response()->json(['message' => $this->getMessage(), 'version' => $this->version], 409);
    }
}
