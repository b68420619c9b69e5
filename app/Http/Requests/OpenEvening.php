<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A club's evening about a kit. */
#[OA\Schema(schema: 'OpenEvening', required: ['title'], properties: [new OA\Property(property: 'title', type: 'string')])]
final class OpenEvening extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['title' => ['required', 'string', 'max:120', 'not_regex:/[\p{Cc}]/u']];
    }
}
