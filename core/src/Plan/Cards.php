<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\TravelKind;

/** The cards of a lens: close-up lenses by zoom setting, the ladder of a set of tubes, stops lost by draw; and of a part: all lenses with it. */
final readonly class Cards
{
    /** Tubes of which a card shows every subset. */
    public const MOST_TUBES = 5;

    /** Rows of a card: what is beyond is left out, and said. */
    public const MOST_ROWS = 240;

    /** Rows of a card of draws. */
    private const DRAWS = 15;

    /** What most cards tell of a rig. */
    private const FIGURES = [
        ['name' => 'magnification', 'unit' => 'x'], ['name' => 'field', 'unit' => 'mm'], ['name' => 'working distance', 'unit' => 'mm'], ['name' => 'slice', 'unit' => 'mm'],
        ['name' => 'effective aperture', 'unit' => 'f'], ['name' => 'stops lost', 'unit' => 'stops'],
    ];

    private RingWays $ways;

    public function __construct(private Kit $kit, private Camera $camera, private Lens $lens, private Conditions $conditions)
    {
        $this->ways = RingWays::of($kit, $camera);
    }

    /**
     * Nearest and furthest focus, and the field at each, for every close-up lens that goes on the lens and every zoom
     * setting. Distances from the front of the rig.
     *
     * @param  list<float>  $zoomsMm  settings of a zoom; empty = its stations
     * @param  bool  $pairs  whether every two that go on each other are told too
     *
     * @throws InvalidFigure names `lens` when no rings of the kit lead from the camera to it
     */
    public function closeUps(array $zoomsMm = [], bool $pairs = false): Card
    {
        $behind = $this->behind($this->lens);
        $columns = [];
        $zooms = $this->zooms($zoomsMm);
        foreach ($zooms as $zoom) {
            $at = $zoom === null ? '' : Phrase::digits($zoom).' mm: ';
            $columns[] = ['name' => $at.'nearest', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'field there', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'furthest', 'unit' => 'mm'];
            $columns[] = ['name' => $at.'field there', 'unit' => 'mm'];
        }
        $columns[] = ['name' => 'distances good to', 'unit' => 'text'];
        $rows = [];
        $all = $this->fronts($this->lens, $pairs);
        foreach (array_slice($all, 0, self::MOST_ROWS) as [$label, $front]) {
            $values = [];
            $share = $set = null;
            foreach ($zooms as $zoom) {
                foreach ([1.0, 0.0] as $s) {
                    $rig = $this->rig([...$behind, $this->lens, ...$front], count($behind), $zoom, $s);
                    $set ??= $rig;
                    $reading = Reading::of($rig);
                    $values[] = self::room($rig, $reading);
                    $values[] = self::field($rig, $reading);
                    $half = Uncertainty::of($rig)->halfWidth('workingDistanceMm');
                    if ($half !== null && ($reading->workingDistanceMm ?? 0.0) > 0.0) {
                        $share = max($share ?? 0.0, $half / (float) $reading->workingDistanceMm);
                    }
                }
            }
            $rows[] = new CardRow($label, [...$values, $share === null ? null : '±'.Phrase::digits(100.0 * $share).' %'], $set);
        }

        return new Card($this->lens->label().' with close-up lenses', 'Close-up lens', $columns, $rows, [
            ...self::between($behind), 'Distances are from the front of the rig to the subject.', 'Outside nearest and furthest the camera hunts and never locks: move the whole rig.',
            ...self::leftOut(count($all)),
        ]);
    }

    /**
     * Every subset of the tubes that go behind the lens, with and without close-up lenses, as far as it works: figures with the ring
     * at infinity, magnification and working distance at its closest, and what leaving each part out would take away.
     *
     * @param  list<float>  $zoomsMm  settings of a zoom; empty = its stations
     * @param  bool  $every  whether each close-up lens that goes on is told
     *
     * @throws InvalidFigure names `lens` when no rings of the kit lead from the camera to it
     */
    public function ladder(?CloseUpLens $closeUp = null, array $zoomsMm = [], bool $reversed = false, bool $every = false): Card
    {
        $lens = $reversed ? $this->lens->turned() : $this->lens;
        $behind = $this->behind($lens);
        [$place, $tubes] = $this->ways->tubes($behind, $lens);
        $left = count($tubes) - self::MOST_TUBES;
        $tubes = array_slice($tubes, 0, self::MOST_TUBES);
        $sets = [];
        for ($bits = 0; $bits < 1 << count($tubes); $bits++) {
            $sets[] = array_filter($tubes, static fn (int $i): bool => ($bits & (1 << $i)) !== 0, ARRAY_FILTER_USE_KEY);
        }
        usort($sets, static fn (array $a, array $b): int => self::length($a) <=> self::length($b));
        $fronts = $every ? array_column($this->fronts($lens, false), 1) : [[]];
        $way = $closeUp === null || $every ? null : $this->ways->to([...$behind, $lens], $closeUp);
        if ($closeUp !== null && $way !== null) {
            $fronts[] = [...$way, $closeUp];
        }
        $rows = [];
        $many = 0;
        foreach ($fronts as $front) {
            foreach ($this->zooms($zoomsMm, $lens) as $zoom) {
                foreach ($sets as $set) {
                    if (++$many > self::MOST_ROWS) {
                        continue;
                    }
                    $at = count($behind) + count($set);
                    $rig = $this->rig(self::chain($behind, $place, $set, $lens, $front), $at, $zoom, 0.0);
                    $far = Reading::of($rig);
                    $close = $this->rig(self::chain($behind, $place, $set, $lens, $front), $at, $zoom, 1.0);
                    $near = Reading::of($close);
                    $adds = [];
                    foreach ($set as $i => $tube) {
                        $adds[] = $tube->label().' '.self::plus($far, $this->reading(self::chain($behind, $place, array_diff_key($set, [$i => 0]), $lens, $front), $at - 1, $zoom, 0.0));
                    }
                    if ($front !== []) {
                        $adds[] = $front[count($front) - 1]->label().' '.self::plus($far, $this->reading(self::chain($behind, $place, $set, $lens, []), $at, $zoom, 0.0));
                    }
                    $label = implode(' + ', array_map(static fn (Part $part): string => $part->label(), [...array_values($set), ...$front]));
                    $rows[] = new CardRow(($zoom === null ? '' : Phrase::digits($zoom).' mm: ').($label === '' ? 'the lens alone' : $label), [
                        ...self::figures($rig, $far), $near->magnification, self::room($close, $near), $rig->totals->price, self::sure($rig), implode(', ', $adds),
                    ], $rig);
                    // What is longer still doesn't work either.
                    if (FocusState::of($rig, Axis::of($rig), $far->workingDistanceMm) === FocusState::Inside) {
                        continue 2;
                    }
                }
            }
        }

        return new Card('Ladder of '.AsEngraved::name($lens), 'Behind and before the lens', [
            ...self::FIGURES, ['name' => 'at its closest', 'unit' => 'x'], ['name' => 'working distance there', 'unit' => 'mm'], ['name' => 'price', 'unit' => 'money'], ['name' => 'good to', 'unit' => 'text'], ['name' => 'each part adds', 'unit' => 'text'],
        ], $rows, [
            ...self::between($behind), 'Up to “stops lost” the focus ring stands at infinity.',
            ...($tubes === [] ? ['No tube of this kit goes behind this lens.'] : []),
            ...($left > 0 ? [sprintf('%d tubes more are left out.', $left)] : []),
            ...self::leftOut($many),
        ]);
    }

    /**
     * @param  list<Part>  $behind
     * @param  array<int, Part>  $tubes  put in at that place
     * @param  list<Part>  $front
     * @return list<Part>
     */
    private static function chain(array $behind, int $place, array $tubes, Lens $lens, array $front): array
    {
        return [...array_slice($behind, 0, $place), ...array_values($tubes), ...array_slice($behind, $place), $lens, ...$front];
    }

    /**
     * Magnification, working distance and stops lost by draw of bellows or a helicoid behind the lens.
     *
     * @throws InvalidFigure names `spacer` when no rings of the kit lead from the camera to it and on to the lens
     */
    public function draws(VariableSpacer $spacer, bool $reversed): Card
    {
        $lens = $reversed ? $this->lens->turned() : $this->lens;
        $behind = $this->ways->to([], $spacer) ?? throw InvalidFigure::because('spacer', 'no rings of this kit lead from the camera to '.$spacer->label());
        $between = $this->ways->to([...$behind, $spacer], $lens) ?? throw InvalidFigure::because('spacer', 'no rings of this kit lead from '.$spacer->label().' to the lens');
        $chain = [...$behind, $spacer, ...$between];
        $at = count($behind);
        $rows = [];
        foreach (self::steps($spacer->minMm, $spacer->maxMm) as $draw) {
            $rig = $this->rig([...$chain, $lens], count($chain), null, 0.0)->with(TravelKind::Length, $at, $draw);
            $reading = Reading::of($rig);
            $rows[] = new CardRow(AsEngraved::of($rig, $at), [
                ...self::figures($rig, $reading), $reading->stopsLost === null ? null : (string) round(2.0 ** $reading->stopsLost, 1), self::sure($rig),
            ], $rig);
        }

        return new Card($lens->label().($reversed ? ', reversed,' : '').' on '.$spacer->label(), 'As engraved', [
            ...self::FIGURES, ['name' => 'exposure times', 'unit' => 'text'], ['name' => 'good to', 'unit' => 'text'],
        ], $rows, [...self::between([...$behind, ...$between]), 'The focus ring stands at infinity.']);
    }

    /**
     * Every lens of the kit with one tube, helicoid or bellows behind it, or one close-up lens in front: both ways round, the ring at infinity.
     *
     * @throws InvalidFigure names `part` when it goes neither behind a lens nor in front of one
     */
    public function lensesWith(Part $part): Card
    {
        if (! $part instanceof CloseUpLens && ! $part instanceof VariableSpacer && ! $part instanceof Spacer) {
            throw InvalidFigure::because('part', 'a tube, a helicoid, bellows or a close-up lens goes with every lens');
        }
        $rows = [];
        $none = [];
        foreach ($this->kit->ofClass(Lens::class) as $lens) {
            foreach ([$lens, $lens->turned()] as $way) {
                $chain = $part instanceof CloseUpLens ? $this->before($way, $part) : $this->behindIt($way, $part);
                if ($chain === null) {
                    $none[] = AsEngraved::name($way);

                    continue;
                }
                [$parts, $at] = $chain;
                foreach ($this->zooms([], $way) as $zoom) {
                    $rig = $this->rig($parts, $at, $zoom, 0.0);
                    $rows[] = new CardRow(AsEngraved::name($way).($zoom === null ? '' : ' at '.Phrase::figure($zoom, 'mm')), [...self::figures($rig, Reading::of($rig)), $rig->totals->price, self::sure($rig)], $rig);
                }
            }
        }

        return new Card('Lenses with '.$part->label(), 'Lens', [...self::FIGURES, ['name' => 'price', 'unit' => 'money'], ['name' => 'good to', 'unit' => 'text']], array_slice($rows, 0, self::MOST_ROWS), [
            'Focus rings stand at infinity, and what can be racked at its shortest.',
            ...($none === [] ? [] : ['No rings of this kit lead to '.implode(', ', $none).'.']),
            ...self::leftOut(count($rows)),
        ]);
    }

    /** @return array{list<Part>, int}|null the chain and the lens's place */
    private function before(Lens $lens, CloseUpLens $glass): ?array
    {
        $behind = $this->ways->to([], $lens);
        $between = $behind === null ? null : $this->ways->to([...$behind, $lens], $glass);

        return $behind === null || $between === null ? null : [[...$behind, $lens, ...$between, $glass], count($behind)];
    }

    /** @return array{list<Part>, int}|null the chain and the lens's place */
    private function behindIt(Lens $lens, Spacer|VariableSpacer $spacer): ?array
    {
        $behind = $this->ways->to([], $spacer);
        $between = $behind === null ? null : $this->ways->to([...$behind, $spacer], $lens);

        return $behind === null || $between === null ? null : [[...$behind, $spacer, ...$between, $lens], count($behind) + 1 + count($between)];
    }

    /**
     * Settings of a zoom that a card shows.
     *
     * @param  list<float>  $asked  mm; empty = its stations
     * @return non-empty-list<?float>
     */
    private function zooms(array $asked, ?Lens $of = null): array
    {
        $lens = $of ?? $this->lens;
        if (! $lens->isZoom()) {
            return [null];
        }
        $stations = array_map(static fn (LensFigures $station): float => $station->focalLengthMm, $lens->stations);
        [$least, $greatest] = [$stations[0] ?? 0.0, $stations[count($stations) - 1] ?? 0.0];
        $within = array_values(array_unique(array_filter($asked, static fn (float $mm): bool => $mm >= $least && $mm <= $greatest)));
        sort($within);

        return $within === [] ? ($stations === [] ? [null] : $stations) : $within;
    }

    /**
     * Nothing, then every close-up lens that goes on a lens, with the rings it needs; and every two, the stronger next to the lens.
     *
     * @return list<array{string, list<Part>}>
     */
    private function fronts(Lens $lens, bool $pairs): array
    {
        $fronts = [['none', []]];
        $closeUps = $this->kit->ofClass(CloseUpLens::class);
        usort($closeUps, static fn (CloseUpLens $a, CloseUpLens $b): int => $a->powerD <=> $b->powerD);
        foreach ($closeUps as $closeUp) {
            $way = $this->ways->to([$lens], $closeUp);
            if ($way !== null) {
                $fronts[] = [$closeUp->label(), [...$way, $closeUp]];
            }
        }
        foreach ($pairs ? $closeUps : [] as $i => $weak) {
            foreach (array_slice($closeUps, $i + 1) as $strong) {
                $way = $this->ways->to([$lens], $strong);
                $on = $way === null ? null : $this->ways->to([$lens, ...$way, $strong], $weak);
                if ($way !== null && $on !== null) {
                    $fronts[] = [$strong->label().' + '.$weak->label(), [...$way, $strong, ...$on, $weak]];
                }
            }
        }

        return $fronts;
    }

    /** @return list<string> */
    private static function leftOut(int $rows): array
    {
        return $rows > self::MOST_ROWS ? [sprintf('%d rows more are left out.', $rows - self::MOST_ROWS)] : [];
    }

    /** @return list<float|string|null> in the order of FIGURES */
    private static function figures(Rig $rig, Reading $reading): array
    {
        return [$reading->magnification, self::field($rig, $reading), self::room($rig, $reading), $reading->depthOfFieldMm, $reading->effectiveAperture, $reading->stopsLost];
    }

    /** A field, infinite where it is sharp at infinity; nothing where nothing is sharp. */
    private static function field(Rig $rig, Reading $reading): ?float
    {
        return match (FocusState::of($rig, Axis::of($rig), $reading->workingDistanceMm)) {
            FocusState::AtInfinity => INF,
            FocusState::Sharp => $reading->fieldWidthMm,
            default => null,
        };
    }

    /** A working distance, or in words why there is none; never a negative one. */
    private static function room(Rig $rig, Reading $reading): float|string|null
    {
        return match (FocusState::of($rig, Axis::of($rig), $reading->workingDistanceMm)) {
            FocusState::AtInfinity => INF,
            FocusState::Sharp => $reading->workingDistanceMm,
            FocusState::PastInfinity => 'past infinity',
            FocusState::Inside => 'inside',
            FocusState::Never => 'never sharp',
        };
    }

    /** @return list<Spacer> rings from the camera to a lens */
    private function behind(Lens $lens): array
    {
        return $this->ways->to([], $lens) ?? throw InvalidFigure::because('lens', 'no rings of this kit lead from the camera to '.$lens->label());
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

    private static function plus(Reading $with, Reading $without): string
    {
        return $with->magnification === null || $without->magnification === null ? '' : sprintf('%+.2f×', $with->magnification - $without->magnification);
    }

    /** @param  array<int, Part>  $set */
    private static function length(array $set): float
    {
        return array_sum(array_map(static fn (Part $part): float => $part->shortestMm(), $set));
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
