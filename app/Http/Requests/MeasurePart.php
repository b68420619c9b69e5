<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use App\Models\Part;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** What was measured with a lens: shots that are added or taken back, a far window, pupils. */
#[OA\Schema(schema: 'MeasurePart', required: ['keep', 'version'], properties: [
    new OA\Property(property: 'keep', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'zoomMm', description: 'The station of a zoom it was set to', type: 'number', nullable: true),
    new OA\Property(property: 'takeBack', description: 'Which shots go, from 0', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'shots', type: 'array', items: new OA\Items(type: 'object', required: ['camera', 'reversed'], properties: [
        new OA\Property(property: 'camera', type: 'integer'), new OA\Property(property: 'reversed', type: 'boolean'), new OA\Property(property: 'spacersMm', type: 'number', nullable: true),
        new OA\Property(property: 'between', description: 'Parts of the kit between camera and lens, each at what its scale reads', type: 'array', nullable: true, items: new OA\Items(type: 'object', required: ['part'], properties: [
            new OA\Property(property: 'part', type: 'integer'), new OA\Property(property: 'reads', type: 'number', nullable: true),
        ])),
        new OA\Property(property: 'focus', type: 'number', nullable: true), new OA\Property(property: 'pixels', type: 'number', nullable: true), new OA\Property(property: 'onSensorMm', type: 'number', nullable: true),
        new OA\Property(property: 'rulerMm', type: 'number', nullable: true), new OA\Property(property: 'magnification', type: 'number', nullable: true), new OA\Property(property: 'magnificationHalfWidth', type: 'number', nullable: true), new OA\Property(property: 'workingDistanceMm', type: 'number', nullable: true),
        new OA\Property(property: 'subjectDistanceMm', type: 'number', nullable: true), new OA\Property(property: 'note', type: 'string', nullable: true),
    ])),
    new OA\Property(property: 'window', type: 'object', nullable: true, required: ['flangeToPictureMm'], properties: [new OA\Property(property: 'flangeToPictureMm', type: 'number')]),
    new OA\Property(property: 'pupils', type: 'object', nullable: true, required: ['entranceMm', 'exitMm'], properties: [new OA\Property(property: 'entranceMm', type: 'number'), new OA\Property(property: 'exitMm', type: 'number')]),
])]
final class MeasurePart extends FormRequest
{
    /** Shots that one request may add, and that a lens may have at one focal length. */
    public const MOST_SHOTS = 100;

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
            'keep' => ['required', 'boolean:strict'],
            'zoomMm' => [...self::NUMBER, 'min:1', 'max:2000'],
            'takeBack' => ['nullable', 'array', 'list', 'max:'.self::MOST_SHOTS],
            'takeBack.*' => ['integer:strict', 'min:0', 'max:'.self::MOST_SHOTS, 'distinct'],
            'shots' => ['nullable', 'array', 'list', 'max:'.self::MOST_SHOTS],
            'shots.*' => ['array:camera,reversed,spacersMm,between,focus,pixels,onSensorMm,rulerMm,magnification,magnificationHalfWidth,workingDistanceMm,subjectDistanceMm,note'],
            'shots.*.camera' => ['required', 'integer:strict'],
            'shots.*.reversed' => ['required', 'boolean:strict'],
            'shots.*.spacersMm' => [...self::NUMBER, 'min:0', 'max:3000'],
            'shots.*.between' => ['nullable', 'array', 'list', 'max:20'],
            'shots.*.between.*' => ['array:part,reads'],
            'shots.*.between.*.part' => ['required', 'integer:strict'],
            'shots.*.between.*.reads' => [...self::NUMBER, 'min:-3000', 'max:3000'],
            'shots.*.focus' => [...self::NUMBER, 'min:0', 'max:1'],
            'shots.*.pixels' => [...self::NUMBER, 'gt:0', 'max:100000'],
            'shots.*.onSensorMm' => [...self::NUMBER, 'gt:0', 'max:300'],
            'shots.*.rulerMm' => [...self::NUMBER, 'gt:0', 'max:3000'],
            'shots.*.magnification' => [...self::NUMBER, 'gt:0', 'max:100'],
            'shots.*.magnificationHalfWidth' => [...self::NUMBER, 'gt:0', 'max:100'],
            'shots.*.workingDistanceMm' => [...self::NUMBER, 'min:0', 'max:3000'],
            'shots.*.subjectDistanceMm' => [...self::NUMBER, 'gt:0', 'max:1000000'],
            'shots.*.note' => ['nullable', 'string', 'max:300'],
            'window' => ['nullable', 'array:flangeToPictureMm'],
            'window.flangeToPictureMm' => ['required_with:window', 'numeric:strict', 'min:0', 'max:3000'],
            'pupils' => ['nullable', 'array:entranceMm,exitMm'],
            'pupils.entranceMm' => ['required_with:pupils', 'numeric:strict', 'gt:0.3', 'max:500'],
            'pupils.exitMm' => ['required_with:pupils', 'numeric:strict', 'gt:0.3', 'max:500'],
        ];
    }

    /** The version that the person saw. */
    public function version(): int
    {
        return $this->integer('version');
    }

    public function keeps(): bool
    {
        return $this->boolean('keep');
    }

    public function zoomMm(): ?float
    {
        return $this->input('zoomMm') === null ? null : $this->float('zoomMm');
    }

    /** @return list<int> */
    public function takenBack(): array
    {
        /** @var list<int> $takenBack */
        $takenBack = $this->input('takeBack') ?? [];

        return $takenBack;
    }

    /** @return list<array{camera: int, reversed: bool, spacersMm?: int|float|null, between?: list<array{part: int, reads?: int|float|null}>|null, focus?: int|float|null, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm?: int|float|null, magnification?: int|float|null, magnificationHalfWidth?: int|float|null, workingDistanceMm?: int|float|null, subjectDistanceMm?: int|float|null, note?: ?string}> */
    public function shots(): array
    {
        /** @var list<array{camera: int, reversed: bool, spacersMm?: int|float|null, between?: list<array{part: int, reads?: int|float|null}>|null, focus?: int|float|null, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm?: int|float|null, magnification?: int|float|null, magnificationHalfWidth?: int|float|null, workingDistanceMm?: int|float|null, subjectDistanceMm?: int|float|null, note?: ?string}> $shots */
        $shots = $this->input('shots') ?? [];

        return $shots;
    }

    /** Flange to the sharp picture of a far window, mm. */
    public function windowMm(): ?float
    {
        return $this->input('window') === null ? null : $this->float('window.flangeToPictureMm');
    }

    /** @return ?array{entranceMm: float, exitMm: float} */
    public function pupils(): ?array
    {
        return $this->input('pupils') === null ? null : ['entranceMm' => $this->float('pupils.entranceMm'), 'exitMm' => $this->float('pupils.exitMm')];
    }
}
