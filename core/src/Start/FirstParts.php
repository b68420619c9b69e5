<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/**
 * The parts that somebody's answers stand for, as a kit holds them, and the order they are mounted in. What they don't know is filled
 * in as parts of that sort have it and is marked as guessed, with its half-width, where it moves a figure.
 *
 * Rings that nobody counts are there too: an adapter is as thick as the registers differ, a ring to turn a lens round 4 mm, one that
 * couples two lenses 3 mm.
 */
final class FirstParts
{
    private const TURNING_RING_MM = 4.0;

    private const COUPLING_RING_MM = 3.0;

    private const SCREW_RING_MM = 1.0;

    private const CLOSE_UP_MM = 5.0;

    private const FILTER = 'thread:55x0.75';

    private const OTHER_FILTER = 'thread:52x0.75';

    private const ENLARGING = 'thread:39x26tpi';

    /** @var array<string, array<string, mixed>> by their name in the kit, the camera first */
    private array $parts = [];

    /** @var list<array<string, mixed>> what is mounted, in order */
    private array $chain = [];

    private function __construct(private readonly FirstAnswers $answers)
    {
    }

    /**
     * @return array{parts: list<array<string, mixed>>, chain: list<array<string, mixed>>} parts of a kit, each with its `id`, the
     *                                                                                   camera first; and the chain, each with the `id` of its part
     */
    public static function of(FirstAnswers $answers): array
    {
        $made = new self($answers);
        $made->make();

        return ['parts' => array_values($made->parts), 'chain' => $made->chain];
    }

    private function make(): void
    {
        $answers = $this->answers;
        $this->parts['camera'] = ['id' => 'camera'] + $answers->camera;
        $built = $answers->builtIn;
        if ($built === null) {
            $this->between();
        }
        $turned = $built === null && $answers->turned && $answers->otherMm === null;
        $lens = $this->lens();
        if ($turned) {
            $this->mount('ring', ['kind' => 'reversing-ring', 'name' => 'Ring to turn it round', 'rear' => $this->joint(), 'front' => self::FILTER, 'lengthMm' => self::TURNING_RING_MM]);
        } elseif ($built === null) {
            $this->adapt();
        }
        $this->mount('lens', $lens, $turned ? ['reversed' => true] : []);
        $this->closeUps($turned ? 'improvised' : self::FILTER);
        if ($answers->otherMm !== null) {
            $this->faceToFace($answers->otherMm);
        }
    }

    /** What stands behind the lens, from the camera outwards. */
    private function between(): void
    {
        $answers = $this->answers;
        $ends = ['rear' => $this->joint(), 'front' => $this->joint()];
        if ($answers->bellowsMm !== null) {
            $this->mount('bellows', ['kind' => 'bellows', 'name' => 'Bellows'] + $ends + ['minMm' => $answers->bellowsMm[0], 'maxMm' => $answers->bellowsMm[1]]);
        }
        if ($answers->helicoidMm !== null) {
            $this->mount('helicoid', ['kind' => 'helicoid', 'name' => 'Helicoid'] + $ends + ['minMm' => $answers->helicoidMm[0], 'maxMm' => $answers->helicoidMm[1]]);
        }
        foreach ($answers->tubesMm as $i => $mm) {
            $id = 'tube-'.($i + 1);
            $tube = ['kind' => 'tube', 'name' => sprintf('Tube %g', $mm)] + $ends + ['lengthMm' => $mm, 'passes' => $answers->camera['passes'] ?? []];
            if ($answers->tube === null || $answers->tube === $i) {
                $this->mount($id, $tube);
            } else {
                $this->parts[$id] = ['id' => $id] + $tube;
            }
        }
    }

    /** The ring that leads from the body's mount to the lens's. */
    private function adapt(): void
    {
        $answers = $this->answers;
        $enlarging = $answers->kind === LensKind::Enlarging;
        $mount = $enlarging ? Mount::Screw : $answers->mount;
        $register = $mount->registerMm();
        if ($register === null) {
            return;
        }
        $this->mount('adapter', [
            'kind' => 'adapter', 'name' => $mount === Mount::Mirror ? 'Adapter for lenses of mirror cameras' : 'Adapter to M42×1', 'rear' => $this->joint(), 'front' => $mount->joint(),
            'lengthMm' => max(self::SCREW_RING_MM, round($register - $answers->registerMm(), 2)), 'shoulder' => true,
        ]);
        if ($enlarging) {
            $this->mount('ring-39', ['kind' => 'adapter', 'name' => 'Ring to 39 × 26 tpi', 'rear' => $mount->joint(), 'front' => self::ENLARGING, 'lengthMm' => self::SCREW_RING_MM]);
        }
    }

    /** @return array<string, mixed> */
    private function lens(): array
    {
        $answers = $this->answers;
        $kind = $answers->kind;
        $built = $answers->builtIn;
        $enlarging = $kind === LensKind::Enlarging && $built === null;
        $register = $built === null ? $answers->mount->registerMm() ?? $answers->registerMm() : $answers->registerMm();
        $f = $answers->focalLengthMm ?? self::number($built, 'focalLengthMm') ?? $kind->focalLengthMm();
        $longest = $this->longest($f);
        $guessed = [];
        $rim = $answers->rimMm;
        if ($rim === null) {
            $rim = self::number($built, 'frontRimMm') ?? $kind->rimMm($longest ?? $f, $register);
            $guessed['frontRimMm'] = LensKind::rimHalfWidthMm($rim);
        }
        if ($answers->widest === null) {
            $guessed['aperture.widest'] = 0.0;
        }
        $own = $built !== null || ($answers->mount === Mount::Own && ! $enlarging);
        $widest = $answers->widest ?? $kind->widest();
        $far = $this->closest($longest ?? $f, $guessed);
        $joint = match (true) {
            $built !== null => $this->joint(),
            $enlarging => self::ENLARGING,
            default => $answers->mount->joint() ?? $this->joint(),
        };

        return array_filter([
            'kind' => 'lens', 'name' => ($longest === null ? sprintf('%g mm', $f) : sprintf('%g–%g mm', $f, $longest)).($answers->widest === null ? '' : sprintf(' f/%g', $widest)),
            'rear' => $joint, 'front' => self::FILTER, 'focalLengthMm' => $f, 'registerMm' => $enlarging ? null : $register, 'frontRimMm' => $rim,
            'design' => $built === null ? $kind->design($f, $register) : 'unknown', 'focusing' => $enlarging ? 'fixed' : ($longest === null ? 'unknown' : 'internal'),
            'aperture' => ['widest' => $widest, 'smallest' => max($widest, $kind->smallest()), 'control' => $own ? 'electronic' : 'ring'],
        ], static fn (mixed $value): bool => $value !== null) + ($longest === null ? self::guessing($far, $guessed) : $this->stations($f, $longest, $far, $guessed));
    }

    /** A zoom's longer end; null = it is none. */
    private function longest(float $f): ?float
    {
        $answers = $this->answers;
        if ($answers->builtIn === null && $answers->kind !== LensKind::Zoom) {
            return null;
        }
        $stations = $answers->builtIn['stations'] ?? null;
        $last = is_array($stations) && $stations !== [] ? end($stations) : null;
        $usual = $answers->builtIn === null ? $answers->kind->longestMm() : (is_array($last) ? self::number($last, 'focalLengthMm') : null);
        $longest = $answers->longestMm ?? $usual;

        return $longest !== null && $longest > $f ? $longest : null;
    }

    /**
     * Closest focus and greatest magnification at one focal length, and what of them is guessed.
     *
     * @param  array<string, float>  $guessed
     * @return array<string, float>
     */
    private function closest(float $f, array &$guessed): array
    {
        $answers = $this->answers;
        $from = $answers->fromFront ? 'minFocusFrontMm' : 'minFocusMm';
        $known = array_filter([$from => $answers->closestMm, 'maxMagnification' => $answers->greatest], static fn (?float $value): bool => $value !== null);
        $usual = $answers->kind->greatest();
        // A closest focus alone tells a macro lens's magnification, but not a zoom's.
        if ($usual !== null && $answers->greatest === null && ($answers->kind === LensKind::Zoom || $answers->closestMm === null)) {
            [$known['maxMagnification'], $guessed['maxMagnification']] = $usual;
        }
        $closest = $known === [] ? $answers->kind->closestMm($f) : null;
        if ($closest !== null) {
            $known['minFocusMm'] = $closest;
            $guessed['minFocusMm'] = LensKind::closestHalfWidthMm($closest);
        }

        return $known;
    }

    /**
     * The two ends of a zoom: the longer one as it is told, the shorter one guessed from it.
     *
     * @param  array<string, float>  $far
     * @param  array<string, float>  $guessed
     * @return array<string, mixed>
     */
    private function stations(float $f, float $longest, array $far, array $guessed): array
    {
        $short = LensKind::greatestShort($f, $far['minFocusMm'] ?? null, $far['maxMagnification'] ?? 0.1);
        $near = ['maxMagnification' => $short];
        // Only one end is as near as is told: which, its owner may not know. Its magnification is weighed at either.
        $shared = array_diff_key($guessed, ['maxMagnification' => 0, 'minFocusMm' => 0]);

        return array_filter(['guessed' => $shared]) + ['stations' => [
            ['focalLengthMm' => $f] + $near + ['guessed' => $shared + ['maxMagnification' => LensKind::greatestShortHalfWidth($short)]],
            ['focalLengthMm' => $longest] + self::guessing($far, $guessed),
        ]];
    }

    /**
     * @param  array<string, float>  $known
     * @param  array<string, float>  $guessed
     * @return array<string, mixed>
     */
    private static function guessing(array $known, array $guessed): array
    {
        return $known + ($guessed === [] ? [] : ['guessed' => $guessed]);
    }

    /** The strongest nearest to the lens, as they are best stacked (handbook). */
    private function closeUps(string $joint): void
    {
        $answers = $this->answers;
        $order = $answers->closeUpsD;
        arsort($order);
        foreach ($order as $i => $power) {
            $id = 'close-up-'.($i + 1);
            $glass = ['kind' => 'close-up-lens', 'name' => sprintf('Close-up %+g', $power), 'rear' => $joint, 'front' => $joint, 'powerD' => $power, 'elements' => 1, 'thicknessMm' => self::CLOSE_UP_MM];
            if ($answers->closeUp === null || $answers->closeUp === $i) {
                $this->mount($id, $glass);
            } else {
                $this->parts[$id] = ['id' => $id] + $glass;
            }
        }
    }

    private function faceToFace(float $focalMm): void
    {
        $kind = $focalMm < 40.0 ? LensKind::Wide : LensKind::Usual;
        $rim = $kind->rimMm($focalMm, 46.5);
        $this->mount('coupling', ['kind' => 'coupling-ring', 'name' => 'Coupling ring', 'rear' => self::FILTER, 'front' => self::OTHER_FILTER, 'lengthMm' => self::COUPLING_RING_MM]);
        $this->mount('other', [
            'kind' => 'lens', 'name' => sprintf('%g mm, the other lens', $focalMm), 'rear' => 'mirror 46', 'front' => self::OTHER_FILTER, 'focalLengthMm' => $focalMm, 'registerMm' => 46.5, 'frontRimMm' => $rim,
            'design' => $kind->design($focalMm, 46.5), 'focusing' => 'unit', 'aperture' => ['widest' => $kind->widest(), 'smallest' => $kind->smallest(), 'control' => 'ring'],
            'guessed' => ['frontRimMm' => LensKind::rimHalfWidthMm($rim), 'aperture.widest' => 0.0],
        ], ['reversed' => true]);
    }

    /**
     * @param  array<string, mixed>  $part
     * @param  array<string, mixed>  $as  how it stands in this rig
     */
    private function mount(string $id, array $part, array $as = []): void
    {
        $this->parts[$id] = ['id' => $id] + $part;
        $this->chain[] = ['id' => $id] + $as + $part;
    }

    private function joint(): string
    {
        $joint = $this->answers->camera['joint'] ?? null;

        return is_string($joint) ? $joint : 'own mount';
    }

    /** @param  ?array<mixed>  $of */
    private static function number(?array $of, string $name): ?float
    {
        $value = $of[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }
}
