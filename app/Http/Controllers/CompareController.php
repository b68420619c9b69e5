<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\RigStore;
use App\Compare\ComparisonViews;
use App\Http\Requests\AskComparison;
use App\Http\Resources\ComparisonView;
use App\Http\Resources\Trouble;
use App\Models\Rig;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Comparison;

/** Rigs side by side. */
final class CompareController
{
    public function __construct(private readonly RigStore $store)
    {
    }

    #[OA\Get(path: '/comparison', operationId: 'compare', parameters: [
        new OA\QueryParameter(name: 'rigs', required: true, description: 'Rigs of one’s own, by number, commas between: at most nine', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'to', required: false, description: 'What each is brought to; left out = as it is set', schema: new OA\Schema(type: 'string', enum: ['fieldWidthMm', 'magnification', 'subjectDistanceMm', 'closest'])),
        new OA\QueryParameter(name: 'value', required: false, description: '× or mm', schema: new OA\Schema(type: 'number')),
        new OA\QueryParameter(name: 'sharpest', required: false, description: 'Each at its sharpest stop', schema: new OA\Schema(type: 'integer', enum: [0, 1])),
        new OA\QueryParameter(name: 'effective', required: false, description: 'All at this effective aperture', schema: new OA\Schema(type: 'number')),
        new OA\QueryParameter(name: 'depthMm', required: false, description: 'Depth of the target', schema: new OA\Schema(type: 'number')),
    ], responses: [
        new OA\Response(response: 200, description: 'The rigs as they were brought there; they themselves stay as they are', content: new OA\JsonContent(ref: ComparisonView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(AskComparison $request): JsonResponse
    {
        $ids = $request->rigs();
        $rows = SessionGuard::person($request)->rigs()->with('parts')->whereKey($ids)->get()->keyBy('id');
        $rigs = array_map(function (int $id) use ($rows) {
            $row = $rows->get($id);

            return $row instanceof Rig ? $this->store->read($row) : throw ValidationException::withMessages(['rigs' => 'One of these rigs isn’t yours, or is gone.']);
        }, $ids);

        return response()->json(ComparisonViews::of(Comparison::of($rigs, $request->bringing()), $ids));
    }
}
