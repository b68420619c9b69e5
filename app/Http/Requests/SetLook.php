<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Picture\TargetKind;

/** What stands before the made-up camera, and how that is set: each may be left out, not all of them. */
#[OA\Schema(schema: 'SetLook', properties: [
    new OA\Property(property: 'target', type: 'string', enum: ['subject', 'seed', 'capsule', 'tooth', 'ruler', 'edge', 'rule', 'dots']),
    new OA\Property(property: 'hidden', type: 'boolean'), new OA\Property(property: 'closed', type: 'boolean'),
    new OA\Property(property: 'lost', description: 'Switches the connection off', type: 'boolean'),
    new OA\Property(property: 'exposureStops', type: 'number'),
])]
final class SetLook extends RigRequest
{
    /** What may stand there. */
    public const TARGETS = [TargetKind::Subject, TargetKind::Seed, TargetKind::Capsule, TargetKind::Tooth, TargetKind::Ruler, TargetKind::Edge, TargetKind::Rule, TargetKind::Dots];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'target' => ['bail', 'required_without_all:hidden,closed,lost,exposureStops', 'string', Rule::in(array_map(static fn (TargetKind $kind): string => $kind->value, self::TARGETS))],
            'hidden' => ['boolean:strict'], 'closed' => ['boolean:strict'], 'lost' => ['boolean:strict'],
            'exposureStops' => ['numeric:strict', 'min:-5', 'max:5'],
        ];
    }

    /** @return array<string, mixed> by column */
    public function changed(): array
    {
        $changed = array_intersect_key($this->validated(), ['target' => 0, 'hidden' => 0, 'closed' => 0]);

        return isset($this->validated()['exposureStops']) ? $changed + ['exposure_stops' => $this->float('exposureStops')] : $changed;
    }

    public function loses(): ?bool
    {
        return array_key_exists('lost', $this->validated()) ? $this->boolean('lost') : null;
    }
}
