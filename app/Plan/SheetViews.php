<?php

declare(strict_types=1);

namespace App\Plan;

use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\SheetSection;
use App\Http\Resources\SheetText;
use App\Http\Resources\SheetView;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\SheetLine;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** Sheets as their screens get them. */
final class SheetViews
{
    public static function of(Sheet $sheet, Rig $rig): SheetView
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $plan = Layout::of($rig, $axis, $reading);
        $sections = [];
        foreach ($sheet->sections as $heading => $lines) {
            $sections[] = new SheetSection($heading, array_map(static fn (SheetLine $line): SheetText => new SheetText($line->text, $line->figure), $lines));
        }

        return new SheetView(
            $sheet->title, $sections, $sheet->ruleMm, new DrawingCamera(...$plan['camera']),
            DrawingPart::all($plan['parts']), $plan['tipMm'], $reading->subjectDistanceMm,
        );
    }
}
