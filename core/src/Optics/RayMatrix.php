<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/**
 * A front assembly as set, as what it does to a ray wherever it stands.
 *
 * The axial ray comes from the sensor with slope 1, so at the rear of a front assembly that stands z from the sensor it is z high;
 * everything behind its first glass is that one number. So each height and slope in the front assembly is a straight line over z
 * (OPTICS.md, "Frame of reference"): at the last principal plane y = a z + b, in front of everything t = c z + d. The
 * field ray (height 1, slope 0) has the heights a and slopes c.
 */
final class RayMatrix
{
    /** Bytes before the openings in what is kept: eleven numbers of eight, two of four. */
    private const HEAD_BYTES = 96;

    /**
     * @param  list<float>  $alpha  openings: axial height = alpha z + beta, field height = alpha
     * @param  list<float>  $beta
     * @param  list<float>  $radius  clear radius; of the working diaphragm at its widest
     */
    private function __construct(
        /** Place of the ring, 0 to 1. */
        public readonly float $s,
        public readonly float $a,
        public readonly float $b,
        public readonly float $c,
        public readonly float $d,
        /** Rear of the front assembly to its last principal plane, mm; behind a port reduced. */
        public readonly float $last,
        /** Rear of the front assembly to its front-most metal, mm. */
        public readonly float $front,
        /** The same in reduced distances, and the index of what lies before it; in air the same as `front`, and 1. */
        public readonly float $reduced,
        public readonly float $medium,
        public readonly array $alpha,
        public readonly array $beta,
        public readonly array $radius,
        /** Which opening is the working diaphragm; -1 = none. */
        public readonly int $working,
        /** Numerical aperture of an objective; null = none. */
        public readonly ?float $na,
        /** What the first lens loses by itself where its electronics show the effective number: marked = set / this. */
        public readonly float $shown,
    ) {
    }

    /**
     * @param  Axis  $axis  the front assembly directly on a camera
     * @param  float  $zero  where its rear stands there, mm
     * @param  float  $s  place of the ring
     */
    public static function of(Axis $axis, float $zero, float $s, ?float $widest): self
    {
        $a = 1.0;
        $b = 0.0;
        $c = 0.0;
        $d = 1.0;
        $at = $zero;
        $alpha = $beta = $radius = [];
        $working = -1;
        $k = 0;
        $groups = count($axis->phi);
        $openings = count($axis->openZ);
        for ($j = 0; $j <= $openings; $j++) {
            $until = $j < $openings ? $axis->openSpace[$j] : $groups;
            while ($k < $until) {
                $way = $axis->zi[$k] - $at;
                $a += $c * $way;
                $b += $d * $way;
                $c -= $a * $axis->phi[$k];
                $d -= $b * $axis->phi[$k];
                $at = $axis->zo[$k];
                $scale = $axis->scale[$k];
                if ($scale !== 1.0) {
                    [$a, $b, $c, $d] = [$a * $scale, $b * $scale, $c / $scale, $d / $scale];
                }
                $k++;
            }
            if ($j < $openings && $axis->openPart[$j] >= 0) {
                $way = $axis->openZ[$j] - $at;
                if ($axis->openPart[$j] === 0 && $axis->openKind[$j] === OpeningKind::Diaphragm) {
                    $working = count($radius);
                }
                $alpha[] = $a + $c * $way;
                $beta[] = $b + $d * $way;
                $radius[] = $axis->openR[$j];
            }
        }

        return new self(
            s: $s, a: $a, b: $b, c: $c, d: $d, last: $at - $zero, front: $axis->front - $zero, reduced: $axis->frontOptical - $zero, medium: $axis->medium,
            alpha: $alpha, beta: $beta, radius: $radius, working: $working, na: $axis->na, shown: $axis->marked !== null && $widest !== null ? $widest / $axis->marked : 1.0,
        );
    }

    /** All of it as bytes, for those who keep it. */
    public function kept(): string
    {
        return pack(
            'e11lV', $this->s, $this->a, $this->b, $this->c, $this->d, $this->last, $this->front, $this->reduced, $this->medium, $this->na ?? NAN, $this->shown, $this->working, count($this->radius),
        ).pack('e*', ...$this->alpha, ...$this->beta, ...$this->radius);
    }

    /**
     * What `kept` gave, to the last bit.
     *
     * @param  int  $at  where it begins; moved on to where it ends
     */
    public static function back(string $kept, int &$at): self
    {
        /** @var array{s: float, a: float, b: float, c: float, d: float, last: float, front: float, reduced: float, medium: float, na: float, shown: float, working: int, openings: int} $told */
        $told = unpack('es/ea/eb/ec/ed/elast/efront/ereduced/emedium/ena/eshown/lworking/Vopenings', $kept, $at);
        $openings = $told['openings'];
        $at += self::HEAD_BYTES;
        /** @var list<float> $columns */
        $columns = $openings === 0 ? [] : array_values((array) unpack('e'.(3 * $openings), $kept, $at));
        $at += 24 * $openings;

        return new self(
            s: $told['s'], a: $told['a'], b: $told['b'], c: $told['c'], d: $told['d'], last: $told['last'], front: $told['front'], reduced: $told['reduced'], medium: $told['medium'],
            alpha: array_slice($columns, 0, $openings), beta: array_slice($columns, $openings, $openings), radius: array_slice($columns, 2 * $openings), working: $told['working'],
            na: is_nan($told['na']) ? null : $told['na'], shown: $told['shown'],
        );
    }

    /** The ring somewhere between two places, where a lens carries everything along as a whole and shows no number that follows the ring: all of it is straight lines. */
    public static function carried(self $from, self $to, float $s): self
    {
        $share = ($s - $from->s) / ($to->s - $from->s);
        $beta = [];
        foreach ($from->beta as $j => $height) {
            $beta[] = $height + $share * ($to->beta[$j] - $height);
        }

        return new self(
            s: $s, a: $from->a, b: $from->b + $share * ($to->b - $from->b), c: $from->c, d: $from->d + $share * ($to->d - $from->d),
            last: $from->last + $share * ($to->last - $from->last), front: $from->front + $share * ($to->front - $from->front), reduced: $from->reduced + $share * ($to->reduced - $from->reduced),
            medium: $from->medium, alpha: $from->alpha, beta: $beta, radius: $from->radius, working: $from->working, na: $from->na, shown: $from->shown,
        );
    }
}
