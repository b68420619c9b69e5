<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;

/** The cards of a lens: close-up lenses by zoom setting, the ladder of a set of tubes, stops lost by draw. */
final readonly class Cards
{
    /** Tubes of which a card shows every subset. */
    public const MOST_TUBES = 5;

    /** Rows of a card of draws. */
    private const DRAWS = 15;

    /** @var list<Spacer|VariableSpacer> */
    private array $rings;

    public function __construct(private Kit $kit, private Camera $camera, private Lens $lens, private Conditions $conditions)
    {
        $this->rings = $kit->rings();
    }

    /**
     * Nearest and furthest focus, and the field at each, for every close-up lens that goes on the lens and every zoom
     * setting. Distances from the front of the rig.
     *
     * @throws InvalidFigure names `lens` when no rings of the kit lead from the camera to it
     */
    public function closeUps(): Card
    {
        $behind = $this->behind($this->lens);
        $columns = [];
        $zooms = $this->lens->isZoom() ? array_map(static fn ($station): float => $station->focalLengthMm, $this->lens->stations) : [null];
        foreach ($zooms as $zoom) {
            $at = $zoom === null ? '' : (string) round($zoom, 1).' mm: ';
            $columns[] = ['name' => $at.'nearest', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'field there', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'furthest', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'field there', 'unit' => 'mm'];
        }
        $columns[] = ['name' => 'distances good to', 'unit' => 'text'];
        $rows = [];
        foreach ($this->fronts() as [$label, $front]) {
            $values = [];
            $share = null;
            foreach ($zooms as $zoom) {
                foreach ([1.0, 0.0] as $s) {
                    $rig = $this->rig([...$behind, $this->lens, ...$front], count($behind), $zoom, $s);
                    $reading = Reading::of($rig);
                    $values[] = self::room($reading);
                    $values[] = $reading->image === Image::AtInfinity ? INF : $reading->fieldWidthMm;
                    $half = Uncertainty::of($rig)->halfWidth('workingDistanceMm');
                    if ($half !== null && ($reading->workingDistanceMm ?? 0.0) > 0.0) {
                        $share = max($share ?? 0.0, $half / (float) $reading->workingDistanceMm);
                    }
                }
            }
            $rows[] = ['label' => $label, 'values' => [...$values, $share === null ? null : '±'.Phrase::digits(100.0 * $share).' %']];
        }

        return new Card($this->lens->label().' with close-up lenses', 'Close-up lens', $columns, $rows, [
            ...self::between($behind), 'Distances are from the front of the rig to the subject.', 'Outside nearest and furthest the camera hunts and never locks: move the whole rig.',
        ]);
    }

    /**
     * Every subset of the tubes that go behind the lens, with and without one close-up lens: magnification and working
     * distance with the ring at infinity and at its closest, stops lost at infinity, and what leaving each tube out would
     * take away.
     *
     * @throws InvalidFigure names `lens` when no rings of the kit lead from the camera to it
     */
    public function ladder(?CloseUpLens $closeUp = null): Card
    {
        $behind = $this->behind($this->lens);
        $end = $behind === [] ? $this->camera->front : $behind[count($behind) - 1]->identity->front;
        $tubes = [];
        foreach ($this->rings as $ring) {
            if ($ring->kind === Kind::Tube && Mating::ofEnds($end, $ring->identity->rear) === Fit::Mates && Mating::ofEnds($ring->identity->front, $this->lens->identity->rear) === Fit::Mates) {
                $tubes[] = $ring;
            }
        }
        $left = count($tubes) - self::MOST_TUBES;
        $tubes = array_slice($tubes, 0, self::MOST_TUBES);
        $sets = [];
        for ($bits = 0; $bits < 1 << count($tubes); $bits++) {
            $set = [];
            foreach ($tubes as $i => $tube) {
                if (($bits & (1 << $i)) !== 0) {
                    $set[$i] = $tube;
                }
            }
            $sets[] = $set;
        }
        usort($sets, static fn (array $a, array $b): int => self::length($a) <=> self::length($b));
        $fronts = [[]];
        $ways = $closeUp === null ? null : $this->way([...$behind, $this->lens], $closeUp);
        if ($ways !== null) {
            $fronts[] = [...$ways, $closeUp];
        }
        $columns = [
            ['name' => 'magnification', 'unit' => 'x'], ['name' => 'working distance', 'unit' => 'mm'], ['name' => 'at its closest', 'unit' => 'x'],
            ['name' => 'working distance there', 'unit' => 'mm'], ['name' => 'stops lost', 'unit' => 'stops'], ['name' => 'good to', 'unit' => 'text'], ['name' => 'each part adds', 'unit' => 'text'],
        ];
        $rows = [];
        foreach ($fronts as $front) {
            foreach ($sets as $set) {
                $chain = [...$behind, ...array_values($set)];
                $at = count($chain);
                $rig = $this->rig([...$chain, $this->lens, ...$front], $at, null, 0.0);
                $far = Reading::of($rig);
                $near = $this->reading([...$chain, $this->lens, ...$front], $at, null, 1.0);
                $adds = [];
                foreach ($set as $i => $tube) {
                    $without = [...$behind, ...array_values(array_diff_key($set, [$i => 0]))];
                    $less = $this->reading([...$without, $this->lens, ...$front], count($without), null, 0.0);
                    $adds[] = $tube->label().' '.self::plus($far, $less);
                }
                if ($front !== []) {
                    $adds[] = $front[count($front) - 1]->label().' '.self::plus($far, $this->reading([...$chain, $this->lens], $at, null, 0.0));
                }
                $label = implode(' + ', array_map(static fn (Part $part): string => $part->label(), [...array_values($set), ...$front]));
                $rows[] = ['label' => $label === '' ? 'the lens alone' : $label, 'values' => [
                    $far->magnification, self::room($far), $near->magnification, self::room($near), $far->stopsLost, self::sure($rig), implode(', ', $adds),
                ]];
            }
        }

        return new Card('Ladder of '.$this->lens->label(), 'Behind and before the lens', $columns, $rows, [
            ...self::between($behind), 'The first two columns hold with the focus ring at infinity.',
            ...($tubes === [] ? ['No tube of this kit goes behind this lens.'] : []),
            ...($left > 0 ? [sprintf('%d tubes more are left out.', $left)] : []),
        ]);
    }

    /**
     * Magnification, working distance and stops lost by draw of bellows or a helicoid behind the lens.
     *
     * @throws InvalidFigure names `spacer` when no rings of the kit lead from the camera to it and on to the lens
     */
    public function draws(VariableSpacer $spacer, bool $reversed): Card
    {
        $lens = $reversed ? $this->lens->turned() : $this->lens;
        $behind = $this->way([], $spacer) ?? throw InvalidFigure::because('spacer', 'no rings of this kit lead from the camera to '.$spacer->label());
        $between = $this->way([...$behind, $spacer], $lens) ?? throw InvalidFigure::because('spacer', 'no rings of this kit lead from '.$spacer->label().' to the lens');
        $chain = [...$behind, $spacer, ...$between];
        $at = count($behind);
        $rows = [];
        foreach (self::steps($spacer->minMm, $spacer->maxMm) as $draw) {
            $rig = $this->rig([...$chain, $lens], count($chain), null, 0.0)->with(TravelKind::Length, $at, $draw);
            $reading = Reading::of($rig);
            $zero = $spacer instanceof \ZincThimble\Core\Gear\Bellows ? $spacer->scaleZeroMm : 0.0;
            $rows[] = ['label' => round($draw - $zero, 1).' mm', 'values' => [
                $reading->magnification, $reading->fieldWidthMm, self::room($reading), $reading->stopsLost, $reading->stopsLost === null ? null : 2.0 ** $reading->stopsLost, self::sure($rig),
            ]];
        }

        return new Card($lens->label().($reversed ? ', reversed,' : '').' on '.$spacer->label(), 'Draw on its scale', [
            ['name' => 'magnification', 'unit' => 'x'], ['name' => 'field', 'unit' => 'mm'], ['name' => 'working distance', 'unit' => 'mm'],
            ['name' => 'stops lost', 'unit' => 'stops'], ['name' => 'exposure times', 'unit' => 'text'], ['name' => 'good to', 'unit' => 'text'],
        ], array_map(static function (array $row): array {
            $row['values'][4] = $row['values'][4] === null ? null : (string) round((float) $row['values'][4], 1);

            return $row;
        }, $rows), [...self::between([...$behind, ...$between]), 'The focus ring stands at infinity.']);
    }

    /** @return list<array{string, list<Part>}> nothing, then every close-up lens that goes on the lens, with the rings it needs */
    private function fronts(): array
    {
        $fronts = [['none', []]];
        $closeUps = $this->kit->ofClass(CloseUpLens::class);
        usort($closeUps, static fn (CloseUpLens $a, CloseUpLens $b): int => $a->powerD <=> $b->powerD);
        foreach ($closeUps as $closeUp) {
            $way = $this->way([$this->lens], $closeUp);
            if ($way !== null) {
                $fronts[] = [$closeUp->label(), [...$way, $closeUp]];
            }
        }

        return $fronts;
    }

    /** @return list<Spacer> rings from the camera to a lens */
    private function behind(Lens $lens): array
    {
        return $this->way([], $lens) ?? throw InvalidFigure::because('lens', 'no rings of this kit lead from the camera to '.$lens->label());
    }

    /**
     * The rings that lead from the end of a chain to a part; null = there is no way.
     *
     * @param  list<Part>  $chain
     * @return list<Spacer>|null
     */
    private function way(array $chain, Part $part): ?array
    {
        $last = $chain === [] ? null : $chain[count($chain) - 1];
        if (Mating::of($this->camera, $last, $part) === Fit::Mates) {
            return [];
        }
        $rings = array_values(array_filter($this->rings, static fn (Part $ring): bool => $ring instanceof Spacer && $ring->kind !== Kind::Tube && ! in_array($ring, $chain, true)));

        return AdapterPaths::between($last === null ? $this->camera->front : $last->identity->front, $part->identity->rear, $rings);
    }

    /** @param  list<Part>  $chain */
    private function rig(array $chain, int $lensAt, ?float $zoom, float $s): Rig
    {
        return Rig::of($this->camera, $chain, new Setting([], [$lensAt => $s], [], [$lensAt => $zoom], [], [], null), $this->conditions);
    }

    /** @param  list<Part>  $chain */
    private function reading(array $chain, int $lensAt, ?float $zoom, float $s): Reading
    {
        return Reading::of($this->rig($chain, $lensAt, $zoom, $s));
    }

    /**
     * @param  list<Spacer>  $rings
     * @return list<string>
     */
    private static function between(array $rings): array
    {
        return $rings === [] ? [] : ['Between camera and lens: '.implode(', ', array_map(static fn (Spacer $ring): string => $ring->label(), $rings)).'.'];
    }

    /** Half-widths of magnification and working distance, as a cell says them; null = nothing uncertain moves them. */
    private static function sure(Rig $rig): ?string
    {
        $sure = Uncertainty::of($rig);
        $words = [];
        foreach (['magnification' => 'x', 'workingDistanceMm' => 'mm'] as $reading => $unit) {
            $half = $sure->halfWidth($reading);
            if ($half !== null) {
                $words[] = '±'.Phrase::figure($half, $unit);
            }
        }

        return $words === [] ? null : implode(', ', $words);
    }

    private static function room(Reading $reading): ?float
    {
        return $reading->image === Image::AtInfinity ? INF : $reading->workingDistanceMm;
    }

    private static function plus(Reading $with, Reading $without): string
    {
        return $with->magnification === null || $without->magnification === null ? '' : sprintf('%+.2f×', $with->magnification - $without->magnification);
    }

    /** @param  array<int, Spacer|VariableSpacer>  $set */
    private static function length(array $set): float
    {
        return array_sum(array_map(static fn (Spacer|VariableSpacer $part): float => $part->shortestMm(), $set));
    }

    /** @return list<float> from the shortest to the longest, in round steps */
    private static function steps(float $from, float $to): array
    {
        $step = 1.0;
        foreach ([1.0, 2.0, 5.0, 10.0, 20.0, 50.0, 100.0, 200.0] as $step) {
            if (($to - $from) / $step <= self::DRAWS - 2) {
                break;
            }
        }
        $draws = [$from];
        for ($draw = ceil(($from + 1e-9) / $step) * $step; $draw < $to - 1e-9; $draw += $step) {
            if ($draw > $from + 1e-9) {
                $draws[] = $draw;
            }
        }
        $draws[] = $to;

        return $draws;
    }
}
