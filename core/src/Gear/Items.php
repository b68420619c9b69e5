<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** Makes the thing that a kind and its fields describe. */
final class Items
{
    /** @throws InvalidFigure names the field that no such thing can have; `kind` for a camera, which is no item */
    public static function make(Kind $kind, Values $values): Item
    {
        return match ($kind) {
            Kind::Rail => Rail::from($values),
            Kind::Tripod, Kind::Stand => Support::from($kind, $values),
            Kind::Flash => Flash::from($values),
            Kind::Lamp => Lamp::from($values),
            Kind::Reference => Reference::from($values),
            default => Parts::make($kind, $values),
        };
    }
}
