<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** Makes the part that a kind and its fields describe. */
final class Parts
{
    /**
     * @throws InvalidFigure names the field that no such part can have, or `kind` for what stands in no chain
     */
    public static function make(Kind $kind, Values $values): Part
    {
        return match (true) {
            $kind->isFixedSpacer() => Spacer::from($kind, $values),
            $kind === Kind::Helicoid => Helicoid::from($values),
            $kind === Kind::Bellows => Bellows::from($values),
            $kind === Kind::Lens => Lens::from($values),
            $kind === Kind::CloseUpLens => CloseUpLens::from($values),
            $kind === Kind::Objective => Objective::from($values),
            $kind === Kind::Teleconverter => Teleconverter::from($values),
            $kind === Kind::Afocal => Afocal::from($values),
            $kind === Kind::Port => Port::from($values),
            default => throw InvalidFigure::because('kind', $kind->value.' stands in no chain'),
        };
    }
}
