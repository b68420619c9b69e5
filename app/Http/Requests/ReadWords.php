<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A list of parts in words, or rows of a spreadsheet. */
#[OA\Schema(schema: 'ReadWords', required: ['text'], properties: [new OA\Property(property: 'text', type: 'string', maxLength: 40000)])]
final class ReadWords extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:40000']];
    }

    /** Tabs at its ends part cells: as it was sent. */
    public function text(): string
    {
        return AsSent::text($this, 'text');
    }
}
