<?php

declare(strict_types=1);

namespace App\Operations;

use App\Devices\DeviceLost;
use App\Devices\DeviceRefused;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Gear\InvalidFigure;

/**
 * What went wrong, as a person is told it: what happened, what it means for the work, what to do. Never a class, a table or a line
 * of code; what isn't theirs and what isn't there sound alike.
 */
final class Troubles
{
    /** SQLSTATE classes and codes of a database that is away: connection, no resources, shutting down or starting, read only. */
    private const AWAY = ['08', '53', '57', '25006', 'HY000'];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        // A file of somebody's that can't be read is their news, not a fault of ours; so is a device that is switched off, or won't.
        $exceptions->dontReport([FileInvalid::class, InvalidFigure::class, DeviceLost::class, DeviceRefused::class]);
        $exceptions->context(fn (): array => ['reference' => self::reference()]);
        $exceptions->render(fn (FileInvalid $exception): JsonResponse => self::faulty('The file can’t be read.', $exception->faults));
        $exceptions->render(fn (InvalidFigure $exception): JsonResponse => self::faulty($exception->getMessage(), [
            new Fault('/'.str_replace('.', '/', $exception->field), $exception->getMessage()),
        ]));
        $exceptions->render(fn (AuthenticationException $exception, Request $request): ?JsonResponse => self::wantsJson($request) ? self::told(401, 'Sign in or open the demonstration first.') : null);
        $exceptions->render(fn (QueryException|\PDOException $exception, Request $request): ?Response => self::isAway($exception)
            ? (self::wantsJson($request)
                ? self::told(503, 'The store is away for a moment. What you have here stays, and nothing was half saved: it is tried again by itself.', ['Retry-After' => '2'])
                : response(view('errors.503'), 503, ['Retry-After' => '5']))
            : null);
        $exceptions->render(function (\Throwable $exception, Request $request): ?JsonResponse {
            if (! self::wantsJson($request)) {
                return null;
            }
            $status = match (true) {
                $exception instanceof TokenMismatchException => 419,
                $exception instanceof HttpExceptionInterface => $exception->getStatusCode(),
                default => null,
            };

            return match (true) {
                // Validation, conflicts and the like speak for themselves.
                $exception instanceof \Illuminate\Validation\ValidationException, $exception instanceof \Illuminate\Http\Exceptions\HttpResponseException, method_exists($exception, 'render') => null,
                $exception instanceof ThrottleRequestsException => self::told(429, self::wait($exception), $exception->getHeaders()),
                $status === 403, $status === 404 => self::told(404, 'There is nothing of yours there. It may have been deleted, or the address is not complete.'),
                $status === 405 => self::told(405, 'That is not done at this address.'),
                $status === 413 => self::told(413, 'That is more than 12 MB; nothing of it was taken in.'),
                $status === 419 => self::told(419, 'This page has been open for long and has to be loaded anew. What is saved stays saved.'),
                $status !== null && $status < 500 => self::told($status, 'That can’t be done.'),
                $status === 503 => self::told(503, 'It is being looked after and back in a moment. What is saved stays saved.', ['Retry-After' => '5']),
                default => self::told(500, 'That went wrong on this side, and was not done; everything is as it was before. Try again, and tell whoever runs this if it comes back: '.self::reference().'.'),
            };
        });
    }

    /** A word by which the person and the log name the same mishap. */
    public static function reference(): string
    {
        $reference = Context::get('reference');
        if (! is_string($reference)) {
            $reference = Str::lower(Str::random(8));
            Context::add('reference', $reference);
        }

        return $reference;
    }

    public static function isAway(\Throwable $exception): bool
    {
        $code = (string) $exception->getCode();
        $message = $exception->getMessage();
        foreach (self::AWAY as $prefix) {
            if (str_starts_with($code, $prefix) && ($prefix !== 'HY000' || str_contains($message, 'server closed the connection') || str_contains($message, 'no connection to the server'))) {
                return true;
            }
        }

        // A connection that was never made has the driver's own number.
        return $code === '7' && (str_contains($message, 'connection to server') || str_contains($message, 'server closed the connection') || str_contains($message, 'no connection'));
    }

    /** @param  list<Fault>  $faults */
    private static function faulty(string $message, array $faults): JsonResponse
    {
        return new JsonResponse(['message' => $message, 'errors' => array_map(static fn (Fault $fault): array => ['pointer' => $fault->pointer, 'message' => $fault->message], array_slice($faults, 0, 500))], 422);
    }

    /** @param  array<mixed>  $headers */
    private static function told(int $status, string $message, array $headers = []): JsonResponse
    {
        return new JsonResponse(['message' => $message], $status, $headers);
    }

    private static function wait(ThrottleRequestsException $exception): string
    {
        $after = $exception->getHeaders()['Retry-After'] ?? null;
        $seconds = is_numeric($after) ? max(1, (int) $after) : 60;

        return 'That was asked too often in a short time. Wait '.($seconds === 1 ? 'a second' : $seconds.' seconds').', then try again; nothing was lost.';
    }

    private static function wantsJson(Request $request): bool
    {
        return $request->is('api/*') || $request->expectsJson();
    }
}
