<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Kit;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** A box of a picture, at its own pixels, or two marks in it; and what is known of the whole. */
#[OA\Schema(schema: 'MeasurePicture', required: ['what', 'width', 'height'], properties: [
    new OA\Property(property: 'what', type: 'string', enum: ['ruler', 'edge', 'rule', 'marks']),
    new OA\Property(property: 'box', description: 'PNG, JPEG or WebP: the box and nothing else; not needed for marks', type: 'string', format: 'binary'),
    new OA\Property(property: 'width', description: 'Of the whole picture, pixels', type: 'integer'), new OA\Property(property: 'height', type: 'integer'),
    new OA\Property(property: 'model', description: 'The camera, as the file calls it', type: 'string'),
    new OA\Property(property: 'camera', description: 'A camera of the kit: left out, it is found by the size', type: 'integer'),
    new OA\Property(property: 'divisionMm', description: 'From line to line of a ruler or a rule', type: 'number'),
    new OA\Property(property: 'leanDeg', description: 'Of a rule out of the plane of focus', type: 'number'),
    new OA\Property(property: 'blurMm', description: 'Blur limit on the sensor; left out = diagonal / 1500', type: 'number'),
    new OA\Property(property: 'magnification', description: 'For line pairs in the subject', type: 'number'),
    new OA\Property(property: 'x1', type: 'number'), new OA\Property(property: 'y1', type: 'number'), new OA\Property(property: 'x2', type: 'number'), new OA\Property(property: 'y2', type: 'number'),
    new OA\Property(property: 'divisions', description: 'Between two marks', type: 'number'),
])]
final class MeasurePicture extends FormRequest
{
    /** kB of a box. */
    private const MOST_KB = 10_000;

    public function authorize(): Response
    {
        $kit = $this->route('kit');

        return $kit instanceof Kit ? Gate::inspect('view', $kit) : Response::denyAsNotFound();
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'what' => ['bail', 'required', 'string', 'in:ruler,edge,rule,marks'],
            'box' => ['bail', 'required_unless:what,marks', 'file', 'max:'.self::MOST_KB],
            'width' => ['bail', 'required', 'integer', 'min:1', 'max:100000'], 'height' => ['bail', 'required', 'integer', 'min:1', 'max:100000'],
            'model' => ['nullable', 'string', 'max:200'],
            'camera' => ['nullable', 'integer', 'min:1'],
            'divisionMm' => ['bail', 'required_unless:what,edge', 'nullable', 'numeric', 'min:0.0001', 'max:1000'],
            'leanDeg' => ['bail', 'required_if:what,rule', 'nullable', 'numeric', 'min:1', 'max:90'],
            'blurMm' => ['nullable', 'numeric', 'min:0.0001', 'max:10'],
            'magnification' => ['nullable', 'numeric', 'min:0.0001', 'max:1000'],
            ...array_fill_keys(['x1', 'y1', 'x2', 'y2'], ['bail', 'required_if:what,marks', 'nullable', 'numeric', 'min:0', 'max:100000']),
            'divisions' => ['bail', 'required_if:what,marks', 'nullable', 'numeric', 'min:0.1', 'max:10000'],
        ];
    }

    /** Bytes of the box. */
    public function box(): string
    {
        $file = $this->file('box');

        return $file instanceof UploadedFile ? (string) $file->get() : '';
    }

    public function number(string $name): ?float
    {
        return $this->input($name) === null || $this->input($name) === '' ? null : $this->float($name);
    }
}
