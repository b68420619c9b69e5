<?php

declare(strict_types=1);

namespace App\Look;

use App\Devices\FrameCrop;
use App\Devices\ShutterSettings;
use App\Models\Look;
use ZincThimble\Core\Plan\AsEngraved;

/** The figures that go inside a frame. */
final class FrameFigures
{
    /** @return array<string, mixed> by name */
    public static function of(Setup $setup, Look $look, ShutterSettings $settings, FrameCrop $crop, float $railMm): array
    {
        $frame = $setup->rig->frame;

        return [
            'madeUp' => true,
            'rig' => $look->rig->name ?? AsEngraved::title($setup->rig),
            'target' => $setup->target->kind->value,
            'divisionMm' => $setup->target->divisionMm > 0.0 ? $setup->target->divisionMm : null,
            // Of a lens that nobody knows the figures would be told by saying them.
            'magnification' => $look->hidden ? null : $setup->reading->magnification,
            'aperture' => $settings->aperture,
            'exposureS' => $settings->exposureS,
            'iso' => $settings->iso,
            'railMm' => $railMm,
            'camera' => $setup->rig->camera->name,
            'pitchMm' => $frame->pitchMm(),
            'columns' => $frame->columns,
            'rows' => $frame->rows,
            'crop' => get_object_vars($crop),
        ];
    }
}
