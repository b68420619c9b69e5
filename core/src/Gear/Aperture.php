<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** The diaphragm of a lens, as its owner describes it. */
final readonly class Aperture
{
    public function __construct(
        /** Widest marked f-number; null = not known. */
        public ?float $widest,
        /** Smallest marked opening, as an f-number; null = not known. */
        public ?float $smallest,
        public ApertureControl $control,
        /** Whether the camera shows the effective number already. */
        public bool $showsEffective,
        /** Where it stands uncoupled: `set`, `open`, `closed`; null = as its kind of control usually does. */
        public ?string $rest,
    ) {
    }

    /** Whether it stands wide open uncoupled, else closed (handbook, "How the aperture is worked"): a lever's springs shut unless told. */
    public function restsOpen(): bool
    {
        return $this->rest === 'open' || $this->rest === null && $this->control !== ApertureControl::Lever;
    }

    /** @throws InvalidFigure names `aperture.smallest` when it is wider than the widest */
    public static function from(Values $values): self
    {
        $widest = $values->floatOrNull('widest');
        $smallest = $values->floatOrNull('smallest');
        if ($widest !== null && $smallest !== null && $smallest < $widest) {
            throw InvalidFigure::because('aperture.smallest', 'the smallest opening is wider than the widest');
        }

        return new self(
            $widest,
            $smallest,
            ApertureControl::from($values->stringOr('control', 'ring')),
            $values->stringOr('shows', 'marked') === 'effective',
            $values->stringOrNull('rest'),
        );
    }
}
