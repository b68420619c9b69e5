<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\ArchiveReader;
use App\Accounts\ArchiveWriter;
use App\Accounts\SessionGuard;
use App\Http\Requests\RestoreArchive;
use App\Http\Resources\Trouble;
use App\Operations\Turns;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Everything of a person's out, and back in. */
final class ArchiveController
{
    #[OA\Get(path: '/me/archive', operationId: 'takeEverything', responses: [new OA\Response(response: 200, description: 'Everything of yours as one ZIP of open files', content: new OA\MediaType(mediaType: 'application/zip', schema: new OA\Schema(type: 'string', format: 'binary')))])]
    public function show(Request $request, ArchiveWriter $archive): BinaryFileResponse
    {
        $user = SessionGuard::person($request);
        set_time_limit(280);
        $path = Turns::take($user, 'archive', static fn (\Closure $waited): string => $archive->write($user, $waited));

        return response()->download($path, 'zinc-thimble.zip', ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
    }

    #[OA\Post(path: '/me/archive', operationId: 'bringEverything', requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(ref: RestoreArchive::class))), responses: [new OA\Response(response: 204, description: 'All of it is there again'), new OA\Response(response: 422, description: 'What is wrong; nothing was changed', content: new OA\JsonContent(ref: Trouble::class))])]
    public function store(RestoreArchive $request, ArchiveReader $archive): Response
    {
        $user = SessionGuard::person($request);
        $path = $request->archivePath();
        set_time_limit(280);
        Turns::take($user, 'archive', static fn (\Closure $waited) => $archive->read($user, $path, $waited));

        return response()->noContent();
    }
}
