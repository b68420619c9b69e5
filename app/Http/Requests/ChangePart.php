<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Kit\PartDocument;
use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitItem;

/** A part as it is to be, meant for the version that the person saw. */
#[OA\Schema(schema: 'ChangePart', required: ['version', 'part'], properties: [
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'part', type: 'object', additionalProperties: true),
])]
final class ChangePart extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['version' => ['required', 'integer:strict', 'min:1', 'max:2000000000'], 'part' => ['required', 'array']];
    }

    /** The version that the person saw. */
    public function version(): int
    {
        return $this->integer('version');
    }

    /** @throws FileInvalid with every fault and its place */
    public function item(): KitItem
    {
        return PartDocument::typed(AsSent::body($this)->part ?? null, '/part');
    }
}
