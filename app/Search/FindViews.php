<?php

declare(strict_types=1);

namespace App\Search;

use App\Bench\RigStore;
use App\Http\Resources\CardColumn;
use App\Http\Resources\CardRow;
use App\Http\Resources\CardView;
use App\Http\Resources\DrawingCamera;
use App\Http\Resources\DrawingPart;
use App\Http\Resources\FoundRig;
use App\Http\Resources\FoundView;
use App\Http\Resources\Interval;
use App\Http\Resources\MissingPart;
use App\Http\Resources\NearView;
use App\Http\Resources\OverviewView;
use App\Http\Resources\RouteView;
use App\Http\Resources\SetUpPart;
use App\Models\Kit;
use App\Models\Part as PartRow;
use ZincThimble\Core\Drawing\Layout;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\Card;
use ZincThimble\Core\Plan\CardRow as CoreCardRow;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\Candidate;
use ZincThimble\Core\Search\Misses;
use ZincThimble\Core\Search\Overview;
use ZincThimble\Core\Search\PurchaseSuggestion;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\Route;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchResult;

/** Turns what a search found into what its screen gets. */
final class FindViews
{
    /** Rows a page. */
    public const PAGE = 50;

    public function found(Kit $kit, SearchResult $found, Ranking $ranking, int $page, bool $whole, float $seconds): FoundView
    {
        $rows = [];
        $from = ($page - 1) * self::PAGE;
        foreach (array_slice($found->rows, $from, self::PAGE, true) as $i => $row) {
            $rows[] = $this->row($kit, $row, $i === 0 ? null : $found->rows[$i - 1], $ranking);
        }

        $at = array_flip(self::routes());
        $dots = array_map(static fn (Candidate $row): array => [$row->reading->magnification ?? 0.0, $row->reading->workingDistanceMm ?? 0.0, (float) $at[$row->route->value]], $found->rows);

        return new FoundView(rigs: $found->rigs, fulfil: $found->fulfil, mayFulfil: $found->mayFulfil, read: $found->read, count: count($found->rows), rows: $rows, dots: $dots, leftOut: $found->leftOut, dark: $found->dark, whole: $whole, seconds: round($seconds, 3));
    }

    /**
     * @param  list<Candidate>  $nearest
     * @param  list<PurchaseSuggestion>  $missing
     * @param  list<string>  $leftOut
     */
    public function near(Kit $kit, SearchCriteria $wanted, array $nearest, array $missing, array $leftOut): NearView
    {
        return new NearView(
            $this->missed($kit, $wanted, $nearest),
            array_map(fn (PurchaseSuggestion $each): MissingPart => new MissingPart($each->part->label(), $each->fulfil, $this->row($kit, $each->row, null, Ranking::Ease)), $missing),
            $leftOut,
        );
    }

    /**
     * @param  list<Candidate>  $rows
     * @return list<FoundRig> each saying what it misses
     */
    public function missed(Kit $kit, SearchCriteria $wanted, array $rows): array
    {
        return array_map(fn (Candidate $row): FoundRig => $this->row($kit, $row, null, Ranking::Ease, Misses::of($row, $wanted)), $rows);
    }

    /** @param  list<string>  $misses */
    private function row(Kit $kit, Candidate $row, ?Candidate $before, Ranking $ranking, array $misses = []): FoundRig
    {
        $rig = $row->rig;
        $reading = $row->reading;
        $axis = Axis::of($rig);
        $plan = Layout::of($rig, $axis, $reading);
        $set = [];
        foreach ($rig->chain as $i => $part) {
            $words = AsEngraved::of($rig, $i);
            if ($words !== '') {
                $set[] = $part->label().' '.$words;
            }
        }

        $sure = Uncertainty::of($rig);

        return new FoundRig(
            camera: self::reference($rig->camera->document->intOr(RigStore::REFERENCE, 0)),
            cameraName: $rig->camera->name ?? 'Camera',
            route: $row->route,
            title: AsEngraved::title($rig),
            setting: implode(' · ', $set),
            why: $this->why($row, $before, $ranking),
            parts: $this->parts($rig),
            magnification: $reading->magnification, fieldWidthMm: $reading->fieldWidthMm, workingDistanceMm: $reading->workingDistanceMm, subjectDistanceMm: $reading->subjectDistanceMm, effectiveAperture: $reading->effectiveAperture, stopsLost: $reading->stopsLost,
            depthOfFieldMm: $reading->depthOfFieldMm, detailMm: $reading->detailMm, cornerBrightness: $reading->cornerBrightness, massG: $rig->totals->massG, price: $rig->totals->price, joints: $rig->totals->joints, coupling: $rig->totals->coupling,
            magnificationHalfWidth: $sure->halfWidth('magnification'), workingDistanceHalfWidth: $sure->halfWidth('workingDistanceMm'),
            warnings: array_map(static fn (Finding $finding): string => $finding->message(), $row->warnings),
            toBuy: self::toBuy($kit, $row),
            misses: $misses,
            alike: $row->alike,
            sensorMm: $rig->frame->heightMm,
            body: new DrawingCamera(...$plan['camera']),
            drawn: DrawingPart::all($plan['parts']),
            tipMm: $axis->front + $axis->converterMm,
        );
    }

    /** @return list<string> camera and parts that the kit has none of yet */
    private static function toBuy(Kit $kit, Candidate $row): array
    {
        $names = [];
        foreach ([$row->rig->camera, ...$row->rig->chain] as $part) {
            $of = $kit->parts->firstWhere('id', $part->document->intOr(RigStore::REFERENCE, 0));
            if ($of instanceof PartRow && $of->count === 0) {
                $names[] = $part instanceof Camera ? $part->name ?? 'Camera' : $part->label();
            }
        }

        return $names;
    }

    private static function reference(int $row): ?int
    {
        return $row === 0 ? null : $row;
    }

    /** @return list<SetUpPart> */
    private function parts(Rig $rig): array
    {
        $parts = [];
        foreach ($rig->chain as $i => $part) {
            $lens = $part instanceof Lens;
            $parts[] = new SetUpPart(
                $part->document->intOr(RigStore::REFERENCE, 0), ($part instanceof Lens || $part instanceof Spacer) && $part->reversed, $part instanceof VariableSpacer ? $rig->lengthMm($i) : null,
                $lens ? $rig->setting->focus[$i] ?? 0.0 : null, $lens ? $rig->markedAperture($i) : null, $lens ? $rig->setting->zoomMm[$i] ?? null : null,
            );
        }

        return $parts;
    }

    /** Why a row stands where it stands: what it is put in order by, and what it has to give to the row before it. */
    private function why(Candidate $row, ?Candidate $before, Ranking $ranking): string
    {
        $totals = $row->rig->totals;
        $lost = $row->reading->stopsLost;
        $words = array_filter([
            match ($ranking) {
                Ranking::Room => 'Stands '.Phrase::figure($row->reading->workingDistanceMm ?? 0.0, 'mm').' off',
                Ranking::Mass => $totals->massG === null ? 'Mass not known' : 'Weighs '.round($totals->massG).' g',
                Ranking::Price => $totals->price === null ? 'Price not known' : 'Worth '.round($totals->price, 2),
                default => null,
            },
            self::count(count($row->warnings), 'warning', 'no warnings'),
            self::count($totals->joints, 'joint', 'no joints'),
            $lost === null ? null : ($lost >= 0.05 ? 'loses '.Phrase::figure($lost, 'stops') : 'loses no light'),
        ]);
        $text = ucfirst(implode(', ', $words)).'.';
        if ($before === null) {
            return $text;
        }
        $more = count($row->warnings) - count($before->warnings);
        $joints = $totals->joints - $before->rig->totals->joints;

        return $text.match (true) {
            $ranking !== Ranking::Ease => '',
            $more > 0 => ' '.self::count($more, 'warning', '').' more than the one before.',
            $joints > 0 => ' '.self::count($joints, 'joint', '').' more than the one before.',
            default => '',
        };
    }

    private static function count(int $count, string $one, string $none): string
    {
        return $count === 0 ? $none : ($count === 1 ? '1 '.$one : $count.' '.$one.'s');
    }

    /** @return list<string> in the order that maps number them by */
    private static function routes(): array
    {
        return array_map(static fn (Route $route): string => $route->value, Route::cases());
    }

    /** @param  list<string>  $leftOut */
    public function overview(Overview $map, array $leftOut): OverviewView
    {
        $names = self::routes();
        $routes = [];
        foreach ($names as $route) {
            $cells = [];
            foreach ($map->density[$route] ?? [] as $cell => $count) {
                $cells[] = [(float) $cell, round($count, 3)];
            }
            $routes[] = new RouteView(Route::from($route), $map->rigsByRoute[$route] ?? 0, $cells, $map->gapsByRoute[$route] ?? []);
        }
        $edge = $map->edge;
        ksort($edge);
        $at = array_flip($names);

        return new OverviewView(
            rigs: $map->rigs, columns: Overview::COLUMNS, rowsUp: Overview::ROWS, leastM: Overview::LEAST_M, mostM: Overview::MOST_M, leastMm: Overview::LEAST_MM, mostMm: Overview::MOST_MM, routes: $routes,
            edge: array_map(static fn (int $column, float $mm): array => [(float) $column, round($mm, 2)], array_keys($edge), array_values($edge)),
            dots: array_map(static fn (array $dot): array => [round($dot[0], 5), round($dot[1], 2), (float) $at[$dot[2]]], $map->dots),
            gaps: $map->gaps, magnification: $map->magnification === null ? null : new Interval(...$map->magnification), leftOut: $leftOut,
        );
    }

    public function card(Card $card): CardView
    {
        return new CardView(
            $card->title, $card->first,
            array_map(static fn (array $column): CardColumn => new CardColumn($column['name'], $column['unit']), $card->columns),
            array_map(fn (CoreCardRow $row): CardRow => new CardRow(
                $row->label, array_map(static fn (float|string|null $value): float|string|null => is_float($value) && is_infinite($value) ? '∞' : $value, $row->values),
                $row->rig === null ? null : self::reference($row->rig->camera->document->intOr(RigStore::REFERENCE, 0)),
                $row->rig === null ? [] : $this->parts($row->rig),
            ), $card->rows),
            $card->notes,
        );
    }
}
