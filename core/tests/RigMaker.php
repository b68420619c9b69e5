<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\Rig;

/** Makes believable rigs of every kind from a seed. */
final class RigMaker
{
    private Randomizer $random;

    public function __construct(public readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** A seed that is printed, so that a failure can be repeated: ZINC_SEED=… */
    public static function seeded(string $test): self
    {
        $given = getenv('ZINC_SEED');
        $maker = new self($given === false || $given === '' ? random_int(1, 2_000_000_000) : (int) $given);
        fwrite(STDERR, sprintf("\n%s: seed %d\n", $test, $maker->seed));

        return $maker;
    }

    public function number(float $from, float $to): float
    {
        return $from + ($to - $from) * $this->share();
    }

    private function share(): float
    {
        return $this->random->getInt(0, 1_000_000_000) / 1e9;
    }

    /** A number about 0 with a standard deviation of 1, as errors fall. */
    public function bell(): float
    {
        $sum = -6.0;
        for ($n = 0; $n < 12; $n++) {
            $sum += $this->share();
        }

        return $sum;
    }

    public function chance(float $share): bool
    {
        return $this->share() < $share;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $items
     * @return T
     */
    public function pick(array $items): mixed
    {
        return $items[$this->random->getInt(0, count($items) - 1)];
    }

    /** @return array<string, mixed> */
    public function camera(): array
    {
        $width = $this->pick([6.2, 13.2, 17.3, 23.6, 36.0, 54.0]);

        return [
            'name' => 'Body', 'joint' => 'larch', 'registerMm' => $this->number(15.0, 70.0),
            'sensor' => ['widthMm' => $width, 'heightMm' => $width * 2 / 3, 'columns' => 6000, 'rows' => 4000],
            'massG' => 500, 'gripOverhangMm' => $this->number(0, 10),
        ] + ($this->chance(0.3) ? ['throatMm' => $this->number(25, 50)] : []);
    }

    /** @return array<string, mixed> */
    public function tube(): array
    {
        return ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => $this->number(3, 40), 'massG' => 60, 'passes' => ['contacts', 'lever']]
            + ($this->chance(0.4) ? ['clearMm' => $this->number(12, 50)] : []);
    }

    /** @return array<string, mixed> */
    public function variable(): array
    {
        $least = $this->number(12, 40);
        $greatest = $least + $this->number(5, 130);

        return $this->chance(0.5)
            ? ['kind' => 'bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => $least, 'maxMm' => $greatest, 'setMm' => $this->number($least, $greatest), 'massG' => 800]
            : ['kind' => 'helicoid', 'rear' => 'larch', 'front' => 'larch', 'minMm' => $least, 'maxMm' => $greatest, 'setMm' => $this->number($least, $greatest)];
    }

    /** @return array<string, mixed> */
    public function lens(bool $reversed = false): array
    {
        $f = $this->number(14, 250);
        $design = $this->pick(['symmetrical', 'triplet', 'telephoto', 'retrofocus', 'wide', 'unknown']);
        $focusing = $this->pick(['unit', 'internal', 'fixed', 'unknown']);
        $m0 = $this->number(0.08, $focusing === 'internal' ? 1.2 : 0.5);
        $gap = $this->number(-0.2, 0.6) * $f;
        // A closest focus that such a lens can have, give or take a percent.
        $shrunk = $focusing === 'internal' ? $this->number(0.55, 0.95) : 1.0;
        $d = (2 + $m0 + 1 / $m0) * $f * $shrunk + $gap + ($focusing === 'internal' ? 0.4 * $f * $m0 : 0.0);
        $lens = [
            'kind' => 'lens', 'name' => 'Lens', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => $f, 'registerMm' => $this->number(18, 60),
            'frontRimMm' => $this->number(20, 1.1 * $f + 30), 'focusing' => $focusing, 'design' => $design, 'massG' => 300,
            'aperture' => ['widest' => $this->pick([1.4, 2.0, 2.8, 4.0]), 'smallest' => 22, 'control' => $this->pick(['ring', 'electronic', 'lever'])],
            'set' => ['focus' => $focusing === 'fixed' ? 0 : $this->pick([0, 1, $this->number(0, 1)]), 'aperture' => $this->pick([4.0, 5.6, 8.0, 11.0])],
            'reversed' => $reversed, 'rearProtrusionMm' => $this->number(0, 8),
        ];
        if ($focusing !== 'fixed') {
            $lens += ['minFocusMm' => $d * $this->number(0.99, 1.01), 'maxMagnification' => $m0];
        }
        if ($this->chance(0.6)) {
            $lens += ['principalGapMm' => $gap];
        }
        if ($this->chance(0.6)) {
            $lens += ['pupilRatio' => $this->number(0.5, 2.2)];
        }
        if ($this->chance(0.4)) {
            $lens += ['frontGlassMm' => $this->number(15, 60)];
        }
        if ($this->chance(0.15) && $focusing !== 'fixed') {
            $lens['stations'] = [
                ['focalLengthMm' => $f],
                ['focalLengthMm' => $f * 2, 'minFocusMm' => $d * 1.9, 'frontRimMm' => $lens['frontRimMm'] + 20] + ($this->chance(0.5) ? ['pupilRatio' => 1.1] : []),
            ];
            $lens['set']['zoomMm'] = $f * $this->number(1, 2);
        }

        return $lens;
    }

    /** @return array<string, mixed> */
    public function closeUp(): array
    {
        return [
            'kind' => 'close-up-lens', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => $this->number(0.5, 20),
            'elements' => $this->pick([1, 2]), 'thicknessMm' => $this->number(3, 12), 'clearMm' => $this->number(30, 60),
        ];
    }

    /** @return array<string, mixed> */
    public function afocal(): array
    {
        return ['kind' => 'afocal', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'factor' => $this->pick([0.5, 0.7, 1.4, $this->number(0.4, 3.0)]), 'thicknessMm' => $this->number(0, 60), 'clearMm' => $this->number(25, 70)];
    }

    /**
     * A document of a rig of one of many make-ups.
     *
     * @return array<string, mixed>
     */
    public function document(): array
    {
        $chain = [];
        if ($this->chance(0.1)) {
            $chain[] = ['kind' => 'teleconverter', 'factor' => $this->number(1.2, 2), 'lengthMm' => 18, 'rear' => 'larch', 'front' => 'larch'];
        }
        for ($n = $this->pick([0, 1, 2, 3]); $n > 0; $n--) {
            $chain[] = $this->tube();
        }
        if ($this->chance(0.35)) {
            $chain[] = $this->variable();
        }
        $make = $this->pick(['normal', 'normal', 'reversed', 'closeup', 'coupled', 'wet', 'finite', 'infinite', 'relayed', 'afocal']);
        $ring = ['kind' => 'reversing-ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4];
        match ($make) {
            'normal' => $chain[] = $this->lens(),
            'reversed' => array_push($chain, $ring, $this->lens(true)),
            'closeup' => array_push($chain, $this->lens(), $this->closeUp(), ...($this->chance(0.4) ? [$this->closeUp()] : [])),
            'coupled' => array_push($chain, $this->lens(), ['kind' => 'coupling-ring', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'lengthMm' => 5], $this->lens(true)),
            'wet' => array_push($chain, $this->lens(), ['kind' => 'port', 'gapMm' => $this->number(0, 20), 'glassMm' => $this->number(2, 12), 'index' => 1.49], ...($this->chance(0.2) ? [$this->afocal()] : []), ...($this->chance(0.5) ? [['sealed' => $this->chance(0.5)] + $this->closeUp()] : [])),
            'finite' => $chain[] = ['kind' => 'objective', 'rear' => 'larch', 'nominal' => $this->pick([2.5, 4, 10]), 'na' => $this->number(0.05, 0.3), 'workingDistanceMm' => $this->number(1, 20)],
            'infinite' => array_push($chain, $this->lens(), ['kind' => 'objective', 'rear' => 'thread:52x0.75', 'nominal' => $this->pick([2, 5, 10]), 'na' => $this->number(0.05, 0.3), 'workingDistanceMm' => $this->number(5, 30), 'corrected' => 'infinite', 'parfocalMm' => $this->number(95, 110)]),
            'afocal' => array_push($chain, $this->lens(), ...($this->chance(0.3) ? [$this->closeUp()] : []), ...[$this->afocal()], ...($this->chance(0.3) ? [$this->closeUp()] : [])),
            'relayed' => array_push($chain, ['lengthMm' => $this->number(120, 250)] + $this->tube(), $this->lens(), ['lengthMm' => $this->number(100, 400)] + $this->tube(), $ring, $this->lens(true)),
        };

        return [
            'format' => 'zinc-thimble/rig', 'version' => 1, 'name' => $make, 'camera' => $this->camera(), 'chain' => $chain,
            'conditions' => ['apertureModel' => $this->pick(['pupil', 'pupil', 'simple']), 'depthModel' => $this->pick(['geometric', 'total']), 'support' => $this->pick(['hand', 'table'])],
            'subject' => ['widthMm' => $this->number(1, 60), 'depthMm' => $this->number(0.1, 10)],
        ];
    }

    /** A rig whose figures go together. */
    public function rig(): Rig
    {
        while (true) {
            try {
                return self::made($this->document());
            } catch (FileInvalid) {
                // Some random catalogue figures leave no focal length at the closest; such a lens is refused, as it should be.
            }
        }
    }

    /**
     * A chain of parts, as the file has them, on a camera of 36 x 24 mm.
     *
     * @param  list<array<string, mixed>>  $chain
     */
    public static function chain(array $chain): Rig
    {
        return self::made([
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => $chain,
        ]);
    }

    /** @param  array<string, mixed>  $document */
    public static function made(array $document): Rig
    {
        return RigFile::read(json_decode(json_encode($document, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR));
    }
}
