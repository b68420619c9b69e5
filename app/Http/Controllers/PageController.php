<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\Opening;
use App\Http\Middleware\CheckToken;
use App\Models\User;
use App\Operations\Troubles;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Database\QueryException;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\RateLimiter;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;
use Symfony\Component\HttpFoundation\Response;

/** The one page that all places are drawn in. */
final class PageController
{
    /** What a page asked for of the API is done through: who has a session here is known, and it is lengthened. */
    private const KNOWN = [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class, CheckToken::class, AuthenticateSession::class];

    /** Pages with answers in them, a minute and person. Further ones come without, and ask. */
    private const PER_MINUTE = 600;

    /** Where in the page they stand. */
    private const ANSWERS = '<!-- answers -->';

    public function __construct(private readonly Pipeline $pipeline)
    {
    }

    public function place(): Response
    {
        return response()->view('application');
    }

    /** The bench, with what it asks first for whoever has a session; for everybody else the page and nothing more. */
    public function bench(Request $request, Opening $opening, ?string $rig = null): Response
    {
        $cookie = config('session.cookie');
        if (! is_string($cookie) || ! $request->cookies->has($cookie)) {
            return $this->place();
        }
        try {
            $page = $this->pipeline->send($request)->through(self::KNOWN)->then(fn (Request $request): Response => $this->answering($request, $opening, $rig));
            assert($page instanceof Response);

            return $page;
        } catch (AuthenticationException) {
            // The password has changed since; the screens are told so when they ask.
            return $this->place();
        } catch (QueryException|\PDOException $exception) {
            // The page needs no store: what is away is told on it.
            return Troubles::isAway($exception) ? $this->place() : throw $exception;
        }
    }

    private function answering(Request $request, Opening $opening, ?string $rig): Response
    {
        $user = $request->user();
        if (! $user instanceof User || $user->isOver() || ! RateLimiter::attempt("page {$user->id}", self::PER_MINUTE, static fn (): bool => true)) {
            return $this->place();
        }
        [$before, $after] = explode(self::ANSWERS, view('application')->render(), 2);

        // The browser fetches the scripts that the first half names while the second is worked out.
        return response()->stream(function () use ($before, $after, $opening, $user, $rig): void {
            echo $before;
            if (ob_get_level() > 0) {
                ob_flush();
            }
            flush();
            echo $this->answers($opening, $user, $rig === null ? null : (int) $rig), $after;
        }, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            // Somebody's own, which nobody else at this browser is to see again.
            'Cache-Control' => 'no-store, private',
            'X-Accel-Buffering' => 'no',
        ]);
    }

    /** As text that an element which isn't run may hold: nothing in it ends that element. */
    private function answers(Opening $opening, User $user, ?int $rig): string
    {
        try {
            $answers = json_encode($opening->answers($user, $rig), JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        } catch (\Throwable $trouble) {
            // Half of the page is there: the screens ask for what the other half lacks, and tell what is wrong.
            report($trouble);

            return '';
        }

        return '<script type="application/json" id="answers">'.$answers.'</script>';
    }
}
