<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\KnownFigures;

/**
 * Which one part, by its measures, would make a kit fulfil a wish that it doesn't fulfil: the usual parts that go on what
 * is there are put into the kit one after the other, and the wish is asked of the rigs that use them.
 */
final readonly class PurchaseSuggestion
{
    private const TUBES_MM = [12.0, 20.0, 36.0, 60.0];

    private const POWERS_D = [1.0, 2.0, 3.0, 5.0, 8.0, 10.0];

    /** Focal lengths of lenses that a kit may lack, mm. */
    private const LENSES_MM = [20.0, 28.0, 100.0, 200.0, 300.0];

    /** Thickness of a ring that only joins, mm. */
    private const RING_MM = 4.0;

    private const MOST = 60;

    /** Sets of rings on one camera that are looked at with each part: who buys one part wants few rings beside it. */
    private const STACKS = 3000;

    private function __construct(
        /** The part, without a maker: what to look for. */
        public Part $part,
        /** The best rig with it. */
        public Candidate $row,
        /** How many rigs with it, of front assemblies of one or two parts, fulfil the wish. */
        public int $fulfil,
    ) {
    }

    /**
     * @param  list<Part>  $with  parts that have to be in it
     * @return list<self> the best first, at most three; where the budget ends, of what was tried until then
     */
    public static function of(SearchKit $kit, Conditions $conditions, SearchCriteria $wanted, ?Budget $budget = null, array $with = []): array
    {
        $budget ??= Budget::endless();
        $suggestions = [];
        $usual = self::usual($kit, $conditions, $wanted, $budget);
        if (array_filter($with, static fn (Part $part): bool => $part instanceof Lens) !== []) {
            // Who has a lens in the hand wants something for it, not another.
            $usual = array_values(array_filter($usual, static fn (Part $part): bool => ! $part instanceof Lens));
        }
        foreach (array_slice($usual, 0, self::MOST) as $part) {
            if ($budget->isSpent()) {
                break;
            }
            $search = Search::of($kit->with($part), $conditions, $budget->share(0.5), self::STACKS)->using($part, ...$with);
            // What stands in front makes front assemblies of more parts; what stands behind goes with every front assembly there is.
            $found = $part instanceof CloseUpLens || $part->kind === Kind::CouplingRing ? $search->ask($wanted, 1) : $search->first($wanted, 1);
            if ($found->rows !== []) {
                $suggestions[] = new self($part, $found->rows[0], $found->fulfil);
            }
        }
        usort($suggestions, static fn (self $a, self $b): int => [$a->row->rank, -$a->fulfil] <=> [$b->row->rank, -$b->fulfil]);

        return array_slice($suggestions, 0, 3);
    }

    /**
     * What people buy for close work, in the joints of this kit: first what leads to what can't be reached, then length,
     * then glass.
     *
     * @return list<Part>
     */
    private static function usual(SearchKit $kit, Conditions $conditions, SearchCriteria $wanted, Budget $budget): array
    {
        $lenses = $kit->ofClass(Lens::class);
        $parts = [];
        $mounts = [];
        $threads = [];
        foreach ($lenses as $lens) {
            self::note($mounts, $lens->identity->rear);
            self::note($threads, $lens->identity->front);
        }
        $rings = AdapterPaths::among(array_values(array_filter($kit->rings, static fn (Part $ring): bool => ! $ring instanceof VariableSpacer)));
        foreach ($kit->cameras as $camera) {
            foreach ($lenses as $lens) {
                $near = $camera->front->main();
                $far = $lens->identity->rear->main();
                if ($near !== null && $far !== null && self::canBeMade($near) && self::canBeMade($far)
                    && $rings->way($camera->front, $lens->identity->rear) === null) {
                    $parts['adapter '.$near->name.' '.$far->name] ??= self::ring(Kind::Adapter, $near, $far, max(1.0, KnownFigures::of($lens, $lens->figures)->registerMm - $camera->registerMm));
                }
                $thread = $lens->identity->front->main();
                if ($near !== null && self::canBeMade($near) && $thread !== null && $thread->isThread()
                    && $rings->way($camera->front, $lens->turned()->identity->rear) === null) {
                    $parts['reversing '.$near->name.' '.$thread->name] ??= self::ring(Kind::ReversingRing, $near, $thread, self::RING_MM);
                }
            }
        }
        $lengths = self::lengths($kit, $conditions, $wanted, $budget->share(0.2));
        foreach ($mounts as $mount) {
            foreach ([...$lengths, ...self::TUBES_MM] as $mm) {
                $parts['tube '.$mount->name.' '.$mm] ??= self::ring(Kind::Tube, $mount, $mount, $mm);
            }
            $parts['bellows '.$mount->name] = self::part(Kind::Bellows, ['rear' => $mount->name, 'front' => $mount->name, 'minMm' => 40.0, 'maxMm' => 160.0]);
        }
        foreach ($kit->cameras as $camera) {
            $mount = $camera->front->main();
            if ($mount === null || ! self::canBeMade($mount)) {
                continue;
            }
            foreach (self::LENSES_MM as $mm) {
                $parts['lens '.$mount->name.' '.$mm] ??= self::lens($mount, $camera->registerMm, $mm);
            }
            $parts['converter '.$mount->name] = self::part(Kind::Teleconverter, ['rear' => $mount->name, 'front' => $mount->name, 'factor' => 2.0, 'lengthMm' => 30.0, 'passes' => ['contacts', 'lever']]);
        }
        foreach ($threads as $thread) {
            if (! $thread->isThread()) {
                continue;
            }
            $powers = array_map(static fn (CloseUpLens $lens): float => $lens->powerD, $kit->ofClass(CloseUpLens::class));
            foreach (array_diff(self::POWERS_D, $powers) as $power) {
                $parts['close-up '.$thread->name.' '.$power] = self::part(Kind::CloseUpLens, ['rear' => $thread->name, 'front' => $thread->name, 'powerD' => $power, 'elements' => 2, 'thicknessMm' => 8.0]);
            }
            foreach ($threads as $other) {
                if ($other->isThread() && $rings->way(new JointEnd(\ZincThimble\Core\Gear\Side::Female, [$thread]), new JointEnd(\ZincThimble\Core\Gear\Side::Female, [$other])) === null) {
                    $parts['coupling '.$thread->name.' '.$other->name] = self::ring(Kind::CouplingRing, $thread, $other, self::RING_MM);
                }
            }
        }

        return array_values($parts);
    }

    /**
     * Lengths by which the stacks of this kit miss where its plain lenses would meet the wish, rounded up to a millimetre.
     *
     * @return list<float>
     */
    private static function lengths(SearchKit $kit, Conditions $conditions, SearchCriteria $wanted, Budget $budget): array
    {
        $short = [];
        foreach (CameraBody::all($kit) as $base) {
            $target = $wanted->target($base->camera->frame($conditions->mode)->widthMm);
            $limits = new LimitCheck($base, $wanted, $conditions);
            $stacks = Stacks::on($base, $kit, self::STACKS, $budget);
            foreach ($kit->ofClass(Lens::class) as $lens) {
                if ($budget->spent()) {
                    break 2;
                }
                $front = new FrontAssembly([$lens], 0);
                $longest = $base->camera->registerMm;
                $group = new StackGroup($stacks, $stacks->endsFor($front->rear()), 0);
                foreach ($group->most as $most) {
                    $longest = max($longest, $most);
                }
                foreach (FrontOptics::zooms($front) as $zoom) {
                    $curve = new Curve(new FrontOptics($front, $base->camera, $conditions, $zoom, 0.0), 0, $limits, $target, $base);
                    if ($curve->z !== [] && $curve->least > $longest && $curve->least - $longest < 200.0 && $group->count > 0) {
                        $short[] = ceil($curve->least - $longest);
                    }
                }
            }
        }
        sort($short);

        return array_slice(array_values(array_unique($short)), 0, 2);
    }

    /** @param  array<string, Joint>  $joints */
    private static function note(array &$joints, JointEnd $end): void
    {
        $joint = $end->main();
        if ($joint !== null && self::canBeMade($joint)) {
            $joints[$joint->spoken()] ??= $joint;
        }
    }

    private static function canBeMade(Joint $joint): bool
    {
        return in_array($joint->type, [JointType::Bayonet, JointType::Thread], true);
    }

    private static function ring(Kind $kind, Joint $rear, Joint $front, float $lengthMm): Part
    {
        return self::part($kind, ['rear' => $rear->name, 'front' => $front->name, 'lengthMm' => $lengthMm]);
    }

    /** @param  array<string, mixed>  $fields */
    private static function part(Kind $kind, array $fields): Part
    {
        return Parts::make($kind, new Values($fields + ['name' => self::spoken($kind, $fields)]));
    }

    /** A plain lens: focused by moving all of it, to a tenth of life size, with a ring for its aperture. */
    private static function lens(Joint $mount, float $registerMm, float $mm): Part
    {
        $m = 0.1;

        return self::part(Kind::Lens, [
            'rear' => $mount->name, 'front' => 'thread:52x0.75', 'focalLengthMm' => $mm, 'registerMm' => $registerMm, 'frontRimMm' => max(30.0, 0.8 * $mm), 'outerMm' => 62.0, 'focusing' => 'unit',
            'design' => $mm < $registerMm ? 'wide' : ($mm > 90.0 ? 'telephoto' : 'symmetrical'), 'minFocusMm' => (2.0 + $m + 1.0 / $m) * $mm, 'maxMagnification' => $m, 'principalGapMm' => 0.0,
            'aperture' => ['widest' => 4.0, 'smallest' => 22.0, 'control' => 'ring'],
        ]);
    }

    /**
     * `a tube of 36 mm, larch to larch`.
     *
     * @param  array<string, mixed>  $fields
     */
    private static function spoken(Kind $kind, array $fields): string
    {
        $values = new Values($fields);
        $joint = static fn (string $end): string => Joint::parse($values->stringOr($end, ''))->spoken();
        $way = $joint('rear') === $joint('front') ? $joint('rear') : $joint('rear').' to '.$joint('front');
        $mm = static fn (string $field): string => (string) round($values->floatOr($field, 0.0), 1);

        return match ($kind) {
            Kind::CloseUpLens => sprintf('a corrected close-up lens +%s in %s', $mm('powerD'), $joint('rear')),
            Kind::Bellows => sprintf('bellows of %s to %s mm, %s', $mm('minMm'), $mm('maxMm'), $way),
            Kind::Tube => sprintf('a tube of %s mm, %s', $mm('lengthMm'), $way),
            Kind::Lens => sprintf('a lens of %s mm, %s', $mm('focalLengthMm'), $joint('rear')),
            Kind::Teleconverter => sprintf('a teleconverter × %s, %s', $mm('factor'), $way),
            Kind::Adapter => sprintf('an adapter of %s mm, %s', $mm('lengthMm'), $way),
            default => sprintf('a %s, %s', $kind->spoken(), $way),
        };
    }
}
