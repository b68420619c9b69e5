<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig;

/**
 * What a rig with a port does above water and below (OPTICS.md, "Water and flat ports"): as it is set, in air without port and wet glass,
 * in water behind the port alone, and with what is screwed to it. Lengths in mm.
 */
final readonly class UnderWater
{
    private function __construct(
        /** `air`, `port`, or `wet`. */
        public string $where,
        public ?float $magnification,
        public ?float $fieldWidthMm,
        public ?float $workingDistanceMm,
        /** Nearest and furthest that it can be sharp, from the front-most metal; null as the furthest = infinitely far. */
        public ?float $nearestMm,
        public ?float $furthestMm,
        public ?float $greatestMagnification,
    ) {
    }

    /** @return list<self> empty = there is no port */
    public static function of(Rig $rig): array
    {
        $port = null;
        $wet = [];
        foreach ($rig->chain as $i => $part) {
            if ($part->kind === Kind::Port) {
                $port = $i;
            } elseif ($port !== null) {
                $wet[] = $i;
            }
        }
        if ($port === null) {
            return [];
        }
        $arranged = Arrangement::of($rig);
        $told = [self::told('air', $arranged->without([$port, ...$wet])->rig($rig))];
        if ($wet === []) {
            return [...$told, self::told('port', $rig)];
        }

        return [...$told, self::told('port', $arranged->without($wet)->rig($rig)), self::told('wet', $rig)];
    }

    private static function told(string $where, Rig $rig): self
    {
        $reading = Reading::onAxis($rig);
        $range = Range::of($rig);

        return new self(
            where: $where, magnification: $reading->magnification, fieldWidthMm: $reading->fieldWidthMm, workingDistanceMm: $reading->workingDistanceMm,
            nearestMm: $range->workingDistanceMm[0], furthestMm: $range->workingDistanceMm[1], greatestMagnification: $range->magnification[1],
        );
    }
}
