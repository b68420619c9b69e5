<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Finding\OrientationRule;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\RayMatrix;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\LensSharpness;
use ZincThimble\Core\Rig\MarkedStops;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;

/** A front assembly at one zoom setting, laid out with its ring at several places. */
final class FrontOptics
{
    /** Places of the ring at which a front assembly is laid out ahead. */
    public const PLACES = 9;

    /** @var non-empty-list<RayMatrix>|null the ring from infinity to its closest; one where it does nothing; null = nobody has asked yet */
    private ?array $lays = null;

    /** Widest and smallest marked number of the working lens; null = not known. */
    public readonly ?float $widest;

    public readonly ?float $smallest;

    /** @var list<?float> marked stops of the working lens, the widest first; null alone = not known */
    public readonly array $stops;

    /** @var list<?float>|null two stops from wide open, then the wider ones; null = nobody has asked yet */
    private ?array $usualStops = null;

    /** @var array<array-key, list<?float>> stops to be tried by the sharpest */
    private array $bySharpest = [];

    /** How many of its lenses have figures that can't all be right. */
    public readonly int $disagree;

    /** Outer diameter at the front, mm. */
    public readonly float $frontOuter;

    /** Whether the ring of the first lens does anything. */
    public readonly bool $moves;

    /** Whether it is a lens for far things the usual way round. */
    public readonly bool $far;

    /** Whether its lens isn't known to draw a flat thing flat. */
    public readonly bool $curved;

    /** Whether its lens moves as a whole and carries everything along: between the ends of its ring all is straight lines. */
    private readonly bool $carries;

    /** The front assembly directly on the camera. */
    private readonly Rig $rig;

    /** @var array{RayMatrix, RayMatrix}|null its ring at either end; null = not laid out yet */
    private ?array $ends = null;

    /**
     * @param  array<int, ?float>  $zoomMm  by place in the front assembly
     * @param  float  $second  focus ring of the lens in front, 0 or 1
     *
     * @throws InvalidFigure as Rig::of() does.
     */
    public function __construct(public readonly FrontAssembly $front, Camera $camera, Conditions $conditions, public readonly array $zoomMm, public readonly float $second)
    {
        $focus = [];
        foreach ($front->parts as $i => $part) {
            $focus[$i] = $i > 0 && $part instanceof Lens ? $second : null;
        }
        $this->rig = Rig::of($camera, $front->parts, new Setting([], $focus, [], $zoomMm, [], [], null), $conditions);
        $lenses = $this->rig->lenses;
        $lens = $lenses[0] ?? null;
        $first = $front->parts[0];
        $this->moves = $lens !== null && $lens->turns();
        $this->widest = $lens?->widest;
        $this->smallest = $lens->smallest ?? $lens?->widest;
        $this->frontOuter = Outline::frontMm($front->parts[count($front->parts) - 1]);
        $control = $lens === null || ! $first instanceof Lens ? null : $first->aperture->control;
        $this->stops = $this->widest === null || $control === null ? [null] : MarkedStops::between($this->widest, $this->smallest ?? $this->widest, $control);
        $disagree = 0;
        foreach ($lenses as $each) {
            $disagree += $each->disagrees ? 1 : 0;
        }
        $this->disagree = $disagree;
        $this->far = $first instanceof Lens && ! $first->reversed && count($lenses) === 1 && ! $camera->isBuiltIn() && OrientationRule::madeForFarThings($first);
        $this->curved = $first instanceof Lens && $first->flatField !== true;
        // A lens that moves as a whole carries all of its front assembly along: what that does to a ray is told by the ends of its ring.
        $this->carries = $lens !== null && $this->moves && $lens->focusing === Focusing::Unit && ! $lens->showsEffective;
    }

    /**
     * Marked stops to be tried at a magnification unless a wish asks for another: the sharpest by a trial of the lens, else two from wide open,
     * where many lenses are sharpest; then the wider ones, for where diffraction spoils it.
     *
     * @param  ?float  $magnification  null = a trial of the lens alone tells nothing here
     * @return list<?float>
     */
    public function usualStops(?float $magnification): array
    {
        // A trial tells of a lens that is all of it.
        $lens = count($this->front->parts) === 1 ? $this->front->lens() : null;
        $sharpest = $lens === null || $lens->trials === [] ? null : LensSharpness::ofLens($lens, $magnification, $this->zoomMm[0] ?? null)?->sharpest();

        return $sharpest === null ? $this->usualStops ??= $this->upTo(2.0 * (float) $this->widest) : $this->bySharpest[(string) $sharpest] ??= $this->upTo($sharpest);
    }

    /** @return list<?float> the narrowest marked stop up to a number, then the wider ones */
    private function upTo(float $number): array
    {
        $usual = $this->stops[0] ?? null;
        foreach ($this->stops as $stop) {
            if ($stop <= $number * (1.0 + 1e-9)) {
                $usual = $stop;
            }
        }

        return [$usual, ...array_reverse(array_values(array_filter($this->stops, static fn (?float $stop): bool => $stop !== null && $usual !== null && $stop < $usual)))];
    }

    /** Whether the lens in front has a ring that does something. */
    public function secondMoves(): bool
    {
        foreach ($this->rig->lenses as $i => $lens) {
            if ($i > 0 && $lens->turns()) {
                return true;
            }
        }

        return false;
    }

    /** Between two stations a zoom is tried in steps of no more than this factor: rings and draws meet the rest. */
    private const ZOOM_STEP = 1.26;

    /**
     * Zoom settings: the stations of each zoom and steps between them, crossed.
     *
     * @return list<array<int, ?float>>
     */
    public static function zooms(FrontAssembly $front): array
    {
        $zooms = [[]];
        foreach ($front->parts as $i => $part) {
            $next = [];
            foreach ($zooms as $zoom) {
                foreach (self::stations($part) as $station) {
                    $next[] = $zoom + [$i => $station];
                }
            }
            $zooms = $next;
        }

        return $zooms;
    }

    /** @return non-empty-list<?float> */
    private static function stations(Part $part): array
    {
        if (! $part instanceof Lens) {
            return [null];
        }
        $settings = [];
        $before = null;
        foreach ($part->stations as $station) {
            $mm = $station->focalLengthMm;
            $steps = $before === null ? 1 : max(1, (int) ceil(log($mm / $before) / log(self::ZOOM_STEP) - 1e-9));
            for ($n = 1; $n < $steps; $n++) {
                // As it is engraved and set: in whole millimetres.
                $settings[] = round($before * ($mm / $before) ** ($n / $steps));
            }
            $settings[] = $mm;
            $before = $mm;
        }

        return $settings === [] ? [null] : array_values(array_unique($settings));
    }

    /** @return non-empty-list<RayMatrix> its ring from infinity to its closest; one where that does nothing */
    public function lays(): array
    {
        return $this->lays ??= $this->ahead();
    }

    /** @return non-empty-list<RayMatrix> */
    private function ahead(): array
    {
        $lays = [$this->at(0.0)];
        for ($n = 1; $this->moves && $n < self::PLACES; $n++) {
            $lays[] = $this->at($n / (self::PLACES - 1));
        }

        return $lays;
    }

    /** The front assembly with the ring of its first lens at a place, 0 infinity to 1 closest. */
    public function at(float $s): RayMatrix
    {
        $ends = $this->ends();

        return $ends === null ? $this->laidOut($s) : RayMatrix::carried($ends[0], $ends[1], $s);
    }

    /** @return array{RayMatrix, RayMatrix}|null its ring at either end; null = between them nothing is a straight line */
    public function ends(): ?array
    {
        return $this->carries ? $this->ends ??= [$this->laidOut(0.0), $this->laidOut(1.0)] : null;
    }

    private function laidOut(float $s): RayMatrix
    {
        $rig = $this->moves ? $this->rig->with(TravelKind::Focus, 0, $s) : $this->rig;

        return RayMatrix::of(Axis::of($rig), $rig->camera->registerMm, $s, $this->widest);
    }
}
