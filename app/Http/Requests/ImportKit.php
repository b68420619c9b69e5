<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** A kit file, and which kind of file it is. */
#[OA\Schema(schema: 'ImportKit', required: ['text', 'as'], properties: [
    new OA\Property(property: 'text', type: 'string', description: 'The file as it is'),
    new OA\Property(property: 'as', type: 'string', enum: ['json', 'csv']),
    new OA\Property(property: 'revision', type: 'integer', description: 'Needed where it is taken in: the one that the person saw'),
])]
final class ImportKit extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string'], 'as' => ['required', 'string', Rule::in(['json', 'csv'])], 'revision' => [$this->isMethod('PUT') ? 'required' : 'nullable', 'integer:strict', 'min:1', 'max:2000000000']];
    }

    /** Trimming of input would change a file's last line: as it was sent. */
    public function text(): string
    {
        return AsSent::text($this, 'text');
    }

    public function kind(): string
    {
        return $this->string('as')->toString();
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }
}
