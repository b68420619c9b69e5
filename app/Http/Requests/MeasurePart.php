<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use App\Models\Part;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** How a lens was measured. */
#[OA\Schema(schema: 'MeasurePart', required: ['by', 'keep', 'version'], properties: [
    new OA\Property(property: 'by', type: 'string', enum: ['ruler', 'pupils']),
    new OA\Property(property: 'keep', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'camera', type: 'integer', nullable: true),
    new OA\Property(property: 'reversed', type: 'boolean', nullable: true),
    new OA\Property(property: 'zoomMm', type: 'number', nullable: true),
    new OA\Property(property: 'exitMm', type: 'number', nullable: true),
    new OA\Property(property: 'entranceMm', type: 'number', nullable: true),
    new OA\Property(property: 'shots', type: 'array', nullable: true, items: new OA\Items(type: 'object', required: ['spacersMm', 'rulerMm'], properties: [
        new OA\Property(property: 'spacersMm', type: 'number'), new OA\Property(property: 'pixels', type: 'number', nullable: true), new OA\Property(property: 'onSensorMm', type: 'number', nullable: true),
        new OA\Property(property: 'rulerMm', type: 'number'), new OA\Property(property: 'workingDistanceMm', type: 'number', nullable: true),
    ])),
])]
final class MeasurePart extends FormRequest
{
    private const NUMBER = ['nullable', 'numeric:strict'];

    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('update', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $part = $this->route('part');
        if (! $part instanceof Part || $part->kindOf() !== Kind::Lens) {
            throw ValidationException::withMessages(['part' => 'Only a lens is measured so.']);
        }

        return [
            'version' => ['required', 'integer:strict', 'min:1', 'max:2000000000'],
            'by' => ['required', 'string', Rule::in(['ruler', 'pupils'])],
            'keep' => ['required', 'boolean:strict'],
            'zoomMm' => [...self::NUMBER, 'min:1', 'max:2000'],
            'exitMm' => ['required_if:by,pupils', ...self::NUMBER, 'gt:0', 'max:500'],
            'entranceMm' => ['required_if:by,pupils', ...self::NUMBER, 'gt:0', 'max:500'],
            'camera' => ['required_if:by,ruler', 'nullable', 'integer:strict'],
            'reversed' => ['required_if:by,ruler', 'nullable', 'boolean:strict'],
            'shots' => ['required_if:by,ruler', 'nullable', 'array', 'list', 'min:1', 'max:20'],
            'shots.*' => ['array:spacersMm,pixels,onSensorMm,rulerMm,workingDistanceMm'],
            'shots.*.spacersMm' => ['required', 'numeric:strict', 'min:0', 'max:3000'],
            'shots.*.pixels' => [...self::NUMBER, 'gt:0', 'max:100000'],
            'shots.*.onSensorMm' => [...self::NUMBER, 'gt:0', 'max:300'],
            'shots.*.rulerMm' => ['required', 'numeric:strict', 'gt:0', 'max:3000'],
            'shots.*.workingDistanceMm' => [...self::NUMBER, 'min:0', 'max:3000'],
        ];
    }

    /** The version that the person saw. */
    public function version(): int
    {
        return $this->integer('version');
    }

    public function byRuler(): bool
    {
        return $this->input('by') === 'ruler';
    }

    public function keeps(): bool
    {
        return $this->boolean('keep');
    }

    public function zoomMm(): ?float
    {
        return $this->input('zoomMm') === null ? null : $this->float('zoomMm');
    }

    /** @return list<array{spacersMm: int|float, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm: int|float, workingDistanceMm?: int|float|null}> */
    public function shots(): array
    {
        /** @var list<array{spacersMm: int|float, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm: int|float, workingDistanceMm?: int|float|null}> $shots */
        $shots = $this->input('shots');

        return $shots;
    }
}
