<?php

declare(strict_types=1);

namespace App\Kit;

use App\Models\Kit;
use App\Models\Part;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Helicoid;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Values;

/** A shot as a person tells it (which camera, which parts at which reading, so many pixels of so much ruler) as a lens keeps it. */
final class ShotTaken
{
    /** How far a mark in a picture may be read wrong, pixels, both ends together; and a piece of a ruler, mm. */
    private const PIXELS = 2.0;

    private const RULER_MM = 0.05;

    public function __construct(private readonly Kit $kit)
    {
    }

    /**
     * @param  array{camera: int, reversed: bool, spacersMm?: int|float|null, between?: list<array{part: int, reads?: int|float|null}>|null, focus?: int|float|null, pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm?: int|float|null, magnification?: int|float|null, magnificationHalfWidth?: int|float|null, workingDistanceMm?: int|float|null, subjectDistanceMm?: int|float|null, note?: ?string}  $told
     * @param  int  $at  which shot of the request
     * @return array<string, mixed> its fields, as a file has them
     */
    public function fields(array $told, int $at): array
    {
        $row = $this->kit->parts()->where('kind', Kind::Camera->value)->whereKey($told['camera'])->first();
        if (! $row instanceof Part) {
            throw self::wrong($at, 'camera', 'Say which camera of this kit took the pictures.');
        }
        $camera = Camera::from(new Values($row->fields()));
        [$spacers, $between] = $this->between($told, $at);
        $fields = ['cameraRegisterMm' => $camera->registerMm, 'spacersMm' => $spacers];
        if ($told['reversed']) {
            $fields['reversed'] = true;
        }
        if (($told['focus'] ?? null) !== null && $told['focus'] > 0) {
            $fields['focus'] = (float) $told['focus'];
        }
        $fields += $this->magnification($told, $camera, $at);
        foreach (['workingDistanceMm', 'subjectDistanceMm'] as $name) {
            if (isset($told[$name])) {
                $fields[$name] = (float) $told[$name];
            }
        }
        if (! isset($fields['magnification']) && ! isset($fields['workingDistanceMm']) && ! isset($fields['subjectDistanceMm'])) {
            throw self::wrong($at, 'pixels', 'Nothing was measured: give the piece of the ruler and its length in the picture, or a distance.');
        }
        $note = trim($told['note'] ?? '');

        return $fields + ['at' => now()->toDateString(), 'note' => $note !== '' ? $note : implode(' · ', [$row->name ?? 'Camera', ...$between])];
    }

    /**
     * @param  array{pixels?: int|float|null, onSensorMm?: int|float|null, rulerMm?: int|float|null, magnification?: int|float|null, magnificationHalfWidth?: int|float|null, ...}  $told
     * @return array<string, float>
     */
    private function magnification(array $told, Camera $camera, int $at): array
    {
        if (isset($told['magnification'])) {
            return ['magnification' => (float) $told['magnification']] + (isset($told['magnificationHalfWidth']) ? ['magnificationHalfWidth' => (float) $told['magnificationHalfWidth']] : []);
        }
        if (! isset($told['pixels']) && ! isset($told['onSensorMm'])) {
            return [];
        }
        if (! isset($told['rulerMm'])) {
            throw self::wrong($at, 'rulerMm', 'How long a piece of the ruler is that?');
        }
        $pitch = $camera->sensor->pitchMm();
        if (isset($told['pixels']) && $pitch === null) {
            throw self::wrong($at, 'pixels', 'This camera’s number of pixels is not known; give the length on the sensor instead.');
        }
        $onSensor = isset($told['pixels']) ? $told['pixels'] * (float) $pitch : (float) ($told['onSensorMm'] ?? 0.0);
        $ruler = (float) $told['rulerMm'];
        $halfOnSensor = self::PIXELS * ($pitch ?? 0.01);
        if ($halfOnSensor >= $onSensor || $ruler <= self::RULER_MM) {
            throw self::wrong($at, 'rulerMm', 'That is no longer than what it may be off; use a longer piece of the ruler.');
        }
        $m = $onSensor / $ruler;

        return ['magnification' => round($m, 9), 'magnificationHalfWidth' => round($m * hypot($halfOnSensor / $onSensor, self::RULER_MM / $ruler), 9)];
    }

    /**
     * @param  array{spacersMm?: int|float|null, between?: list<array{part: int, reads?: int|float|null}>|null, ...}  $told
     * @return array{float, list<string>} mm, and the parts in words
     */
    private function between(array $told, int $at): array
    {
        $length = (float) ($told['spacersMm'] ?? 0.0);
        $words = [];
        foreach ($told['between'] ?? [] as $each) {
            $row = $this->kit->parts()->whereKey($each['part'])->first();
            $part = $row instanceof Part && $row->kindOf() !== Kind::Camera && $row->kindOf()->inChain() ? Parts::make($row->kindOf(), new Values($row->fields())) : null;
            if ($part === null || (! $part instanceof Spacer && ! $part instanceof Bellows && ! $part instanceof Helicoid)) {
                throw self::wrong($at, 'between', 'Only rings, tubes, bellows and helicoids of this kit stand between camera and lens in such a picture.');
            }
            $own = self::length($part, isset($each['reads']) ? (float) $each['reads'] : null, $at);
            $length += $own;
            $words[] = $part->label().(isset($each['reads']) ? ' at '.Phrase::digits((float) $each['reads']) : '');
        }
        if ($length > 3000.0) {
            throw self::wrong($at, 'spacersMm', 'is more than 3,000 mm.');
        }
        if (($told['spacersMm'] ?? null) !== null && $told['spacersMm'] > 0) {
            $words[] = Phrase::figure((float) $told['spacersMm'], 'mm');
        }

        return [round($length, 6), $words];
    }

    /** Length of a part at what its own scale reads, mm. */
    private static function length(CorePart $part, ?float $reads, int $at): float
    {
        if ($part instanceof Spacer) {
            return $part->lengthMm;
        }
        if (! $part instanceof Bellows && ! $part instanceof Helicoid) {
            return 0.0;
        }
        $mm = match (true) {
            $reads === null => $part->minMm,
            $part instanceof Bellows => $part->scaleZeroMm + $reads,
            $part->pitchMm !== null && $part->pitchMm > 0.0 => $part->minMm + $reads * $part->pitchMm,
            default => $reads,
        };
        if ($mm < $part->minMm - 1e-6 || $mm > $part->maxMm + 1e-6) {
            throw self::wrong($at, 'between', $part->label().' reads that nowhere: it goes from '.Phrase::figure($part->minMm, 'mm').' to '.Phrase::figure($part->maxMm, 'mm').'.');
        }

        return $mm;
    }

    private static function wrong(int $at, string $field, string $message): ValidationException
    {
        return ValidationException::withMessages(["shots.{$at}.{$field}" => $message]);
    }
}
