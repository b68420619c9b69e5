<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;

/** An answer that takes long, worked out once for each state of what it is told of, by this code; only the last one is kept. */
final class KeptAnswer
{
    /**
     * @param  string  $key  whose answer it is
     * @param  array<mixed>  $of  the state of all that it is told of
     * @param  \Closure(): string  $told  works it out, as JSON
     */
    public static function of(string $key, array $of, \Closure $told): Response
    {
        $state = [$of, Code::ofAnswers()];
        $kept = Cache::get($key);
        if (! is_array($kept) || ($kept['state'] ?? null) !== $state) {
            $kept = ['state' => $state, 'json' => $told()];
            Cache::put($key, $kept, now()->addWeek());
        }

        return new Response((string) $kept['json'], 200, ['Content-Type' => 'application/json']);
    }
}
