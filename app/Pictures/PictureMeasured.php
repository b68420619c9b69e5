<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Http\Requests\MeasurePicture;
use App\Http\Resources\MeasuredPicture;
use App\Models\Kit;
use App\Models\Part;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Measure\CantMeasure;
use ZincThimble\Core\Measure\Edge;
use ZincThimble\Core\Measure\GreyPlane;
use ZincThimble\Core\Measure\Ruler;
use ZincThimble\Core\Measure\SlantedRule;
use ZincThimble\Core\Measure\TakenBy;

/** A box of a picture that somebody drew, measured. Nothing of it is kept. */
final class PictureMeasured
{
    /** 1.645 standard errors: nine in ten lie within. */
    private const NINE_IN_TEN = 1.645;

    /** How well a ruler is printed, as a share of what it says; and how far off a mark by hand lies, pixels, both together. */
    private const PRINTED = 0.001;

    private const MARKS_PX = 2.0;

    /** The blur limit that formats go by: their diagonal over so much. */
    private const FORMAT = 1500.0;

    private function __construct(private readonly MeasurePicture $request, private readonly ?TakenBy $by, private readonly ?Part $part, private readonly ?Camera $camera)
    {
    }

    /** @throws ValidationException with what is wrong with the picture, and what to do about it */
    public static function of(MeasurePicture $request, Kit $kit): MeasuredPicture
    {
        [$part, $camera, $by] = self::takenBy($request, $kit);
        $self = new self($request, $by, $part, $camera);
        try {
            return match ($request->string('what')->value()) {
                'ruler' => $self->ruler(PictureFile::plane($request->box())),
                'edge' => $self->edge(PictureFile::plane($request->box())),
                'rule' => $self->rule(PictureFile::plane($request->box())),
                default => $self->marks(),
            };
        } catch (CantMeasure $why) {
            throw ValidationException::withMessages(['box' => $why->getMessage()]);
        }
    }

    /** @throws CantMeasure */
    private function ruler(GreyPlane $plane): MeasuredPicture
    {
        $ruler = Ruler::in($plane);
        $share = hypot(self::NINE_IN_TEN * $ruler->standardError / $ruler->pixelsPerDivision, self::PRINTED);
        $m = $this->magnification($ruler->pixelsPerDivision);

        return $this->told('ruler', [
            'lines' => self::lines($plane, $ruler), 'pixelsPerDivision' => $ruler->pixelsPerDivision, 'count' => $ruler->lines, 'angleDeg' => $ruler->angleDeg,
            'growthPercent' => 100.0 * $ruler->growthPerDivision * ($ruler->lines - 1) / $ruler->pixelsPerDivision, 'magnification' => $m, 'magnificationHalfWidth' => $m === null ? null : $m * $share,
        ]);
    }

    /** @throws CantMeasure */
    private function edge(GreyPlane $plane): MeasuredPicture
    {
        $edge = Edge::in($plane);
        $pairs = $this->by === null ? null : $edge->mtf50 / $this->by->pitchMm;
        $m = $this->request->number('magnification');

        return $this->told('edge', [
            'lines' => [$edge->ends], 'angleDeg' => $edge->angleDeg, 'mtf50' => $edge->mtf50, 'mtf10' => $edge->mtf10, 'halfWidth' => $edge->halfWidth, 'contrast' => $edge->contrast,
            'pairsPerMm' => $pairs, 'pairsPerMmInSubject' => $pairs === null || $m === null ? null : $pairs * $m,
        ]);
    }

    /** @throws CantMeasure */
    private function rule(GreyPlane $plane): MeasuredPicture
    {
        if ($this->by === null || $this->camera === null) {
            throw CantMeasure::because('Nobody knows which camera took it, and so not how much blur is too much.', 'Say which camera of your kit it was.');
        }
        $limit = $this->request->number('blurMm') ?? hypot($this->camera->sensor->widthMm, $this->camera->sensor->heightMm) / self::FORMAT;
        $rule = SlantedRule::in($plane, (float) $this->request->number('divisionMm'), (float) $this->request->number('leanDeg'), $limit / $this->by->pitchMm);

        return $this->told('rule', [
            'lines' => self::lines($plane, $rule->ruler), 'pixelsPerDivision' => $rule->ruler->pixelsPerDivision, 'count' => $rule->ruler->lines, 'angleDeg' => $rule->ruler->angleDeg,
            'sliceMm' => $rule->sliceMm, 'sliceHalfWidthMm' => $rule->sliceHalfWidthMm, 'middleMm' => $rule->middleMm, 'middleHalfWidthMm' => $rule->middleHalfWidthMm,
        ]);
    }

    /** @throws CantMeasure */
    private function marks(): MeasuredPicture
    {
        $at = fn (string $name): float => (float) $this->request->number($name);
        $apart = hypot($at('x2') - $at('x1'), $at('y2') - $at('y1'));
        if ($apart < 5.0 * self::MARKS_PX) {
            throw CantMeasure::because('The two marks are too near each other.', 'Set them as far apart as there are lines to be counted.');
        }
        $per = $apart / $at('divisions');
        $m = $this->magnification($per);

        return $this->told('marks', [
            'lines' => [[$at('x1'), $at('y1'), $at('x2'), $at('y2')]], 'pixelsPerDivision' => $per, 'magnification' => $m, 'magnificationHalfWidth' => $m === null ? null : $m * hypot(self::MARKS_PX / $apart, self::PRINTED),
        ]);
    }

    /** @param  array<string, mixed>  $figures */
    private function told(string $what, array $figures): MeasuredPicture
    {
        return new MeasuredPicture(...['what' => $what, 'camera' => $this->part?->id, 'cameraName' => $this->part?->name, 'pitchMm' => $this->by?->pitchMm, 'isResized' => $this->by->isResized ?? false] + $figures);
    }

    private function magnification(float $pixelsPerDivision): ?float
    {
        $division = $this->request->number('divisionMm');

        return $this->by === null || $division === null ? null : $pixelsPerDivision * $this->by->pitchMm / $division;
    }

    /**
     * Where its lines are in the box, each from one side of it to the other.
     *
     * @return list<list<float>>
     */
    private static function lines(GreyPlane $plane, Ruler $ruler): array
    {
        $angle = deg2rad($ruler->angleDeg);
        [$cos, $sin] = [cos($angle), sin($angle)];
        [$x, $y] = [($plane->width - 1) / 2.0, ($plane->height - 1) / 2.0];
        $lines = [];
        foreach ($ruler->centres as $at) {
            [$px, $py] = [$x + $at * $cos, $y + $at * $sin];
            // As far along the line as the box goes either way.
            $far = min(abs($sin) > 1e-9 ? ($plane->width - 1) / 2.0 / abs($sin) : INF, abs($cos) > 1e-9 ? ($plane->height - 1) / 2.0 / abs($cos) : INF);
            $lines[] = [$px + $far * $sin, $py - $far * $cos, $px - $far * $sin, $py + $far * $cos];
        }

        return $lines;
    }

    /**
     * @return array{?Part, ?Camera, ?TakenBy}
     *
     * @throws ValidationException when the camera that was named isn't there, or can't have taken it
     */
    private static function takenBy(MeasurePicture $request, Kit $kit): array
    {
        /** @var list<Part> $rows */
        $rows = $kit->parts()->where('kind', Kind::Camera->value)->oldest('position')->get()->all();
        [$width, $height] = [$request->integer('width'), $request->integer('height')];
        $named = $request->number('camera');
        if ($named !== null) {
            $rows = array_values(array_filter($rows, static fn (Part $row): bool => $row->id === (int) $named));
            if ($rows === []) {
                throw ValidationException::withMessages(['camera' => 'There is no such camera in this kit.']);
            }
        }
        $cameras = array_map(static fn (Part $row): Camera => Camera::from(new Values($row->fields())), $rows);
        $model = $request->input('model');
        $by = TakenBy::among($cameras, $width, $height, is_string($model) ? $model : null);
        if ($by === null && $named !== null) {
            throw ValidationException::withMessages(['camera' => sprintf('%s can’t have taken it: a picture of %d by %d pixels has another shape than its sensor. If it was cropped, open the whole one.', $rows[0]->name ?? 'This camera', $width, $height)]);
        }

        return $by === null ? [null, null, null] : [$rows[$by->camera], $cameras[$by->camera], $by];
    }
}
