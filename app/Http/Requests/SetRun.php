<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Rig;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What is to become of a stack that runs. */
#[OA\Schema(schema: 'SetRun', required: ['do'], properties: [new OA\Property(property: 'do', type: 'string', enum: ['pause', 'go on', 'stop'])])]
final class SetRun extends FormRequest
{
    public function authorize(): Response
    {
        $rig = $this->route('rig');

        return $rig instanceof Rig ? Gate::inspect('update', $rig) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['do' => ['required', 'string', 'in:pause,go on,stop']];
    }
}
