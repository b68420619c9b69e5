<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A change of a whole kit, meant for the revision that the person saw. */
final class KitRequest extends FormRequest
{
    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['required', 'integer:strict', 'min:1', 'max:2000000000']];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }
}
