<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SessionGuard;
use App\Http\Attachment;
use App\Http\Requests\SearchLog;
use App\Http\Resources\LedgerView;
use App\Http\Resources\LogView;
use App\Http\Resources\Trouble;
use App\Models\Entry;
use App\Models\Outing;
use App\Outings\EntryStore;
use App\Outings\EntryViews;
use App\Outings\LedgerViews;
use App\Outings\Log;
use App\Outings\LogCsv;
use App\Outings\Sidecars;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Everything that was written down, over all outings, and what it says of how right the tool was. */
final class LogController
{
    #[OA\Get(path: '/log', operationId: 'searchLog', parameters: [
        new OA\QueryParameter(name: 'words', required: false, description: 'Each has to be in the subject, the note, a part or a picture’s name', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'part', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'subject', required: false, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'from', required: false, description: 'Magnification', schema: new OA\Schema(type: 'number')), new OA\QueryParameter(name: 'to', required: false, schema: new OA\Schema(type: 'number')),
        new OA\QueryParameter(name: 'since', required: false, schema: new OA\Schema(type: 'string', format: 'date')), new OA\QueryParameter(name: 'until', required: false, schema: new OA\Schema(type: 'string', format: 'date')),
        new OA\QueryParameter(name: 'result', required: false, description: 'At least', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'outing', required: false, schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'page', required: false, schema: new OA\Schema(type: 'integer')),
    ], responses: [
        new OA\Response(response: 200, description: 'The newest first', content: new OA\JsonContent(ref: LogView::class)),
        new OA\Response(response: 422, description: 'What is wrong', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(SearchLog $request, Log $log): JsonResponse
    {
        return response()->json($log->search(SessionGuard::person($request), $request));
    }

    #[OA\Get(path: '/ledger', operationId: 'showLedger', responses: [new OA\Response(response: 200, description: 'How right the tool was', content: new OA\JsonContent(ref: LedgerView::class))])]
    public function ledger(Request $request, LedgerViews $ledger): JsonResponse
    {
        return response()->json($ledger->of(SessionGuard::person($request)));
    }

    #[OA\Get(path: '/outings/{outing}/csv', operationId: 'exportEntries', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Entries that stand, one a row', content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')))])]
    public function csv(Outing $outing, EntryStore $entries): Response
    {
        Gate::authorize('view', $outing);

        return Attachment::of(LogCsv::of(array_map(EntryViews::listed(...), self::standing($outing, $entries))), 'text/csv; charset=UTF-8', $outing->fileName().'.log.csv');
    }

    #[OA\Get(path: '/outings/{outing}/xmp', operationId: 'exportSidecars', parameters: [new OA\PathParameter(name: 'outing', schema: new OA\Schema(type: 'integer'))], responses: [
        new OA\Response(response: 200, description: 'A file for each picture named, in one archive', content: new OA\MediaType(mediaType: 'application/zip', schema: new OA\Schema(type: 'string', format: 'binary'))),
        new OA\Response(response: 404, description: 'No picture is named', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function sidecars(Outing $outing, EntryStore $entries): Response
    {
        Gate::authorize('view', $outing);
        $archive = Sidecars::of($outing, self::standing($outing, $entries));
        abort_if($archive === '', 404);

        return Attachment::of($archive, 'application/zip', $outing->fileName().'.xmp.zip');
    }

    /** @return list<Entry> */
    private static function standing(Outing $outing, EntryStore $entries): array
    {
        return array_values(array_filter($entries->of($outing), static fn (Entry $entry): bool => $entry->stands));
    }
}
