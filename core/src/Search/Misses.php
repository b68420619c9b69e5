<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Finding\Phrase;

/** What a rig that doesn't fulfil a wish misses, and by how much, in words. */
final class Misses
{
    /** Figures this near to what was asked are as asked, as a share. */
    private const SLACK = 1e-3;

    /** What was to be met exactly is met by turning a ring a hair, as a share. */
    private const TARGET_SLACK = 0.01;

    /** @return list<string> each a clause: `12 mm less room than asked` */
    public static function of(Candidate $row, SearchCriteria $wanted): array
    {
        $reading = $row->reading;
        $rig = $row->rig;
        $misses = [];
        $off = static fn (?float $is, ?float $asked): bool => $is !== null && $asked !== null && abs($is - $asked) > self::TARGET_SLACK * $asked;
        $met = match (true) {
            $wanted->fieldWidthMm !== null => $off($reading->fieldWidthMm, $wanted->fieldWidthMm) ? 'a field of '.Phrase::figure((float) $reading->fieldWidthMm, 'mm').' instead of '.Phrase::figure($wanted->fieldWidthMm, 'mm') : null,
            $wanted->magnification !== null => $off($reading->magnification, $wanted->magnification) ? Phrase::figure((float) $reading->magnification, 'x').' instead of '.Phrase::figure($wanted->magnification, 'x') : null,
            $wanted->workingDistanceMm !== null => $off($reading->workingDistanceMm, $wanted->workingDistanceMm) ? Phrase::figure((float) $reading->workingDistanceMm, 'mm').' away instead of '.Phrase::figure($wanted->workingDistanceMm, 'mm') : null,
            default => $off($reading->subjectDistanceMm, $wanted->subjectDistanceMm) ? Phrase::figure((float) $reading->subjectDistanceMm, 'mm').' from the sensor instead of '.Phrase::figure((float) $wanted->subjectDistanceMm, 'mm') : null,
        };
        if ($met !== null) {
            $misses[] = $met;
        }
        $room = $reading->workingDistanceMm;
        if ($room !== null && $wanted->leastRoomMm !== null && $room < $wanted->leastRoomMm * (1.0 - self::SLACK)) {
            $misses[] = Phrase::figure($wanted->leastRoomMm - $room, 'mm').' less room than asked';
        }
        if ($reading->stopsLost !== null && $wanted->mostStopsLost !== null && $reading->stopsLost > $wanted->mostStopsLost + self::SLACK) {
            $misses[] = round($reading->stopsLost - $wanted->mostStopsLost, 1).' stops more than asked';
        }
        $length = $room === null || $reading->subjectDistanceMm === null ? null : $reading->subjectDistanceMm - $room;
        if ($length !== null && $wanted->mostLengthMm !== null && $length > $wanted->mostLengthMm * (1.0 + self::SLACK)) {
            $misses[] = Phrase::figure($length - $wanted->mostLengthMm, 'mm').' longer than asked';
        }
        if ($wanted->mostMassG !== null && ($rig->totals->massG ?? 0.0) > $wanted->mostMassG) {
            $misses[] = round((float) $rig->totals->massG - $wanted->mostMassG).' g heavier than asked';
        }
        if ($wanted->mostPrice !== null && ($rig->totals->price ?? 0.0) > $wanted->mostPrice) {
            $misses[] = round((float) $rig->totals->price - $wanted->mostPrice, 2).' dearer than asked';
        }
        if ($wanted->leastCorner !== null && ($reading->cornerBrightness ?? 1.0) < $wanted->leastCorner - self::SLACK) {
            $misses[] = 'corners at '.Phrase::figure((float) $reading->cornerBrightness, 'pct');
        }
        if ($wanted->depthMm !== null && $reading->depthOfFieldMm !== null && $reading->depthOfFieldMm < $wanted->depthMm * (1.0 - self::SLACK)) {
            $misses[] = 'a slice of '.Phrase::figure($reading->depthOfFieldMm, 'mm').' instead of '.Phrase::figure($wanted->depthMm, 'mm');
        }
        if ($wanted->detailMm !== null && $reading->detailMm !== null && $reading->detailMm > $wanted->detailMm * (1.0 + self::SLACK)) {
            $misses[] = 'detail of '.Phrase::figure($reading->detailMm, 'mm').' instead of '.Phrase::figure($wanted->detailMm, 'mm');
        }
        if ($wanted->automatic !== null && $rig->totals->coupling->isAutomatic() !== $wanted->automatic) {
            $misses[] = $wanted->automatic ? 'the aperture isn’t worked from the camera' : 'the aperture is worked from the camera';
        }

        return $misses;
    }
}
