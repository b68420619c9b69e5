<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * What is stored was shown first: a change and the answer that shows it are one transaction. What can't be shown, because some figure
 * in it overflows or two of its figures can't go together, isn't kept.
 */
final class Shown
{
    /**
     * What can't be shown is refused as a validation error, and nothing is changed then.
     *
     * @param  callable(): mixed  $change  changes, and says what its screen gets
     */
    public static function first(callable $change, int $status = 200): JsonResponse
    {
        return DB::transaction(static function () use ($change, $status): JsonResponse {
            try {
                $shown = $change();
            } catch (\ArithmeticError $fault) {
                throw self::refused($fault);
            }
            try {
                return new JsonResponse($shown, $status);
            } catch (\InvalidArgumentException $fault) {
                // JSON has no figure for what no number can hold.
                throw self::refused($fault);
            }
        });
    }

    private static function refused(\Throwable $fault): ValidationException
    {
        logger()->info('A change that could not be shown was not kept.', ['exception' => $fault]);

        return ValidationException::withMessages(['document' => 'With these figures nothing can be worked out any more, so nothing was changed. Look at the largest and the smallest of them.']);
    }
}
