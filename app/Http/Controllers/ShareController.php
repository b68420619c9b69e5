<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\RigViews;
use App\Bench\Sharing;
use App\Http\Attachment;
use App\Http\Resources\RigView;
use App\Http\Resources\ShareView;
use App\Http\Resources\Trouble;
use App\Models\Rig;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Links by which others may look at a rig. */
final class ShareController
{
    public function __construct(private readonly Sharing $sharing)
    {
    }

    #[OA\Post(path: '/rigs/{rig}/share', operationId: 'shareRig', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 201, description: 'A link to the rig as it is now; an older one leads nowhere any more', content: new OA\JsonContent(ref: ShareView::class))])]
    public function store(Rig $rig): JsonResponse
    {
        Gate::authorize('update', $rig);

        return response()->json(Sharing::view($this->sharing->share($rig)), 201);
    }

    #[OA\Delete(path: '/rigs/{rig}/share', operationId: 'withdrawShare', parameters: [new OA\PathParameter(name: 'rig', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 204, description: 'The link leads nowhere any more')])]
    public function destroy(Rig $rig): Response
    {
        Gate::authorize('update', $rig);
        $this->sharing->withdraw($rig);

        return response()->noContent();
    }

    #[OA\Get(path: '/shared/{token}', operationId: 'showShared', parameters: [new OA\PathParameter(name: 'token', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The rig as it was when it was shared', content: new OA\JsonContent(ref: RigView::class)), new OA\Response(response: 404, description: 'No such link, or withdrawn', content: new OA\JsonContent(ref: Trouble::class))])]
    public function show(string $token, RigViews $views): JsonResponse
    {
        return response()->json($views->shared($this->shared($token)));
    }

    #[OA\Get(path: '/shared/{token}/file', operationId: 'exportShared', parameters: [new OA\PathParameter(name: 'token', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The rig as a file', content: new OA\MediaType(mediaType: 'application/json', schema: new OA\Schema(type: 'string'))), new OA\Response(response: 404, description: 'No such link, or withdrawn', content: new OA\JsonContent(ref: Trouble::class))])]
    public function export(string $token): Response
    {
        return Attachment::of(RigFile::write($this->shared($token)), 'application/json', 'shared.rig.json');
    }

    /** @throws HttpResponseException where the link leads nowhere */
    private function shared(string $token): CoreRig
    {
        $share = $this->sharing->find($token);
        if ($share === null) {
            throw new HttpResponseException(response()->json(['message' => 'This link leads nowhere. It was withdrawn, or is not complete.'], 404));
        }

        return RigFile::read($share->document);
    }
}
