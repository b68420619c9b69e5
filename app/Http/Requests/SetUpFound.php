<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Resources\SetUpPart;
use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** A rig that was found, and how it was set. */
#[OA\Schema(schema: 'SetUpFound', required: ['camera', 'parts'], properties: [
    new OA\Property(property: 'camera', type: 'integer'),
    new OA\Property(property: 'parts', type: 'array', items: new OA\Items(ref: SetUpPart::class)),
    new OA\Property(property: 'support', type: 'string', nullable: true, enum: ['hand', 'braced', 'table']),
    new OA\Property(property: 'subjectWidthMm', type: 'number', nullable: true),
    new OA\Property(property: 'subjectDepthMm', type: 'number', nullable: true),
    new OA\Property(property: 'infinity', description: 'Whether the wish asked for infinity', type: 'boolean'),
])]
final class SetUpFound extends FormRequest
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
        return self::ofRig() + [
            'support' => ['nullable', 'string', Rule::in(['hand', 'braced', 'table'])], 'subjectWidthMm' => self::NUMBER, 'subjectDepthMm' => self::NUMBER, 'infinity' => ['boolean:strict'],
        ];
    }

    /**
     * A camera and the parts on it.
     *
     * @param  string  $at  where it stands in what is sent
     * @return array<string, list<mixed>>
     */
    public static function ofRig(string $at = ''): array
    {
        return [
            $at.'camera' => ['required', 'integer:strict'], $at.'parts' => ['present', 'array', 'list', 'max:40'], $at.'parts.*' => ['array:part,reversed,lengthMm,focus,aperture,zoomMm'],
            $at.'parts.*.part' => ['required', 'integer:strict', 'min:1', 'max:9000000000000'], $at.'parts.*.reversed' => ['boolean:strict'],
            $at.'parts.*.lengthMm' => self::NUMBER, $at.'parts.*.focus' => self::NUMBER, $at.'parts.*.aperture' => self::NUMBER, $at.'parts.*.zoomMm' => self::NUMBER,
        ];
    }

    public function camera(): int
    {
        return $this->integer('camera');
    }

    /** @return list<array{part: int, reversed?: bool, lengthMm: ?float, focus: ?float, aperture: ?float, zoomMm: ?float}> */
    public function parts(): array
    {
        return self::partsOf($this->input('parts'));
    }

    /** @return list<array{part: int, reversed?: bool, lengthMm: ?float, focus: ?float, aperture: ?float, zoomMm: ?float}> */
    public static function partsOf(mixed $given): array
    {
        /** @var list<array{part: int, reversed?: bool, lengthMm?: int|float|null, focus?: int|float|null, aperture?: int|float|null, zoomMm?: int|float|null}> $parts */
        $parts = $given;

        return array_map(static fn (array $part): array => array_replace($part, array_map(
            static fn (string $name): ?float => isset($part[$name]) ? (float) $part[$name] : null, ['lengthMm' => 'lengthMm', 'focus' => 'focus', 'aperture' => 'aperture', 'zoomMm' => 'zoomMm'],
        )), $parts);
    }

    public function support(): ?string
    {
        return $this->input('support') === null ? null : $this->string('support')->toString();
    }

    public function infinity(): bool
    {
        return $this->boolean('infinity');
    }

    /** @return array{widthMm?: float, depthMm?: float} what is known of the subject, mm */
    public function subject(): array
    {
        return array_filter(['widthMm' => $this->float('subjectWidthMm'), 'depthMm' => $this->float('subjectDepthMm')], static fn (float $mm): bool => $mm > 0.0);
    }
}
