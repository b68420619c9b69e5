<?php

declare(strict_types=1);

namespace App\Bench;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** A step was meant for a rig that has changed since. Nothing was written. */
final class StaleRevision extends ConflictHttpException
{
    public function __construct(public readonly int $revision)
    {
        parent::__construct('This rig was changed in another window. It is shown as it is now; repeat the last step.');
    }

    public function render(): JsonResponse
    {
        return response()->json(['message' => $this->getMessage(), 'revision' => $this->revision], 409);
    }
}
