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

    /** @var list<?float>|null marked stops of the working lens; null = nobody has asked yet */
    private ?array $stops = null;

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

    /** Whether the lens in front has a ring that does something. */
    public readonly bool $secondMoves;

    /** Whether it is a lens for far things the usual way round. */
    public readonly bool $far;

    /** Whether its lens isn't known to draw a flat thing flat. */
    public readonly bool $curved;

    /** Whether its lens moves as a whole and carries everything along: between the ends of its ring all is straight lines. */
    private readonly bool $carries;

    /** The front assembly directly on the camera; null = nothing has asked for it yet. */
    private ?Rig $rig = null;

    /** @var array{RayMatrix, RayMatrix}|null its ring at either end; null = not laid out yet */
    private ?array $ends = null;

    /** Bytes before the rays in what is kept: three numbers of eight, five of one. */
    private const HEAD_BYTES = 29;

    /**
     * @param  array<int, ?float>  $zoomMm  by place in the front assembly
     * @param  float  $second  focus ring of the lens in front, 0 or 1
     * @param  string|null  $kept  what `kept` gave of the same one before: nothing is worked out that it says
     *
     * @throws InvalidFigure as Rig::of() does.
     */
    public function __construct(public readonly FrontAssembly $front, private readonly Camera $camera, private readonly Conditions $conditions, public readonly array $zoomMm, public readonly float $second, private readonly ?string $kept = null)
    {
        $first = $front->parts[0];
        $this->curved = $first instanceof Lens && $first->flatField !== true;
        if ($kept !== null) {
            /** @var array{widest: float, smallest: float, outer: float, disagree: int, moves: int, second: int, far: int, carries: int} $told */
            $told = unpack('ewidest/esmallest/eouter/Cdisagree/Cmoves/Csecond/Cfar/Ccarries', $kept);
            $this->widest = is_nan($told['widest']) ? null : $told['widest'];
            $this->smallest = is_nan($told['smallest']) ? null : $told['smallest'];
            $this->frontOuter = $told['outer'];
            $this->disagree = $told['disagree'];
            [$this->moves, $this->secondMoves, $this->far, $this->carries] = [$told['moves'] === 1, $told['second'] === 1, $told['far'] === 1, $told['carries'] === 1];

            return;
        }
        $lenses = $this->rig()->lenses;
        $lens = $lenses[0] ?? null;
        $this->moves = $lens !== null && $lens->turns();
        $this->widest = $lens?->widest;
        $this->smallest = $lens->smallest ?? $lens?->widest;
        $this->frontOuter = Outline::frontMm($front->parts[count($front->parts) - 1]);
        $disagree = 0;
        $secondMoves = false;
        foreach ($lenses as $i => $each) {
            $disagree += $each->disagrees ? 1 : 0;
            $secondMoves = $secondMoves || $i > 0 && $each->turns();
        }
        $this->disagree = $disagree;
        $this->secondMoves = $secondMoves;
        $this->far = $first instanceof Lens && ! $first->reversed && count($lenses) === 1 && ! $camera->isBuiltIn() && OrientationRule::madeForFarThings($first);
        // A lens that moves as a whole carries all of its front assembly along: what that does to a ray is told by the ends of its ring.
        $this->carries = $lens !== null && $this->moves && $lens->focusing === Focusing::Unit && ! $lens->showsEffective;
    }

    private function rig(): Rig
    {
        if ($this->rig === null) {
            $focus = [];
            foreach ($this->front->parts as $i => $part) {
                $focus[$i] = $i > 0 && $part instanceof Lens ? $this->second : null;
            }
            $this->rig = Rig::of($this->camera, $this->front->parts, new Setting([], $focus, [], $this->zoomMm, [], [], null), $this->conditions);
        }

        return $this->rig;
    }

    /** @return list<?float> marked stops of the working lens, the widest first; null alone = not known */
    public function stops(): array
    {
        if ($this->stops === null) {
            $first = $this->front->parts[0];
            $this->stops = $this->widest === null || ! $first instanceof Lens ? [null] : MarkedStops::between($this->widest, $this->smallest ?? $this->widest, $first->aperture->control);
        }

        return $this->stops;
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
        $stops = $this->stops();
        $usual = $stops[0] ?? null;
        foreach ($stops as $stop) {
            if ($stop <= $number * (1.0 + 1e-9)) {
                $usual = $stop;
            }
        }

        return [$usual, ...array_reverse(array_values(array_filter($stops, static fn (?float $stop): bool => $stop !== null && $usual !== null && $stop < $usual)))];
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
        return $this->lays ??= (! $this->carries ? $this->rays() : null) ?? $this->ahead();
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
        if (! $this->carries) {
            return null;
        }
        if ($this->ends === null) {
            $rays = $this->rays();
            $this->ends = [$rays[0] ?? $this->laidOut(0.0), $rays[1] ?? $this->laidOut(1.0)];
        }

        return $this->ends;
    }

    private function laidOut(float $s): RayMatrix
    {
        $rig = $this->rig();
        $rig = $this->moves ? $rig->with(TravelKind::Focus, 0, $s) : $rig;

        return RayMatrix::of(Axis::of($rig), $rig->camera->registerMm, $s, $this->widest);
    }

    /** What was worked out so far, and how it is laid out, as bytes: the ends of its ring where those say all, else all of its places. */
    public function kept(): string
    {
        return $this->kept ?? pack('e3C5', $this->widest ?? NAN, $this->smallest ?? NAN, $this->frontOuter, $this->disagree, (int) $this->moves, (int) $this->secondMoves, (int) $this->far, (int) $this->carries)
                .implode('', array_map(static fn (RayMatrix $lay): string => $lay->kept(), $this->ends() ?? $this->lays()));
    }

    /** @return non-empty-list<RayMatrix>|null what was kept of how it is laid out; null = nothing was */
    private function rays(): ?array
    {
        if ($this->kept === null) {
            return null;
        }
        $rays = [];
        $at = self::HEAD_BYTES;
        do {
            $rays[] = RayMatrix::back($this->kept, $at);
        } while ($at < strlen($this->kept));

        return $rays;
    }
}
