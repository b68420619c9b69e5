<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use App\Models\Rig;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A change of a rig or of a whole kit, meant for the revision that the person saw. */
#[OA\Schema(schema: 'RevisionRequest', required: ['revision'], properties: [new OA\Property(property: 'revision', description: 'The one that the person saw', type: 'integer')])]
class RevisionRequest extends FormRequest
{
    public function authorize(): Response
    {
        $changed = $this->route('rig') ?? $this->route('kit');

        return $changed instanceof Rig || $changed instanceof Kit ? Gate::inspect('update', $changed) : Response::denyAsNotFound();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['required', 'integer:strict', 'min:1', 'max:2000000000']];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }
}
