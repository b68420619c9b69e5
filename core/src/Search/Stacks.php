<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;

/**
 * Every set of rings, helicoids and bellows that mate in some order on one camera, each once, as columns.
 *
 * Sets grow ring by ring: a set with the ends it can end in leads to every larger one, so the orders (ten tubes have three
 * million) are never gone through. Whether the lever of a lens can still be worked by the latch of a bellows, and whether
 * a bellows meets the camera's grip, depends on the order and is carried along.
 */
final class Stacks
{
    /** How many sets one camera may have; what is larger than the last complete size is left out, and said. */
    public const MOST = 60_000;

    public const PLAIN = 0;

    public const TUBES = 1;

    public const BELLOWS = 2;

    /** @var list<int> the rings of each set, as bits */
    public array $set = [];

    /** @var list<int> kinds of front end it can have, as bits */
    public array $ends = [];

    /** @var list<int> the same, where a latch behind the end can work a lever */
    public array $latched = [];

    /** @var list<float> sensor to its front end at its shortest, mm */
    public array $least = [];

    /** @var list<float> and at its longest */
    public array $most = [];

    /** @var list<float> narrowest clear diameter, mm; INF = none known */
    public array $clear = [];

    /** @var list<int> joints to make */
    public array $joints = [];

    /** @var list<float> known mass, g, without the camera */
    public array $mass = [];

    /** @var list<float> known price, without the camera */
    public array $price = [];

    /** @var list<int> what of the coupling gets through: 1 contacts, 2 lever */
    public array $passes = [];

    /** @var list<int> PLAIN, TUBES or BELLOWS */
    public array $route = [];

    /** @var list<JointEnd> kinds of end, by their bit */
    public array $kinds = [];

    /** @var array<string, list<list<Spacer|VariableSpacer>>> by set, kinds of end and how many are wanted at the most */
    private array $orders = [];

    /** Sets of more rings than these are left out; null = none are. */
    public ?int $leftOutAbove = null;

    private function __construct(public readonly CameraBody $base, public readonly SearchKit $kit)
    {
    }

    public static function on(CameraBody $base, SearchKit $kit, int $most = self::MOST, ?Budget $budget = null): self
    {
        $stacks = new self($base, $kit);
        $stacks->grow($most, $budget ?? Budget::endless());

        return $stacks;
    }

    /** @return array{leftOutAbove: ?int, columns: array<string, string>} for those who keep them: columns as bytes, by name */
    public function kept(): array
    {
        return ['leftOutAbove' => $this->leftOutAbove, 'columns' => [
            'set' => Packed::bits($this->set),
            'ends' => Packed::bits($this->ends),
            'latched' => Packed::bits($this->latched),
            'least' => Packed::floats($this->least),
            'most' => Packed::floats($this->most),
            'clear' => Packed::floats($this->clear),
            'joints' => Packed::small($this->joints),
            'mass' => Packed::floats($this->mass),
            'price' => Packed::floats($this->price),
            'passes' => Packed::small($this->passes),
            'route' => Packed::small($this->route),
        ]];
    }

    /**
     * What `kept` gave of the same camera and kit.
     *
     * @param  array{leftOutAbove: ?int, columns: array<string, string>}  $kept
     */
    public static function back(CameraBody $base, SearchKit $kit, array $kept): self
    {
        $stacks = new self($base, $kit);
        $stacks->numberEnds();
        $stacks->leftOutAbove = $kept['leftOutAbove'];
        $columns = $kept['columns'];
        $stacks->set = Packed::bitsOf($columns['set']);
        $stacks->ends = Packed::bitsOf($columns['ends']);
        $stacks->latched = Packed::bitsOf($columns['latched']);
        $stacks->least = Packed::floatsOf($columns['least']);
        $stacks->most = Packed::floatsOf($columns['most']);
        $stacks->clear = Packed::floatsOf($columns['clear']);
        $stacks->joints = Packed::smallOf($columns['joints']);
        $stacks->mass = Packed::floatsOf($columns['mass']);
        $stacks->price = Packed::floatsOf($columns['price']);
        $stacks->passes = Packed::smallOf($columns['passes']);
        $stacks->route = Packed::smallOf($columns['route']);

        return $stacks;
    }

    /** Which kinds of front end a rear end goes on, as bits. */
    public function endsFor(JointEnd $rear): int
    {
        $bits = 0;
        foreach ($this->kinds as $bit => $kind) {
            $bits |= Mating::ofEnds($kind, $rear) === Fit::Mates ? 1 << $bit : 0;
        }

        return $bits;
    }

    private function grow(int $most, Budget $budget): void
    {
        $rings = $this->kit->rings;
        $count = count($rings);
        [$front, $frontOf] = $this->numberEnds();
        $on = array_map(fn (Spacer|VariableSpacer $ring): int => $this->endsFor($ring->identity->rear), $rings);
        $copies = $this->kit->copies;
        $grip = $this->base->camera->gripOverhangMm ?? -INF;
        $passes = $this->base->passes();
        $start = $this->base->camera->registerMm;
        $level = [0 => [1 << $front, 0, $start, $start, $this->base->camera->throatMm ?? INF, 0, 0.0, 0.0, ($passes->contacts ? 1 : 0) | ($passes->lever ? 2 : 0), self::PLAIN]];
        $length = [];
        foreach ($rings as $ring) {
            $length[] = $ring instanceof Spacer ? [$ring->lengthMm, $ring->lengthMm] : [$ring->minMm, $ring->maxMm];
        }
        $looked = 0;
        for ($size = 0; $level !== []; $size++) {
            foreach ($level as $set => [$ends, $latched, $least, $longest, $clear, $joints, $mass, $price, $through, $route]) {
                $this->set[] = $set;
                $this->ends[] = $ends;
                $this->latched[] = $latched;
                $this->least[] = $least;
                $this->most[] = $longest;
                $this->clear[] = $clear;
                $this->joints[] = $joints;
                $this->mass[] = $mass;
                $this->price[] = $price;
                $this->passes[] = $through;
                $this->route[] = $route;
            }
            $next = [];
            foreach ($level as $set => [$ends, $latched, $least, $longest, $clear, $joints, $mass, $price, $through, $route]) {
                for ($i = 0; $i < $count; $i++) {
                    $bit = 1 << $i;
                    if (($set & $bit) !== 0 || ($copies[$i] && ($set & ($bit >> 1)) === 0) || (($ends | $latched) & $on[$i]) === 0) {
                        continue;
                    }
                    $ring = $rings[$i];
                    // At its longest, what stands behind a bellows keeps it clear of the grip, or nothing does.
                    if ($ring instanceof Bellows && $longest - $start < $grip - $ring->rearClearanceMm) {
                        continue;
                    }
                    $end = 1 << $frontOf[$i];
                    $plain = ($ends & $on[$i]) !== 0;
                    $held = ($latched & $on[$i]) !== 0;
                    $works = $ring instanceof Bellows ? $ring->latch : $held && $ring->identity->passes->lever;
                    // A bellows decides anew; any other ring passes a latch on or ends it.
                    $keeps = $ring instanceof Bellows ? ! $ring->latch : $plain || $held && ! $ring->identity->passes->lever;
                    $larger = $set | $bit;
                    if (isset($next[$larger])) {
                        $next[$larger][0] |= $keeps ? $end : 0;
                        $next[$larger][1] |= $works ? $end : 0;

                        continue;
                    }
                    $narrow = $ring->clearMm ?? INF;
                    $next[$larger] = [
                        $keeps ? $end : 0, $works ? $end : 0, $least + $length[$i][0], $longest + $length[$i][1], min($clear, $narrow), $joints + 1,
                        $mass + ($ring->identity->massG ?? 0.0), $price + ($ring->identity->price ?? 0.0),
                        $through & (($ring->identity->passes->contacts ? 1 : 0) | ($ring->identity->passes->lever ? 2 : 0)),
                        max($route, $ring instanceof VariableSpacer ? self::BELLOWS : ($ring->kind === Kind::Tube ? self::TUBES : self::PLAIN)),
                    ];
                }
                if (count($this->set) + count($next) > $most || (++$looked & 1023) === 0 && $budget->isSpent()) {
                    $this->leftOutAbove = $size;

                    return;
                }
            }
            $level = $next;
        }
    }

    /** @return array{int, list<int>} the bits of the camera's end, and of the front end of each ring */
    private function numberEnds(): array
    {
        return [$this->end($this->base->front()), array_map(fn (Spacer|VariableSpacer $ring): int => $this->end($ring->identity->front), $this->kit->rings)];
    }

    /** The bit of a kind of end: ends that offer the same joints on the same side are of one kind. */
    private function end(JointEnd $end): int
    {
        foreach ($this->kinds as $bit => $kind) {
            if ($kind->side === $end->side && $kind->joints === $end->joints) {
                return $bit;
            }
        }
        $this->kinds[] = $end;

        return count($this->kinds) - 1;
    }

    /**
     * Orders of one set that end in one of these kinds of end, from the camera outwards: the widest rings first, the
     * narrowest first, the variable ones last, then any other.
     *
     * The cone to a corner is a straight line from the corner to the rim of the pupil. Where it narrows on the way, the
     * brightest order has the widest rings at the camera, where it widens the narrowest: two neighbours the wrong way
     * round can be changed without making anything darker. The last order keeps a bellows clear of the grip and its latch
     * next to the lens.
     *
     * @return list<list<Spacer|VariableSpacer>>
     */
    public function orders(int $set, int $ends, int $most): array
    {
        // Of hundreds of rigs that are read, most stand on the same few sets.
        return $this->orders[$set.' '.$ends.' '.$most] ??= $this->ordersOf($set, $ends, $most);
    }

    /** @return list<list<Spacer|VariableSpacer>> */
    private function ordersOf(int $set, int $ends, int $most): array
    {
        $rings = [];
        foreach ($this->kit->rings as $i => $ring) {
            if (($set & (1 << $i)) !== 0) {
                $rings[] = $ring;
            }
        }
        $wide = static fn (Spacer|VariableSpacer $a, Spacer|VariableSpacer $b): int => ($b->clearMm ?? INF) <=> ($a->clearMm ?? INF);
        $sortings = [
            $wide,
            static fn (Spacer|VariableSpacer $a, Spacer|VariableSpacer $b): int => $wide($b, $a),
            static fn (Spacer|VariableSpacer $a, Spacer|VariableSpacer $b): int => [$a instanceof VariableSpacer, 0] <=> [$b instanceof VariableSpacer, $wide($a, $b)],
        ];
        $found = [];
        foreach ($sortings as $sorting) {
            usort($rings, $sorting);
            $this->extend([], $rings, $this->base->front(), $ends, 1, $found);
        }
        if (count($rings) <= 5) {
            $this->extend([], $rings, $this->base->front(), $ends, $most, $found);
        }
        $seen = [];
        $orders = [];
        foreach ($found as $order) {
            $key = implode(' ', array_map(spl_object_id(...), $order));
            if (! isset($seen[$key])) {
                $seen[$key] = true;
                $orders[] = $order;
            }
        }

        return $orders;
    }

    /**
     * @param  list<Spacer|VariableSpacer>  $before
     * @param  list<Spacer|VariableSpacer>  $left  in the order to be tried
     * @param  list<list<Spacer|VariableSpacer>>  $found
     * @return bool whether enough have been found
     */
    private function extend(array $before, array $left, JointEnd $front, int $ends, int $more, array &$found): bool
    {
        if ($left === []) {
            if (($ends & (1 << $this->end($front))) !== 0) {
                $found[] = $before;

                return $more <= 1 || count($found) >= $more;
            }

            return false;
        }
        foreach ($left as $i => $ring) {
            if (Mating::ofEnds($front, $ring->identity->rear) === Fit::Mates) {
                $rest = $left;
                array_splice($rest, $i, 1);
                if ($this->extend([...$before, $ring], $rest, $ring->identity->front, $ends, $more, $found)) {
                    return true;
                }
            }
        }

        return false;
    }
}
