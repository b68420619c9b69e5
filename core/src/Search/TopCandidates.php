<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** The so many least keys of very many: a buffer that is sorted and cut whenever it is full. */
final class TopCandidates
{
    /** A key from here on is not among them. */
    public float $limit = INF;

    /** @var list<array{float, int, int, bool}> */
    private array $held = [];

    public function __construct(private readonly int $count)
    {
    }

    /** Adds a rig: its key, its curve, its stack, and whether its rings have to be looked at. */
    public function add(float $key, int $curve, int $stack, bool $doubt): void
    {
        $this->held[] = [$key, $curve, $stack, $doubt];
        if (count($this->held) >= 4 * $this->count) {
            $this->cut();
        }
    }

    /** @return list<array{float, int, int, bool}> the least first */
    public function sorted(): array
    {
        $this->cut();

        return $this->held;
    }

    private function cut(): void
    {
        sort($this->held);
        if (count($this->held) >= $this->count) {
            $this->held = array_slice($this->held, 0, $this->count);
            $this->limit = $this->held[$this->count - 1][0];
        }
    }
}
