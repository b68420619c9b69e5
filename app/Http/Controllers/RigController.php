<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Bench\KitAtHand;
use App\Bench\Proposals;
use App\Bench\RigList;
use App\Bench\RigStore;
use App\Bench\RigViews;
use App\Bench\StaleRevision;
use App\Bench\Steps\Insert;
use App\Bench\Steps\StepContext;
use App\Bench\Tray;
use App\Http\Attachment;
use App\Http\Requests\ImportRig;
use App\Http\Requests\RenameRig;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\StartRig;
use App\Http\Requests\TagRig;
use App\Http\Requests\TakeStep;
use App\Http\Resources\DerivationView;
use App\Http\Resources\MendsView;
use App\Http\Resources\ProposalView;
use App\Http\Resources\RigSummary;
use App\Http\Resources\RigView;
use App\Http\Resources\StateSummary;
use App\Http\Resources\StateView;
use App\Http\Resources\SweepView;
use App\Http\Resources\TrayView;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\RigStep;
use App\Operations\Shown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Report\Derivation;
use ZincThimble\Core\Report\Sweep;
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

    #[OA\Get(path: '/rigs', operationId: 'listRigs', parameters: [new OA\QueryParameter(name: 'page', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Rigs, the last changed first, fifty a page; of a search, those whose name, tags or parts hold every word', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: RigSummary::class)))])]
    public function index(Request $request, RigList $list): JsonResponse
    {
        $user = SessionGuard::person($request);
        $request->validate(['page' => ['nullable', 'integer', 'min:1', 'max:100000'], 'search' => ['nullable', 'string', 'max:200']]);

        return response()->json($list->of($user, $request->string('search')->toString(), max(1, $request->integer('page'))));
    }

    #[OA\Post(path: '/rigs', operationId: 'startRig', requestBody: new OA\RequestBody(required: false, content: new OA\JsonContent(ref: StartRig::class)), responses: [new OA\Response(response: 201, description: 'A new rig: a camera and the parts asked for', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'There is no such kit, or it has no such camera or part', content: new OA\JsonContent(ref: Trouble::class))])]
    public function store(StartRig $request, KitAtHand $hand): JsonResponse
    {
        $user = SessionGuard::person($request);
        $kit = $request->kit($user);
        $cameras = $kit?->parts()->where('kind', Kind::Camera->value);
        $row = $request->camera() === null ? $cameras?->first() : $cameras?->whereKey($request->camera())->first();
        if (! $kit instanceof Kit || ! $row instanceof Part) {
            throw ValidationException::withMessages(['camera' => $request->camera() === null ? 'Your kit has no camera yet.' : 'Your kit has no such camera.']);
        }
        $core = CoreRig::of(Camera::from(new Values($hand->fields($row))), [], Setting::untouched(), Conditions::from(new Values([])));
        // A lens that doesn't come off is there from the start.
        $parts = $request->parts() === [] ? array_filter([$hand->builtInLens($kit, $row)]) : $request->parts();

        return Shown::first(function () use ($user, $kit, $core, $hand, $parts): RigView {
            $rig = $this->store->create($user, $kit, $core, null);
            if ($parts !== []) {
                $outcome = (new Insert(0, $parts))->take(new StepContext($rig->load('parts'), $hand), $core);
                $rig = $this->store->keep($rig, $rig->revision, $outcome->rig, $outcome->label);
            }

            return $this->shown($rig);
        }, 201);
    }

    #[OA\Get(path: '/rigs/proposals', operationId: 'proposals', parameters: [new OA\QueryParameter(name: 'kit', required: false, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'First rigs that the kit can make', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ProposalView::class)))])]
    public function proposals(Request $request, Proposals $proposals): JsonResponse
    {
        $user = SessionGuard::person($request);
        $request->validate(['kit' => ['nullable', 'integer', 'min:1', 'max:9000000000000']]);
        $kit = StartRig::kitOf($user, $request->filled('kit') ? $request->integer('kit') : null);

        return response()->json($kit instanceof Kit ? $proposals->of($kit->load('parts')) : []);
    }

    #[OA\Post(path: '/rigs/{rig}/copies', operationId: 'duplicateRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 201, description: 'The same rig once more, without a name and with a history of its own', content: new OA\JsonContent(ref: RigView::class))])]
    public function duplicate(Request $request, Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);
        $user = SessionGuard::person($request);
        $kit = Kit::query()->whereKey($rig->kit_id)->first();

        return Shown::first(function () use ($user, $kit, $rig): RigView {
            $copy = $this->store->create($user, $kit, $this->store->read($rig), null);
            $copy->update(['tags' => $rig->tags]);

            return $this->shown($copy);
        }, 201);
    }

    #[OA\Put(path: '/rigs/{rig}/tags', operationId: 'tagRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TagRig::class)), responses: [new OA\Response(response: 204, description: 'Tagged so'), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function tag(TagRig $request, Rig $rig): Response
    {
        $tags = $request->tags();
        $rig->timestamps = false;
        $rig->update(['tags' => $tags]);

        return response()->noContent();
    }

    #[OA\Get(path: '/rigs/{rig}/states', operationId: 'listStates', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The states it was saved in, the last one first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: StateSummary::class)))])]
    public function states(Rig $rig): JsonResponse
    {
        Gate::authorize('view', $rig);
        $steps = array_reverse($rig->steps()->get(['number', 'label', 'created_at'])->all());

        return response()->json(array_map(static fn (RigStep $step): StateSummary => new StateSummary($step->number, $step->label, ($step->created_at ?? now())->toIso8601String()), $steps));
    }

    #[OA\Get(path: '/rigs/{rig}/states/{number}', operationId: 'showState', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'number', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The rig as it was then', content: new OA\JsonContent(ref: StateView::class))])]
    public function state(Rig $rig, int $number): JsonResponse
    {
        Gate::authorize('view', $rig);
        $step = $rig->steps()->where('number', $number)->firstOrFail();

        return response()->json($this->views->state($step->number, $step->label, RigFile::read($step->document)));
    }

    #[OA\Post(path: '/rigs/import', operationId: 'importRig', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ImportRig::class)), responses: [new OA\Response(response: 201, description: 'The rig of the file on the bench', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The file can’t be read; every fault with its place', content: new OA\JsonContent(ref: Trouble::class))])]
    public function import(ImportRig $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        $kit = StartRig::kitOf($user, $request->kitId());
        $document = Json::read($request->text());
        $core = RigFile::read($document instanceof \stdClass ? RigStore::without($document) : $document);

        return Shown::first(function () use ($user, $kit, $core): RigView {
            $rig = $this->store->create($user, $kit, $core, null);
            if ($core->name !== null) {
                // A name that is taken already doesn't keep a rig out.
                $rig = $this->store->rename($rig, $rig->revision, $this->store->freeName($user, $core->name));
            }

            return $this->shown($rig);
        }, 201);
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

        return response()->json($this->shown($rig));
    }

    #[OA\Get(path: '/rigs/{rig}/derivation/{reading}', operationId: 'derive', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'reading', schema: new OA\Schema(type: 'string', enum: Derivation::READINGS))], responses: [new OA\Response(response: 200, description: 'How the reading comes about, step by step', content: new OA\JsonContent(ref: DerivationView::class))])]
    public function derivation(Rig $rig, string $reading): JsonResponse
    {
        Gate::authorize('view', $rig);

        return response()->json(DerivationView::of(Derivation::of($this->store->read($rig), $reading)));
    }

    #[OA\Post(path: '/rigs/{rig}/steps', operationId: 'takeStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TakeStep::class)), responses: [
        new OA\Response(response: 200, description: 'The rig after the step', content: new OA\JsonContent(ref: RigView::class)),
        new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'The step can’t be taken', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function step(TakeStep $request, Rig $rig, KitAtHand $hand): JsonResponse
    {
        if ($this->store->hasTaken($rig, $request->sentAs())) {
            return response()->json($this->shown($rig));
        }
        $before = $this->store->read($rig);
        $outcome = $request->step()->take(new StepContext($rig, $hand), $before);

        try {
            return Shown::first(fn (): RigView => $this->views->rig($this->store->keep($rig, $request->revision(), $outcome->rig, $outcome->label, $request->sentAs()), $outcome->rig, $before));
        } catch (StaleRevision $stale) {
            // Sent twice at the same time: the other one was quicker, and this one has nothing to add.
            if ($this->store->hasTaken($rig, $request->sentAs())) {
                return response()->json($this->shown(Rig::query()->with('parts')->findOrFail($rig->id)));
            }
            throw $stale;
        }
    }

    #[OA\Post(path: '/rigs/{rig}/undo', operationId: 'undoStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RevisionRequest::class)), responses: [new OA\Response(response: 200, description: 'The rig one step back', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function undo(RevisionRequest $request, Rig $rig): JsonResponse
    {
        return $this->back($rig, fn (): Rig => $this->store->undo($rig, $request->revision()));
    }

    #[OA\Post(path: '/rigs/{rig}/redo', operationId: 'redoStep', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RevisionRequest::class)), responses: [new OA\Response(response: 200, description: 'The rig one step on', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 409, description: 'The rig has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function redo(RevisionRequest $request, Rig $rig): JsonResponse
    {
        return $this->back($rig, fn (): Rig => $this->store->redo($rig, $request->revision()));
    }

    #[OA\Put(path: '/rigs/{rig}/name', operationId: 'nameRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RenameRig::class)), responses: [new OA\Response(response: 200, description: 'The rig by its new name', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 422, description: 'The name can’t be had', content: new OA\JsonContent(ref: Trouble::class))])]
    public function name(RenameRig $request, Rig $rig): JsonResponse
    {
        return Shown::first(fn (): RigView => $this->shown($this->store->rename($rig, $request->revision(), $request->name())));
    }

    #[OA\Delete(path: '/rigs/{rig}', operationId: 'deleteRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Gone')])]
    public function destroy(Rig $rig): JsonResponse
    {
        Gate::authorize('delete', $rig);
        $rig->delete();

        return response()->json(null, 204);
    }

    #[OA\Get(path: '/rigs/{rig}/sweep', operationId: 'sweepTravel', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'travel', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Every reading at every position of the travel', content: new OA\JsonContent(ref: SweepView::class)), new OA\Response(response: 422, description: 'No such travel', content: new OA\JsonContent(ref: Trouble::class))])]
    public function sweep(Request $request, Rig $rig): Response
    {
        Gate::authorize('view', $rig);
        $core = $this->store->read($rig);
        $name = $request->query('travel');
        $travel = Travels::named($core, is_string($name) ? $name : '') ?? throw ValidationException::withMessages(['travel' => 'This rig has no such control.']);

        return response(Sweep::json($this->views->sweep($rig, $core, $travel)), 200, ['Content-Type' => 'application/json']);
    }

    #[OA\Get(path: '/rigs/{rig}/tray', operationId: 'showTray', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'index', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What fits at that joint', content: new OA\JsonContent(ref: TrayView::class)), new OA\Response(response: 422, description: 'No such joint', content: new OA\JsonContent(ref: Trouble::class))])]
    public function tray(Request $request, Rig $rig, Tray $tray): JsonResponse
    {
        Gate::authorize('view', $rig);
        $core = $this->store->read($rig);
        $index = filter_var($request->query('index'), FILTER_VALIDATE_INT);
        if (! is_int($index) || $index < 0 || $index > count($core->chain)) {
            throw ValidationException::withMessages(['index' => 'There is no such joint.']);
        }

        return response()->json($tray->at($rig, $core, $index));
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

        return Attachment::of($this->store->export($rig), 'application/json', $rig->fileName().'.rig.json');
    }

    /** @param  \Closure(): Rig  $go  one state back, or forth */
    private function back(Rig $rig, \Closure $go): JsonResponse
    {
        $before = $this->store->read($rig);

        return Shown::first(function () use ($go, $before): RigView {
            $now = $go();

            return $this->views->rig($now, $this->store->read($now), $before);
        });
    }

    private function shown(Rig $rig): RigView
    {
        return $this->views->rig($rig, $this->store->read($rig));
    }
}
