<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The session's token is told where it is new, and where a page is opened: for the reason that StartKnownSession gives. */
final class CheckToken extends ValidateCsrfToken
{
    /**
     * @param  Request  $request
     * @param  Response  $response
     */
    protected function addCookieToResponse($request, $response): Response
    {
        $isKnown = $request->cookies->get('XSRF-TOKEN') === $request->session()->token();

        return StartKnownSession::isTooLate($request) || ($isKnown && ! StartKnownSession::opens($request)) ? $response : parent::addCookieToResponse($request, $response);
    }
}
