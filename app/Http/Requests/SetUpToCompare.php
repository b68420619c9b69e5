<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Resources\SetUpPart;
use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Comparison;

/** Rigs that were found, or rungs of a ladder, to be laid side by side. */
#[OA\Schema(schema: 'SetUpToCompare', required: ['rigs'], properties: [
    new OA\Property(property: 'rigs', type: 'array', items: new OA\Items(required: ['camera', 'parts'], properties: [
        new OA\Property(property: 'camera', type: 'integer'),
        new OA\Property(property: 'parts', type: 'array', items: new OA\Items(ref: SetUpPart::class)),
        new OA\Property(property: 'name', type: 'string', nullable: true),
    ], type: 'object')),
    new OA\Property(property: 'subjectWidthMm', type: 'number', nullable: true),
    new OA\Property(property: 'subjectDepthMm', type: 'number', nullable: true),
])]
final class SetUpToCompare extends FormRequest
{
    private const NUMBER = ['nullable', 'numeric:strict', 'min:0', 'max:100000'];

    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('view', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['rigs' => ['required', 'array', 'list', 'max:'.Comparison::MOST], 'rigs.*' => ['array:camera,parts,name'], 'rigs.*.name' => ['nullable', 'string', 'max:110', 'not_regex:/[\p{Cc}]/u']]
            + SetUpFound::ofRig('rigs.*.') + ['subjectWidthMm' => self::NUMBER, 'subjectDepthMm' => self::NUMBER];
    }

    /** @return list<array{camera: int, parts: list<array{part: int, reversed?: bool, lengthMm: ?float, focus: ?float, aperture: ?float, zoomMm: ?float}>, name: ?string}> */
    public function rigs(): array
    {
        /** @var list<array{camera: int, parts: mixed, name?: ?string}> $rigs */
        $rigs = $this->input('rigs');

        return array_map(static fn (array $rig): array => ['camera' => $rig['camera'], 'parts' => SetUpFound::partsOf($rig['parts']), 'name' => $rig['name'] ?? null], $rigs);
    }

    /** @return array{widthMm?: float, depthMm?: float} what is known of the subject, mm */
    public function subject(): array
    {
        return array_filter(['widthMm' => $this->float('subjectWidthMm'), 'depthMm' => $this->float('subjectDepthMm')], static fn (float $mm): bool => $mm > 0.0);
    }
}
