<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Comparison;

/** Rig files, or a file of a comparison, to be laid side by side. */
#[OA\Schema(schema: 'CompareFiles', required: ['texts'], properties: [
    new OA\Property(property: 'texts', description: 'The files as they are', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'kit', description: 'The kit that lies beside the rigs; the oldest unless named', type: 'integer', nullable: true),
])]
final class CompareFiles extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['texts' => ['required', 'array', 'list', 'max:'.Comparison::MOST], 'texts.*' => ['required', 'string'], 'kit' => ['nullable', 'integer:strict', 'min:1', 'max:9000000000000']];
    }

    /** @return list<string> */
    public function texts(): array
    {
        /** @var list<string> $texts */
        $texts = $this->input('texts');

        return $texts;
    }

    public function kitId(): ?int
    {
        return $this->input('kit') === null ? null : $this->integer('kit');
    }
}
