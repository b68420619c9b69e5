<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Compare\ComparedRigs;
use App\Compare\KeptComparisons;
use App\Http\Requests\KeepComparison;
use App\Http\Resources\KeptComparisonView;
use App\Http\Resources\Trouble;
use App\Models\KeptComparison;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Comparisons that were kept under a name. */
final class KeptComparisonController
{
    #[OA\Get(path: '/comparisons', operationId: 'listComparisons', responses: [new OA\Response(response: 200, description: 'By name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KeptComparisonView::class)))])]
    public function index(Request $request): JsonResponse
    {
        return response()->json(SessionGuard::person($request)->comparisons()->with('rigs.parts')->get()->map(KeptComparisons::view(...))->all());
    }

    #[OA\Post(path: '/comparisons', operationId: 'keepComparison', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: KeepComparison::class)), responses: [
        new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: KeptComparisonView::class)),
        new OA\Response(response: 422, description: 'The name is taken, or a blank can’t be so', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(KeepComparison $request, ComparedRigs $compared, KeptComparisons $kept): JsonResponse
    {
        $user = SessionGuard::person($request);
        $rows = $compared->rows($user, $request->rigs());
        $blanks = $request->blanks();
        // What can't be asked can't be kept.
        $compared->compare($rows, $blanks);

        return response()->json(KeptComparisons::view($kept->keep($user, $request->name(), $rows, $blanks)), 201);
    }

    #[OA\Delete(path: '/comparisons/{comparison}', operationId: 'dropComparison', parameters: [new OA\PathParameter(name: 'comparison', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Dropped; its rigs stay')])]
    public function destroy(Request $request, KeptComparison $comparison): Response
    {
        abort_if($comparison->user_id !== SessionGuard::person($request)->id, 404);
        $comparison->delete();

        return response()->noContent();
    }
}
