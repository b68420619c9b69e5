<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Picture\TargetKind;

/** Describes what an address of a comparison says, once for all that ask it (App\Compare\ComparisonBlanks has the rules). */
#[OA\QueryParameter(parameter: 'compared.rigs', name: 'rigs', required: true, description: 'Rigs of one’s own, by number, commas between: at most 64', schema: new OA\Schema(type: 'string'))]
#[OA\QueryParameter(parameter: 'compared.to', name: 'to', required: false, description: 'What each is brought to; left out = as it is set', schema: new OA\Schema(type: 'string', enum: ['fieldWidthMm', 'magnification', 'subjectDistanceMm', 'closest']))]
#[OA\QueryParameter(parameter: 'compared.value', name: 'value', required: false, description: '× or mm', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'compared.sharpest', name: 'sharpest', required: false, description: 'Each at its sharpest stop', schema: new OA\Schema(type: 'integer', enum: [0, 1]))]
#[OA\QueryParameter(parameter: 'compared.effective', name: 'effective', required: false, description: 'All at this effective aperture', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'compared.target', name: 'target', required: false, description: 'What they photograph; left out = the subject of the first that has one described', schema: new OA\Schema(type: 'string', enum: TargetKind::class))]
#[OA\QueryParameter(parameter: 'compared.depthMm', name: 'depthMm', required: false, description: 'Depth of the target; left out = its own', schema: new OA\Schema(type: 'number'))]
#[OA\QueryParameter(parameter: 'compared.set', name: 'set', required: false, description: 'Controls set by hand afterwards: letter of the rig, control, value, as in `B:1.length:37.9`, commas between', schema: new OA\Schema(type: 'string'))]
final class ComparedBlanks
{
}
