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

/** A lens as far as it is filled in, not kept anywhere. */
#[OA\Schema(schema: 'AskLens', required: ['part'], properties: [new OA\Property(property: 'part', type: 'object', additionalProperties: true)])]
final class AskLens extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['part' => ['required', 'array']];
    }

    /** @throws FileInvalid with every fault and its place */
    public function item(): KitItem
    {
        $part = AsSent::body($this)->part ?? null;
        if (! $part instanceof \stdClass || ($part->kind ?? null) !== 'lens') {
            throw FileInvalid::at('/part/kind', 'should be "lens"');
        }

        return PartDocument::read($part, '/part');
    }
}
