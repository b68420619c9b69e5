<?php

declare(strict_types=1);

namespace App\Kit;

use App\Bench\CorrectionPropagator;
use App\Bench\RigStore;
use App\Http\Requests\MeasurePart;
use App\Http\Resources\MeasureView;
use App\Http\Resources\RigChange;
use App\Http\Resources\SettledFigureView;
use App\Http\Resources\ShotReading;
use App\Http\Resources\ShotView;
use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensShot;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\Settling;
use ZincThimble\Core\Rig\ShotResidual;

/**
 * What was measured with a lens of a kit: shots are kept as they were taken, and its figures worked out from all of them. Shown first,
 * with what it changes in the rigs that are kept; written when asked to.
 */
final class Measuring
{
    /** Rigs of which is shown what changes. */
    private const MOST_RIGS = 20;

    public function __construct(private readonly KitStore $store, private readonly RigStore $rigs, private readonly CorrectionPropagator $following)
    {
    }

    public function measure(Kit $kit, Part $part, MeasurePart $request): MeasureView
    {
        if ($part->version !== $request->version()) {
            throw new StalePart($part->name ?? 'This part', $part->version);
        }
        $taken = new ShotTaken($kit);
        $shots = array_map($taken->fields(...), $request->shots(), array_keys($request->shots()));
        $window = $request->windowMm();
        if ($window !== null) {
            $shots[] = ['cameraRegisterMm' => 0, 'spacersMm' => $window, 'magnification' => 0, 'at' => now()->toDateString(), 'note' => 'A far window'];
        }

        return $this->with($part, $request->zoomMm(), $shots, $request->takenBack(), $request->pupils(), $request->keeps());
    }

    /**
     * A shot that was measured elsewhere goes to its lens, and is kept.
     *
     * @param  array<string, mixed>  $shot  as a file has it
     *
     * @throws ValidationException when the lens is a zoom and stands between its stations, or has room for no more
     */
    public function add(Part $part, ?float $zoomMm, array $shot): MeasureView
    {
        return $this->with($part, $zoomMm, [$shot], [], null, true);
    }

    /**
     * @param  list<array<string, mixed>>  $shots  more of them
     * @param  list<int>  $takenBack
     * @param  ?array{entranceMm: float, exitMm: float}  $pupils
     */
    private function with(Part $part, ?float $zoomMm, array $shots, array $takenBack, ?array $pupils, bool $keep): MeasureView
    {
        $old = self::lens($part->fields());
        $station = self::stationAt($old, $zoomMm);
        $item = self::item(self::changed($part, $old, $station, $shots, $takenBack, $pupils));
        $new = self::lens($item->fields);
        $rigs = [];
        foreach ($this->following->rigsOf($part) as $rig) {
            if ($rig->name !== null && count($rigs) < self::MOST_RIGS && json_encode($part->document) !== json_encode((object) $item->fields)) {
                $rigs[] = $this->change($rig, $part, $item);
            }
        }
        if ($keep) {
            $part = $this->store->update($part, $part->version, $item, 'measure '.($part->name ?? 'a lens'));
        }
        $zoom = $station === null ? null : $old->stations[$station]->focalLengthMm;

        return new MeasureView(
            kept: $keep, version: $part->version, figures: self::figures($old, $new, $zoom), shots: self::shots($new, $zoom), rigs: array_values(array_filter($rigs)),
            pupils: $new->figuresAt($zoom)->entranceMm !== null, rewritten: self::rewritten($new, $zoom),
        );
    }

    /**
     * The fields of the part with what is added and without what is taken back.
     *
     * @param  list<array<string, mixed>>  $more
     * @param  list<int>  $takenBack
     * @param  ?array{entranceMm: float, exitMm: float}  $pupils
     * @return array<string, mixed>
     */
    private static function changed(Part $part, Lens $lens, ?int $station, array $more, array $takenBack, ?array $pupils): array
    {
        $fields = $part->fields();
        $own = $station === null ? $fields : self::stationFields($fields, $lens->stations[$station]->focalLengthMm);
        $shots = is_array($own['shots'] ?? null) ? array_values($own['shots']) : [];
        foreach ($takenBack as $index) {
            if (! isset($shots[$index])) {
                throw ValidationException::withMessages(['takeBack' => 'There is no such shot any more.']);
            }
        }
        $shots = [...array_values(array_diff_key($shots, array_flip($takenBack))), ...$more];
        if (count($shots) > MeasurePart::MOST_SHOTS) {
            throw ValidationException::withMessages(['shots' => 'A lens keeps at most '.MeasurePart::MOST_SHOTS.' shots. Take some back.']);
        }
        $measured = array_filter(['shots' => $shots, 'pupils' => $pupils ?? $own['pupils'] ?? null], static fn (mixed $value): bool => $value !== null && $value !== []);
        if ($station === null) {
            return $measured + array_diff_key($fields, ['shots' => 0, 'pupils' => 0]);
        }
        $stations = [];
        foreach (is_array($fields['stations'] ?? null) ? $fields['stations'] : [] as $each) {
            $each = is_array($each) ? $each : [];
            $stations[] = self::isAt($each, $lens->stations[$station]->focalLengthMm) ? $measured + array_diff_key($each, ['shots' => 0, 'pupils' => 0]) : $each;
        }

        return ['stations' => $stations] + $fields;
    }

    /** @param  array<array-key, mixed>  $station  a whole number stands without a fraction */
    private static function isAt(array $station, float $focalLengthMm): bool
    {
        $at = $station['focalLengthMm'] ?? null;

        return (is_int($at) || is_float($at)) && (float) $at === $focalLengthMm;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private static function stationFields(array $fields, float $focalLengthMm): array
    {
        foreach (is_array($fields['stations'] ?? null) ? $fields['stations'] : [] as $station) {
            if (is_array($station) && self::isAt($station, $focalLengthMm)) {
                $own = [];
                foreach ($station as $key => $value) {
                    $own[(string) $key] = $value;
                }

                return $own;
            }
        }

        return [];
    }

    /** @param  array<string, mixed>  $fields */
    private static function item(array $fields): KitItem
    {
        unset($fields['reversed']);
        // Through JSON, so that what is kept is what a file would have.
        $document = json_decode(json_encode((object) (['kind' => 'lens'] + $fields), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);

        return PartDocument::read($document, '/part');
    }

    /** @param  array<string, mixed>  $fields */
    private static function lens(array $fields): Lens
    {
        $lens = Parts::make(Kind::Lens, new Values(['reversed' => false] + json_decode(json_encode($fields, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR)));
        assert($lens instanceof Lens);

        return $lens;
    }

    private static function stationAt(Lens $lens, ?float $zoomMm): ?int
    {
        if (! $lens->isZoom()) {
            return null;
        }
        foreach ($lens->stations as $i => $station) {
            if ($zoomMm !== null && abs($station->focalLengthMm - $zoomMm) <= 0.005 * $station->focalLengthMm) {
                return $i;
            }
        }
        throw ValidationException::withMessages(['zoomMm' => 'Set the zoom to one of its stations for the shot: '
            .implode(', ', array_map(static fn ($each): string => (string) $each->focalLengthMm, $lens->stations)).' mm']);
    }

    /** @return list<SettledFigureView> */
    private static function figures(Lens $old, Lens $new, ?float $zoomMm): array
    {
        [$was, $is] = [Settling::settle($old, $zoomMm), Settling::settle($new, $zoomMm)];
        $views = [];
        foreach ([LensFigure::FocalLength, LensFigure::PrincipalGap, LensFigure::Register, LensFigure::FrontRim, LensFigure::Magnification] as $figure) {
            if (in_array($figure, $is->figures, true)) {
                $guide = FieldGuide::of(Kind::Lens, $figure->value);
                $views[] = new SettledFigureView(
                    $figure->value, $guide['label'], $guide['unit'], self::figure($was, $figure), $was->halfWidth($figure), self::isAssumed($old, $figure, $zoomMm), self::figure($is, $figure), $is->halfWidth($figure),
                );
            }
        }
        $guide = FieldGuide::of(Kind::Lens, 'pupilRatio');
        $known = $old->figuresAt($zoomMm);
        $views[] = new SettledFigureView(
            'pupilRatio', $guide['label'], $guide['unit'], $was->p0, $was->known->pupilRatioHalfWidth, $known->pupilRatio === null && $known->entranceMm === null, $is->p0, $is->known->pupilRatioHalfWidth,
        );

        return $views;
    }

    private static function figure(SettledLens $lens, LensFigure $figure): float
    {
        return match ($figure) {
            LensFigure::FocalLength => $lens->f0,
            LensFigure::PrincipalGap => $lens->g0,
            LensFigure::Register => $lens->register,
            LensFigure::FrontRim => $lens->rim,
            default => $lens->m0,
        };
    }

    private static function isAssumed(Lens $lens, LensFigure $figure, ?float $zoomMm): bool
    {
        $figures = $lens->figuresAt($zoomMm);

        return $figures->shots === [] && match ($figure) {
            LensFigure::PrincipalGap => $figures->principalGapMm === null,
            LensFigure::Register => $figures->registerMm === null,
            LensFigure::Magnification => $figures->maxMagnification === null,
            default => false,
        };
    }

    /** Whether figures stand there that a ruler rewrote before shots were kept: nobody knows any more from what. */
    private static function rewritten(Lens $lens, ?float $zoomMm): bool
    {
        $figures = $lens->figuresAt($zoomMm);

        return isset($figures->measured['registerMm']) && $figures->shots === [];
    }

    /** @return list<ShotView> */
    private static function shots(Lens $lens, ?float $zoomMm): array
    {
        $residuals = Settling::settle($lens, $zoomMm)->residuals;
        $views = [];
        foreach ($lens->figuresAt($zoomMm)->shots as $index => $shot) {
            $own = array_values(array_filter($residuals, static fn (ShotResidual $each): bool => $each->shot === $index));
            $views[] = new ShotView(
                index: $index, at: $shot->at, note: $shot->note, cameraRegisterMm: $shot->cameraRegisterMm, spacersMm: $shot->spacersMm, reversed: $shot->reversed, focus: $shot->focus, window: self::isWindow($shot),
                readings: array_map(static fn (ShotResidual $each): ShotReading => new ShotReading($each->reading, $each->measured, $each->halfWidth, $each->settled, $each->isAtOdds()), $own),
            );
        }

        return $views;
    }

    private static function isWindow(LensShot $shot): bool
    {
        return $shot->magnification === 0.0;
    }

    /** What a kept rig reads with the lens as it is and as it would be; null where it can't be read either way. */
    private function change(Rig $row, Part $part, KitItem $item): ?RigChange
    {
        try {
            $rig = $this->rigs->read($row->load('parts'));
            $after = self::corrected($rig, $row, $part, $item);
        } catch (FileInvalid|InvalidFigure) {
            return null;
        }
        if ($after === null) {
            return null;
        }
        [$was, $is] = [Reading::onAxis($rig), Reading::onAxis($after)];
        [$sureWas, $sureIs] = [Uncertainty::of($rig), Uncertainty::of($after)];

        return new RigChange(
            id: $row->id, name: $row->name ?? 'Unnamed rig',
            oldMagnification: $was->magnification, oldMagnificationHalfWidth: $sureWas->halfWidth('magnification'), newMagnification: $is->magnification, newMagnificationHalfWidth: $sureIs->halfWidth('magnification'),
            oldWorkingDistanceMm: $was->workingDistanceMm, oldWorkingDistanceHalfWidth: $sureWas->halfWidth('workingDistanceMm'), newWorkingDistanceMm: $is->workingDistanceMm, newWorkingDistanceHalfWidth: $sureIs->halfWidth('workingDistanceMm'),
        );
    }

    /** @throws InvalidFigure when the lens as it would be can't be set so */
    private static function corrected(CoreRig $rig, Rig $row, Part $part, KitItem $item): ?CoreRig
    {
        $chain = $rig->chain;
        $places = $row->parts->where('part_id', $part->id)->pluck('place');
        foreach ($places as $place) {
            $i = is_int($place) ? $place : -1;
            $there = $chain[$i] ?? null;
            if ($there instanceof Lens) {
                $lens = self::lens($item->fields);
                $chain[$i] = $there->reversed ? $lens->turned() : $lens;
            }
        }

        return $places->isEmpty() ? null : $rig->withChain($chain, $rig->setting);
    }
}
