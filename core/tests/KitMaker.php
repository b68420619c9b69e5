<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;

/** Makes small kits of rings, tubes and lenses whose joints now and then agree. */
final class KitMaker
{
    private const JOINTS = ['tern', 'larch', 'wren', 'thread:42x1', 'thread:42x0.75', 'thread:52x0.75', 'thread:58x0.75'];

    private int $made = 0;

    public function __construct(private readonly RigMaker $maker)
    {
    }

    public function joint(): string
    {
        return $this->maker->pick(self::JOINTS);
    }

    public function ring(): Part
    {
        $kind = $this->maker->pick([Kind::Adapter, Kind::StepRing, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing]);

        return Parts::make($kind, new Values([
            'name' => $kind->value.' '.++$this->made, 'rear' => $this->joint(), 'front' => $this->joint(), 'lengthMm' => (float) $this->maker->pick([1, 2, 2, 5, 9]), 'price' => $this->maker->pick([5, 9, 20]),
        ] + ($this->maker->chance(0.3) ? ['shoulder' => $this->maker->chance(0.5)] : [])));
    }

    /** @return list<Part> */
    public function rings(int $count): array
    {
        $rings = [];
        for ($i = 0; $i < $count; $i++) {
            $rings[] = $this->ring();
        }

        return $rings;
    }

    public function lens(): Part
    {
        return Parts::make(Kind::Lens, new Values([
            'name' => 'lens', 'rear' => $this->joint(), 'front' => $this->maker->pick(['thread:52x0.75', 'thread:58x0.75']), 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 40,
        ]));
    }

    public function camera(): Camera
    {
        return Camera::from(new Values(['joint' => $this->joint(), 'registerMm' => 18.0, 'sensor' => ['widthMm' => 24.0, 'heightMm' => 16.0]]));
    }
}
