<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\RigStore;
use App\Bench\StaleRevision;
use App\Http\Attachment;
use App\Http\Requests\KeepTrial;
use App\Http\Requests\MeasureBracketing;
use App\Http\Resources\LightSweep;
use App\Http\Resources\LightView;
use App\Http\Resources\ShotsView;
use App\Http\Resources\TrialView;
use App\Http\Resources\Trouble;
use App\Kit\KitStore;
use App\Kit\Trials;
use App\Models\Part;
use App\Models\Rig;
use App\Operations\Shown;
use App\Plan\PlanViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\Bracketing;
use ZincThimble\Core\Plan\RailProgram;
use ZincThimble\Core\Plan\RingStack;
use ZincThimble\Core\Plan\Shots;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Travels;

/** Light and shots of a rig: planned on the bench, worked out by the core. */
final class PlanController
{
    public function __construct(private readonly PlanViews $views)
    {
    }

    #[OA\Get(path: '/rigs/{rig}/light', operationId: 'showLight', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'Figures of light as the rig stands', content: new OA\JsonContent(ref: LightView::class)),
        new OA\Response(response: 404, description: 'No such rig of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function light(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json($this->views->light($rig));
    }

    #[OA\Get(path: '/rigs/{rig}/light/sweep', operationId: 'sweepLight', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'travel', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Figures of light at every place of the control', content: new OA\JsonContent(ref: LightSweep::class)),
        new OA\Response(response: 422, description: 'No such control', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function sweep(Request $request, Rig $rig): Response
    {
        Gate::authorize('view', $rig);
        $core = $this->views->completed($rig);
        $name = $request->query('travel');
        $travel = Travels::named($core, is_string($name) ? $name : '') ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);

        return response(Sweep::json($this->views->sweep($rig, $core, $travel)), 200, ['Content-Type' => 'application/json']);
    }

    #[OA\Get(path: '/rigs/{rig}/shots', operationId: 'showShots', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'One shot and a stack', content: new OA\JsonContent(ref: ShotsView::class)),
        new OA\Response(response: 404, description: 'No such rig of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function shots(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json($this->views->shots($rig));
    }

    #[OA\Get(path: '/rigs/{rig}/rail-program', operationId: 'railProgram', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The rail’s program for the stack, RS-274', content: new OA\MediaType(mediaType: 'text/plain', schema: new OA\Schema(type: 'string'))),
        new OA\Response(response: 422, description: 'There is no rail, or nothing to stack', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function program(Rig $rig): Response
    {
        Gate::authorize('view', $rig);
        $shots = Shots::planned($this->views->completed($rig));
        $rail = $shots->rail ?? throw ValidationException::withMessages(['rail' => $shots->railTrouble ?? 'There is no rail in your kit, or nothing to stack.']);
        $plan = $shots->rig->conditions->plan;
        $text = RailProgram::of($rail, $rig->name ?? '', settleS: $plan->settleS ?? Shots::SETTLE_S)->text();

        return Attachment::of($text, 'text/plain; charset=UTF-8', $rig->fileName().'.nc');
    }

    #[OA\Post(path: '/rigs/{rig}/trial', operationId: 'tryStops', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: KeepTrial::class)), responses: [
        new OA\Response(response: 200, description: 'The curve, and what it changes; kept with the lens when asked to', content: new OA\JsonContent(ref: TrialView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function trial(KeepTrial $request, Rig $rig, RigStore $store, Trials $trials): JsonResponse
    {
        $core = $store->read($rig);
        $at = $core->workingLens();
        $number = $at === null ? null : RigStore::reference($core->chain[$at]->document->fields);
        $part = $number === null || $rig->kit_id === null ? null : Part::query()->where('kit_id', $rig->kit_id)->find($number);

        return Shown::first(static fn (): TrialView => $trials->of($core, $part instanceof Part ? $part : null, $request->stops(), ['at' => now()->toDateString(), 'note' => mb_substr($rig->name ?? AsEngraved::title($core), 0, 300)], $request->boolean('keep')));
    }

    #[OA\Post(path: '/rigs/{rig}/bracketing', operationId: 'measureBracketing', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: MeasureBracketing::class)), responses: [
        new OA\Response(response: 200, description: 'Shots by the step that was measured, which is kept with the lens', content: new OA\JsonContent(ref: ShotsView::class)),
        new OA\Response(response: 409, description: 'The rig or the lens has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function measureBracketing(MeasureBracketing $request, Rig $rig, RigStore $store, KitStore $kits): JsonResponse
    {
        if ($rig->revision !== $request->revision()) {
            throw new StaleRevision($rig->revision);
        }
        $core = $store->read($rig);
        try {
            $step = Bracketing::measured($core, $request->integer('setting'), $request->integer('frames'), $request->movedMm());
        } catch (InvalidFigure $fault) {
            throw ValidationException::withMessages([$fault->field => $fault->getMessage()]);
        }
        $ring = RingStack::ring($core);
        $number = $ring === null ? null : RigStore::reference($core->chain[$ring->part]->document->fields);
        $part = $number === null ? null : Part::query()->where('kit_id', $rig->kit_id)->find($number);
        if (! $part instanceof Part) {
            throw ValidationException::withMessages(['rig' => 'This lens lies in no kit of yours: put it into one, and its step is kept with it.']);
        }
        $fields = ['bracketStep' => $step] + $part->fields();

        return Shown::first(function () use ($kits, $part, $fields, $rig): ShotsView {
            $kits->update($part, $part->version, new KitItem($part->kindOf(), $fields), 'measure the focus step of '.($part->name ?? 'a lens'));

            return $this->views->shots(Rig::query()->with('parts')->findOrFail($rig->id));
        });
    }
}
