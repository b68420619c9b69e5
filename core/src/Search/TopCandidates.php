<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** The so many least keys of very many: a buffer that is sorted and cut whenever it is full. */
final class TopCandidates
{
    /** A key from here on is not among them. */
    public float $limit = INF;

    /** @var list<array{float, int, int, bool, array{int, FrontAssembly, Curve}}> */
    private array $held = [];

    public function __construct(private readonly int $count)
    {
    }

    /**
     * Adds a rig.
     *
     * @param  int  $order  of its curve among all: of what has the same key the first comes first
     * @param  int  $stack  which one of its group
     * @param  bool  $doubt  whether its rings have to be looked at
     * @param  array{int, FrontAssembly, Curve}  $what  base, front assembly and curve
     */
    public function add(float $key, int $order, int $stack, bool $doubt, array $what): void
    {
        $this->held[] = [$key, $order, $stack, $doubt, $what];
        if (count($this->held) >= 4 * $this->count) {
            $this->cut();
        }
    }

    /** @return list<array{float, int, int, bool, array{int, FrontAssembly, Curve}}> the least first */
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
