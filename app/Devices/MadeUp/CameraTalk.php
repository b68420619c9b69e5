<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;
use GuzzleHttp\Psr7\Response;
use Psr\Http\Message\RequestInterface;

/** What a made-up camera answers over HTTP (docs/devices.md), and how long it takes. */
final class CameraTalk
{
    /** No exposure is waited for longer, s. */
    private const LONGEST = 60.0;

    public function __construct(private readonly Tables $tables)
    {
    }

    /**
     * @return array{float, \Closure(float): Response} after how many seconds it answers, and what
     */
    public function take(RequestInterface $request, float $pace): array
    {
        if (preg_match('#^/tables/([A-Za-z0-9]+)(/[a-z]+)?$#', $request->getUri()->getPath(), $told) !== 1) {
            return [0.0, static fn (): Response => self::refusal(404, 'There is nothing here.')];
        }
        $what = $request->getMethod().' '.($told[2] ?? '');
        $body = json_decode((string) $request->getBody(), true);
        $body = is_array($body) ? $body : [];
        try {
            if ($what === 'PUT ') {
                $table = $this->tables->lay($told[1], $body);

                return [0.0, static fn (): Response => self::told($table)];
            }
            $table = $this->tables->named($told[1]);
            if ($what === 'PUT /fault') {
                $table->isLost = ($body['connection'] ?? false) === true;
                $table->stands();

                return [0.0, static fn (): Response => self::told($table)];
            }
            if ($table->isLost) {
                return [0.0, static fn (): Response => self::refusal(503, 'The connection is lost.')];
            }

            return match ($what) {
                'GET ' => [0.0, static fn (): Response => self::told($table)],
                'POST /live' => [0.0, static fn (float $now): Response => self::picture('image/jpeg', static fn (): string => $table->live($body, $now))],
                'POST /exposures' => [self::takes($table, $body) * $pace, static fn (float $now): Response => self::picture('image/png', static fn (): string => $table->expose($body, $now))],
                default => [0.0, static fn (): Response => self::refusal(404, 'There is nothing here.')],
            };
        } catch (DeviceRefused $why) {
            return [0.0, static fn (): Response => self::refusal(422, ucfirst($why->getMessage()).'.')];
        }
    }

    /** @param  array<array-key, mixed>  $body */
    private static function takes(Table $table, array $body): float
    {
        return is_string($body['key'] ?? null) && $table->has($body['key']) ? 0.0 : max(0.0, min(self::LONGEST, is_numeric($body['exposureS'] ?? null) ? (float) $body['exposureS'] : 0.0));
    }

    private static function told(Table $table): Response
    {
        return self::json(200, ['railMm' => $table->carriage->saysMm, 'travelMm' => $table->carriage->travelMm, 'unitMm' => $table->carriage->unitMm, 'connection' => ! $table->isLost]);
    }

    /** @param  \Closure(): string  $make */
    private static function picture(string $type, \Closure $make): Response
    {
        try {
            return new Response(200, ['Content-Type' => $type], $make());
        } catch (DeviceRefused $why) {
            return self::refusal(422, ucfirst($why->getMessage()).'.');
        }
    }

    private static function refusal(int $status, string $why): Response
    {
        return self::json($status, ['message' => $why]);
    }

    /** @param  array<string, mixed>  $body */
    private static function json(int $status, array $body): Response
    {
        return new Response($status, ['Content-Type' => 'application/json'], json_encode($body, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}
