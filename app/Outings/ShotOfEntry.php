<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Part;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\Outing\LedgerFigure;
use ZincThimble\Core\Outing\Measurements;
use ZincThimble\Core\Rig\LensAlone;

/** What was measured of a rig outside, told as a shot of its lens. */
final readonly class ShotOfEntry
{
    /**
     * @param  array<string, mixed>  $fields  of the shot, as a file has them
     */
    private function __construct(
        /** The lens, as the kit has it. */
        public Part $lens,
        /** What a zoom was set to. */
        public ?float $zoomMm,
        public array $fields,
    ) {
    }

    /** The shot, or why none can be told. */
    public static function of(EntryDocument $entry, EntryRig $stood, string $outing): self|NoShot
    {
        $alone = LensAlone::of($stood->then);
        if ($alone === null) {
            return NoShot::NotAlone;
        }
        $row = $stood->row($alone->index);
        if ($row === null) {
            return NoShot::NotInKit;
        }
        if ($stood->unread !== []) {
            return NoShot::Unread;
        }
        $rig = $stood->then;
        $fields = ['cameraRegisterMm' => $rig->camera->registerMm, 'spacersMm' => round($alone->spacersMm, 6)]
            + ($alone->lens->reversed ? ['reversed' => true] : []);
        $focus = $rig->setting->focus[$alone->index] ?? 0.0;
        $fields += $focus > 0.0 ? ['focus' => $focus] : [];
        $measured = Measurements::of($rig, $entry->fields->object('measured'));
        $told = [];
        foreach ([LedgerFigure::Magnification, ...$alone->isFrontMost ? [LedgerFigure::WorkingDistance] : []] as $figure) {
            $value = $measured->floatOrNull($figure->value);
            $half = $measured->floatOrNull($figure->halfWidth());
            $told += $value === null ? [] : [$figure->value => $value] + ($half === null ? [] : [$figure->halfWidth() => $half]);
        }

        return $told === [] ? NoShot::NothingMeasured : new self($row, $alone->lens->isZoom() ? $rig->setting->zoomMm[$alone->index] ?? $alone->lens->figures->focalLengthMm : null, $fields + $told + [
            'at' => self::moment($entry), 'note' => mb_substr(implode(' · ', array_filter([$entry->fields->stringOrNull('subject'), $outing])), 0, 300),
        ]);
    }

    /** Whether the lens has it already: by when it was written down. */
    public function isTaken(): bool
    {
        $at = $this->fields['at'];
        foreach ([$this->lens->document, ...is_array($this->lens->document->stations ?? null) ? $this->lens->document->stations : []] as $figures) {
            foreach ($figures instanceof \stdClass && is_array($figures->shots ?? null) ? $figures->shots : [] as $shot) {
                if ($shot instanceof \stdClass && ($shot->at ?? null) === $at && ($shot->magnification ?? null) === ($this->fields['magnification'] ?? null)) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function moment(EntryDocument $entry): string
    {
        $at = $entry->fields->fields['at'] ?? null;

        return is_string($at) ? $at : $entry->at->format(DATE_ATOM);
    }
}
