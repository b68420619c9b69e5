<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TakeEntry;
use App\Http\Resources\EntryView;
use App\Http\Resources\Trouble;
use App\Models\Entry;
use App\Models\Outing;
use App\Outings\EntryStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The log of an outing. */
final class EntryController
{
    public function __construct(private readonly EntryStore $store)
    {
    }

    #[OA\Get(path: '/outings/{outing}/entries', operationId: 'listEntries', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'In the order in which they were written down, those that were replaced too', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: EntryView::class))),
    ])]
    public function index(Outing $outing): JsonResponse
    {
        Gate::authorize('view', $outing);

        return response()->json(array_map(self::view(...), $this->store->of($outing)));
    }

    #[OA\Put(path: '/outings/{outing}/entries/{entry}', operationId: 'takeEntry', parameters: [
        new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'entry', schema: new OA\Schema(type: 'string', format: 'uuid')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: TakeEntry::class)), responses: [
        new OA\Response(response: 200, description: 'What is kept under this id: sent twice, it is the first', content: new OA\JsonContent(ref: EntryView::class)),
        new OA\Response(response: 422, description: 'What is wrong where', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function take(TakeEntry $request, Outing $outing): JsonResponse
    {
        return response()->json(self::view($this->store->take($outing, $request->entry())));
    }

    private static function view(Entry $entry): EntryView
    {
        $at = $entry->document->at ?? null;

        return new EntryView($entry->id, is_string($at) ? $at : $entry->at->format(DATE_ATOM), $entry->document);
    }
}
