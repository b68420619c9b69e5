<?php

declare(strict_types=1);

namespace App\Accounts;

use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database, none of which comes back once it has ended.
 *
 * A request that is under way when somebody signs out still knows who they were and writes its session when it ends. Into a row that is
 * gone it writes nothing; but a later request with the same old cookie would have made the row again, for that one to write itself into.
 * So an id that no row has is never taken from a cookie (StartKnownSession).
 */
final class SessionRows extends DatabaseSessionHandler
{
    private ?string $lookedUp = null;

    private ?\stdClass $row = null;

    private ?int $seenAt = null;

    /** Whether there is a session of that id. What was found is kept for reading it, which comes next. */
    public function knows(string $id): bool
    {
        $row = $this->getQuery()->find($id);
        $this->row = $row instanceof \stdClass ? $row : null;
        $this->lookedUp = $id;
        $seen = $row instanceof \stdClass ? $row->last_activity ?? null : null;
        $this->seenAt = is_int($seen) ? $seen : null;

        return $this->row !== null;
    }

    /** When the session that was asked for last was last written, in seconds of the epoch; null = there is none of that id. */
    public function seenAt(): ?int
    {
        return $this->seenAt;
    }

    /** @param  string  $sessionId */
    public function read($sessionId): string|false
    {
        if ($this->lookedUp !== $sessionId || $this->row === null) {
            return parent::read($sessionId);
        }
        [$row, $this->row, $this->lookedUp] = [$this->row, null, null];
        $this->exists = true;

        return $this->expired($row) || ! is_string($row->payload ?? null) ? '' : (string) base64_decode($row->payload, true);
    }
}
