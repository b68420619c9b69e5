<?php

declare(strict_types=1);

namespace App\Bench;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** A change was meant for a rig or an outing that has changed since. Nothing was written. */
final class StaleRevision extends ConflictHttpException
{
    /** @param  string  $what  what was changed, in a word */
    public function __construct(public readonly int $revision, string $what = 'rig')
    {
        parent::__construct('This '.$what.' was changed in another window. It is shown as it is now; repeat the last step.');
    }

    public function render(): JsonResponse
    {
        return response()->json(['message' => $this->getMessage(), 'revision' => $this->revision], 409);
    }
}
