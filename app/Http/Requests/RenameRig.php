<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** A name to keep a rig by; null lets it go unnamed again. */
#[OA\Schema(schema: 'RenameRig', required: ['revision'], properties: [new OA\Property(property: 'revision', type: 'integer'), new OA\Property(property: 'name', type: 'string', nullable: true)])]
final class RenameRig extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return parent::rules() + ['name' => ['present', 'nullable', 'string', 'max:120', 'regex:/^[^\p{C}]*$/u']];
    }

    public function name(): ?string
    {
        $name = $this->input('name');

        return is_string($name) && trim($name) !== '' ? trim($name) : null;
    }
}
