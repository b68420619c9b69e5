<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Outing;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\FileInvalid;

/** An entry as a device wrote it down. */
#[OA\Schema(schema: 'TakeEntry', required: ['entry'], properties: [new OA\Property(property: 'entry', description: 'As its file has it', type: 'object', additionalProperties: true)])]
final class TakeEntry extends FormRequest
{
    public function authorize(): Response
    {
        $outing = $this->route('outing');

        return $outing instanceof Outing ? Gate::inspect('update', $outing) : Response::denyAsNotFound();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['entry' => ['required', 'array']];
    }

    /** @throws FileInvalid with every fault and its place */
    public function entry(): EntryDocument
    {
        $entry = EntryDocument::read(AsSent::body($this)->entry ?? null);

        return $entry->id === $this->route('entry') ? $entry : throw FileInvalid::at('/id', 'should be the one in the address');
    }
}
