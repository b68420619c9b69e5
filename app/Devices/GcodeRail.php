<?php

declare(strict_types=1);

namespace App\Devices;

/** A rail that is told in RS-274 over a socket: a line, and its answer (docs/devices.md). */
final class GcodeRail implements Rail
{
    /** Longer than that without an answer, beyond what a move takes, and it is lost, s. */
    private const PATIENCE = 8.0;

    /** @var ?resource */
    private $socket = null;

    public function __construct(private readonly string $host, private readonly int $port, private readonly string $table)
    {
    }

    public function __destruct()
    {
        if (is_resource($this->socket)) {
            fclose($this->socket);
        }
    }

    public function moveTo(float $mm, float $feedMmMin): float
    {
        // How far it is from where it stood before isn't known here: the longest way there may be.
        return $this->say(sprintf('G1 X%.5F F%.2F', $mm, $feedMmMin), 600.0);
    }

    public function position(): float
    {
        return $this->say('G4 P0', 0.0);
    }

    public function dwell(float $seconds): void
    {
        $this->say(sprintf('G4 P%.3F', max(0.0, $seconds)), $seconds);
    }

    /** @return float where it says that it stands, mm */
    private function say(string $line, float $takesS): float
    {
        $socket = $this->connected();
        $answer = @fwrite($socket, $line."\n") === false ? false : $this->answer($socket, $takesS + self::PATIENCE);
        if ($answer === false) {
            fclose($socket);
            $this->socket = null;
            throw DeviceLost::because('The rail doesn’t answer.');
        }
        if (preg_match('/^ok X(-?\d+(?:\.\d+)?)$/', $answer, $told) === 1) {
            return (float) $told[1];
        }
        throw new DeviceRefused(ucfirst(trim((string) preg_replace('/^error: ?/', '', $answer))).'.');
    }

    /** @param  resource  $socket */
    private function answer($socket, float $withinS): string|false
    {
        stream_set_timeout($socket, (int) ceil($withinS));
        $line = fgets($socket, 400);

        return $line === false || ! str_ends_with($line, "\n") ? false : trim($line);
    }

    /** @return resource */
    private function connected()
    {
        if (is_resource($this->socket)) {
            return $this->socket;
        }
        $socket = @stream_socket_client("tcp://{$this->host}:{$this->port}", $code, $message, 3.0);
        if ($socket === false) {
            throw DeviceLost::because('The rail can’t be reached.');
        }
        $this->socket = $socket;
        foreach (['(table '.$this->table.')', 'G21', 'G90'] as $line) {
            $this->say($line, 0.0);
        }

        return $socket;
    }
}
