<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Attachment;
use App\Http\Requests\ImportOuting;
use App\Http\Requests\SaveOuting;
use App\Http\Requests\TickOff;
use App\Http\Resources\Conflict;
use App\Http\Resources\OutingSummary;
use App\Http\Resources\OutingView;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Models\Outing;
use App\Outings\Calendar;
use App\Outings\OutingArchive;
use App\Outings\OutingDay;
use App\Outings\OutingStore;
use App\Outings\OutingViews;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\OutingFile;

/** Outings: what is wanted of a day, and what must be ready for it. */
final class OutingController
{
    public function __construct(private readonly OutingStore $store, private readonly OutingViews $views)
    {
    }

    #[OA\Get(path: '/outings', operationId: 'listOutings', responses: [
        new OA\Response(response: 200, description: 'The newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: OutingSummary::class))),
    ])]
    public function index(Request $request): JsonResponse
    {
        $outings = SessionGuard::person($request)->outings()->withCount(['entries' => static fn (Builder $entries): Builder => $entries->where('stands', true)]);

        return response()->json($outings->get()->map($this->views->summary(...))->all());
    }

    #[OA\Post(path: '/outings', operationId: 'addOuting', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SaveOuting::class)), responses: [
        new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: OutingView::class)),
        new OA\Response(response: 422, description: 'What is wrong where', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function store(SaveOuting $request): JsonResponse
    {
        return response()->json($this->views->outing($this->store->create(SessionGuard::person($request), $request->kit(), $request->outing())), 201);
    }

    #[OA\Post(path: '/outings/import', operationId: 'importOuting', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: ImportOuting::class)), responses: [
        new OA\Response(response: 201, description: 'Kept, under a name that is free', content: new OA\JsonContent(ref: OutingView::class)),
        new OA\Response(response: 422, description: 'What is wrong where', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function import(ImportOuting $request): JsonResponse
    {
        $user = SessionGuard::person($request);
        $id = $request->kitId();
        $kit = $id === null ? $user->kits()->oldest('id')->first() : $user->kits()->find($id) ?? throw ValidationException::withMessages(['kit' => 'You have no such kit.']);

        return response()->json($this->views->outing($this->store->create($user, $kit instanceof Kit ? $kit : null, OutingArchive::ofKit(OutingFile::parse($request->text()), $kit instanceof Kit ? $kit : null), true)), 201);
    }

    #[OA\Get(path: '/outings/{outing}', operationId: 'showOuting', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'The outing', content: new OA\JsonContent(ref: OutingView::class)),
    ])]
    public function show(Outing $outing): JsonResponse
    {
        Gate::authorize('view', $outing);

        return response()->json($this->views->outing($outing));
    }

    #[OA\Put(path: '/outings/{outing}', operationId: 'saveOuting', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: SaveOuting::class)), responses: [
        new OA\Response(response: 200, description: 'As it is kept now', content: new OA\JsonContent(ref: OutingView::class)),
        new OA\Response(response: 409, description: 'It has changed since the person saw it', content: new OA\JsonContent(ref: Conflict::class)),
        new OA\Response(response: 422, description: 'What is wrong where', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function save(SaveOuting $request, Outing $outing): JsonResponse
    {
        return response()->json($this->views->outing($this->store->save($outing, $request->revision(), $request->kit(), $request->outing())));
    }

    #[OA\Delete(path: '/outings/{outing}', operationId: 'deleteOuting', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'Gone, with everything of it')])]
    public function destroy(Outing $outing): Response
    {
        Gate::authorize('update', $outing);
        $outing->delete();

        return response()->noContent();
    }

    #[OA\Put(path: '/outings/{outing}/ticks', operationId: 'tickOff', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TickOff::class)), responses: [
        new OA\Response(response: 200, description: 'What is ticked off now', content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'string'))),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function tick(TickOff $request, Outing $outing): JsonResponse
    {
        $this->store->tick($outing, $request->what(), $request->ticked(), $request->at());

        return response()->json($outing->ticks()->where('ticked', true)->orderBy('what')->pluck('what')->all());
    }

    #[OA\Get(path: '/outings/{outing}/calendar', operationId: 'outingCalendar', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'What must be ready when (RFC 5545)', content: new OA\MediaType(mediaType: 'text/calendar', schema: new OA\Schema(type: 'string')))])]
    public function calendar(Outing $outing): Response
    {
        Gate::authorize('view', $outing);
        $day = OutingDay::of($this->store->read($outing));

        return Attachment::of(Calendar::of($outing, $day, $day->preparations(now()->toDateTimeImmutable())), 'text/calendar; charset=UTF-8', $outing->fileName().'.ics');
    }
}
