<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** An outing's file, and the kit that it is to be packed from. */
#[OA\Schema(schema: 'ImportOuting', required: ['text'], properties: [
    new OA\Property(property: 'text', description: 'The file as it is', type: 'string'),
    new OA\Property(property: 'kit', description: 'The oldest kit unless named', type: 'integer', nullable: true),
])]
final class ImportOuting extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['text' => ['required', 'string'], 'kit' => ['nullable', 'integer:strict', 'min:1', 'max:9000000000000']];
    }

    public function text(): string
    {
        return AsSent::text($this, 'text');
    }

    public function kitId(): ?int
    {
        return $this->input('kit') === null ? null : $this->integer('kit');
    }
}
