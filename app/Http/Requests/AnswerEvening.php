<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** One answer on somebody's sheet of a club's evening. */
#[OA\Schema(schema: 'AnswerEvening', required: ['key', 'place'], properties: [
    new OA\Property(property: 'key', description: 'Of this sheet; whoever has it may go on', type: 'string'),
    new OA\Property(property: 'name', type: 'string', nullable: true),
    new OA\Property(property: 'place', description: 'Which question, from 0', type: 'integer'),
    new OA\Property(property: 'guess', description: 'Null = not known', type: 'number', nullable: true),
    new OA\Property(property: 'low', type: 'number', nullable: true),
    new OA\Property(property: 'high', type: 'number', nullable: true),
])]
final class AnswerEvening extends FormRequest
{
    public const KEY = ['required', 'string', 'regex:/^[A-Za-z0-9-]{16,64}$/'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['key' => self::KEY, 'name' => ['nullable', 'string', 'max:60', 'not_regex:/[\p{Cc}]/u'], 'place' => ['required', 'integer:strict', 'between:0,19']] + AnswerQuestion::figures();
    }

    public function key(): string
    {
        return $this->string('key')->value();
    }

    public function name(): ?string
    {
        $name = trim($this->string('name')->value());

        return $name === '' ? null : $name;
    }

    /** @return ?array{guess: float, low: float, high: float} */
    public function answer(): ?array
    {
        return AnswerQuestion::read($this->all());
    }
}
