<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\RigStore;
use App\Bench\RigViews;
use App\Compare\ComparedRigs;
use App\Compare\ComparisonViews;
use App\Http\Attachment;
use App\Http\Requests\AskComparison;
use App\Http\Requests\BringToBench;
use App\Http\Resources\ComparedSweep;
use App\Http\Resources\ComparisonView;
use App\Http\Resources\RigView;
use App\Http\Resources\SweepView;
use App\Http\Resources\Trouble;
use App\Models\Rig;
use App\Operations\Shown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\ComparisonFile;
use ZincThimble\Core\Report\PictureColumns;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Travels;

/** Rigs side by side. */
final class CompareController
{
    public function __construct(private readonly ComparedRigs $compared, private readonly RigStore $store, private readonly RigViews $bench)
    {
    }

    #[OA\Get(path: '/comparison', operationId: 'compare', parameters: [
        new OA\QueryParameter(ref: '#/components/parameters/compared.rigs'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.to'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.value'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.sharpest'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.effective'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.target'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.depthMm'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.set'),
        new OA\QueryParameter(name: 'as', required: false, description: 'Asked for as CSV or as an open file, the same as that', schema: new OA\Schema(type: 'string', enum: ['json', 'csv', 'file'])),
    ], responses: [
        new OA\Response(response: 200, description: 'The rigs as they were brought there; they themselves stay as they are', content: new OA\JsonContent(ref: ComparisonView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(AskComparison $request): JsonResponse|Response
    {
        $ids = $request->rigs();
        $rows = $this->compared->rows(SessionGuard::person($request), $ids);
        $as = $request->input('as');
        if ($as === 'file') {
            $rigs = array_map(fn (Rig $row) => $this->store->forOthers($row), $rows);

            return $rigs === [] ? new Response('', 404) : Attachment::of((new ComparisonFile(null, $rigs, $request->blanks()))->write(), 'application/json', 'comparison.json');
        }
        $comparison = $this->compared->compare($rows, $request->blanks());

        return $as === 'csv' ? Attachment::of($comparison->csv(), 'text/csv; charset=UTF-8', 'comparison.csv') : response()->json(ComparisonViews::of($comparison, $ids));
    }

    #[OA\Get(path: '/comparison/sweep', operationId: 'compareSweep', parameters: [
        new OA\QueryParameter(ref: '#/components/parameters/compared.rigs'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.to'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.value'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.sharpest'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.effective'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.target'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.depthMm'),
        new OA\QueryParameter(ref: '#/components/parameters/compared.set'),
        new OA\QueryParameter(name: 'of', required: true, description: 'The rig whose control it is', schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'travel', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'Everything at every position of that control, from where the rig was brought', content: new OA\JsonContent(ref: ComparedSweep::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function sweep(AskComparison $request): Response
    {
        $ids = $request->rigs();
        $rows = $this->compared->rows(SessionGuard::person($request), $ids);
        $at = array_search($request->integer('of'), $ids, true);
        $comparison = $this->compared->compare($rows, $request->blanks());
        $rig = is_int($at) ? $comparison->rigs[$at]->rig : throw ValidationException::withMessages(['of' => 'This rig isn’t among those that are compared.']);
        $travel = Travels::named($rig, $request->string('travel')->toString()) ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);
        $sweep = Sweep::of($rig, $travel);

        return response(Sweep::json(ComparedSweep::of($this->bench->travel($rig, $travel), SweepView::of($sweep, $rig, $rows[$at]->revision), PictureColumns::of($rig, $sweep, $comparison->target->depthMm))), 200, ['Content-Type' => 'application/json']);
    }

    #[OA\Post(path: '/rigs/{rig}/brought', operationId: 'bringToBench', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: BringToBench::class)), responses: [
        new OA\Response(response: 200, description: 'The rig on the bench, set as it stood in the comparison: one step, which can be undone', content: new OA\JsonContent(ref: RigView::class)),
        new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function bring(BringToBench $request, Rig $rig): JsonResponse
    {
        $ids = $request->rigs();
        $rows = $this->compared->rows(SessionGuard::person($request), $ids);
        $at = array_search($rig->id, $ids, true);
        if (! is_int($at)) {
            throw ValidationException::withMessages(['rigs' => 'This rig isn’t among those that are compared.']);
        }
        $comparison = $this->compared->compare($rows, $request->blanks());
        $before = $this->store->read($rows[$at]);
        // What was compared is what is set: whoever changed it meanwhile isn't written over.
        $revision = $rows[$at]->revision;
        $set = $comparison->rigs[$at]->before($before->subject);

        return Shown::first(function () use ($rig, $revision, $before, $set): RigView {
            $row = $this->store->putOnBench($rig);
            if (! $set->setting->isSameAs($before->setting)) {
                $row = $this->store->keep($row, $revision, $set, 'set as in Compare');
            }

            return $this->bench->rig($row->load('parts'), $set, $before);
        });
    }
}
