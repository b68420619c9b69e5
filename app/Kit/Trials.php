<?php

declare(strict_types=1);

namespace App\Kit;

use App\Http\Resources\TrialChange;
use App\Http\Resources\TrialView;
use App\Http\Resources\TriedStopView;
use App\Models\Part;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\Gear\TriedStop;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\TrialMade;
use ZincThimble\Core\Rig\Rig;

/** Trials of lenses: what they tell, what they change, and that they are kept with the lens. */
final class Trials
{
    /** Without a subject that has depth, a flat one is thought of: only how sharp the lens is counts. */
    private const FLAT_MM = 1e-9;

    public function __construct(private readonly KitStore $store)
    {
    }

    /**
     * @param  ?Part  $lens  the row of the rig's lens; null = it lies in no kit
     * @param  list<array{aperture: float, mtf50: float, halfWidth: ?float}>  $stops
     * @param  array<string, string>  $told  when, and what there is to say of it
     *
     * @throws ValidationException when no trial can be told from it, or there is no lens to keep it with
     */
    public function of(Rig $rig, ?Part $lens, array $stops, array $told, bool $keep): TrialView
    {
        $made = TrialMade::with($rig, $stops, $told) ?? throw ValidationException::withMessages(['stops' => 'A trial tells of a lens that stands alone, on a camera whose pixels are known. This rig has other glass beside it, images nothing, or has no stops to try.']);
        if ($keep) {
            if ($lens === null) {
                throw ValidationException::withMessages(['keep' => 'This lens lies in no kit of yours: put it into one, and its trial is kept with it.']);
            }
            $fields = $lens->fields();
            $lens = $this->store->update($lens, $lens->version, new KitItem($lens->kindOf(), ['trials' => TrialMade::added($fields['trials'] ?? null, $made->fields)] + $fields), 'keep a trial of '.($lens->name ?? 'a lens'));
        }
        $trial = $made->trial;

        return new TrialView(
            kept: $keep, lens: $rig->chain[$made->part]->label(), part: $lens?->id, magnification: $trial->magnification, reversed: $trial->reversed, sharpest: $trial->sharpest(), asSharp: $trial->asSharp(),
            stops: array_map(static fn (TriedStop $stop): TriedStopView => new TriedStopView($stop->aperture, $stop->effectiveAperture, $stop->mtf50, $stop->halfWidth, $trial->allowedMtf50($stop), $trial->blurMm($stop)), $trial->stops),
            changes: self::changes($rig, $made->keptIn($rig)),
        );
    }

    /** @return list<TrialChange> what it changes in this rig as it stands */
    private static function changes(Rig $was, Rig $is): array
    {
        $told = static function (Rig $rig): array {
            $depth = $rig->subject?->depthOver(Reading::of($rig)->fieldWidthMm);
            $best = BestAperture::of($rig, $depth === null || $depth <= 0.0 ? self::FLAT_MM : $depth);
            $picture = RigPicture::of($rig);

            return ['single' => $best?->single, 'stack' => $best?->stacking, 'detailMm' => $picture?->resolvedDetailMm(), 'gaussianMm' => $picture?->gaussianMm];
        };
        [$old, $new] = [$told($was), $told($is)];

        return array_map(static fn (string $what): TrialChange => new TrialChange($what, $old[$what], $new[$what]), array_keys($old));
    }
}
