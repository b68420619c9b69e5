<?php

declare(strict_types=1);

namespace App\Kit;

use Illuminate\Support\Facades\Validator;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;

/** A joint that a person adds: a bayonet by name, register and throat, or a thread. */
final class OwnJoints
{
    /**
     * @param  array<string, mixed>  $given
     * @return array{name: string, used_for: ?string, register_mm: ?float, throat_mm: ?float}
     */
    public static function checked(array $given): array
    {
        /** @var array{name: string, use?: ?string, registerMm?: int|float|null, throatMm?: int|float|null} $valid */
        $valid = Validator::make($given, self::rules())->validate();

        return [
            'name' => trim($valid['name']),
            'used_for' => $valid['use'] ?? null,
            'register_mm' => isset($valid['registerMm']) ? (float) $valid['registerMm'] : null,
            'throat_mm' => isset($valid['throatMm']) ? (float) $valid['throatMm'] : null,
        ];
    }

    /** @return array<string, list<mixed>> what a joint of one's own has to be */
    public static function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:60', function (string $field, mixed $value, \Closure $fail): void {
                try {
                    Joint::parse(is_string($value) ? $value : '');
                } catch (InvalidFigure) {
                    $fail('A joint is a name, or a thread written thread:DxP.');
                }
            }],
            'use' => ['nullable', 'string', 'max:200', 'regex:/^[^\p{C}]*$/u'],
            'registerMm' => ['nullable', 'numeric:strict', 'min:0', 'max:3000'],
            'throatMm' => ['nullable', 'numeric:strict', 'gt:0', 'max:3000'],
        ];
    }
}
