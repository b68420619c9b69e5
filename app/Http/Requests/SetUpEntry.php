<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Outing;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The rig of an entry, to be set up again. */
#[OA\Schema(schema: 'SetUpEntry', required: ['today'], properties: [
    new OA\Property(property: 'today', description: 'Of the parts as the kit knows them today; false = by the figures of then, as a rig by itself', type: 'boolean'),
])]
final class SetUpEntry extends FormRequest
{
    public function authorize(): Response
    {
        $outing = $this->route('outing');

        return $outing instanceof Outing ? Gate::inspect('update', $outing) : Response::denyAsNotFound();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['today' => ['required', 'boolean:strict']];
    }

    public function today(): bool
    {
        return $this->boolean('today');
    }
}
