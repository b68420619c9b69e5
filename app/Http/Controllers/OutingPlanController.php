<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Attachment;
use App\Http\Resources\OutingPlanView;
use App\Http\Resources\SheetView;
use App\Http\Resources\Trouble;
use App\Models\Outing;
use App\Operations\KeptAnswer;
use App\Operations\Turns;
use App\Outings\OutingStore;
use App\Outings\OutingViews;
use App\Outings\PlannedOuting;
use App\Plan\SheetViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;

/** What is planned for an outing: its rigs, their order, the bag, and all of it on paper and as a file. */
final class OutingPlanController
{
    public function __construct(private readonly OutingStore $store, private readonly PlannedOuting $planned, private readonly OutingViews $views)
    {
    }

    #[OA\Get(path: '/outings/{outing}/plan', operationId: 'planOuting', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'What is planned', content: new OA\JsonContent(ref: OutingPlanView::class)),
        new OA\Response(response: 422, description: 'A wish that can’t be so', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(Request $request, Outing $outing): Response
    {
        Gate::authorize('view', $outing);

        return KeptAnswer::of('outing plan '.$outing->id, $this->planned->state($outing), fn (): string => json_encode(
            Turns::take(SessionGuard::person($request), 'outing', fn (\Closure $waited): OutingPlanView => $this->views->plan($this->store->read($outing), $this->planned->of($outing, $waited))),
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        ));
    }

    #[OA\Get(path: '/outings/{outing}/sheets', operationId: 'outingSheets', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'A sheet for each subject that has a rig, in the order of the day', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SheetView::class))),
    ])]
    public function sheets(Request $request, Outing $outing): JsonResponse
    {
        Gate::authorize('view', $outing);
        $plan = Turns::take(SessionGuard::person($request), 'outing', fn (\Closure $waited) => $this->planned->of($outing, $waited));
        $sheets = [];
        foreach ($plan->visits as $visit) {
            foreach ($visit->subjects as $s) {
                $rig = $plan->assignments[$s]->rig;
                if ($rig !== null) {
                    $sheets[] = SheetViews::of(Sheet::of(Shots::planned($rig)), $rig);
                }
            }
        }

        return response()->json($sheets);
    }

    #[OA\Get(path: '/outings/{outing}/file', operationId: 'exportOuting', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The outing as one open file, with what is planned', content: new OA\MediaType(mediaType: 'application/json', schema: new OA\Schema(type: 'object'))),
    ])]
    public function export(Request $request, Outing $outing): Response
    {
        Gate::authorize('view', $outing);
        $plan = Turns::take(SessionGuard::person($request), 'outing', fn (\Closure $waited) => $this->planned->of($outing, $waited));

        return Attachment::of($this->planned->file($outing, $plan)->write(), 'application/json', $outing->fileName().'.outing.json');
    }
}
