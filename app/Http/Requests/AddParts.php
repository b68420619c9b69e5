<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Kit\PartDocument;
use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitItem;

/** Parts for a kit, as a file has them. */
#[OA\Schema(schema: 'AddParts', required: ['parts'], properties: [
    new OA\Property(property: 'parts', type: 'array', items: new OA\Items(type: 'object', additionalProperties: true)),
])]
final class AddParts extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['parts' => ['required', 'array', 'list', 'min:1', 'max:200']];
    }

    /**
     * @return non-empty-list<KitItem>
     *
     * @throws FileInvalid with every fault and its place
     */
    public function items(): array
    {
        $items = [];
        $parts = AsSent::body($this)->parts ?? [];
        foreach (is_array($parts) ? array_values($parts) : [] as $i => $document) {
            $items[] = PartDocument::typed($document, '/parts/'.$i);
        }

        return $items === [] ? throw ValidationException::withMessages(['parts' => 'Name at least one part.']) : $items;
    }
}
