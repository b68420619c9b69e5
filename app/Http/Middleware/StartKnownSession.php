<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Accounts\SessionRows;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\Store;

/** Starts the session that a cookie names, if there is one; a new one under a new id else. */
final class StartKnownSession extends StartSession
{
    public function getSession(Request $request): Session
    {
        $session = parent::getSession($request);
        if ($session instanceof Store) {
            $rows = $session->getHandler();
            if ($rows instanceof SessionRows && $request->cookies->get($session->getName()) === $session->getId() && ! $rows->knows($session->getId())) {
                $session->setId(null);
            }
        }

        return $session;
    }
}
