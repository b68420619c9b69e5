<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\RigStore;
use App\Http\Attachment;
use App\Http\Resources\SheetView;
use App\Http\Resources\Trouble;
use App\Models\Rig;
use App\Plan\SheetViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;

/** A rig's sheet for the table or the bag. */
final class SheetController
{
    #[OA\Get(path: '/rigs/{rig}/sheet', operationId: 'showSheet', parameters: [
        new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'as', required: false, description: 'Asked for as text or as an open file, the same as that', schema: new OA\Schema(type: 'string', enum: ['text', 'file'])),
    ], responses: [
        new OA\Response(response: 200, description: 'Its sheet', content: new OA\JsonContent(ref: SheetView::class)),
        new OA\Response(response: 404, description: 'No such rig of yours', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function show(Request $request, Rig $rig, RigStore $store): JsonResponse|Response
    {
        Gate::authorize('view', $rig);
        $request->validate(['as' => ['nullable', 'string', 'in:text,file']]);
        $core = $store->read($rig);
        $sheet = Sheet::of(Shots::planned($core));
        $name = $rig->fileName();

        return match ($request->input('as')) {
            'text' => Attachment::of($sheet->text(), 'text/plain; charset=UTF-8', $name.'.sheet.txt'),
            'file' => Attachment::of(Json::write(['format' => 'zinc-thimble/sheet', 'version' => 1, 'title' => $sheet->title, 'ruleMm' => $sheet->ruleMm, 'sections' => $sheet->toArray()]), 'application/json', $name.'.sheet.json'),
            default => response()->json(SheetViews::of($sheet, $core)),
        };
    }
}
