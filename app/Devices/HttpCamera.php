<?php

declare(strict_types=1);

namespace App\Devices;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** A camera that is asked over HTTP (docs/devices.md). */
final readonly class HttpCamera implements CameraDevice
{
    public function __construct(private string $host, private int $port, private string $table)
    {
    }

    public function live(ShutterSettings $settings, int $width): string
    {
        return $this->answer(fn (PendingRequest $http): Response => $http->post($this->address('live'), ['width' => $width] + get_object_vars($settings)))->body();
    }

    public function take(string $key, ShutterSettings $settings, FrameCrop $crop): string
    {
        return $this->answer(fn (PendingRequest $http): Response => $http->post($this->address('exposures'), ['key' => $key, 'crop' => get_object_vars($crop)] + get_object_vars($settings)))->body();
    }

    /**
     * Sets up what stands before it.
     *
     * @param  array<string, mixed>  $table
     * @return float where the rail says that it stands, mm
     *
     * @throws DeviceLost|DeviceRefused
     */
    public function lay(array $table): float
    {
        return (float) $this->answer(fn (PendingRequest $http): Response => $http->put($this->address(''), $table))->json('railMm');
    }

    /**
     * Whether anything lies on its table.
     *
     * @throws DeviceLost
     */
    public function isLaid(): bool
    {
        try {
            $this->answer(fn (PendingRequest $http): Response => $http->get($this->address('')));
        } catch (DeviceRefused) {
            return false;
        }

        return true;
    }

    /**
     * Switches the connection of its table off, or on again: a fault to try what happens then.
     *
     * @throws DeviceLost|DeviceRefused
     */
    public function lose(bool $lost): void
    {
        $this->answer(fn (PendingRequest $http): Response => $http->put($this->address('fault'), ['connection' => $lost]));
    }

    /**
     * @param  \Closure(PendingRequest): Response  $ask
     *
     * @throws DeviceLost|DeviceRefused
     */
    private function answer(\Closure $ask): Response
    {
        try {
            $answer = $ask(Http::connectTimeout(3)->timeout(60)->acceptJson());
        } catch (ConnectionException $why) {
            throw DeviceLost::because('The camera can’t be reached.', $why);
        }
        if ($answer->status() >= 500) {
            throw DeviceLost::because('The camera doesn’t answer.');
        }
        if ($answer->failed()) {
            $why = $answer->json('message');
            throw new DeviceRefused(is_string($why) ? $why : 'The camera won’t.');
        }

        return $answer;
    }

    private function address(string $what): string
    {
        return "http://{$this->host}:{$this->port}/tables/{$this->table}".($what === '' ? '' : '/'.$what);
    }
}
