<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** The link of a letter, followed. */
#[OA\Schema(schema: 'ConfirmAddress', required: ['user', 'until', 'signature'], properties: [
    new OA\Property(property: 'user', type: 'integer'),
    new OA\Property(property: 'until', type: 'integer', description: 'Seconds since 1970'),
    new OA\Property(property: 'signature', type: 'string'),
])]
final class ConfirmAddress extends FormRequest
{
    private const NUMBER = ['required', 'integer:strict', 'min:1', 'max:9000000000000'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['user' => self::NUMBER, 'until' => self::NUMBER, 'signature' => ['required', 'string', 'size:64']];
    }
}
