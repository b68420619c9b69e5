<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The same edge at several stops, taken with a rig; looked at first, kept with its lens when asked to. */
#[OA\Schema(schema: 'KeepTrial', required: ['keep', 'stops'], properties: [
    new OA\Property(property: 'keep', type: 'boolean'),
    new OA\Property(property: 'stops', type: 'array', items: new OA\Items(type: 'object', required: ['aperture', 'mtf50'], properties: [
        new OA\Property(property: 'aperture', description: 'Marked number', type: 'number'), new OA\Property(property: 'mtf50', description: 'Cycles a pixel', type: 'number'), new OA\Property(property: 'halfWidth', type: 'number', nullable: true),
    ])),
])]
final class KeepTrial extends RigRequest
{
    /** Stops of one trial. */
    public const MOST = 40;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'keep' => ['required', 'boolean:strict'],
            'stops' => ['required', 'array', 'list', 'min:1', 'max:'.self::MOST],
            'stops.*' => ['array:aperture,mtf50,halfWidth'],
            'stops.*.aperture' => ['required', 'numeric:strict', 'min:0.5', 'max:256'],
            'stops.*.mtf50' => ['required', 'numeric:strict', 'min:0.0001', 'max:1'],
            'stops.*.halfWidth' => ['nullable', 'numeric:strict', 'min:0', 'max:1'],
        ];
    }

    /** @return list<array{aperture: float, mtf50: float, halfWidth: ?float}> */
    public function stops(): array
    {
        $stops = [];
        foreach ((array) $this->input('stops') as $each) {
            if (is_array($each)) {
                $stops[] = ['aperture' => (float) $each['aperture'], 'mtf50' => (float) $each['mtf50'], 'halfWidth' => isset($each['halfWidth']) ? (float) $each['halfWidth'] : null];
            }
        }

        return $stops;
    }
}
