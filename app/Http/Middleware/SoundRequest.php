<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use ZincThimble\Core\File\Check;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\Sound;

/**
 * The outermost gate: what can't be decoded, kept or told again gets no further, whichever field it came in. Fields have their own
 * rules behind it.
 */
final class SoundRequest
{
    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        // Nobody signs in by a header here: the cookie of the session is the only way. Whoever sends one means another service.
        if ($request->is('api/*') && $request->headers->has('Authorization')) {
            return new JsonResponse(['message' => 'Sign in on the page: there is no other way in here, and none by a header.'], 401);
        }
        // The session keeps what the browser calls itself; only letters that any column takes.
        $agent = preg_replace('/[^\x20-\x7E]/', '?', (string) $request->headers->get('User-Agent')) ?? '';
        $request->headers->set('User-Agent', substr($agent, 0, 300));
        $check = new Check;
        Sound::check($request->query->all(), $check, '/query');
        if (Sound::fault(rawurldecode($request->getPathInfo())) !== null) {
            $check->fault('/path', 'is no address of anything here');
        }
        $body = $request->getContent();
        if ($body !== '' && $request->isJson()) {
            try {
                Json::bounded($body);
                Sound::check(json_decode($body, false, Sound::DEPTH, JSON_THROW_ON_ERROR), $check);
            } catch (FileInvalid $invalid) {
                return self::refused($invalid->faults);
            } catch (\JsonException) {
                $check->fault('', 'is no JSON, or nested too deep');
            }
        } else {
            Sound::check($request->request->all(), $check);
        }

        return $check->faults() === [] ? $next($request) : self::refused($check->faults());
    }

    /** @param  list<Fault>  $faults */
    private static function refused(array $faults): JsonResponse
    {
        return new JsonResponse([
            'message' => 'That can’t be read.',
            'errors' => array_map(static fn (Fault $fault): array => ['pointer' => $fault->pointer, 'message' => $fault->message], array_slice($faults, 0, 50)),
        ], 422);
    }
}
