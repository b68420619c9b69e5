<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Accounts\SessionRows;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\Store;
use Symfony\Component\HttpFoundation\Response;

/** Starts the session that a cookie names, if there is one; a new one under a new id else, which the browser is told of where a page is opened. */
final class StartKnownSession extends StartSession
{
    /** Whether the browser has this cookie already, and no page is being opened. */
    private bool $isKnown = false;

    /** What holds the id that a request got for itself alone, in place of a session that is over. */
    private const IN_PLACE = 'session.in-place';

    private ?Request $asked = null;

    /** The id under which the session was begun: signing in and out gives it another. */
    private ?string $begunAs = null;

    /** A session that was written this many seconds ago isn't written again for having been read: when it was last seen is told that much late. */
    private const LET_BE = 60;

    /** @var array<string, mixed> what it held when it was begun */
    private array $begunWith = [];

    /** When its row was last written; null = it has none. */
    private ?int $seenAt = null;

    public function getSession(Request $request): Session
    {
        $session = parent::getSession($request);
        $given = $request->cookies->get($session->getName());
        $this->seenAt = null;
        $this->asked = $request;
        if ($session instanceof Store) {
            $rows = $session->getHandler();
            if ($rows instanceof SessionRows && $given === $session->getId()) {
                if (! $rows->knows($session->getId())) {
                    $session->setId(null);
                    if (! self::opens($request)) {
                        $request->attributes->set(self::IN_PLACE, $session->getId());
                    }
                }
                $this->seenAt = $rows->seenAt();
            }
        }
        $this->isKnown = $given === $session->getId() && ! self::opens($request);

        return $session;
    }

    /** A page that is opened asks for itself and for who is here: that lengthens the session, nothing else does. */
    public static function opens(Request $request): bool
    {
        return ! $request->is('api/*') || $request->is('api/me');
    }

    /**
     * Whether a request came with a session that is over, opens no page and has signed nobody in. It was asked before somebody signed in or out
     * and is dealt with after it; the browser may have the new session already.
     */
    public static function isTooLate(Request $request): bool
    {
        return $request->attributes->get(self::IN_PLACE) === $request->session()->getId();
    }

    /**
     * An answer to what was asked before somebody signed in may come after it. Said again, the session of before would take the place of the
     * new one in the browser, and be over; so would another new one. So a session is only said where it is new, and never in place of one that is over.
     */
    protected function addCookieToResponse(Response $response, Session $session): void
    {
        $isTooLate = $this->asked !== null && self::isTooLate($this->asked);
        if (! $isTooLate && (! $this->isKnown || $this->begunAs !== $session->getId())) {
            parent::addCookieToResponse($response, $session);
        }
    }

    protected function startSession(Request $request, $session)
    {
        return tap(parent::startSession($request, $session), function (Session $started): void {
            $this->begunAs = $started->getId();
            $this->begunWith = self::heldBy($started);
        });
    }

    /** Nothing goes back to the page before: that isn't kept, so that reading leaves a session as it was. */
    protected function storeCurrentUrl(Request $request, $session): void
    {
    }

    /** Looking at something writes nothing; nor does what came too late, whose session nobody will ask for. */
    protected function saveSession($request): void
    {
        $session = $request->session();
        $isAsItWas = $request->isMethodSafe() && $session->getId() === $this->begunAs && self::heldBy($session) === $this->begunWith
            && $this->seenAt !== null && now()->getTimestamp() - $this->seenAt < self::LET_BE
            && $session->get('_flash.old', []) === [] && $session->get('_flash.new', []) === [];
        if (! $isAsItWas && ! self::isTooLate($request)) {
            parent::saveSession($request);
        }
    }

    /** @return array<string, mixed> */
    private static function heldBy(Session $session): array
    {
        return array_diff_key($session->all(), ['_flash' => 0]);
    }
}
