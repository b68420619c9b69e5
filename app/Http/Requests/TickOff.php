<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Outing;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\EntryDocument;

/** A line of the packing list or of the checks, done or not, and when somebody said so. */
#[OA\Schema(schema: 'TickOff', required: ['what', 'ticked', 'at'], properties: [
    new OA\Property(property: 'what', type: 'string', maxLength: 200), new OA\Property(property: 'ticked', type: 'boolean'),
    new OA\Property(property: 'at', description: 'By the clock of who said it', type: 'string', format: 'date-time'),
])]
final class TickOff extends FormRequest
{
    public function authorize(): Response
    {
        $outing = $this->route('outing');

        return $outing instanceof Outing ? Gate::inspect('update', $outing) : Response::denyAsNotFound();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'what' => ['required', 'string', 'max:200', 'not_regex:/[\p{Cc}]/u'], 'ticked' => ['required', 'boolean:strict'],
            'at' => ['required', 'string', static function (string $name, mixed $value, \Closure $fail): void {
                if (EntryDocument::moment($value) === null) {
                    $fail('This should be a time with its offset.');
                }
            }],
        ];
    }

    public function what(): string
    {
        return $this->string('what')->toString();
    }

    public function ticked(): bool
    {
        return $this->boolean('ticked');
    }

    public function at(): \DateTimeImmutable
    {
        return EntryDocument::moment($this->input('at')) ?? new \DateTimeImmutable;
    }
}
