<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What of the log is looked for; every blank may stay empty. */
final class SearchLog extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $date = ['nullable', 'string', 'date_format:Y-m-d', 'after_or_equal:1900-01-01', 'before:2200-01-01'];

        return [
            'words' => ['nullable', 'string', 'max:200'], 'part' => ['nullable', 'string', 'max:200'], 'subject' => ['nullable', 'string', 'max:200'],
            'from' => ['nullable', 'numeric', 'gt:0', 'max:1000'], 'to' => ['nullable', 'numeric', 'gt:0', 'max:1000'],
            'since' => $date, 'until' => $date, 'result' => ['nullable', 'integer', 'min:1', 'max:5'], 'outing' => ['nullable', 'integer', 'min:1', 'max:9000000000000'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    /** @return list<string> each has to be there somewhere */
    public function words(): array
    {
        return array_values(array_filter(preg_split('/\s+/u', $this->string('words')->toString()) ?: [], static fn (string $word): bool => $word !== ''));
    }

    public function text(string $name): ?string
    {
        $value = $this->input($name);

        return is_string($value) && $value !== '' ? $value : null;
    }

    public function figure(string $name): ?float
    {
        return $this->input($name) === null ? null : $this->float($name);
    }

    public function whole(string $name): ?int
    {
        return $this->input($name) === null ? null : $this->integer($name);
    }
}
