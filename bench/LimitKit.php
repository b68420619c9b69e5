<?php

declare(strict_types=1);

namespace ZincThimble\Bench;

use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Optics\RayMatrix;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\CandidateBuilder;
use ZincThimble\Core\Search\FrontAssembly;
use ZincThimble\Core\Search\FrontOptics;
use ZincThimble\Core\Search\PreparedKit;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;
use ZincThimble\Core\Search\StackGroup;

/** The kit of bench/find in the numbers that bench/limit/search.c reads: what is made ready of it, with all its lenses moving as a whole. */
final class LimitKit
{
    /** What the wishes ask. */
    public const NAMES = ['a field, with room', 'a distance, light and short'];

    private readonly SearchKit $kit;

    private readonly Conditions $conditions;

    private readonly PreparedKit $prepared;

    private readonly Search $search;

    /** @var list<FrontAssembly> */
    private readonly array $fronts;

    private function __construct(int $parts)
    {
        $document = json_decode(json_encode(BenchKit::of($parts), JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
        foreach ($document->parts as $item) {
            if (isset($item->focusing)) {
                $item->focusing = 'unit';
            }
        }
        $this->kit = SearchKit::of(KitFile::parse(json_encode($document, JSON_THROW_ON_ERROR))->kit());
        $this->conditions = Conditions::from(new Values([]));
        $this->prepared = PreparedKit::of($this->kit, $this->conditions, Budget::endless());
        $this->search = Search::of($this->kit, $this->conditions);
        $this->fronts = $this->prepared->fronts(PHP_INT_MAX, false, Budget::endless());
    }

    public static function of(int $parts): self
    {
        return new self($parts);
    }

    /** @return list<SearchCriteria> those of bench/find that ask nothing of the light */
    public static function wishes(): array
    {
        return [new SearchCriteria(fieldWidthMm: 18.0, leastRoomMm: 40.0), new SearchCriteria(workingDistanceMm: 120.0, mostMassG: 900.0, mostLengthMm: 200.0)];
    }

    public function search(): Search
    {
        return $this->search;
    }

    /** @param  list<SearchCriteria>  $wishes */
    public function told(array $wishes): string
    {
        $lines = [[count($this->prepared->bodies)]];
        foreach ($this->prepared->bodies as $body) {
            $camera = $body->camera;
            $frame = $camera->frame($this->conditions->mode);
            $lines[] = [
                $body->factor(), $body->converterMm(), $camera->throatMm === null ? 0.0 : $camera->registerMm / $camera->throatMm, $this->conditions->blurLimit($frame), $frame->pitchMm(),
                $body->massG(), CandidateBuilder::perJoint($camera), $frame->widthMm, $this->conditions->wavelengthNm * 1e-6, $body->joints(),
            ];
        }
        /** @var list<StackGroup> $groups */
        $groups = $at = [];
        foreach ($this->fronts as $front) {
            foreach (array_keys($this->prepared->bodies) as $b) {
                $group = $this->prepared->group($b, $front);
                if (! isset($at[spl_object_id($group)])) {
                    $at[spl_object_id($group)] = count($groups);
                    $groups[] = $group;
                }
            }
        }
        $lines[] = [count($groups)];
        foreach ($groups as $group) {
            $lines[] = [$group->count];
            for ($i = 0; $i < $group->count; $i++) {
                $lines[] = [$group->least[$i], $group->most[$i], $group->mass[$i], $group->joints[$i], $group->class[$i]];
            }
        }
        $lines[] = [count($this->fronts)];
        foreach ($this->fronts as $front) {
            $lines[] = [$front->mass, $front->joints];
            foreach (array_keys($this->prepared->bodies) as $b) {
                $lines[] = [$at[spl_object_id($this->prepared->group($b, $front))], ...array_map(PreparedKit::weight(...), $this->prepared->worked($b, $front))];
            }
            $optics = $this->prepared->optics($front, count($this->fronts));
            $lines[] = [count($optics)];
            array_push($lines, ...array_map(self::optics(...), $optics));
        }
        $lines[] = [count($wishes)];
        foreach ($wishes as $wanted) {
            $lines[] = [$wanted->fieldWidthMm === null ? 1 : 0, $wanted->fieldWidthMm ?? $wanted->workingDistanceMm, $wanted->leastRoomMm, $wanted->mostMassG, $wanted->mostLengthMm];
        }

        return implode("\n", array_map(
            static fn (array $line): string => implode(' ', array_map(static fn (float|int|null $each): string => $each === null ? 'nan' : (is_int($each) ? (string) $each : sprintf('%.17g', $each)), $line)), $lines,
        ))."\n";
    }

    /** @return list<float|int|null> */
    private static function optics(FrontOptics $optics): array
    {
        if ($optics->moves && abs($optics->at(0.25)->b - 0.75 * $optics->at(0.0)->b - 0.25 * $optics->at(1.0)->b) > 1e-9) {
            throw new \LogicException('The reference knows only lenses that move as a whole.');
        }
        $stops = $optics->usualStops(null);
        $told = [$optics->moves ? 1 : 0, $optics->far ? 1 : 0, $optics->disagree, $optics->widest, $optics->frontOuter, count($stops), ...$stops, count($optics->lays())];
        foreach ([...$optics->lays(), ...$optics->moves ? [$optics->at(0.0), $optics->at(1.0)] : []] as $ray) {
            array_push($told, ...self::ray($ray));
        }

        return $told;
    }

    /** @return list<float|int|null> */
    private static function ray(RayMatrix $ray): array
    {
        $told = [$ray->s, $ray->a, $ray->b, $ray->c, $ray->d, $ray->last, $ray->front, $ray->reduced, $ray->medium, $ray->na, $ray->shown, $ray->working, count($ray->radius)];
        foreach ($ray->radius as $j => $radius) {
            array_push($told, $ray->alpha[$j], $ray->beta[$j], $radius);
        }

        return $told;
    }

    /** Which rig a line of the reference means: camera, front assembly, set of rings. */
    public function rigOf(string $line): string
    {
        [$b, $f, $i] = array_map(intval(...), explode(' ', $line));
        $body = $this->prepared->bodies[$b];
        $front = $this->fronts[$f];
        $set = $this->prepared->stacks[$b]->set[$this->prepared->group($b, $front)->at[$i]];
        $rings = array_values(array_filter($this->kit->rings, static fn (int $r): bool => ($set & (1 << $r)) !== 0, ARRAY_FILTER_USE_KEY));

        return self::partsOf($body->camera, [...$body->converter === null ? [] : [$body->converter], ...$rings, ...$front->parts]);
    }

    /** @param  array<int, Part>  $parts  in whatever order */
    public static function partsOf(Camera $camera, array $parts): string
    {
        $ids = array_map(spl_object_id(...), $parts);
        sort($ids);

        return spl_object_id($camera).': '.implode(' ', $ids);
    }
}
