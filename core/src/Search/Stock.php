<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;

/** What a search may use: the cameras and parts that somebody owns, each as often as it is owned. */
final readonly class Stock
{
    /** Kinds that stand between camera and first lens, or lead from one thread to another in front of it. */
    private const RINGS = [Kind::Adapter, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing, Kind::Helicoid, Kind::Bellows];

    /** How many rings can be told apart in one search; a set of rings is a number of so many bits. */
    public const MOST_RINGS = 60;

    /** @var list<Spacer|VariableSpacer> every single ring, copies one after the other */
    public array $rings;

    /** @var list<bool> whether a ring is a further copy of the one before it */
    public array $copies;

    /** @var list<float> price of each ring that is not owned yet; 0 = it is */
    public array $ringMissing;

    /** How many rings more there are than can be told apart. */
    public int $ringsLeftOut;

    /** @var list<Camera> */
    public array $cameras;

    /** @var list<float> price of each camera that is not owned yet; 0 = it is */
    public array $cameraMissing;

    /** @var list<Part> what can stand in a chain */
    public array $parts;

    /** @var list<int> how many of each can be used */
    public array $counts;

    /** @var list<float> price of each part that is not owned yet; 0 = it is */
    public array $missing;

    /** Parts not owned whose price is not known: what they would cost can't be kept within anything. */
    public int $withoutPrice;

    /**
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts  what can stand in a chain
     * @param  list<int>  $counts  how many of each are owned; 0 = none yet, one may be bought
     * @param  list<int>|null  $cameraCounts  the same of the cameras; null = one of each
     * @param  bool  $buying  whether what isn't owned may be used too, one of each
     */
    public function __construct(array $cameras, array $parts, array $counts, ?array $cameraCounts = null, bool $buying = false)
    {
        $dear = 0;
        $usable = static function (Camera|Part $part, int $count) use ($buying, &$dear): ?float {
            $price = $part instanceof Camera ? $part->price : $part->casing->price;
            if ($count > 0) {
                return 0.0;
            }
            $dear += $buying && $price === null ? 1 : 0;

            return $buying ? $price : null;
        };
        $kept = $keptCounts = $missing = $bodies = $bodyMissing = [];
        foreach ($cameras as $i => $camera) {
            $price = $usable($camera, $cameraCounts[$i] ?? 1);
            if ($price !== null) {
                $bodies[] = $camera;
                $bodyMissing[] = $price;
            }
        }
        foreach ($parts as $i => $part) {
            $price = $usable($part, $counts[$i]);
            if ($price !== null) {
                $kept[] = $part;
                $keptCounts[] = max(1, $counts[$i]);
                $missing[] = $price;
            }
        }
        [$this->cameras, $this->cameraMissing, $this->parts, $this->counts, $this->missing, $this->withoutPrice] = [$bodies, $bodyMissing, $kept, $keptCounts, $missing, $dear];
        [$parts, $counts] = [$kept, $keptCounts];
        $rings = [];
        $copies = [];
        $ringMissing = [];
        $left = 0;
        foreach ($parts as $i => $part) {
            if (! in_array($part->kind, self::RINGS, true) || ! ($part instanceof Spacer || $part instanceof VariableSpacer)) {
                continue;
            }
            // More than four of one kind of ring in one rig is no rig that anybody builds; they are told as left out.
            for ($n = 0; $n < $counts[$i]; $n++) {
                if ($n >= 4 || count($rings) >= self::MOST_RINGS) {
                    $left++;

                    continue;
                }
                $rings[] = $part;
                $copies[] = $n > 0;
                $ringMissing[] = $missing[$i];
            }
        }
        $this->rings = $rings;
        $this->copies = $copies;
        $this->ringMissing = $ringMissing;
        $this->ringsLeftOut = $left;
    }

    /** @throws InvalidFigure names the field that no such part can have; a kit file that was read has none */
    public static function of(KitFile $kit, bool $buying = false): self
    {
        $cameras = $parts = $counts = $cameraCounts = [];
        foreach ($kit->items as $item) {
            $values = new Values($item->fields);
            if ($item->kind === Kind::Camera) {
                $cameras[] = Camera::from($values);
                $cameraCounts[] = $values->intOr('count', 1);
            } elseif ($item->kind->inChain()) {
                $parts[] = Parts::make($item->kind, $values);
                $counts[] = $values->intOr('count', 1);
            }
        }

        return new self($cameras, $parts, $counts, $cameraCounts, $buying);
    }

    /** The same with one part more. */
    public function with(Part $part): self
    {
        return new self($this->cameras, [...$this->parts, $part], [...$this->counts, 1]);
    }

    /**
     * Parts of one class with how many are owned, by their place in the stock.
     *
     * @template T of Part
     *
     * @param  class-string<T>  $class
     * @return array<int, T>
     */
    public function ofClass(string $class): array
    {
        return array_filter($this->parts, static fn (Part $part): bool => $part instanceof $class);
    }
}
