<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;

/** What a search may use: the cameras and parts that somebody owns, each as often as it is owned. */
final readonly class SearchKit
{
    /** How many rings can be told apart in one search; a set of rings is a number of so many bits. */
    public const MOST_RINGS = 60;

    /** @var list<Spacer|VariableSpacer> every single ring, copies one after the other */
    public array $rings;

    /** @var list<bool> whether a ring is a further copy of the one before it */
    public array $copies;

    /** @var list<float> price of each ring that is not owned yet; 0 = it is */
    public array $ringPriceToBuy;

    /** How many rings more there are than can be told apart. */
    public int $ringsLeftOut;

    /** @var list<Camera> */
    public array $cameras;

    /** @var list<float> price of each camera that is not owned yet; 0 = it is */
    public array $cameraPriceToBuy;

    /** @var list<Part> what can stand in a chain */
    public array $parts;

    /** @var array<int, Lens> each lens the other way round, by its place among the parts */
    public array $turned;

    /** @var list<int> how many of each can be used */
    public array $counts;

    /** @var list<float> price of each part that is not owned yet; 0 = it is */
    public array $priceToBuy;

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
            $price = $part instanceof Camera ? $part->price : $part->identity->price;
            if ($count > 0) {
                return 0.0;
            }
            $dear += $buying && $price === null ? 1 : 0;

            return $buying ? $price : null;
        };
        $kept = $keptCounts = $priceToBuy = $bodies = $bodyPriceToBuy = [];
        foreach ($cameras as $i => $camera) {
            $price = $usable($camera, $cameraCounts[$i] ?? 1);
            if ($price !== null) {
                $bodies[] = $camera;
                $bodyPriceToBuy[] = $price;
            }
        }
        foreach ($parts as $i => $part) {
            $price = $usable($part, $counts[$i]);
            if ($price !== null) {
                $kept[] = $part;
                $keptCounts[] = max(1, $counts[$i]);
                $priceToBuy[] = $price;
            }
        }
        [$this->cameras, $this->cameraPriceToBuy, $this->parts, $this->counts, $this->priceToBuy, $this->withoutPrice] = [$bodies, $bodyPriceToBuy, $kept, $keptCounts, $priceToBuy, $dear];
        $this->turned = array_map(static fn (Lens $lens): Lens => $lens->turned(), $this->ofClass(Lens::class));
        [$parts, $counts] = [$kept, $keptCounts];
        $rings = [];
        $copies = [];
        $ringPriceToBuy = [];
        $left = 0;
        foreach ($parts as $i => $part) {
            if (! $part->kind->isRing() || ! ($part instanceof Spacer || $part instanceof VariableSpacer)) {
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
                $ringPriceToBuy[] = $priceToBuy[$i];
            }
        }
        $this->rings = $rings;
        $this->copies = $copies;
        $this->ringPriceToBuy = $ringPriceToBuy;
        $this->ringsLeftOut = $left;
    }

    /** @param  bool  $buying  whether what isn't owned may be used too, one of each */
    public static function of(Kit $kit, bool $buying = false): self
    {
        $cameras = $parts = $counts = $cameraCounts = [];
        foreach ($kit->owned as $owned) {
            if ($owned->thing instanceof Camera) {
                $cameras[] = $owned->thing;
                $cameraCounts[] = $owned->count;
            } elseif ($owned->thing instanceof Part) {
                $parts[] = $owned->thing;
                $counts[] = $owned->count;
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
     * Parts of one class with how many are owned, by their place in the kit.
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
