<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What a rig is found by. */
#[OA\Schema(schema: 'TagRig', required: ['tags'], properties: [
    new OA\Property(property: 'tags', type: 'array', items: new OA\Items(type: 'string')),
])]
final class TagRig extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['tags' => ['present', 'array', 'list', 'max:20'], 'tags.*' => ['required', 'string', 'max:40', 'regex:/^[^\p{C}]*$/u']];
    }

    /**
     * @return list<string>
     *
     * @throws ValidationException where one stands twice: the framework's own rule for this can't take a list within the list
     */
    public function tags(): array
    {
        /** @var list<string> $tags */
        $tags = $this->input('tags');

        return count(array_unique(array_map(mb_strtolower(...), $tags))) < count($tags) ? throw ValidationException::withMessages(['tags' => 'Each tag once.']) : $tags;
    }
}
