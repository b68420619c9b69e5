<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;

/** What a made-up rail understands of RS-274, a line at a time (docs/devices.md), and how long each takes. */
final class RailTalk
{
    /** As fast as it goes, mm a minute. */
    private const FASTEST = 2400.0;

    private ?Table $table = null;

    private bool $absolute = true;

    private float $feed = 60.0;

    public function __construct(private readonly Tables $tables)
    {
    }

    /**
     * @param  float  $pace  of real time: 1 = as long as it takes
     * @return ?array{float, \Closure(float): string} after how many seconds it answers, and what, told when it is by then; null = the connection is lost
     *
     * @throws DeviceRefused with the reason
     */
    public function take(string $line, float $pace): ?array
    {
        if (preg_match('/^\(table ([A-Za-z0-9]+)\)$/', $line, $told) === 1) {
            $this->table = $this->tables->named($told[1]);

            return $this->table->isLost ? null : [0.0, $this->says(...)];
        }
        $words = $this->words((string) preg_replace('/\([^)]*\)|;.*/', '', $line));
        $table = $this->table ?? throw new DeviceRefused('say which table first: (table NAME)');
        if ($table->isLost) {
            return null;
        }
        $feed = $words['F'] ?? null;
        if ($feed !== null) {
            $this->feed = $feed > 0.0 ? min(self::FASTEST, $feed) : throw new DeviceRefused('F should be above 0');
        }
        if (isset($words['M'])) {
            return in_array((int) $words['M'], [2, 30], true) ? [0.0, $this->says(...)] : throw new DeviceRefused('no release is plugged in: the camera is asked for frames');
        }
        $code = $words['G'] ?? (isset($words['X']) ? 1.0 : (isset($words['F']) ? null : throw new DeviceRefused('a line has a G or an M')));

        return match ($code === null ? 21 : (int) $code) {
            0, 1 => $this->move($table, $words, (int) $code === 0 ? self::FASTEST : $this->feed, $pace),
            4 => [max(0.0, min(600.0, $words['P'] ?? 0.0)) * $pace, $this->says(...)],
            21 => [0.0, $this->says(...)],
            90, 91 => $this->counted((int) $code === 90),
            default => throw new DeviceRefused(sprintf('G%s isn’t known here', (string) $code)),
        };
    }

    /**
     * @param  array<string, float>  $words
     * @return array{float, \Closure(float): string}
     */
    private function move(Table $table, array $words, float $feed, float $pace): array
    {
        $x = $words['X'] ?? throw new DeviceRefused('X is missing');
        $there = $table->carriage->nearest($this->absolute ? $x : $table->carriage->saysMm + $x);
        $takes = abs($there - $table->carriage->saysMm) / $feed * 60.0 * $pace;

        return [$takes, function (float $now) use ($table, $there): string {
            $table->carriage->moved($there, $now);
            $table->stands();

            return $this->says($now);
        }];
    }

    /** @return array{float, \Closure(float): string} */
    private function counted(bool $absolute): array
    {
        $this->absolute = $absolute;

        return [0.0, $this->says(...)];
    }

    private function says(float $now): string
    {
        return sprintf('ok X%.5F', $this->table->carriage->saysMm ?? 0.0);
    }

    /** @return array<string, float> */
    private function words(string $line): array
    {
        $words = [];
        $rest = strtoupper((string) preg_replace('/\s+/', '', $line));
        while ($rest !== '') {
            if (preg_match('/^([A-Z])(-?(?:\d+\.?\d*|\.\d+))/', $rest, $told) !== 1) {
                throw new DeviceRefused('this line can’t be read');
            }
            if (isset($words[$told[1]])) {
                throw new DeviceRefused('one '.$told[1].' a line');
            }
            $words[$told[1]] = (float) $told[2];
            $rest = substr($rest, strlen($told[0]));
        }

        return $words;
    }
}
