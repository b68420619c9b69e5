<?php

declare(strict_types=1);

namespace App\Devices\MadeUp;

use App\Devices\DeviceRefused;

/** All tables of one driver, each in a folder of its own by its name. */
final class Tables
{
    /** So many are held ready; the others are read from their folders when they are asked for. */
    private const READY = 40;

    /** Days after which one that nobody touched is cleared away. */
    private const DAYS = 3;

    /** @var array<string, Table> the one that was asked for last at the end */
    private array $ready = [];

    public function __construct(private readonly string $folder)
    {
    }

    /** @throws DeviceRefused when there is none of that name */
    public function named(string $name): Table
    {
        $table = $this->ready[$name] ?? (self::isName($name) ? Table::kept($this->folder.'/'.$name) : null) ?? throw new DeviceRefused('there is no such table');
        $this->remember($name, $table);

        return $table;
    }

    /**
     * @param  array<array-key, mixed>  $laid
     *
     * @throws DeviceRefused
     */
    public function lay(string $name, array $laid): Table
    {
        if (! self::isName($name)) {
            throw new DeviceRefused('a table’s name is 8 to 64 letters and digits');
        }
        $before = $this->ready[$name] ?? Table::kept($this->folder.'/'.$name);
        $table = Table::laid($this->folder.'/'.$name, $laid, $before);
        $this->remember($name, $table);

        return $table;
    }

    /** Clears away what nobody has touched for days. */
    public function sweep(int $now): void
    {
        foreach (glob($this->folder.'/*', GLOB_ONLYDIR) ?: [] as $folder) {
            $files = glob($folder.'/*') ?: [];
            $last = $files === [] ? 0 : max(array_map(static fn (string $file): int => (int) filemtime($file), $files));
            if ($last < $now - self::DAYS * 86_400) {
                array_map(unlink(...), $files);
                @rmdir($folder);
                unset($this->ready[basename($folder)]);
            }
        }
    }

    private function remember(string $name, Table $table): void
    {
        unset($this->ready[$name]);
        $this->ready[$name] = $table;
        if (count($this->ready) > self::READY) {
            unset($this->ready[array_key_first($this->ready)]);
        }
    }

    private static function isName(string $name): bool
    {
        return preg_match('/^[A-Za-z0-9]{8,64}$/D', $name) === 1;
    }
}
