<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;
use GuzzleHttp\Psr7\Message;
use GuzzleHttp\Psr7\Response;

/**
 * The made-up rail and camera as a process of its own: the rail on one loopback socket, a line at a time, the camera over HTTP on another.
 * Whatever takes its time is answered when it has passed; meanwhile others are served.
 */
final class Driver
{
    /** Bytes of a line and of a request, at the most; connections at a time. */
    private const LINE = 400;

    private const REQUEST = 3_000_000;

    private const MOST = 64;

    /** How often tables that nobody touches are looked for, s. */
    private const SWEEPS = 3600.0;

    /** @var array<int, resource> */
    private array $sockets = [];

    /** @var array<int, Talk> */
    private array $talks = [];

    /** @var list<array{at: float, id: int, answer: \Closure(float): string, ends: bool}> */
    private array $due = [];

    private CameraTalk $camera;

    private function __construct(private readonly Tables $tables, private readonly float $pace)
    {
        $this->camera = new CameraTalk($tables);
    }

    /**
     * Runs until it is ended.
     *
     * @param  float  $pace  of real time: 1 = as long as it takes
     *
     * @throws \RuntimeException when a port can't be had
     */
    public static function run(string $host, int $railPort, int $cameraPort, string $folder, float $pace): never
    {
        $rail = self::listen($host, $railPort);
        $camera = self::listen($host, $cameraPort);
        $driver = new self(new Tables($folder), $pace);
        $swept = -INF;
        while (true) {
            if (hrtime(true) / 1e9 - $swept > self::SWEEPS) {
                $swept = hrtime(true) / 1e9;
                $driver->tables->sweep(time());
            }
            $driver->turn($rail, $camera);
        }
    }

    /** @return resource */
    private static function listen(string $host, int $port)
    {
        $socket = @stream_socket_server("tcp://{$host}:{$port}", $code, $message);
        if ($socket === false) {
            throw new \RuntimeException("Port {$port} can't be had: {$message}");
        }
        stream_set_blocking($socket, false);

        return $socket;
    }

    /**
     * @param  resource  $rail
     * @param  resource  $camera
     */
    private function turn($rail, $camera): void
    {
        $now = hrtime(true) / 1e9;
        $due = array_values(array_filter($this->due, static fn (array $each): bool => $each['at'] <= $now));
        $this->due = array_values(array_filter($this->due, static fn (array $each): bool => $each['at'] > $now));
        foreach ($due as $each) {
            $this->answered($each['id'], ($each['answer'])($now), $each['ends']);
        }
        $read = [$rail, $camera, ...array_values($this->sockets)];
        $write = array_values(array_filter($this->sockets, fn ($socket): bool => $this->talks[(int) $socket]->out !== ''));
        $none = null;
        $next = $this->due === [] ? 1.0 : max(0.0, min(1.0, min(array_column($this->due, 'at')) - hrtime(true) / 1e9));
        if (@stream_select($read, $write, $none, (int) $next, (int) (fmod($next, 1.0) * 1e6)) === false) {
            return;
        }
        foreach ($read as $socket) {
            if ($socket === $rail || $socket === $camera) {
                $this->accept($socket, $socket === $rail);
            } else {
                $this->hear($socket);
            }
        }
        foreach ($write as $socket) {
            if (isset($this->talks[(int) $socket])) {
                $this->send($socket);
            }
        }
    }

    /** @param  resource  $listener */
    private function accept($listener, bool $isRail): void
    {
        $socket = @stream_socket_accept($listener, 0.0);
        if ($socket === false) {
            return;
        }
        if (count($this->sockets) >= self::MOST) {
            fclose($socket);

            return;
        }
        stream_set_blocking($socket, false);
        $this->sockets[(int) $socket] = $socket;
        $this->talks[(int) $socket] = new Talk($isRail ? new RailTalk($this->tables) : null);
    }

    /** @param  resource  $socket */
    private function hear($socket): void
    {
        $id = (int) $socket;
        $bytes = @fread($socket, 65_536);
        if ($bytes === false || ($bytes === '' && feof($socket))) {
            $this->close($id);

            return;
        }
        $this->talks[$id]->in .= $bytes;
        $this->listenTo($id);
    }

    private function listenTo(int $id): void
    {
        if (! isset($this->talks[$id]) || $this->talks[$id]->busy) {
            return;
        }
        $talk = $this->talks[$id]->rail;
        $talk === null ? $this->request($id) : $this->line($id, $talk);
    }

    private function line(int $id, RailTalk $talk): void
    {
        $in = $this->talks[$id]->in;
        $end = strpos($in, "\n");
        if ($end === false) {
            if (strlen($in) > self::LINE) {
                $this->answered($id, "error: a line is too long\n", true);
            }

            return;
        }
        $line = trim(substr($in, 0, $end));
        $this->talks[$id]->in = substr($in, $end + 1);
        if ($line === '') {
            $this->listenTo($id);

            return;
        }
        try {
            $taken = $talk->take($line, $this->pace);
        } catch (DeviceRefused $why) {
            $this->answered($id, 'error: '.$why->getMessage()."\n", false);

            return;
        }
        if ($taken === null) {
            $this->close($id);

            return;
        }
        [$after, $answer] = $taken;
        $this->later($id, $after, static fn (float $now): string => $answer($now)."\n", false);
    }

    private function request(int $id): void
    {
        $in = $this->talks[$id]->in;
        $head = strpos($in, "\r\n\r\n");
        $length = $head !== false && preg_match('/^content-length:\s*(\d{1,9})\s*$/mi', substr($in, 0, $head), $told) === 1 ? (int) $told[1] : 0;
        if (strlen($in) > self::REQUEST || $length > self::REQUEST || ($head === false && strlen($in) > 16_384)) {
            $this->answered($id, self::wire(new Response(413)), true);

            return;
        }
        if ($head === false || strlen($in) < $head + 4 + $length) {
            return;
        }
        $this->talks[$id]->in = '';
        try {
            $request = Message::parseRequest(substr($in, 0, $head + 4 + $length));
        } catch (\InvalidArgumentException) {
            $this->answered($id, self::wire(new Response(400)), true);

            return;
        }
        [$after, $answer] = $this->camera->take($request, $this->pace);
        $this->later($id, $after, static fn (float $now): string => self::wire($answer($now)), true);
    }

    private static function wire(Response $response): string
    {
        return Message::toString($response->withHeader('Connection', 'close')->withHeader('Content-Length', (string) $response->getBody()->getSize()));
    }

    /** @param  \Closure(float): string  $answer */
    private function later(int $id, float $after, \Closure $answer, bool $ends): void
    {
        $this->talks[$id]->busy = true;
        if ($after <= 0.0) {
            $this->answered($id, $answer(hrtime(true) / 1e9), $ends);

            return;
        }
        $this->due[] = ['at' => hrtime(true) / 1e9 + $after, 'id' => $id, 'answer' => $answer, 'ends' => $ends];
    }

    /** What was asked has been done, whether anybody is there to hear of it or not. */
    private function answered(int $id, string $bytes, bool $ends): void
    {
        if (! isset($this->talks[$id])) {
            return;
        }
        $this->talks[$id]->out .= $bytes;
        $this->talks[$id]->ends = $ends;
        $this->talks[$id]->busy = false;
        $this->send($this->sockets[$id]);
        $this->listenTo($id);
    }

    /** @param  resource  $socket */
    private function send($socket): void
    {
        $id = (int) $socket;
        $sent = @fwrite($socket, $this->talks[$id]->out);
        if ($sent === false) {
            $this->close($id);

            return;
        }
        $this->talks[$id]->out = substr($this->talks[$id]->out, $sent);
        if ($this->talks[$id]->out === '' && $this->talks[$id]->ends) {
            $this->close($id);
        }
    }

    private function close(int $id): void
    {
        if (isset($this->sockets[$id])) {
            fclose($this->sockets[$id]);
        }
        unset($this->sockets[$id], $this->talks[$id]);
    }
}
