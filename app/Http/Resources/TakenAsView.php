<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\TakenAs;

/** A figure of a lens that is taken otherwise than it was given, or that a rule filled in. */
#[OA\Schema(required: ['index', 'part', 'field', 'label', 'unit', 'given', 'taken', 'halfWidth'])]
final readonly class TakenAsView
{
    public function __construct(
        #[OA\Property(description: 'Place in the chain; 0 of a lens by itself')]
        public int $index,
        #[OA\Property()]
        public string $part,
        #[OA\Property()]
        public string $field,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $unit,
        #[OA\Property(description: 'null = it was not given')]
        public ?float $given,
        #[OA\Property()]
        public float $taken,
        #[OA\Property()]
        public float $halfWidth,
    ) {
    }

    /** @return list<self> of one settled lens */
    public static function of(int $index, string $part, SettledLens $lens): array
    {
        return array_map(static function (TakenAs $each) use ($index, $part): self {
            // What a form asks of a register is a question; here it is a figure.
            $guide = FieldGuide::of($each->figure === LensFigure::Register ? Kind::Camera : Kind::Lens, $each->figure->value);

            return new self($index, $part, $each->figure->value, $guide['label'], $guide['unit'], $each->given, $each->taken, $each->halfWidth);
        }, $lens->takenAs);
    }
}
