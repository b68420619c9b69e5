<?php

declare(strict_types=1);

/*
 * Small faults that a test has to notice: a bound that moved, a neighbour that was swapped, a wrong row, a guard that is gone. bin/mutate
 * puts them in one at a time. Grows with every bound and every mapping.
 *
 * Each: the file, what stands there (once), what is put in its place, and which tests are nearest: a part of bin/test, its files, a filter.
 */

$limits = ['core', 'core/tests/Finding/LimitsTest.php', ''];
$optics = ['core', 'core/tests/Optics core/tests/Reading/WorkedCasesTest.php core/tests/Reading/PlainTraceTest.php', ''];
$worked = ['core', 'core/tests/Reading/WorkedCasesTest.php core/tests/Reading/PlainTraceTest.php', ''];
$sweep = ['core', 'core/tests/Report/SweepTest.php', ''];
$figures = ['app', 'tests/Feature/FiguresByNameTest.php', ''];
$kits = ['app', 'tests/Feature/SeveralKitsTest.php', ''];
$strangers = ['app', 'tests/Feature/StrangersTest.php', ''];
$bench = ['app', 'tests/Feature/BenchApiTest.php', ''];
$published = ['core', 'core/tests/File/PublishedBoundsTest.php', ''];
$gear = ['core', 'core/tests/Gear/FiguresByNameTest.php', ''];
$joints = ['core', 'core/tests/Gear/JointsTest.php', ''];
$criteria = ['core', 'core/tests/Search/SearchCriteriaTest.php', ''];
$said = ['core', 'core/tests/Finding/SentencesTest.php', ''];
$bodies = ['app', 'tests/Feature/BodiesTest.php', ''];
$settling = ['core', 'core/tests/Rig core/tests/Reading/PlainTraceTest.php', ''];
$sure = ['core', 'core/tests/Reading/UncertaintyTableTest.php core/tests/Rig/ShotsTest.php', ''];
$measuring = ['app', 'tests/Feature/MeasuringTest.php', ''];
$picture = ['core', 'core/tests/Picture', ''];
$trial = ['core', 'core/tests/Rig/TrialTest.php', ''];
$look = ['app', 'tests/Feature/LookApiTest.php', ''];
$bag = ['core', 'core/tests/Plan/BagTest.php', ''];
$read = ['core', 'core/tests/Plan/ReadOffTest.php', ''];
$log = ['app', 'tests/Feature/LogApiTest.php', ''];
$order = ['core', 'core/tests/Plan/RigOrderTest.php', ''];
$outings = ['core', 'core/tests/Outing', ''];
$day = ['app', 'tests/Feature/OutingApiTest.php', ''];
$light = ['core', 'core/tests/Plan/LightFiguresTest.php', ''];
$bracketing = ['core', 'core/tests/Plan/BracketingTest.php', ''];
$fall = ['core', 'core/tests/Plan/SliceFallTest.php', ''];
$plans = ['app', 'tests/Feature/PlanApiTest.php', ''];
$compared = ['core', 'core/tests/Report/ComparisonTargetTest.php', ''];
$schools = ['core', 'core/tests/Plan/SchoolQuestionsTest.php', ''];
$shots = ['core', 'core/tests/Plan/ShotsTest.php', ''];
$loose = ['app', 'tests/Feature/ComparedRigsTest.php', ''];
$told = ['core', 'core/tests/Finding/ToldTest.php', ''];
$advice = ['core', 'core/tests/Plan/AdviceTest.php', ''];
$ways = ['core', 'core/tests/Joint/JoinTest.php', ''];
$beside = ['core', 'core/tests/Reading/BesideTest.php', ''];
$aids = ['app', 'tests/Feature/BenchAidsTest.php', ''];
$screen = static fn (string $file): array => ['unit', $file, ''];

$start = ['core', 'core/tests/Start/FirstRigTest.php', ''];
$words = ['core', 'core/tests/Start/PartListTest.php', ''];
$derivation = ['core', 'core/tests/Report/DerivationTest.php', ''];
$water = ['core', 'core/tests/Report/UnderWaterTest.php', ''];
$under = ['core', 'core/tests/Search/UnderWaterSearchTest.php', ''];
$first = ['app', 'tests/Feature/FirstVisitTest.php', ''];

return [
    // Bounds of findings, cautions and advice.
    ['core/src/Finding/RoomRule.php', '$room >= 0.0 && $room < Limits::TOUCHING_MM', '$room > 1.0 && $room < Limits::TOUCHING_MM', $limits],
    ['core/src/Finding/RoomRule.php', '$room < Limits::TOUCHING_MM;', '$room <= Limits::TOUCHING_MM + 0.001;', $limits],
    ['core/src/Finding/RoomRule.php', '$gap[$row] < Limits::SHUT_OUT_DEG', '$gap[$row] < Limits::SHUT_OUT_DEG + 0.01', $limits],
    ['core/src/Finding/CornerRule.php', '$brightness < Limits::CORNER_BRIGHTNESS', '$brightness <= Limits::CORNER_BRIGHTNESS', $limits],
    ['core/src/Finding/ReachRule.php', '?? 0.0) >= Limits::FAR_MM', '?? 0.0) > Limits::FAR_MM', $told],
    ['core/src/Finding/ImageRule.php', '$distance !== null && $distance < 0.0', '$distance !== null && $distance < -1.0', $limits],
    ['core/src/Finding/CloseUpRule.php', '$sum < Limits::STRONG_D', '$sum <= Limits::STRONG_D', $limits],
    ['core/src/Finding/CloseUpRule.php', '$sum > Limits::STRONG_D', '$sum >= Limits::STRONG_D', $limits],
    ['core/src/Finding/CloseUpRule.php', '$part->powerD > $previous->powerD', '$part->powerD >= $previous->powerD', $limits],
    ['core/src/Finding/CloseUpRule.php', '$width < Limits::FORGIVING_PUPIL_MM', '$width < Limits::FORGIVING_PUPIL_MM + 0.01', $limits],
    ['core/src/Finding/ContributionRule.php', 'Limits::ADDS_LITTLE - 1e-12', 'Limits::ADDS_LITTLE + 0.001', $limits],
    ['core/src/Finding/OrientationRule.php', 'Limits::SAME_EITHER_WAY * $m', '$m', $limits],
    ['core/src/Finding/OrientationRule.php', 'Span::where($wasted, Limits::WASTED', 'Span::where($wasted, Limits::WASTED - 0.001', $limits],
    ['core/src/Finding/OrientationRule.php', '$widest < Limits::WIDE_APERTURE', '$widest <= Limits::WIDE_APERTURE', $limits],
    ['core/src/Finding/OrientationRule.php', '?? 0.0) < Limits::CLOSE_UP_WORK', '?? 0.0) <= Limits::CLOSE_UP_WORK', $limits],
    ['core/src/Finding/SharpnessRule.php', '$airy > Limits::SPOT_OVER_BLUR * $limit;', '$airy > $limit;', $limits],
    ['core/src/Finding/SharpnessRule.php', '($share > Limits::MANY_SLICES', '($share > Limits::MANY_SLICES - 0.001', $limits],
    ['core/src/Finding/SharpnessRule.php', '$sway / ($depth / 2.0)', '$sway / $depth', $limits],
    ['core/src/Finding/HandlingRule.php', '$tubes >= Limits::BARE_TUBES', '$tubes > Limits::BARE_TUBES', $limits],
    ['core/src/Finding/HandlingRule.php', '! $many && $length <= Limits::BARE_MM', '! $many && $length <= Limits::BARE_MM + 1.0', $limits],
    ['core/src/Finding/ReachRule.php', '$infinity->overshotMm <= Limits::SHIM_MM', '$infinity->overshotMm <= 2.0 * Limits::SHIM_MM', $limits],
    ['core/src/Finding/ReachRule.php', '$asked < $nearest - 1e-9', '$asked < $nearest - 0.01', $limits],
    ['core/src/Finding/ReachRule.php', '$asked > $furthest + 1e-9', '$asked > $furthest + 0.01', $limits],
    ['core/src/Finding/StabilityRule.php', '?? Limits::MOUNT_NM', '?? 2.0 * Limits::MOUNT_NM', $limits],
    ['core/src/Finding/Cautions.php', '>= Limits::HEAVY_G', '> Limits::HEAVY_G', $limits],
    ['core/src/Finding/Cautions.php', '>= Limits::LONG_MM', '> Limits::LONG_MM', $limits],
    ['core/src/Finding/Cautions.php', '< Limits::FLASH_NEAR_MM', '<= Limits::FLASH_NEAR_MM', $limits],
    ['core/src/Plan/Shutter.php', '$sway / Limits::SWAY_S', '$sway', $advice],

    // The lens, and the way from rays to readings.
    ['core/src/Rig/LensModel.php', '0.25 * $lens->p0 : 0.0', '0.5 * $lens->p0 : 0.0', $settling],
    ['core/src/Rig/LensModel.php', '?? 0.7 * $this->mag1', '?? 0.8 * $this->mag1', $optics],
    ['core/src/Rig/LensModel.php', '$lens->rimTravel : $lens->f0 * $this->mag1', '$lens->rimTravel : $lens->f0', $optics],
    ['core/src/Rig/LensModel.php', 'return $this->a($s) + $this->principalGap($s);', 'return $this->a($s) - $this->principalGap($s);', $optics],
    ['core/src/Optics/Axis.php', '$ft /= $times;', '$ft *= $times;', $optics],
    ['core/src/Optics/Axis.php', '$axis->extensionMm = $front - $lens->register;', '$axis->extensionMm = $front;', $worked],
    ['core/src/Optics/Axis.php', '$enters - $f * (1.0 - 1.0 / $p), $e / (2.0 * $n)', '$enters - $f * (1.0 - $p), $e / (2.0 * $n)', $optics],
    ['core/src/Optics/SplitSystem.php', '$this->toMetal = $axis->front - $end;', '$this->toMetal = $axis->frontOptical - $end;', ['core', 'core/tests/Optics/RaysTest.php core/tests/Report/SweepTest.php', '']],
    ['core/src/Optics/MovingPart.php', '$cZo[$row] = $rear + $rim - $a;', '$cZo[$row] = $rear + $rim - $b;', $sweep],
    ['core/src/Optics/Rays.php', '$cChief[$row] = -$ft / $t;', '$cChief[$row] = $ft / $t;', ['core', 'core/tests/Optics/RaysTest.php core/tests/Report/SweepTest.php', '']],
    ['core/src/Optics/StraightRays.php', 'Image::AtInfinity => [0.0, 0.0],', 'Image::AtInfinity => [1.0, 0.0],', ['core', 'core/tests/Optics/RaysTest.php', '']],
    ['core/src/Optics/AxialSampler.php', '$z += $step->gap;', '', ['core', 'core/tests/Optics core/tests/Reading/WorkedCasesTest.php', '']],
    ['core/src/Reading/Depth.php', '$de > 0.0 && $de <= $blur ? null', '$de > 0.0 && $de < $blur ? null', ['core', 'core/tests/Reading/DepthTest.php', '']],
    ['core/src/Reading/ReadingTable.php', '$isFar = $de <= 0.0 || $de > $blur;', '$isFar = $de > $blur;', $sweep],
    ['core/src/Reading/ReadingTable.php', '$cGap[$row] = 90.0;', '$cGap[$row] = 0.0;', $sweep],
    ['core/src/Reading/CornerTable.php', '$left < $this->brightness[$row]', '$left > $this->brightness[$row]', $sweep],
    ['core/src/Reading/Stack.php', 'ceil($z / $step - 1e-9)) + 1', 'ceil($z / $step - 1e-9))', ['core', 'core/tests/Plan/AdviceTest.php', '']],

    // What is known of a lens, and how sure.
    ['core/src/Rig/KnownFigures.php', 'const FOCAL_LENGTH = 0.03', 'const FOCAL_LENGTH = 0.04', $settling],
    ['core/src/Rig/KnownFigures.php', 'const CLOSEST_FOCUS_MM = 4.0', 'const CLOSEST_FOCUS_MM = 5.0', $settling],
    ['core/src/Rig/KnownFigures.php', 'const THREAD_MM = 0.5', 'const THREAD_MM = 0.1', $settling],
    ['core/src/Rig/KnownFigures.php', 'const TOLD_OTHERWISE = 0.15', 'const TOLD_OTHERWISE = 0.10', $settling],
    ['core/src/Rig/KnownFigures.php', 'SHORTENED = 0.85', 'SHORTENED = 0.95', $settling],
    ['core/src/Rig/KnownFigures.php', '$b < 2.0 ? null', '$b < 1.9 ? null', $settling],
    ['core/src/Rig/KnownFigures.php', '$behind + $figures->rimTravelMm', '$behind', $settling],
    ['core/src/Rig/KnownFigures.php', '$figures->exitMm / $figures->entranceMm', '$figures->entranceMm / $figures->exitMm', $settling],
    ['core/src/Gear/Design.php', 'self::Telephoto => 0.15,', 'self::Telephoto => 0.26,', $settling],
    ['core/src/Rig/LensModel.php', '$this->mag0 + $this->mag1 * $s', '$this->mag1 * $s', $settling],
    ['core/src/Rig/SettledLens.php', '-$this->known->pastInfinityMm /', '$this->known->pastInfinityMm /', $settling],
    ['core/src/Rig/SettledLens.php', 'BULGE = 0.05', 'BULGE = 0.5', ['core', 'core/tests/Truth/TruthTest.php', '']],
    ['core/src/Rig/LensFit.php', '$law[0] * $law[0]', 'abs($law[0])', $settling],
    ['core/src/Rig/LensFit.php', '$x[0] * (1.0 - 1.0 / ($m * $m)) * $weight', '$x[0] * (1.0 + 1.0 / ($m * $m)) * $weight', $settling],
    ['core/src/Rig/LensFit.php', '|| $lens->focusing !== Focusing::Internal ? count', '? count', $settling],
    ['core/src/Rig/ShotTrace.php', '[$z0 + $rim - $b, $rim - $a, $rim + $model->protrusion]', '[$z0 + $rim - $a, $rim - $b, $rim + $model->protrusion]', $settling],
    ['core/src/Rig/ShotTrace.php', 'LensShot::WINDOW_MM / $f', 'LensShot::WINDOW_MM', $settling],
    ['core/src/Rig/ShotResidual.php', 'AT_ODDS = 3.0', 'AT_ODDS = 30.0', $settling],
    ['core/src/Rig/Settling.php', '$weight * (($shot->x[$k] ?? 0.0) - ($unshot->x[$k] ?? 0.0))', '$weight * ($shot->x[$k] ?? 0.0)', $settling],
    ['core/src/Rig/Settling.php', 'WORTH_SHARE = 0.005', 'WORTH_SHARE = 0.05', $settling],
    ['core/src/Reading/Uncertainty.php', '$gradient[$i] -= $ways[$i][$k] * $gradient[$k];', '', $sure],
    ['core/src/Reading/Uncertainty.php', '$lens->p0 - $half', '$lens->p0 + $half', $sure],
    ['core/src/Reading/PerturbedRays.php', '? -$medium * $this->metal[$i]', '? $medium * $this->metal[$i]', $sure],
    ['core/src/Reading/NextMeasurement.php', 'WORTH = 0.5', 'WORTH = 0.9', ['core', 'core/tests/Reading/NextMeasurementTest.php', '']],
    ['core/src/Reading/NextMeasurement.php', '1.0 / (1.0 + sqrt($half * $half / $whole))', '1.0', ['core', 'core/tests/Reading/NextMeasurementTest.php', '']],
    ['app/Kit/ShotTaken.php', '$part->scaleZeroMm + $reads', '$reads', $measuring],
    ['app/Kit/Measuring.php', 'array_flip($takenBack)', 'array_flip([])', $measuring],
    ['app/Kit/Measuring.php', '$station === null ? $fields : self::stationFields', '$station !== null ? $fields : self::stationFields', $measuring],
    ['app/Kit/Measuring.php', 'oldMagnification: $was->magnification', 'oldMagnification: $is->magnification', $measuring],
    ['app/Bench/RigStore.php', "['note' => 0, 'at' => 0]", '[]', $measuring],
    ['app/Kit/CarriedCalibration.php', 'sqrt(sqrt($near) / sqrt($far))', 'sqrt($near) / sqrt($far)', $measuring],
    ['app/Search/FindViews.php', "workingDistanceHalfWidth: \$sure->halfWidth('workingDistanceMm')", "workingDistanceHalfWidth: \$sure->halfWidth('magnification')", $figures],

    ['core/src/Search/SimilarRigs.php', 'ALIKE = 0.05', 'ALIKE = 0.2', ['core', 'core/tests/Search/SearchTest.php', '']],
    ['core/src/File/Shapes.php', "Field::number('factor', 0.1, 10.0)", "Field::number('factor', 0.01, 10.0)", ['core', 'core/tests/Optics/AfocalTest.php', '']],

    // One name for one figure.
    ['core/src/Report/RigReport.php', "'nearMm' => \$reading->nearMm,", "'nearMm' => \$reading->farMm,", $figures],
    ['core/src/Report/RigReport.php', "'massG' => \$totals->massG,", "'massG' => \$totals->price,", $figures],
    ['core/src/Report/RigReport.php', "'momentAtFootNm' => \$reading->momentAtFootNm,", "'momentAtFootNm' => \$reading->momentAtMountNm,", $figures],
    ['core/src/Report/Sweep.php', "'airyDiameterMm' => \$columns->airyDiameterMm,", "'airyDiameterMm' => \$columns->detailMm,", $figures],
    ['core/src/Report/Sweep.php', "'fieldHeightMm' => \$height,", "'fieldHeightMm' => \$width,", $figures],
    ['core/src/Finding/Span.php', '$this->to - $this->from + 1', '$this->to - $this->from', $figures],
    ['core/src/Drawing/Layout.php', "'rearMm' => \$rear,", "'rearMm' => \$front,", ['core', 'core/tests/Drawing/LayoutTest.php', '']],
    ['app/Http/Resources/RangeView.php', 'new Interval($field($greatest), $field($least))', 'new Interval($field($least), $field($greatest))', $figures],
    ['app/Http/Resources/RangeView.php', 'new Interval(...$range->workingDistanceMm),', 'new Interval(...$range->subjectDistanceMm),', $figures],
    ['app/Bench/RigViews.php', '$answer->infinity->overshotMm, $answer->infinity->spacerToKeepMm,', '$answer->infinity->spacerToKeepMm, $answer->infinity->overshotMm,', $figures],
    ['app/Bench/RigViews.php', 'new TravelMark($at * $per + $zero,', 'new TravelMark($at * $per,', $figures],
    ['app/Search/FindViews.php', 'detailMm: $reading->detailMm', 'detailMm: $reading->depthOfFieldMm', $figures],

    // Guards and steps.
    ['app/Bench/RigStore.php', '$revision !== null && $locked->revision !== $revision', '$revision !== null && $locked->revision < $revision', $bench],
    ['app/Bench/Steps/StepContext.php', "Part::query()->where('kit_id', \$this->row->kit_id)->find(\$id)", 'Part::query()->find($id)', $kits],
    ['app/Bench/Steps/SetTravel.php', '$this->value > $travel->greatest + 1e-9', '$this->value > $travel->greatest + 1000.0', $bench],
    ['app/Bench/Steps/Move.php', '$this->to > $last', '$this->to > $last + 9', $bench],
    ['app/Bench/Steps/SolveFor.php', '0.0 : 0.001', '0.0 : 0.0', $bench],
    ['app/Bench/Steps/Step.php', '$index <= $last', '$index <= $last + 9', $bench],
    ['app/Http/Requests/StartRig.php', '$user->kits()->whereKey($id)->first()', 'Kit::query()->whereKey($id)->first()', $kits],
    ['app/Kit/KitStore.php', '$user->kits()->count() >= self::MOST_KITS', '$user->kits()->count() > self::MOST_KITS', $kits],
    ['app/Kit/KitStore.php', '->count() < 2 =>', '->count() < 1 =>', $kits],
    ['app/Policies/KitPolicy.php', '$user->id === $kit->user_id', '$user->id !== null', $strangers],
    ['app/Policies/RigPolicy.php', '$user->id === $rig->user_id', '$user->id !== null', $strangers],
    ['routes/api.php', "Route::middleware(['auth:sanctum', GuestsOnTime::class, 'throttle:bench'])", "Route::middleware([GuestsOnTime::class, 'throttle:bench'])", $strangers],

    // What the browser does with a row, a word or a figure.
    ['resources/app/rig/displayedReadings.ts', 'row <= finding.to)', 'row < finding.to)', $screen('resources/app/rig/displayedReadings.test.ts')],
    ['resources/app/rig/displayedReadings.ts', 'column[row - finding.from]', 'column[row]', $screen('resources/app/rig/displayedReadings.test.ts')],
    ['resources/app/rig/displayedReadings.ts', 'stop: 0, warn: 1, note: 2', 'stop: 2, warn: 1, note: 0', $screen('resources/app/rig/displayedReadings.test.ts')],
    ['resources/app/rig/displayedReadings.ts', 'part.index < sweep.index', 'part.index <= sweep.index', $screen('resources/app/rig/displayedReadings.test.ts')],
    ['resources/app/rig/displayedReadings.ts', 'subject - pupil', 'subject + pupil', $screen('resources/app/rig/displayedReadings.test.ts')],
    ['resources/app/strip/scale.ts', 'least * 1.0005', 'least * 1.5', $screen('resources/app/strip/scale.test.ts')],
    ['resources/app/strip/scale.ts', 'value <= halfWidth', 'value < halfWidth', $screen('resources/app/strip/scale.test.ts')],
    ['resources/app/strip/scale.ts', 'digit === 1 || digit === 2 || digit === 5', 'digit === 1 || digit === 5', $screen('resources/app/strip/scale.test.ts')],
    ['resources/app/ui/figures.ts', 'size >= 10 ? 1 :', 'size >= 10 ? 2 :', $screen('resources/app/ui/figures.test.ts')],
    ['resources/app/ui/figures.ts', 'm >= 1 ? `', 'm > 1.5 ? `', $screen('resources/app/ui/figures.test.ts')],
    ['resources/app/ui/figures.ts', 'Math.abs(value) * 3)', 'Math.abs(value) * 2)', $screen('resources/app/ui/figures.test.ts')],
    ['resources/app/api/client.ts', 'response.status >= 502', 'response.status > 502', $screen('resources/app/api/client.test.ts')],
    ['resources/app/api/client.ts', 'fields[each.pointer] ??= each.message', 'fields[each.message] ??= each.pointer', $screen('resources/app/api/client.test.ts')],
    ['resources/app/offline/waiting.ts', "action === 'move' ? 'to'", "action === 'turn' ? 'to'", $screen('resources/app/offline/waiting.test.ts')],
    ['resources/app/offline/waiting.ts', 'step.travel === last.travel)', 'true)', $screen('resources/app/offline/waiting.test.ts')],
    ['resources/app/strip/ownScale.ts', '(value - travel.zero) / travel.per', 'value / travel.per', $screen('resources/app/strip/ownScale.test.ts')],
    ['resources/app/pages/kit/fields.ts', "replace(',', '.')}x\${", "replace(',', '')}x\${", $screen('resources/app/pages/kit/fields.test.ts')],
    ['resources/app/pages/find/wish.ts', "text === null || text === '' ? NaN", 'text === null ? NaN', $screen('resources/app/pages/find/wish.test.ts')],

    // Bounds of the files, of wishes and of bodies; fields by their names.
    ['core/src/File/Shapes.php', "Field::number('factor', 1.0, 4.0)", "Field::number('factor', 1.0, 5.0)", $published],
    ['core/src/File/Shapes.php', "Field::number('maxSwingDeg', 0.0, 80.0)", "Field::number('maxSwingDeg', 0.0, 90.0)", $published],
    ['core/src/File/Shapes.php', "Field::width('travelMm')->needed()", "Field::width('travelMm')", $published],
    ['core/src/Gear/Lens.php', '$mark->floatOrNull(\'distanceMm\'), $mark->floatOrNull(\'magnification\')', '$mark->floatOrNull(\'magnification\'), $mark->floatOrNull(\'distanceMm\')', $gear],
    ['core/src/Gear/PartIdentity.php', 'frontOuterMm: $this->rearOuterMm', 'frontOuterMm: $this->frontOuterMm', $gear],
    ['core/src/Gear/LensFigures.php', '$mix($this->closePupilRatio, $next->closePupilRatio)', '$mix($this->closePupilRatio, $next->pupilRatio)', $gear],
    ['core/src/Gear/Outline.php', 'THREAD_WALL_MM = 4.0', 'THREAD_WALL_MM = 5.0', $joints],
    ['core/src/Search/SearchCriteria.php', '\'leastCorner\' => [$leastCorner, 0.0, 1.0]', '\'leastCorner\' => [$leastCorner, 0.0, 1.1]', $criteria],
    ['core/src/Search/SearchCriteria.php', 'EXACT = 0.05', 'EXACT = 0.06', $criteria],
    ['core/src/Finding/Mending.php', 'isset($tried[$change])', 'isset($tried[\'\'])', $said],
    ['app/Bench/Steps/Swap.php', '$bench->part($this->part, \'part\')', '$bench->part($this->part, \'parts\')', $bodies],
    ['app/Http/Requests/MeasurePart.php', "'shots.*.rulerMm' => [...self::NUMBER, 'gt:0'", "'shots.*.rulerMm' => [...self::NUMBER, 'gte:0'", $measuring],
    ['app/Accounts/ArchiveWriter.php', "->with('wishes')", '', ['app', 'tests/Feature/ArchiveTest.php', 'several']],
    ['resources/app/api/queries.ts', "        'proposals',\n", '', $screen('resources/app/api/queries.test.ts')],
    ['resources/app/drawing/rigOutline.ts', '(width * 0.72) / longest', '(width * 0.75) / longest', $screen('resources/app/drawing/rigOutline.test.ts')],
    ['resources/app/pages/kit/groups.ts', '(each.massG ?? 0) * each.part.count', '(each.massG ?? 0)', $screen('resources/app/pages/kit/groups.test.ts')],

    // What can't be sharp, what is told, and what the bench says.
    ['core/src/Finding/ReachRule.php', '?? 0.0) >= Limits::FAR_WIDTH_MM', '?? 0.0) > Limits::FAR_WIDTH_MM', $told],
    ['core/src/Finding/ReachRule.php', '$rig->conditions->infinity || ', '', $told],
    ['core/src/Finding/Mending.php', '[Code::InfinityOvershot, Code::InfinityLost]', '[Code::InfinityOvershot]', ['core', 'core/tests/Finding/MendingTest.php', '']],
    ['core/src/Joint/Mating.php', '(float) $thread->diameterMm', 'Outline::frontMm($behind)', $joints],
    ['core/src/Joint/AdapterPaths.php', '$ring->shoulder === false ? 1 : 0', '$ring->shoulder === true ? 1 : 0', $ways],
    ['core/src/Joint/AdapterPaths.php', '($before[\'parts\'] ?? 0) + 1', '0', $ways],
    ['core/src/Joint/AdapterPaths.php', '$turned instanceof Spacer ? [$part, $turned] : [$part]', '[$part]', $ways],
    ['core/src/Joint/AdapterPaths.php', 'array_slice($known, 0, 2)', 'array_slice($known, 0, 1)', $ways],
    ['core/src/Joint/AdapterPaths.php', '$ways = $anew === 0 ? [] : ', '$ways = [] ?: ', $ways],
    ['core/src/Reading/Beside.php', '-$axis->factor / $axis->fieldT', '-1.0 / $axis->fieldT', $beside],
    ['core/src/Reading/Beside.php', '* self::FULL_MM / $frame->widthMm', '* self::FULL_MM / $frame->heightMm', $beside],
    ['core/src/Reading/BellowsMovements.php', '+ $axis->converterMm - $pivot, $swing', '+ $axis->converterMm + $pivot, $swing', $beside],
    ['core/src/Reading/BellowsMovements.php', 'new self($i, $pivot, $swing, $shift,', 'new self($i, $pivot, $shift, $swing,', $beside],
    ['core/src/Reading/Refocus.php', ': $to - $from;', ': $from - $to;', $aids],
    ['core/src/Reading/Refocus.php', 'abs($to - $from) < self::LEAST_MM', 'abs($to - $from) < 100.0', $aids],
    ['core/src/Plan/Advice.php', 'self::isClear(...)', 'static fn (): bool => true', $advice],
    ['core/src/Rig/Rig.php', '$fit !== Fit::Mates && $this->chain[$index] instanceof CloseUpLens && ', '$this->chain[$index] instanceof CloseUpLens && ', $joints],
    ['app/Bench/Steps/SolveFor.php', '! $solution->exact && ! $this->near', '! $solution->exact && $this->near', $aids],
    ['app/Bench/Tray.php', 'default => [$fits, $reason],', 'default => [true, $reason],', $aids],
    ['app/Bench/Tray.php', 'self::refusal($rig, $index, [...$way, $made]) !== null ? [] : $way', 'false ? [] : $way', $aids],
    ['app/Bench/KitAtHand.php', '=== $camera->ref', '!== $camera->ref', $aids],
    ['app/Kit/PartDocument.php', 'abs($power) > self::MOST_DIOPTRES', 'abs($power) >= self::MOST_DIOPTRES', ['app', 'tests/Feature/KitApiTest.php', 'focal_length']],
    ['resources/app/strip/ownScale.ts', "units === 'in' && travel.kind !== 'zoom'", "units === 'in'", $screen('resources/app/strip/ownScale.test.ts')],
    ['resources/app/ui/figures.ts', "kind === 'lens' || ", '', $screen('resources/app/ui/figures.test.ts')],
    ['resources/app/strip/engraved.ts', 'const apart = 5;', 'const apart = -20;', $screen('resources/app/strip/engraved.test.ts')],
    ['resources/app/drawing/clear.ts', '- 4;', '+ 8;', $screen('resources/app/drawing/clear.test.ts')],
    ['resources/app/drawing/movement.ts', 'movement.pivotMm - 1e-6', 'movement.pivotMm + 50', $screen('resources/app/drawing/movement.test.ts')],
    ['core/src/Picture/RigPicture.php', '2.0 * $this->magnification * $to * abs($s)', '$this->magnification * $to * abs($s)', $picture],
    ['core/src/Picture/Target.php', '[Shape::Dome, 3.2, 2.3, 1.2]', '[Shape::Dome, 2.3, 3.2, 1.2]', $compared],
    ['core/src/Report/ComparedRig.php', '[$this->picture->at($half), $this->picture->at(-$half)]', '[$this->picture->at(-$half), $this->picture->at($half)]', $compared],
    ['core/src/Report/ComparedRig.php', '$byHand === [] ? $met : $bringing->isMetBy($set)', '$met', $compared],
    ['core/src/Report/PictureColumns.php', '\'farDiscMm\' => $far?->discMm', '\'farDiscMm\' => $near?->discMm', $compared],
    ['core/src/Report/Comparison.php', 'intdiv($n, 26) - 1)', 'intdiv($n, 26))', ['core', 'core/tests/Report/ComparisonTest.php', 'letters']],
    ['core/src/Reading/Vignetting.php', '$out = $corner * $k / ($places - 1)', '$out = $corner * $k / $places', $compared],
    ['core/src/Plan/SchoolQuestions.php', '[$long, $alone], SolveTarget::FieldWidth', '[$alone, $long], SolveTarget::FieldWidth', $schools],
    ['core/src/Plan/SchoolQuestions.php', '&& self::hasRoom($other, $value)', '', $schools],
    ['core/src/Plan/Shutter.php', "'braced' => self::BRACED", "'braced' => 1.0", $shots],
    ['core/src/Plan/Shutter.php', '[$this->acrossS, $this->toAndFroS, $this->swayS, $this->customS]', '[$this->acrossS, $this->toAndFroS, $this->swayS]', $shots],
    ['core/src/Plan/FlashPlan.php', '($effective / $reached) ** 2', '$effective / $reached', $shots],
    ['core/src/Plan/FlashPlan.php', '$below > self::LEAST_STOPS + 1e-9', '$below > self::LEAST_STOPS + 2.0', $shots],
    ['core/src/Plan/RailStack.php', 'min(max($next, $now + 1), $now + (int) $most)', 'max($next, $now + 1)', $shots],
    ['core/src/Plan/RailStack.php', '$way + $screw->backlashMm > $screw->travelMm', '$way > $screw->travelMm', $shots],
    ['core/src/Plan/RingStack.php', '$plane = min($plane, $far);', '', $shots],
    ['core/src/Plan/RailProgram.php', 'G1 X-', 'G1 X', $shots],
    ['app/Compare/LooseRigs.php', "->where('updated_at', '<', now()", "->where('updated_at', '>', now()", $loose],
    ['app/Compare/LooseRigs.php', "->oldest('updated_at')->oldest('id')->limit", "->latest('updated_at')->latest('id')->limit", $loose],
    ['app/Compare/ComparedRigs.php', '$user->rigs()->with', 'Rig::query()->with', ['app', 'tests/Feature/CompareApiTest.php', '']],
    ['app/Http/Controllers/CompareController.php', '$comparison->rigs[$at]->before($before->subject)', '$comparison->rigs[$at]->rig', $loose],
    ['app/Http/Controllers/FindController.php', '$kit->created_at?->getTimestamp()', 'null', ['app', 'tests/Feature/FindApiTest.php', 'has_its_number']],
    ['resources/app/picture/blur.ts', 'Math.sqrt((radius / by) ** 2 - 1)', 'radius / by', $screen('resources/app/picture/blur.test.ts')],
    ['resources/app/picture/develop.ts', '(sheet.y + y) * across + sheet.x', '(sheet.y + y) * across', $screen('resources/app/picture/develop.test.ts')],
    ['resources/app/pages/compare/asked.ts', 'n > at ? letterOf(n - 1) : letter', 'letter', $screen('resources/app/pages/compare/asked.test.ts')],
    ['core/src/Plan/GapClosing.php', 'ceil($gap * self::THIRDS - 1e-9)', 'floor($gap * self::THIRDS)', ['core', 'core/tests/Plan/GapClosingTest.php', '']],
    ['resources/app/picture/layers.ts', '(1 - part) / nearScale + part / farScale', 'part / nearScale + (1 - part) / farScale', $screen('resources/app/picture/layers.test.ts')],
    ['app/Http/Controllers/CompareController.php', 'keep($row, $revision, $set', 'keep($row, $row->revision, $set', $loose],
    ['core/src/Plan/LightFigures.php', 'lightLux: $way(GapWay::MoreLight)?->lux', 'lightLux: $way(GapWay::Torch)?->lux', $light],
    ['core/src/Plan/LightFigures.php', '$shutter->exposureS / $factor', '$shutter->exposureS * $factor', $light],
    ['core/src/Plan/LightFigures.php', 'handHeldStops: $factor === null ? null : log($factor, 2.0)', 'handHeldStops: $factor === null ? null : log($factor)', $light],
    ['core/src/Plan/LightFigures.php', 'flashNearestMm: $flash?->nearestMm', 'flashNearestMm: $flash?->furthestMm', $light],
    ['core/src/Plan/LightTable.php', '$travel->part, $position)', '$travel->part, $positions[0])', $light],
    ['core/src/Reading/Light.php', '2.0 * M_PI', '4.0 * M_PI', $light],
    ['core/src/Plan/FlashPlan.php', 'max(self::USUAL_MM, $workingDistanceMm ?? 0.0)', 'self::USUAL_MM', $plans],
    ['core/src/Plan/Bracketing.php', '(($frames - 1) * $setting)', '($frames * $setting)', $bracketing],
    ['core/src/Plan/Bracketing.php', 'min($slice, $now) * (1.0 - $overlap)', 'min($slice, $now)', $bracketing],
    ['core/src/Plan/Bracketing.php', 'if ($found === null || $tried[\'keeps\'])', 'if ($found === null)', $bracketing],
    ['core/src/Plan/Bracketing.php', '$now - $depthMm / 2.0', '$now', $bracketing],
    ['core/src/Plan/SliceFall.php', '$near / ($near + $far)', '$far / ($near + $far)', $fall],
    ['core/src/Plan/SliceFall.php', '$subject->sagOver($reading->fieldWidthMm) ?? 0.0', '0.0', $fall],
    ['core/src/Plan/Shots.php', 'max($between, ($plan->flashRecycleS ?? 0.0) * ($this->stackFlash()->power ?? 1.0))', 'max($between, $plan->flashRecycleS ?? 0.0)', ['core', 'core/tests/Plan/SheetTest.php', '']],
    ['core/src/Rig/ShootingPlan.php', 'flashMm: $flash->floatOrNull(\'distanceMm\')', 'flashMm: $flash->floatOrNull(\'guideNumber\')', ['core', 'core/tests/Rig/ShootingPlanTest.php', '']],
    ['core/src/File/Check.php', 'if ($read !== [] || ', 'if ($read !== null || ', ['core', 'core/tests/File/RigFileTest.php', '']],
    ['app/Bench/Steps/Describe.php', '$this->merge ? self::merged', '! $this->merge ? self::merged', $plans],
    ['app/Plan/GearAtHand.php', "->where('count', '>', 0)", '', $plans],
    ['app/Plan/GearAtHand.php', 'Part::query()->where(\'kit_id\', $rig->kit_id)', 'Part::query()', $plans],
    ['app/Http/Controllers/PlanController.php', '$rig->revision !== $request->revision()', 'false', $plans],
    ['core/src/Start/FirstParts.php', 'round($register - $answers->registerMm(), 2)', 'round($register + $answers->registerMm(), 2)', $start],
    ['core/src/Start/FirstParts.php', 'arsort($order);', 'asort($order);', $start],
    ['core/src/Start/FirstParts.php', '$answers->tube === null || $answers->tube === $i', '$answers->tube === null || $answers->tube === $i + 1', $start],
    ['core/src/Start/FirstParts.php', '$answers->fromFront ? \'minFocusFrontMm\' : \'minFocusMm\'', '$answers->fromFront ? \'minFocusMm\' : \'minFocusFrontMm\'', $start],
    ['core/src/Start/FirstRig.php', '$after / $before < $least', '$after < $least', $start],
    ['core/src/Start/FirstRig.php', '[$sharp, $beyond] = [$travel->least, $travel->greatest];', '[$sharp, $beyond] = [$travel->greatest, $travel->least];', $start],
    ['core/src/Start/Guesses.php', 'is_array($old[$i] ?? null) ? $old[$i] : []', '[]', ['core', 'core/tests/Start/GuessesTest.php', '']],
    ['core/src/Start/Guesses.php', 'is_array($before[\'guessed\'] ?? null) ? $before[\'guessed\'] : []', '$guessed', ['core', 'core/tests/Start/GuessesTest.php', '']],
    ['core/src/Start/PartWords.php', '$number > 30.0 ? round(1000.0 / $number, 3) : $number', '$number', $words],
    ['core/src/Start/PartWords.php', '\'rear\' => $joints[0], \'front\' => $joints[1]', '\'rear\' => $joints[1], \'front\' => $joints[0]', $words],
    ['core/src/Start/PartWords.php', '\'minMm\' => min($ends), \'maxMm\' => max($ends)', '\'minMm\' => max($ends), \'maxMm\' => min($ends)', $words],
    ['core/src/Start/PartWords.php', '$ratio !== null ? 1.0 / $ratio', '$ratio !== null ? $ratio', $words],
    ['core/src/Rig/KnownFigures.php', '$figures->measured + $figures->guessed', '$figures->measured', $start],
    ['core/src/Report/Derivation.php', '$t - $y * $axis->phi[$k]', '$t + $y * $axis->phi[$k]', $derivation],
    ['core/src/Report/Derivation.php', '2.0 * $axis->openR[$axis->stop]', '$axis->openR[$axis->stop]', $derivation],
    ['core/src/Report/UnderWater.php', '$arranged->without($wet)->rig($rig)', '$arranged->without([$port])->rig($rig)', $water],
    ['core/src/Optics/Axis.php', '$tip = $optical + $length / $medium;', '$tip = $optical + $length;', $water],
    ['core/src/Search/LimitCheck.php', '- $lay->reduced) * $lay->medium', '- $lay->reduced)', $under],
    ['core/src/Search/Target.php', '$this->value / $matrix->medium', '$this->value', $under],
    ['core/src/Search/Target.php', '$d + $to * $c - $n * $a', '$d + $to * $c - $a', $under],
    ['core/src/Search/FrontAssemblies.php', '$this->wet ? self::WET_LEADS : self::LEADS', 'self::LEADS', $under],
    ['app/Accounts/Belongings.php', '! $guest->guest_own || ', '', $first],
    ['app/Accounts/Belongings.php', 'Text::freeAmong($row->name, $taken)', '$row->name', $first],
    ['app/Start/FirstVisit.php', 'now()->addDays($days)', 'now()->addHours($days)', $first],
    ['app/Console/Commands/SweepSessions.php', '->where(\'guest_own\', false)', '', ['app', 'tests/Feature/AccountSecurityTest.php', '']],
    ['app/Accounts/GuestsFrom.php', '->where(\'created_at\', \'>\', now()->subDay())', '', $first],
    ['resources/app/pages/first/answers.ts', 'Math.min(at, list.length)', 'at', $screen('resources/app/pages/first/answers.test.ts')],
    ['core/src/Plan/Bag.php', '$with[$key] = max($with[$key] ?? 0, $count);', '$with[$key] = ($with[$key] ?? 0) + $count;', $bag],
    ['core/src/Plan/Bag.php', 'if ($bound >= $this->best) {', 'if ($bound >= $this->best * 0.8) {', $bag],
    ['core/src/Plan/Bag.php', 'private const PART = 100;', 'private const PART = 0;', $bag],
    ['core/src/Plan/Bag.php', '$this->openBound = min($this->openBound, $bound);', '$this->openBound = $this->best;', $bag],
    ['core/src/Plan/RigOrder.php', '$done < $times ? [[$mask, $done + 1, $fixed[$done]]] : []', '$done < $times && $mask === 0 ? [[$mask, $done + 1, $fixed[$done]]] : []', $order],
    ['core/src/Plan/RigOrder.php', '$apart += abs(', '$apart += max(0, ', $order],
    ['core/src/Plan/Preparation.php', '$due < $now)', '$due <= $now)', ['core', 'core/tests/Plan/PreparationTest.php', '']],
    ['core/src/Outing/OutingPlanner.php', '<= $least + self::TROUBLE', '<= $least', $outings],
    ['core/src/Outing/Accessories.php', '$support !== \'hand\' && ! $subject->moves()', '! $subject->moves()', $outings],
    ['core/src/File/EntryDocument.php', 'preg_match(self::UUID, $uuid) !== 1', 'false', ['core', 'core/tests/File/OutingFileTest.php', '']],
    ['core/src/File/OutingFile.php', 'if ($entry !== null && isset($ids[$entry->id])) {', 'if (false) {', ['core', 'core/tests/File/OutingFileTest.php', '']],
    ['app/Outings/OutingStore.php', 'where outing_ticks.said_at <= excluded.said_at', '', $day],
    ['app/Outings/OutingStore.php', 'min($at, new \DateTimeImmutable(\'+1 minute\'))', '$at', $day],
    ['app/Outings/OutingStore.php', 'if ($locked->revision !== $revision) {', 'if (false) {', $day],
    ['app/Http/Requests/SaveOuting.php', 'SessionGuard::person($this)->kits()->find(', '\App\Models\Kit::query()->find(', $day],
    ['app/Outings/EntryStore.php', '->where(\'outing_id\', $outing->id)->where(\'id\', $id)', '->where(\'id\', $id)', ['app', 'tests/Feature/EntryApiTest.php', '']],
    ['app/Http/Requests/TakeEntry.php', '$entry->id === $this->route(\'entry\') ? $entry :', 'true ? $entry :', ['app', 'tests/Feature/EntryApiTest.php', '']],
    ['resources/app/offline/outings.ts', 'group.length > 1 && ', '', $screen('resources/app/offline/outings.test.ts')],
    ['core/src/Plan/ReadOff.php', '1.0, $part->scaleZeroMm)', '1.0, 0.0)', $read],
    ['core/src/Plan/ReadOff.php', '$length > $max + $slack ? null', '$length > $max + 10.0 ? null', $read],
    ['core/src/Plan/ReadOff.php', '! isset($done[$i]) && ', '', $read],
    ['core/src/Plan/ReadOff.php', '$closest * (1.0 - self::SHARE)', '$closest * 0.5', $read],
    ['core/src/Outing/Measurements.php', '|| $measured->has($name)', '', ['core', 'core/tests/Outing/LedgerTest.php', '']],
    ['core/src/Outing/Prediction.php', '$reading->depthOfFieldMm, \'depthOfFieldMm\'', '$reading->waveDepthMm, \'depthOfFieldMm\'', ['core', 'core/tests/Outing/LedgerTest.php', '']],
    ['core/src/Outing/Checks.php', '[ApertureWorked::Full, ApertureWorked::Contacts]', '[ApertureWorked::Contacts]', $outings],
    ['core/src/Plan/Csv.php', '&& ! is_numeric($cell)', '', ['core', 'core/tests/Plan/CsvTest.php', '']],
    ['core/src/Finding/Findings.php', '$a->finding->part ?? -2', '0', ['core', 'core/tests/Finding/ToldTest.php', 'whatever_came']],
    ['app/Outings/EntryStore.php', '! $entry->fields->boolOr(\'withdrawn\', false) && ', '', $log],
    ['app/Outings/EntryStore.php', '->whereIn(\'id\', $entry->replaces)->update', '->whereIn(\'id\', [])->update', $log],
    ['app/Outings/Log.php', 'Entry::query()->where(\'user_id\', $user->id)->where(\'stands\', true);'."\n        foreach", 'Entry::query()->where(\'stands\', true);'."\n        foreach", $log],
    ['app/Outings/Log.php', '$far ? $asked->figure(\'to\') : null', '$far ? $asked->figure(\'from\') : null', $log],
    ['app/Outings/EntryRig.php', '$free && $isIt ? $each : $row', '$isIt ? $row : $each', $log],
    ['app/Outings/ShotOfEntry.php', '...$alone->isFrontMost ? [LedgerFigure::WorkingDistance] : []', '', $log],
    ['app/Outings/ShotOfEntry.php', '($alone->lens->reversed ? [\'reversed\' => true] : [])', '[]', $log],
    ['app/Outings/SmallPicture.php', '$bytes !== false && str_starts_with($bytes, $begins) ?', '$bytes !== false ?', $log],
    ['app/Outings/Sidecars.php', 'isset($taken[$name])', 'false', $log],
    ['app/Outings/LedgerViews.php', '$shot === null || $shot->isTaken()', '$shot === null', $log],
    ['resources/app/pages/outings/log/entryForm.ts', 'if (before !== undefined && word.trim() === shown) return before;', '', $screen('resources/app/pages/outings/log/entryForm.test.ts')],
    ['resources/app/pages/outings/log/marks.ts', '? (Date.parse(day) - from) / (to - from) : 0.5', '? (Date.parse(day) - from) / (to - from) : 0', $screen('resources/app/pages/outings/log/marks.test.ts')],
    ['resources/app/picture/exif.ts', 'value >= least && value <= greatest', 'value <= greatest', $screen('resources/app/picture/exif.test.ts')],
    // Trials, pictures that measure, the made-up camera.
    ['core/src/Gear/LensTrial.php', 'private const AS_SHARP = 0.95;', 'private const AS_SHARP = 0.9;', $trial],
    ['core/src/Gear/LensTrial.php', '$seen * $seen - $spot * $spot - $pixel * $pixel', '$seen * $seen - $spot * $spot', $trial],
    ['core/src/Gear/LensTrial.php', '$stop->mtf50 > $most->mtf50', '$stop->mtf50 < $most->mtf50', $trial],
    ['core/src/Rig/LensSharpness.php', 'private const NEAR = 1.5;', 'private const NEAR = 1.6;', $trial],
    ['core/src/Rig/LensSharpness.php', '$trial->reversed === $lens->reversed', '$trial->reversed !== null', $trial],
    ['core/src/Reading/BestAperture.php', 'private const SPREADS = 4.0;', 'private const SPREADS = 2.0;', $trial],
    ['core/src/Report/PictureColumns.php', '=== TravelKind::Aperture && $sweep->travel->part === $at ? $position : $marked', '=== TravelKind::Aperture && $sweep->travel->part === $at ? $marked : $marked', $trial],
    ['core/src/Search/LimitCheck.php', '$this->base->converter === null ? $m : null', '$m', ['core', 'core/tests/Search/SearchTest.php', 'usual_stop']],
    ['core/src/Measure/SlantedRule.php', 'private const DISC = 1.0 / 16.0;', 'private const DISC = 1.0 / 12.0;', ['core', 'core/tests/Measure/SlantedRuleTest.php', '']],
    ['core/src/Measure/SlantedRule.php', 'sin(deg2rad($leanDeg))', 'tan(deg2rad($leanDeg))', ['core', 'core/tests/Measure/SlantedRuleTest.php', '']],
    ['core/src/Picture/Exposure.php', '$layer->discMm / $this->pitchMm / $box->every / 2.0', '$layer->discMm / $this->pitchMm / $box->every', ['core', 'core/tests/Picture/ExposureTest.php', '']],
    ['core/src/Picture/Exposure.php', '$mark->depthMm + $offsetMm', '$mark->depthMm - $offsetMm', ['core', 'core/tests/Picture/ExposureTest.php', '']],
    ['core/src/Picture/FrameBox.php', 'public const MOST = 1_500_000;', 'public const MOST = 1_600_000;', ['core', 'core/tests/Picture/ExposureTest.php', '']],
    ['app/Devices/MadeUp/Carriage.php', 'min(max($this->isMm, $mm), $mm + $this->playMm)', '$mm', ['app', 'tests/Feature/CarriageTest.php', '']],
    ['app/Look/StackRuns.php', '\'run \'.$run->id.\' \'.$number', '\'run \'.$run->id.\' \'.($number + $run->tries)', $look],
    ['app/Look/StackRuns.php', 'if ($run->tries + 1 >= self::TRIES) {', 'if ($run->tries >= self::TRIES) {', $look],
    ['app/Look/StackRuns.php', '|| $run->state !== \'running\') {', ') {', $look],
    ['app/Look/FrameFigures.php', '$look->hidden ? null : $setup->reading->magnification', '$setup->reading->magnification', $look],
    ['app/Look/LookStore.php', '$most + 1;', '$most;', $look],
    ['app/Pictures/PictureMeasured.php', 'hypot(self::MARKS_PX / $apart, self::PRINTED)', 'self::MARKS_PX / $apart', ['app', 'tests/Feature/PictureApiTest.php', '']],
    ['core/src/Measure/TakenBy.php', 'private const ALIKE = 0.01;', 'private const ALIKE = 0.6;', ['app', 'tests/Feature/PictureApiTest.php', '']],
    ['resources/app/measure/view.ts', 'right - left < 2', 'right - left < 1', ['unit', 'resources/app/measure/view.test.ts', '']],
    ['core/src/Rig/Settling.php', '$below->between($above, $share))->withoutShots());', '$below->between($above, $share)));', ['core', 'core/tests/Rig/HiddenLensTest.php', '']],
];
