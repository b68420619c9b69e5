<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\SessionGuard;
use App\Models\Kit;
use App\Models\Outing;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\OutingFile;

/** An outing as it is to be kept: the fields of its file, and the kit that it is packed from. */
#[OA\Schema(schema: 'SaveOuting', required: ['outing'], properties: [
    new OA\Property(property: 'revision', description: 'The one that the person saw; needed but for a new one', type: 'integer'),
    new OA\Property(property: 'kit', description: 'null = none', type: 'integer', nullable: true),
    new OA\Property(property: 'outing', description: 'The fields of its file: name, date, place, startsAt, by, conditions, preparations, checks, subjects', type: 'object', additionalProperties: true),
])]
final class SaveOuting extends FormRequest
{
    public function authorize(): bool
    {
        $outing = $this->route('outing');
        if ($outing instanceof Outing) {
            Gate::authorize('update', $outing);
        }

        return true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => [$this->route('outing') === null ? 'nullable' : 'required', 'integer:strict', 'min:1', 'max:2000000000'],
            'kit' => ['nullable', 'integer:strict', 'min:1', 'max:9000000000000'], 'outing' => ['required', 'array'],
        ];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }

    /** @throws ValidationException where there is no such kit of theirs */
    public function kit(): ?Kit
    {
        if ($this->input('kit') === null) {
            return null;
        }
        $kit = SessionGuard::person($this)->kits()->find($this->integer('kit'));

        return $kit instanceof Kit ? $kit : throw ValidationException::withMessages(['kit' => 'You have no such kit.']);
    }

    /** @throws FileInvalid with every fault and its place */
    public function outing(): OutingFile
    {
        $given = AsSent::body($this)->outing ?? null;

        return OutingFile::read($given instanceof \stdClass
            ? (object) (array_diff_key(get_object_vars($given), ['plan' => 0, 'entries' => 0]) + ['format' => OutingFile::FORMAT, 'version' => 1])
            : new \stdClass);
    }
}
