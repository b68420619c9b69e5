<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Api\MendsView;
use App\Api\RigSummary;
use App\Api\RigView;
use App\Api\StepRequest;
use App\Api\SweepView;
use App\Api\TrayView;
use App\Api\Trouble;
use App\Http\Requests\RenameRig;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\TakeStep;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\RigPart;
use App\Models\User;
use App\Rigs\KitAtHand;
use App\Rigs\RigStore;
use App\Rigs\RigViews;
use App\Rigs\Steps;
use App\Rigs\Tray;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Travels;

/** Rigs on the bench. */
final class RigController
{
    public function __construct(private readonly RigStore $store, private readonly RigViews $views)
    {
    }

    #[OA\Get(path: '/rigs', operationId: 'listRigs', parameters: [new OA\QueryParameter(name: 'page', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Rigs, the last changed first, fifty a page', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: RigSummary::class)))])]
    public function index(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $rigs = $user->rigs()->with('parts')->latest('updated_at')->latest('id')->simplePaginate(50);

        return response()->json(array_map(fn (Rig $rig): RigSummary => new RigSummary(
            $rig->id,
            $rig->name,
            $rig->parts->map(fn (RigPart $part): string => is_string($part->document->name ?? null) ? $part->document->name : $part->kind)->implode(' + '),
            $rig->updated_at->toIso8601String(),
        ), $rigs->items()));
    }

    #[OA\Post(path: '/rigs', operationId: 'startRig', responses: [new OA\Response(response: 201, description: 'A new rig: the kit’s first camera and nothing on it', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The kit has no camera', content: new OA\JsonContent(ref: Trouble::class))])]
    public function store(Request $request, KitAtHand $hand): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $kit = $user->kits()->oldest('id')->first();
        $row = $kit?->parts()->where('kind', Kind::Camera->value)->first();
        if (! $kit instanceof Kit || ! $row instanceof Part) {
            throw ValidationException::withMessages(['kit' => 'Your kit has no camera yet.']);
        }
        $core = CoreRig::of(Camera::from(new Values($hand->fields($row))), [], new Setting([], [], [], [], [], [], null), Conditions::from(new Values([])));
        $rig = $this->store->create($user, $kit, $core, null);

        return response()->json($this->views->rig($rig, $this->store->read($rig)), 201);
    }

    #[OA\Post(path: '/rigs/import', operationId: 'importRig', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text'], properties: [new OA\Property(property: 'text', type: 'string')])), responses: [new OA\Response(response: 201, description: 'The rig of the file on the bench', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The file can’t be read; every fault with its place', content: new OA\JsonContent(ref: Trouble::class))])]
    public function import(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $request->validate(['text' => ['required', 'string']]);
        $core = RigFile::parse($request->string('text')->toString());
        $rig = $this->store->create($user, $user->kits()->oldest('id')->first(), $core, null);
        if ($core->name !== null) {
            // A name that is taken already doesn't keep a rig out.
            $taken = $user->rigs()->whereNotNull('name')->pluck('name')->all();
            $name = mb_strimwidth($core->name, 0, 110, '…');
            for ($n = 2, $free = $name; in_array($free, $taken, true); $n++) {
                $free = $name.' ('.$n.')';
            }
            $rig = $this->store->rename($rig, $rig->revision, $free);
        }

        return response()->json($this->views->rig($rig, $this->store->read($rig)), 201);
    }

    #[OA\Delete(path: '/rigs/{rig}/news', operationId: 'newsSeen', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Not told again')])]
    public function newsSeen(Rig $rig): Response
    {
        Gate::authorize('update', $rig);
        $this->store->seen($rig);

        return response()->noContent();
    }

    #[OA\Get(path: '/rigs/{rig}', operationId: 'showRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The rig', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 404, description: 'No such rig of yours', content: new OA\JsonContent(ref: Trouble::class))])]
    public function show(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json($this->views->rig($rig, $this->store->read($rig)));
    }

    #[OA\Post(path: '/rigs/{rig}/steps', operationId: 'takeStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['revision', 'step'], properties: [new OA\Property(property: 'revision', type: 'integer'), new OA\Property(property: 'step', ref: StepRequest::class)])), responses: [
        new OA\Response(response: 200, description: 'The rig after the step', content: new OA\JsonContent(ref: RigView::class)),
        new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'The step can’t be taken', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function step(TakeStep $request, Rig $rig, Steps $steps): JsonResponse
    {
        [$core, $label] = $steps->take($rig, $this->store->read($rig), $request->step());
        $rig = $this->store->keep($rig, $request->revision(), $core, $label);

        return response()->json($this->views->rig($rig, $core));
    }

    #[OA\Post(path: '/rigs/{rig}/undo', operationId: 'undoStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['revision'], properties: [new OA\Property(property: 'revision', type: 'integer')])), responses: [new OA\Response(response: 200, description: 'The rig one step back', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function undo(RevisionRequest $request, Rig $rig): JsonResponse
    {
        $rig = $this->store->undo($rig, $request->revision());

        return response()->json($this->views->rig($rig, $this->store->read($rig)));
    }

    #[OA\Post(path: '/rigs/{rig}/redo', operationId: 'redoStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['revision'], properties: [new OA\Property(property: 'revision', type: 'integer')])), responses: [new OA\Response(response: 200, description: 'The rig one step on', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function redo(RevisionRequest $request, Rig $rig): JsonResponse
    {
        $rig = $this->store->redo($rig, $request->revision());

        return response()->json($this->views->rig($rig, $this->store->read($rig)));
    }

    #[OA\Put(path: '/rigs/{rig}/name', operationId: 'nameRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['revision'], properties: [new OA\Property(property: 'revision', type: 'integer'), new OA\Property(property: 'name', type: 'string', nullable: true)])), responses: [new OA\Response(response: 200, description: 'The rig by its new name', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The name can’t be had', content: new OA\JsonContent(ref: Trouble::class))])]
    public function name(RenameRig $request, Rig $rig): JsonResponse
    {
        $rig = $this->store->rename($rig, $request->revision(), $request->name());

        return response()->json($this->views->rig($rig, $this->store->read($rig)));
    }

    #[OA\Delete(path: '/rigs/{rig}', operationId: 'deleteRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Gone')])]
    public function destroy(Rig $rig): JsonResponse
    {
        Gate::authorize('delete', $rig);
        $rig->delete();

        return response()->json(null, 204);
    }

    #[OA\Get(path: '/rigs/{rig}/sweep', operationId: 'sweepTravel', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'travel', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Every reading at every place of the travel', content: new OA\JsonContent(ref: SweepView::class)), new OA\Response(response: 422, description: 'No such travel', content: new OA\JsonContent(ref: Trouble::class))])]
    public function sweep(Request $request, Rig $rig): Response
    {
        Gate::authorize('view', $rig);
        $core = $this->store->read($rig);
        $name = $request->query('travel');
        $travel = Travels::named($core, is_string($name) ? $name : '') ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);

        return response($this->views->sweep($rig, $core, $travel), 200, ['Content-Type' => 'application/json']);
    }

    #[OA\Get(path: '/rigs/{rig}/tray', operationId: 'showTray', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'place', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What fits at that joint', content: new OA\JsonContent(ref: TrayView::class)), new OA\Response(response: 422, description: 'No such joint', content: new OA\JsonContent(ref: Trouble::class))])]
    public function tray(Request $request, Rig $rig, Tray $tray): JsonResponse
    {
        Gate::authorize('view', $rig);
        $core = $this->store->read($rig);
        $place = filter_var($request->query('place'), FILTER_VALIDATE_INT);
        if (! is_int($place) || $place < 0 || $place > count($core->chain)) {
            throw ValidationException::withMessages(['place' => 'There is no such joint.']);
        }

        return response()->json($tray->at($rig, $core, $place));
    }

    #[OA\Get(path: '/rigs/{rig}/mends', operationId: 'showMends', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What cures the findings', content: new OA\JsonContent(ref: MendsView::class))])]
    public function mends(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json($this->views->mends($rig, $this->store->read($rig)));
    }

    #[OA\Get(path: '/rigs/{rig}/file', operationId: 'exportRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The rig as a version-1 file', content: new OA\MediaType(mediaType: 'application/json', schema: new OA\Schema(type: 'object')))])]
    public function export(Rig $rig): Response
    {
        Gate::authorize('view', $rig);
        $name = Str::slug($rig->name ?? 'rig') ?: 'rig';

        return response($this->store->export($rig), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="'.$name.'.rig.json"',
        ]);
    }
}
