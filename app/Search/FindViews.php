<?php

declare(strict_types=1);

namespace App\Search;

use App\Bench\Describe;
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
use ZincThimble\Core\Drawing\Plan;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Plan\Card;
use ZincThimble\Core\Search\Found;
use ZincThimble\Core\Search\Missing;
use ZincThimble\Core\Search\Overview;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\Route;
use ZincThimble\Core\Search\Row;

/** Turns what a search found into what its screen gets. */
final class FindViews
{
    /** Rows a page. */
    public const PAGE = 50;

    public function found(Kit $kit, Found $found, Ranking $ranking, int $page, bool $whole, float $seconds): FoundView
    {
        $rows = [];
        $from = ($page - 1) * self::PAGE;
        foreach (array_slice($found->rows, $from, self::PAGE, true) as $i => $row) {
            $rows[] = $this->row($kit, $row, $i === 0 ? null : $found->rows[$i - 1], $ranking);
        }

        $at = array_flip(self::routes());
        $dots = array_map(static fn (Row $row): array => [$row->reading->magnification ?? 0.0, $row->reading->workingDistanceMm ?? 0.0, (float) $at[$row->route->value]], $found->rows);

        return new FoundView($found->rigs, $found->fulfil, $found->mayFulfil, $found->read, count($found->rows), $rows, $dots, $found->leftOut, $whole, round($seconds, 3));
    }

    /**
     * @param  list<Row>  $nearest
     * @param  list<Missing>  $missing
     * @param  list<string>  $leftOut
     */
    public function near(Kit $kit, array $nearest, array $missing, array $leftOut): NearView
    {
        return new NearView(
            array_map(fn (Row $row): FoundRig => $this->row($kit, $row, null, Ranking::Ease), $nearest),
            array_map(fn (Missing $each): MissingPart => new MissingPart($each->part->label(), $each->fulfil, $this->row($kit, $each->row, null, Ranking::Ease)), $missing),
            $leftOut,
        );
    }

    private function row(Kit $kit, Row $row, ?Row $before, Ranking $ranking): FoundRig
    {
        $rig = $row->rig;
        $reading = $row->reading;
        $axis = Axis::of($rig);
        $plan = Plan::of($rig, $axis, $reading);
        $set = [];
        foreach ($rig->chain as $i => $part) {
            $words = Describe::setting($rig, $i);
            if ($words !== '') {
                $set[] = $part->label().' '.$words;
            }
        }

        return new FoundRig(
            self::reference($rig->camera->document->intOr(RigStore::REFERENCE, 0)),
            $rig->camera->name ?? 'Camera',
            $row->route->value,
            implode(' + ', array_map(static fn (Part $part): string => $part->label().($part instanceof Lens && $part->reversed ? ' turned round' : ''), $rig->chain)),
            implode(' · ', $set),
            $this->why($row, $before, $ranking),
            array_map(fn (int $i): SetUpPart => $this->part($row, $i), array_keys($rig->chain)),
            $reading->magnification, $reading->fieldWidthMm, $reading->workingDistanceMm, $reading->subjectDistanceMm, $reading->effectiveAperture, $reading->stopsLost,
            $reading->depthOfFieldMm, $reading->detailMm, $reading->cornerBrightness, $rig->inventory->massG, $rig->inventory->price, $rig->inventory->joints, $rig->inventory->coupling->value,
            array_map(static fn (Finding $finding): string => $finding->message(), $row->warnings),
            self::toBuy($kit, $row),
            $row->alike,
            $rig->frame->heightMm,
            new DrawingCamera(...$plan['camera']),
            array_values(array_map(static fn (array $part): DrawingPart => new DrawingPart(...$part), $plan['parts'])),
            $axis->front + $axis->converterMm,
        );
    }

    /** @return list<string> camera and parts that the kit has none of yet */
    private static function toBuy(Kit $kit, Row $row): array
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

    private function part(Row $row, int $i): SetUpPart
    {
        $rig = $row->rig;
        $part = $rig->chain[$i];
        $lens = $part instanceof Lens;

        return new SetUpPart(
            $part->document->intOr(RigStore::REFERENCE, 0), $lens && $part->reversed, $part instanceof VariableSpacer ? $rig->lengthMm($i) : null,
            $lens ? $rig->setting->focus[$i] ?? 0.0 : null, $lens ? $rig->markedAperture($i) : null, $lens ? $rig->setting->zoomMm[$i] ?? null : null,
        );
    }

    /** Why a row stands where it stands: what it is put in order by, and what it has to give to the row before it. */
    private function why(Row $row, ?Row $before, Ranking $ranking): string
    {
        $inventory = $row->rig->inventory;
        $lost = $row->reading->stopsLost;
        $words = array_filter([
            match ($ranking) {
                Ranking::Room => 'Stands '.Phrase::figure($row->reading->workingDistanceMm ?? 0.0, 'mm').' off',
                Ranking::Mass => $inventory->massG === null ? 'Mass not known' : 'Weighs '.round($inventory->massG).' g',
                Ranking::Price => $inventory->price === null ? 'Price not known' : 'Worth '.round($inventory->price, 2),
                default => null,
            },
            self::count(count($row->warnings), 'warning', 'no warnings'),
            self::count($inventory->joints, 'joint', 'no joints'),
            $lost === null ? null : ($lost >= 0.05 ? 'loses '.Phrase::figure($lost, 'stops') : 'loses no light'),
        ]);
        $text = ucfirst(implode(', ', $words)).'.';
        if ($before === null) {
            return $text;
        }
        $more = count($row->warnings) - count($before->warnings);
        $joints = $inventory->joints - $before->rig->inventory->joints;

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
            $routes[] = new RouteView($route, $map->rigsByRoute[$route] ?? 0, $cells, $map->gapsByRoute[$route] ?? []);
        }
        $edge = $map->edge;
        ksort($edge);
        $at = array_flip($names);

        return new OverviewView(
            $map->rigs, Overview::COLUMNS, Overview::ROWS, Overview::LEAST_M, Overview::MOST_M, Overview::LEAST_MM, Overview::MOST_MM, $routes,
            array_map(static fn (int $column, float $mm): array => [(float) $column, round($mm, 2)], array_keys($edge), array_values($edge)),
            array_map(static fn (array $dot): array => [round($dot[0], 5), round($dot[1], 2), (float) $at[$dot[2]]], $map->dots),
            $map->gaps, $map->magnification === null ? null : new Interval(...$map->magnification), $leftOut,
        );
    }

    public function card(Card $card): CardView
    {
        return new CardView(
            $card->title, $card->first,
            array_map(static fn (array $column): CardColumn => new CardColumn($column['name'], $column['unit']), $card->columns),
            array_map(static fn (array $row): CardRow => new CardRow($row['label'], array_map(static fn (float|string|null $value): float|string|null => is_float($value) && is_infinite($value) ? '∞' : $value, $row['values'])), $card->rows),
            $card->notes,
        );
    }
}
