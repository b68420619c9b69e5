<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\MeasurePicture;
use App\Http\Resources\MeasuredPicture;
use App\Http\Resources\Trouble;
use App\Models\Kit;
use App\Pictures\PictureMeasured;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Pictures that measure: a box of one is looked at, and nothing of it kept. */
final class PictureController
{
    #[OA\Post(path: '/kits/{kit}/pictures', operationId: 'measurePicture', parameters: [new OA\PathParameter(name: 'kit', schema: new OA\Schema(type: 'integer'))], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(ref: MeasurePicture::class))), responses: [
        new OA\Response(response: 200, description: 'What was found', content: new OA\JsonContent(ref: MeasuredPicture::class)),
        new OA\Response(response: 422, description: 'Why it can’t be measured, and what to do about it', content: new OA\JsonContent(ref: Trouble::class)),
    ])]
    public function measure(MeasurePicture $request, Kit $kit): JsonResponse
    {
        return response()->json(PictureMeasured::of($request, $kit));
    }
}
