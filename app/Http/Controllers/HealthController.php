<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/** Whether the application and its database answer, and which instance it is: nobody takes another one for their own. */
final class HealthController
{
    public function __invoke(): JsonResponse
    {
        try {
            DB::select('select 1');
            $database = true;
        } catch (\PDOException|\Illuminate\Database\QueryException) {
            $database = false;
        }
        $id = config('app.instance');

        return new JsonResponse(['product' => 'zinc-thimble', 'instance' => substr(hash('sha256', is_string($id) ? $id : ''), 0, 16), 'database' => $database], $database ? 200 : 503, ['Cache-Control' => 'no-store']);
    }
}
