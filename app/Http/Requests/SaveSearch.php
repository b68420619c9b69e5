<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use App\Search\WishBlanks;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A wish to be kept under a name. */
#[OA\Schema(schema: 'SaveSearch', required: ['name', 'wish'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'wish', type: 'object', additionalProperties: true),
])]
final class SaveSearch extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:120', 'not_regex:/[\p{Cc}]/u'], 'wish' => ['required', 'array']];
    }

    public function name(): string
    {
        return trim($this->string('name')->toString());
    }

    /** @return array<string, mixed> the blanks that are filled in; what can't be asked can't be kept */
    public function wish(): array
    {
        /** @var array<string, mixed> $given */
        $given = $this->input('wish');
        /** @var array<string, mixed> $wish */
        $wish = validator($given, WishBlanks::rules())->validate();
        WishBlanks::wanted($wish);

        return array_filter($wish, static fn (mixed $value): bool => $value !== null);
    }
}
