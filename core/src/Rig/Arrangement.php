<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Joint\Mating;

/**
 * Which parts stand in a chain, in which order, each with its own setting: what a rig is rebuilt from when a part is
 * put in, taken off, moved or turned round.
 */
final readonly class Arrangement
{
    /**
     * @param  list<Part>  $parts
     * @param  list<array{length: ?float, focus: ?float, aperture: ?float, zoom: ?float, swing: ?float, shift: ?float, working: bool, makeshift: bool}>  $set
     */
    private function __construct(private array $parts, private array $set)
    {
    }

    /** A rig's parts with how each is set. */
    public static function of(Rig $rig): self
    {
        $set = [];
        foreach ($rig->chain as $i => $part) {
            $set[] = [
                'length' => $rig->setting->lengthMm[$i] ?? null,
                'focus' => $rig->setting->focus[$i] ?? null,
                'aperture' => $rig->setting->aperture[$i] ?? null,
                'zoom' => $rig->setting->zoomMm[$i] ?? null,
                'swing' => $rig->setting->swingDeg[$i] ?? null,
                'shift' => $rig->setting->shiftMm[$i] ?? null,
                'working' => $rig->setting->working === $i,
                'makeshift' => $rig->setting->makeshift[$i] ?? false,
            ];
        }

        return new self($rig->chain, $set);
    }

    /** @param  list<int>  $indices */
    public function without(array $indices): self
    {
        $parts = [];
        $set = [];
        foreach ($this->parts as $i => $part) {
            if (! in_array($i, $indices, true)) {
                $parts[] = $part;
                $set[] = $this->set[$i];
            }
        }

        return new self($parts, $set);
    }

    /** @param  list<Part>  $inserted put in before the part that stands at that place now */
    public function inserting(int $index, array $inserted): self
    {
        $blank = ['length' => null, 'focus' => null, 'aperture' => null, 'zoom' => null, 'swing' => null, 'shift' => null, 'working' => false, 'makeshift' => false];
        $parts = $this->parts;
        $set = $this->set;
        array_splice($parts, $index, 0, $inserted);
        array_splice($set, $index, 0, array_fill(0, count($inserted), $blank));

        return new self($parts, $set);
    }

    /** The lens, or the ring of two threads, at that place turned round; any other part stays as it is. */
    public function turning(int $index): self
    {
        $parts = $this->parts;
        $parts[$index] = Mating::turned($parts[$index]) ?? $parts[$index];

        return new self(array_values($parts), $this->set);
    }

    /** The part at one place moved to another, places counted after it was taken out. */
    public function moving(int $from, int $to): self
    {
        $parts = $this->parts;
        $set = $this->set;
        $part = array_splice($parts, $from, 1);
        $own = array_splice($set, $from, 1);
        array_splice($parts, $to, 0, $part);
        array_splice($set, $to, 0, $own);

        return new self($parts, $set);
    }

    /**
     * The rig that these parts make, with the pattern's camera, conditions and subject.
     *
     * @throws \ZincThimble\Core\Gear\InvalidFigure as Rig::of() does.
     */
    public function rig(Rig $pattern): Rig
    {
        $working = array_search(true, array_column($this->set, 'working'), true);

        return $pattern->withChain($this->parts, new Setting(
            array_column($this->set, 'length'),
            array_column($this->set, 'focus'),
            array_column($this->set, 'aperture'),
            array_column($this->set, 'zoom'),
            array_column($this->set, 'swing'),
            array_column($this->set, 'shift'),
            $working === false ? null : $working,
            array_column($this->set, 'makeshift'),
        ));
    }
}
