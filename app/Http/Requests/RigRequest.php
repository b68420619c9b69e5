<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Rig;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** Something that is done with a rig of one's own. */
abstract class RigRequest extends FormRequest
{
    public function authorize(): Response
    {
        $rig = $this->route('rig');

        return $rig instanceof Rig ? Gate::inspect('update', $rig) : Response::denyAsNotFound();
    }
}
