<?php

declare(strict_types=1);

namespace App\Kit;

use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Rigs stand on a part that is to go. They would stay readable; whoever asks should know. */
final class PartInUse extends ConflictHttpException
{
    /** @param  list<string>  $rigs */
    public function __construct(public readonly array $rigs)
    {
        parent::__construct(count($rigs) === 1 ? 'A rig uses this part.' : count($rigs).' rigs use this part.');
    }

    public function render(): JsonResponse
    {
        return response()->json(['message' => $this->getMessage(), 'rigs' => $this->rigs], 409);
    }
}
