<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The finder's picture, the rail moved first. */
#[OA\Schema(schema: 'LookLive', properties: [
    new OA\Property(property: 'railMm', description: 'Left out = it stays where it is', type: 'number', nullable: true),
    new OA\Property(property: 'width', description: 'Pixels on the screen, 120 to 900', type: 'integer'),
])]
final class LookLive extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['railMm' => ['nullable', 'numeric:strict', 'min:0', 'max:3000'], 'width' => ['integer:strict', 'min:120', 'max:900']];
    }

    public function railMm(): ?float
    {
        return $this->input('railMm') === null ? null : $this->float('railMm');
    }

    public function wide(): int
    {
        return $this->integer('width', 480);
    }
}
