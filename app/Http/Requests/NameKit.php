<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** What a kit is called, and the currency its prices are in. */
#[OA\Schema(schema: 'NameKit', required: ['name'], properties: [
    new OA\Property(property: 'name', description: 'No two kits of a person have the same', type: 'string', maxLength: 120),
    new OA\Property(property: 'currency', description: 'null = not said', type: 'string', nullable: true, maxLength: 12),
])]
final class NameKit extends FormRequest
{
    public function authorize(): bool
    {
        $kit = $this->route('kit');
        if ($kit instanceof Kit) {
            Gate::authorize('update', $kit);
        }

        return true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $kit = $this->route('kit');
        $owner = $kit instanceof Kit ? $kit->user_id : $this->user()?->getAuthIdentifier();

        return [
            'name' => ['bail', 'required', 'string', 'max:120', 'regex:/^[^\p{C}]*$/u', Rule::unique('kits', 'name')->where('user_id', $owner)->ignore($kit instanceof Kit ? $kit->id : null)],
            'currency' => ['nullable', 'string', 'max:12', 'regex:/^[^\p{C}]*$/u'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.unique' => 'You have a kit of that name already.'];
    }

    public function name(): string
    {
        return $this->string('name')->toString();
    }

    public function currency(): ?string
    {
        return $this->input('currency') === null ? null : $this->string('currency')->toString();
    }
}
