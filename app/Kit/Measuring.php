<?php

declare(strict_types=1);

namespace App\Kit;

use App\Http\Requests\MeasurePart;
use App\Http\Resources\MeasureView;
use App\Http\Resources\SettledFigureView;
use App\Models\Kit;
use App\Models\Part;
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

    public function measure(Kit $kit, Part $part, MeasurePart $request): MeasureView
    {
        $zoom = $request->zoomMm();
        $version = $request->version();
        $lens = $this->lens($part, $request->byRuler() && $request->boolean('reversed'));
        $calibration = $request->byRuler()
            ? Calibration::byRuler($lens, $this->shots($kit, $request), $zoom)
            : Calibration::byPupils($lens, $request->float('exitMm'), $request->float('entranceMm'), zoomMm: $zoom);
        $keep = $request->keeps();
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
    private function shots(Kit $kit, MeasurePart $request): array
    {
        $row = $kit->parts()->where('kind', Kind::Camera->value)->whereKey($request->integer('camera'))->first();
        if (! $row instanceof Part) {
            throw ValidationException::withMessages(['camera' => 'Say which camera of this kit took the pictures.']);
        }
        $camera = Camera::from(new Values($row->fields()));
        $shots = [];
        foreach ($request->shots() as $i => $shot) {
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
