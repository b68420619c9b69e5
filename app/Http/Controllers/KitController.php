<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Attachment;
use App\Http\Requests\ImportKit;
use App\Http\Requests\NameKit;
use App\Http\Requests\RevisionRequest;
use App\Http\Resources\CrossingView;
use App\Http\Resources\DeletedPart;
use App\Http\Resources\ImportView;
use App\Http\Resources\KitSummary;
use App\Http\Resources\KitView;
use App\Http\Resources\MapView;
use App\Http\Resources\Trouble;
use App\Kit\Importing;
use App\Kit\JoiningViews;
use App\Kit\KitDocument;
use App\Kit\KitStore;
use App\Kit\KitViews;
use App\Models\Kit;
use App\Models\Part;
use App\Operations\Shown;
use App\Operations\Turns;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Side;

/** A person's kits: what is in them, their history, files in and out, and what joins what. */
final class KitController
{
    public function __construct(private readonly KitStore $store, private readonly KitViews $views)
    {
    }

    #[OA\Get(path: '/kits', operationId: 'listKits', responses: [new OA\Response(response: 200, description: 'All kits of the person', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KitSummary::class)))])]
    public function index(Request $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        $kits = $user->kits()->withCount('parts')->oldest('id')->get();

        return response()->json($kits->map(fn (Kit $kit): KitSummary => new KitSummary($kit->id, $kit->name, $kit->currency, (int) $kit->getAttribute('parts_count')))->all());
    }

    #[OA\Post(path: '/kits', operationId: 'startKit', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: NameKit::class)), responses: [
        new OA\Response(response: 201, description: 'A kit more, empty', content: new OA\JsonContent(ref: KitView::class)),
        new OA\Response(response: 422, description: 'The name can’t be had, or there are too many kits', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(NameKit $request): JsonResponse
    {
        $user = SessionGuard::person($request);

        return Shown::first(fn (): KitView => $this->views->kit($this->store->start($user, $request->name(), $request->currency())), 201);
    }

    #[OA\Delete(path: '/kits/{kit}', operationId: 'deleteKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 204, description: 'Deleted'),
        new OA\Response(response: 422, description: 'It is the last one, or something is in it', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function destroy(Kit $kit): Response
    {
        Gate::authorize('update', $kit);
        $this->store->drop($kit);

        return response()->noContent();
    }

    #[OA\Get(path: '/kits/{kit}', operationId: 'showKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The kit', content: new OA\JsonContent(ref: KitView::class))])]
    public function show(Kit $kit): JsonResponse
    {
        Gate::authorize('view', $kit);

        return response()->json($this->views->kit($kit));
    }

    #[OA\Put(path: '/kits/{kit}', operationId: 'nameKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: NameKit::class)), responses: [new OA\Response(response: 200, description: 'The kit', content: new OA\JsonContent(ref: KitView::class)), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function name(NameKit $request, Kit $kit): JsonResponse
    {
        $kit->update(['name' => $request->name(), 'currency' => $request->currency()]);

        return response()->json($this->views->kit($kit));
    }

    #[OA\Post(path: '/kits/{kit}/undo', operationId: 'undoKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RevisionRequest::class)), responses: [new OA\Response(response: 200, description: 'The kit one step back', content: new OA\JsonContent(ref: KitView::class)), new OA\Response(response: 409, description: 'The kit has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function undo(RevisionRequest $request, Kit $kit): JsonResponse
    {
        return Shown::first(fn (): KitView => $this->views->kit($this->store->undo($kit, $request->revision())));
    }

    #[OA\Post(path: '/kits/{kit}/redo', operationId: 'redoKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: RevisionRequest::class)), responses: [new OA\Response(response: 200, description: 'The kit one step on', content: new OA\JsonContent(ref: KitView::class)), new OA\Response(response: 409, description: 'The kit has changed meanwhile', content: new OA\JsonContent(ref: Trouble::class))])]
    public function redo(RevisionRequest $request, Kit $kit): JsonResponse
    {
        return Shown::first(fn (): KitView => $this->views->kit($this->store->redo($kit, $request->revision())));
    }

    #[OA\Get(path: '/kits/{kit}/deleted', operationId: 'listDeleted', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Deleted parts, the last one first, at most 200', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DeletedPart::class)))])]
    public function deleted(Kit $kit): JsonResponse
    {
        Gate::authorize('view', $kit);
        $parts = array_values($kit->deletedParts()->limit(200)->get()->all());

        return response()->json(array_map(fn (Part $part): DeletedPart => new DeletedPart($part->id, $part->kindOf(), $part->name ?? ucfirst($part->kindOf()->spoken()), ($part->deleted_at ?? now())->toIso8601String()), $parts));
    }

    #[OA\Get(path: '/kits/{kit}/file', operationId: 'exportKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'as', schema: new OA\Schema(type: 'string', enum: ['json', 'csv']))], responses: [new OA\Response(response: 200, description: 'The kit as a file', content: new OA\MediaType(mediaType: 'application/octet-stream', schema: new OA\Schema(type: 'string')))])]
    public function export(Request $request, Kit $kit): Response
    {
        Gate::authorize('view', $kit);
        $csv = $request->query('as') === 'csv';
        $name = (Str::slug($kit->name) ?: 'kit').($csv ? '.csv' : '.kit.json');

        return Attachment::of($csv ? KitDocument::csv($kit, $kit->parts) : KitDocument::write($kit, $kit->parts), $csv ? 'text/csv; charset=utf-8' : 'application/json', $name);
    }

    #[OA\Post(path: '/kits/{kit}/import', operationId: 'importKit', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ImportKit::class)), responses: [new OA\Response(response: 200, description: 'What the file would change', content: new OA\JsonContent(ref: ImportView::class))])]
    public function preview(ImportKit $request, Kit $kit, Importing $importing): JsonResponse
    {
        return response()->json($importing->preview($kit, $request->text(), $request->kind()));
    }

    #[OA\Put(path: '/kits/{kit}/import', operationId: 'takeImport', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ImportKit::class)), responses: [
        new OA\Response(response: 200, description: 'The kit with all of the file in it', content: new OA\JsonContent(ref: KitView::class)),
        new OA\Response(response: 409, description: 'The kit has changed since it was shown', content: new OA\JsonContent(ref: Trouble::class)),
        new OA\Response(response: 422, description: 'The file can’t be taken; nothing was changed', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function import(ImportKit $request, Kit $kit, Importing $importing): JsonResponse
    {
        return Shown::first(fn (): KitView => $this->views->kit($importing->take($kit, $request->revision(), $request->text(), $request->kind())));
    }

    #[OA\Get(path: '/kits/{kit}/map', operationId: 'jointMap', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What joins what', content: new OA\JsonContent(ref: MapView::class))])]
    public function map(Request $request, Kit $kit, JoiningViews $views): JsonResponse
    {
        Gate::authorize('view', $kit);
        $user = SessionGuard::person($request);

        return Turns::take($user, 'map', static fn (): JsonResponse => response()->json($views->map($kit)));
    }

    #[OA\Get(path: '/kits/{kit}/crossing', operationId: 'crossing', parameters: [
        new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'front', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'frontSide', schema: new OA\Schema(type: 'string', enum: ['male', 'female'])),
        new OA\QueryParameter(name: 'rear', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'rearSide', schema: new OA\Schema(type: 'string', enum: ['male', 'female'])),
    ], responses: [new OA\Response(response: 200, description: 'The shortest way from one joint to another, and which parts go on the first', content: new OA\JsonContent(ref: CrossingView::class)), new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class))])]
    public function crossing(Request $request, Kit $kit, JoiningViews $views): JsonResponse
    {
        Gate::authorize('view', $kit);
        $request->validate([
            'front' => ['required', 'string', 'max:64'], 'rear' => ['required', 'string', 'max:64'],
            'frontSide' => ['bail', 'nullable', 'string', Rule::enum(Side::class)], 'rearSide' => ['bail', 'nullable', 'string', Rule::enum(Side::class)],
        ]);

        return response()->json($views->crossing($kit, self::end($request, 'front', Side::Female), self::end($request, 'rear', Side::Male)));
    }

    private static function end(Request $request, string $name, Side $usual): JointEnd
    {
        try {
            return new JointEnd(Side::tryFrom($request->string($name.'Side')->toString()) ?? $usual, [Joint::parse($request->string($name)->toString())]);
        } catch (InvalidFigure $fault) {
            throw ValidationException::withMessages([$name => substr($fault->getMessage(), strlen('joint: '))]);
        }
    }
}
