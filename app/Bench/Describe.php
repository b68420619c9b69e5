<?php

declare(strict_types=1);

namespace App\Bench;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Afocal;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\VariableSpacer;

/** Parts and joints in a few words, for screens. */
final class Describe
{
    /** What matters of a part: its length, focal length or power. */
    public static function measure(Part $part): string
    {
        return match (true) {
            $part instanceof Spacer => self::mm($part->lengthMm),
            $part instanceof VariableSpacer => Phrase::digits($part->minMm).'–'.self::mm($part->maxMm),
            $part instanceof Lens => self::lens($part),
            $part instanceof CloseUpLens => sprintf('%+g', $part->powerD).' · '.($part->elements > 1 ? 'corrected' : 'single'),
            $part instanceof Objective => Phrase::digits($part->nominal).'× · NA '.$part->na,
            $part instanceof Teleconverter => Phrase::digits($part->factor).'×',
            $part instanceof Afocal => Phrase::digits($part->factor).'× '.($part->factor > 1.0 ? 'tele' : 'wide'),
            $part instanceof Port => self::mm($part->gapMm + $part->glassMm),
            default => '',
        };
    }

    public static function camera(Camera $camera): string
    {
        return Phrase::digits($camera->sensor->widthMm).' × '.self::mm($camera->sensor->heightMm).' · register '.Phrase::digits($camera->registerMm);
    }

    public static function joint(JointEnd $end): string
    {
        $main = $end->main();

        return $main === null ? 'not known' : $main->spoken();
    }

    private static function lens(Lens $lens): string
    {
        $widest = $lens->aperture->widest;
        $focal = $lens->isZoom()
            ? Phrase::digits($lens->stations[0]->focalLengthMm).'–'.self::mm($lens->stations[count($lens->stations) - 1]->focalLengthMm)
            : self::mm($lens->figures->focalLengthMm);

        return $focal.($widest === null ? '' : ' · '.Phrase::figure($widest, 'f'));
    }

    private static function mm(float $value): string
    {
        return Phrase::figure($value, 'mm');
    }
}
