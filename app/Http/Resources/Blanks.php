<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The blanks of a wish, as every way to ask describes them. */
#[OA\QueryParameter(parameter: 'fieldWidthMm', name: 'fieldWidthMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'magnification', name: 'magnification', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'workingDistanceMm', name: 'workingDistanceMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'subjectDistanceMm', name: 'subjectDistanceMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'leastRoomMm', name: 'leastRoomMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'mostStopsLost', name: 'mostStopsLost', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'focusFromMm', name: 'focusFromMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'focusToMm', name: 'focusToMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'mostMassG', name: 'mostMassG', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'mostLengthMm', name: 'mostLengthMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'mostPrice', name: 'mostPrice', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'mostMissingPrice', name: 'mostMissingPrice', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'leastCorner', name: 'leastCorner', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'depthMm', name: 'depthMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'detailMm', name: 'detailMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'subjectDepthMm', name: 'subjectDepthMm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'infinity', name: 'infinity', schema: new OA\Schema(type: 'integer', enum: [0, 1]))]
#[OA\QueryParameter(parameter: 'underWater', name: 'underWater', description: 'Whether it is photographed under water, through a port', schema: new OA\Schema(type: 'integer', enum: [0, 1]))]
#[OA\QueryParameter(parameter: 'flat', name: 'flat', description: 'Whether the subject is flat', schema: new OA\Schema(type: 'integer', enum: [0, 1]))]
#[OA\QueryParameter(parameter: 'cameras', name: 'cameras', description: 'Only on these cameras of the kit, commas between', schema: new OA\Schema(type: 'string'))]
#[OA\QueryParameter(parameter: 'with', name: 'with', description: 'Parts of the kit that must be in it, commas between', schema: new OA\Schema(type: 'string'))]
#[OA\QueryParameter(parameter: 'without', name: 'without', description: 'Parts of the kit that must not, commas between', schema: new OA\Schema(type: 'string'))]
#[OA\QueryParameter(parameter: 'automatic', name: 'automatic', schema: new OA\Schema(type: 'integer', enum: [0, 1]))]
#[OA\QueryParameter(parameter: 'support', name: 'support', schema: new OA\Schema(type: 'string', enum: ['hand', 'braced', 'table']))]
#[OA\QueryParameter(parameter: 'ranking', name: 'ranking', schema: new OA\Schema(type: 'string', enum: ['ease', 'room', 'light', 'mass', 'price']))]
#[OA\QueryParameter(parameter: 'page', name: 'page', schema: new OA\Schema(type: 'integer'))]
final class Blanks
{
}
