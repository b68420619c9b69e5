<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Search\WishBlanks;
use Illuminate\Foundation\Http\FormRequest;
use ZincThimble\Core\Search\SearchCriteria;

/** The blanks of the sentence that asks what does it, for one kit. */
class AskWish extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->can('view', $this->route('kit')) ?? false;
    }

    /** To everybody but its owner a kit doesn't exist. */
    protected function failedAuthorization(): never
    {
        abort(404);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return WishBlanks::rules() + ['page' => ['nullable', 'integer', 'min:1', 'max:1000']];
    }

    /** @throws \ZincThimble\Core\Gear\InvalidFigure names the blank that can't be so */
    public function wanted(): SearchCriteria
    {
        /** @var array<string, mixed> $valid */
        $valid = $this->validated();

        return WishBlanks::wanted($valid);
    }

    /** @return array{cameras: list<int>, with: list<int>, without: list<int>} rows of the kit */
    public function choice(): array
    {
        /** @var array<string, mixed> $valid */
        $valid = $this->validated();

        return ['cameras' => WishBlanks::parts($valid, 'cameras'), 'with' => WishBlanks::parts($valid, 'with'), 'without' => WishBlanks::parts($valid, 'without')];
    }
}
