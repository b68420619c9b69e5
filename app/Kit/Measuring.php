<?php

declare(strict_types=1);

namespace App\Kit;

use App\Http\Resources\MeasureView;
use App\Http\Resources\SettledFigureView;
use App\Models\Kit;
use App\Models\Part;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Calibration;
use ZincThimble\Core\Rig\RulerShot;
use ZincThimble\Core\Rig\SettledFigure;

/** Settles a lens of a kit by pictures of a ruler or by its pupils: shown first, kept when asked to. */
final class Measuring
{
    /** How far a mark in a picture may be read wrong, pixels, both ends together. */
    private const PIXELS = 2.0;

    public function __construct(private readonly KitStore $store)
    {
    }

    public function measure(Kit $kit, Part $part, int $version, Request $request): MeasureView
    {
        if ($part->kindOf() !== Kind::Lens) {
            throw ValidationException::withMessages(['part' => 'Only a lens is measured so.']);
        }
        $number = ['nullable', 'numeric:strict'];
        $request->validate([
            'by' => ['required', 'string', Rule::in(['ruler', 'pupils'])],
            'keep' => ['required', 'boolean:strict'],
            'zoomMm' => [...$number, 'min:1', 'max:2000'],
            'exitMm' => ['required_if:by,pupils', ...$number, 'gt:0', 'max:500'],
            'entranceMm' => ['required_if:by,pupils', ...$number, 'gt:0', 'max:500'],
            'camera' => ['required_if:by,ruler', 'nullable', 'integer:strict'],
            'reversed' => ['required_if:by,ruler', 'nullable', 'boolean:strict'],
            'shots' => ['required_if:by,ruler', 'nullable', 'array', 'list', 'min:1', 'max:20'],
            'shots.*' => ['array:spacersMm,pixels,onSensorMm,rulerMm,workingDistanceMm'],
            'shots.*.spacersMm' => ['required', 'numeric:strict', 'min:0', 'max:3000'],
            'shots.*.pixels' => [...$number, 'gt:0', 'max:100000'],
            'shots.*.onSensorMm' => [...$number, 'gt:0', 'max:300'],
            'shots.*.rulerMm' => ['required', 'numeric:strict', 'gt:0', 'max:3000'],
            'shots.*.workingDistanceMm' => [...$number, 'min:0', 'max:3000'],
        ]);
        $zoom = $request->input('zoomMm') === null ? null : $request->float('zoomMm');
        $lens = $this->lens($part, $request->input('by') === 'ruler' ? $request->boolean('reversed') : false);
        $calibration = $request->input('by') === 'ruler'
            ? Calibration::byRuler($lens, $this->shots($kit, $request), $zoom)
            : Calibration::byPupils($lens, $request->float('exitMm'), $request->float('entranceMm'), zoomMm: $zoom);
        $keep = $request->boolean('keep');
        if ($keep) {
            $document = (object) (['kind' => 'lens'] + $calibration->fields());
            unset($document->reversed);
            // Through JSON, so that what is kept is what a file would have.
            $item = PartDocument::read(json_decode(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), '/part');
            $part = $this->store->update($part, $version, $item, 'measure '.($part->name ?? 'a lens'));
        } elseif ($part->version !== $version) {
            throw new StalePart($part->name ?? 'This part', $part->version);
        }

        return new MeasureView($keep, array_map(static function (SettledFigure $figure): SettledFigureView {
            $guide = FieldGuide::of(Kind::Lens, $figure->field);

            return new SettledFigureView($figure->field, $guide['label'], $guide['unit'], $figure->old, $figure->oldHalfWidth, $figure->assumed, $figure->new, $figure->newHalfWidth);
        }, $calibration->figures), $part->version);
    }

    private function lens(Part $part, bool $reversed): Lens
    {
        $lens = Parts::make(Kind::Lens, new Values(['reversed' => $reversed] + $part->fields()));
        assert($lens instanceof Lens);

        return $lens;
    }

    /** @return non-empty-list<RulerShot> */
    private function shots(Kit $kit, Request $request): array
    {
        $row = $kit->parts()->where('kind', Kind::Camera->value)->whereKey($request->integer('camera'))->first();
        if (! $row instanceof Part) {
            throw ValidationException::withMessages(['camera' => 'Say which camera of this kit took the pictures.']);
        }
        $camera = Camera::from(new Values($row->fields()));
        $shots = [];
        /** @var list<array{spacersMm: int|float, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm: int|float, workingDistanceMm?: int|float|null}> $given */
        $given = $request->input('shots');
        foreach ($given as $i => $shot) {
            $pitch = $camera->sensor->pitchMm();
            if (isset($shot['pixels'])) {
                if ($pitch === null) {
                    throw ValidationException::withMessages(["shots.{$i}.pixels" => 'This camera’s number of pixels is not known; give the length on the sensor instead.']);
                }
                $onSensor = $shot['pixels'] * $pitch;
            } else {
                $onSensor = $shot['onSensorMm'] ?? throw ValidationException::withMessages(["shots.{$i}.pixels" => 'Give the piece of the ruler in pixels, or as a length on the sensor.']);
            }
            $shots[] = RulerShot::of(
                $camera->registerMm, (float) $shot['spacersMm'], (float) $onSensor, self::PIXELS * ($pitch ?? 0.01), (float) $shot['rulerMm'],
                workingDistanceMm: isset($shot['workingDistanceMm']) ? (float) $shot['workingDistanceMm'] : null,
            );
        }

        return $shots === [] ? throw ValidationException::withMessages(['shots' => 'At least one picture of a ruler is needed.']) : $shots;
    }
}
