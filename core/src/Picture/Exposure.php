<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/**
 * A frame of a target, made up from a rig's figures (OPTICS.md, "What a picture looks like"): every mark at the scale of its distance, spread
 * over its disc and then by the Gaussian that is everywhere; darker to the corner; noisy by how little light there was.
 */
final class Exposure
{
    /** Places to a pixel at which the spread of an edge is laid down, at the most; places that tell any edge; points of a disc that tell it. */
    private const FINE = 16;

    private const ENOUGH = 400.0;

    private const POINTS = 24;

    /** Standard deviations beyond which nothing is left of a Gaussian. */
    private const FAR = 4.5;

    /** Electrons that a pixel holds at ISO 100, and noise of reading it, of full scale. */
    private const FULL_WELL = 20_000.0;

    private const READ = 0.0006;

    /** A disc that makes something so much wider than it is leaves no edge of it. */
    private const LOST = 0.6;

    /** Normal numbers that are used again and again. */
    private const NOISES = 8191;

    /** @var array<string, array{float, float, list<float>}> what `edge()` has answered */
    private array $edges = [];

    /** @var array<int, float> by channel */
    private array $red = [];

    /** @var array<int, float> */
    private array $green = [];

    /** @var array<int, float> */
    private array $blue = [];

    /** Whether one channel tells all three. */
    private bool $isGrey = false;

    /**
     * @param  float  $pitchMm  from pixel to pixel
     * @param  list<float>  $brightness  from the middle to the corner, at places of equal distance, 0 to 1; [] = even
     */
    public function __construct(private readonly RigPicture $picture, private readonly float $pitchMm, private readonly array $brightness = [])
    {
    }

    /**
     * @param  float  $offsetMm  the middle of the target's depth beyond the plane of focus
     * @param  float  $light  1 = as it should be; 2 = a stop too much
     * @param  float  $iso  of the noise, above 0
     * @param  int  $seed  of the noise: another for each frame
     * @param  float  $shakePx  standard deviation of what moved meanwhile, in the camera's own pixels
     */
    public function take(Artwork $artwork, float $offsetMm, FrameBox $box, float $light = 1.0, float $iso = 100.0, int $seed = 1, float $shakePx = 0.0): Pixels
    {
        $count = $box->width * $box->height;
        $this->isGrey = $artwork->isGrey();
        $this->red = array_fill(0, $count, $artwork->ground[0]);
        if (! $this->isGrey) {
            $this->green = array_fill(0, $count, $artwork->ground[1]);
            $this->blue = array_fill(0, $count, $artwork->ground[2]);
        }
        foreach ($artwork->marks() as $mark) {
            $this->lay($mark, $offsetMm, $box, $shakePx);
        }

        return $this->developed($box, $light, $iso, $seed);
    }

    private function lay(Mark $mark, float $offsetMm, FrameBox $box, float $shakePx): void
    {
        $layer = $this->picture->at($mark->depthMm + $offsetMm);
        if (! is_finite($layer->discMm)) {
            return;
        }
        $perMm = $layer->magnification / $this->pitchMm / $box->every;
        $sigma = hypot($this->picture->gaussianMm / $this->pitchMm, $shakePx) / $box->every;
        // Pixels taken together blur as a larger one does.
        $sigma = max(0.05, $box->every === 1 ? $sigma : hypot($sigma, 0.29));
        $disc = $layer->discMm / $this->pitchMm / $box->every / 2.0;
        $reach = max($mark->aMm, $mark->bMm) * $perMm * M_SQRT2 + 2.0 * $disc + 2.0 * self::FAR * $sigma;
        $x = ($box->columns / 2.0 - $box->x) / $box->every + $mark->xMm * $perMm - 0.5;
        $y = ($box->rows / 2.0 - $box->y) / $box->every + $mark->yMm * $perMm - 0.5;
        if ($x + $reach < 0.0 || $y + $reach < 0.0 || $x - $reach > $box->width || $y - $reach > $box->height) {
            return;
        }
        $mark->isOval
            ? $this->oval($mark, $box, $x, $y, $mark->aMm * $perMm, $mark->bMm * $perMm, $disc, $sigma)
            : $this->bar($mark, $box, $x, $y, $mark->aMm * $perMm, $mark->bMm * $perMm, $disc, $sigma);
    }

    private function bar(Mark $mark, FrameBox $box, float $x, float $y, float $a, float $b, float $disc, float $sigma): void
    {
        $edge = $this->edge($disc, $sigma);
        $reach = $edge[0];
        [$cos, $sin] = [cos($mark->turn), sin($mark->turn)];
        $wide = abs($cos) * ($a + $reach) + abs($sin) * ($b + $reach);
        $high = abs($sin) * ($a + $reach) + abs($cos) * ($b + $reach);
        [$left, $right] = [(int) max(0, ceil($x - $wide)), (int) min($box->width - 1, floor($x + $wide))];
        [$top, $low] = [(int) max(0, ceil($y - $high)), (int) min($box->height - 1, floor($y + $high))];
        if ($mark->turn === 0.0) {
            // Each column and each row by itself tells it all.
            $across = [];
            for ($col = $left; $col <= $right; $col++) {
                $across[] = self::within(abs($col - $x), $a, $edge);
            }
            for ($row = $top; $row <= $low; $row++) {
                $share = self::within(abs($row - $y), $b, $edge);
                if ($share > 0.0) {
                    $this->paint($row * $box->width + $left, $across, $share, $mark->colour);
                }
            }

            return;
        }
        for ($row = $top; $row <= $low; $row++) {
            $dy = $row - $y;
            $across = [];
            for ($col = $left; $col <= $right; $col++) {
                $u = abs(($col - $x) * $cos + $dy * $sin);
                $v = abs($dy * $cos - ($col - $x) * $sin);
                $across[] = $u > $a + $reach || $v > $b + $reach ? 0.0 : self::within($u, $a, $edge) * self::within($v, $b, $edge);
            }
            $this->paint($row * $box->width + $left, $across, 1.0, $mark->colour);
        }
    }

    /**
     * What is left of something between its two sides, at a distance from its middle, pixels.
     *
     * @param  array{float, float, list<float>}  $edge
     */
    private static function within(float $at, float $half, array $edge): float
    {
        [$reach, $fine, $values] = $edge;
        if ($half - $at >= $reach && $half + $at >= $reach) {
            return 1.0;
        }
        $last = count($values) - 1;
        $share = 0.0;
        foreach ([[$half - $at, 1.0], [-$half - $at, -1.0]] as [$from, $sign]) {
            if ($from >= $reach) {
                $share += $sign;
            } elseif ($from > -$reach) {
                $place = ($from + $reach) * $fine;
                $k = (int) $place;
                $share += $sign * ($k >= $last ? 1.0 : $values[$k] + ($place - $k) * ($values[$k + 1] - $values[$k]));
            }
        }

        return $share;
    }

    /**
     * Lays a colour over pixels that follow one another.
     *
     * @param  list<float>  $cover  of each of them, 0 to 1
     * @param  array{float, float, float}  $colour
     */
    private function paint(int $at, array $cover, float $share, array $colour): void
    {
        [$r, $g, $b] = $colour;
        if ($this->isGrey) {
            foreach ($cover as $each) {
                $this->red[$at] += $share * $each * ($r - $this->red[$at]);
                $at++;
            }

            return;
        }
        foreach ($cover as $each) {
            $each *= $share;
            $this->red[$at] += $each * ($r - $this->red[$at]);
            $this->green[$at] += $each * ($g - $this->green[$at]);
            $this->blue[$at] += $each * ($b - $this->blue[$at]);
            $at++;
        }
    }

    private function oval(Mark $mark, FrameBox $box, float $x, float $y, float $a, float $b, float $disc, float $sigma): void
    {
        [$reach, $fine, $edge] = $this->edge($disc, $sigma);
        [$cos, $sin] = [cos($mark->turn), sin($mark->turn)];
        // Standard deviation of the whole spread in one direction.
        $spread = hypot($sigma, $disc / 2.0);
        $isLost = $spread > self::LOST * min($a, $b);
        $amount = 1.0;
        if ($isLost) {
            // Nothing is left of its edge: a soft spot that takes in as much.
            [$wa, $wb] = [sqrt($a * $a + 6.0 * $spread * $spread), sqrt($b * $b + 6.0 * $spread * $spread)];
            $amount = 2.0 * $a * $b / ($wa * $wb);
            [$a, $b] = [$wa, $wb];
            $reach = 0.0;
        }
        $wide = hypot($cos * $a, $sin * $b) + $reach;
        $high = hypot($sin * $a, $cos * $b) + $reach;
        $last = count($edge) - 1;
        [$left, $right] = [(int) max(0, ceil($x - $wide)), (int) min($box->width - 1, floor($x + $wide))];
        for ($row = (int) max(0, ceil($y - $high)), $low = (int) min($box->height - 1, floor($y + $high)); $row <= $low; $row++) {
            $dy = $row - $y;
            $across = [];
            for ($col = $left; $col <= $right; $col++) {
                $dx = $col - $x;
                $u = ($dx * $cos + $dy * $sin) / $a;
                $v = ($dy * $cos - $dx * $sin) / $b;
                $far = sqrt($u * $u + $v * $v);
                if ($isLost) {
                    $across[] = $far >= 1.0 ? 0.0 : min(1.0, $amount * (1.0 - $far * $far));
                } else {
                    // How far within its edge, as the way from its middle to the edge goes.
                    $within = $far < 1e-9 ? min($a, $b) : (1.0 - $far) * hypot($dx, $dy) / $far;
                    $place = ($within + $reach) * $fine;
                    $k = (int) $place;
                    $across[] = match (true) {
                        $within <= -$reach => 0.0,
                        $k >= $last => 1.0,
                        default => $edge[$k] + ($place - $k) * ($edge[$k + 1] - $edge[$k]),
                    };
                }
            }
            $this->paint($row * $box->width + $left, $across, 1.0, $mark->colour);
        }
    }

    /**
     * How an edge is spread by a disc and then a Gaussian: what is covered, from far outside it to far within.
     *
     * @return array{float, float, list<float>} reach on either side, pixels; places a pixel; values from 0 to 1
     */
    private function edge(float $disc, float $sigma): array
    {
        // To a hundredth of a pixel, or of the disc where that is wide.
        $disc = round($disc / max(0.01, 0.01 * $disc)) * max(0.01, 0.01 * $disc);
        $key = sprintf('%.3f %.3f', $disc, $sigma);
        if (isset($this->edges[$key])) {
            return $this->edges[$key];
        }
        $reach = $disc + self::FAR * $sigma;
        $fine = max(0.5, min((float) self::FINE, self::ENOUGH / $reach));
        $weights = $places = [];
        for ($n = 0; $n < self::POINTS; $n++) {
            $angle = M_PI * (($n + 0.5) / self::POINTS - 0.5);
            $weights[] = cos($angle) ** 2;
            $places[] = $disc * sin($angle);
        }
        $whole = array_sum($weights);
        $values = [];
        for ($n = 0, $end = (int) ceil(2.0 * $reach * $fine) + 1; $n <= $end; $n++) {
            $at = $n / $fine - $reach;
            $sum = 0.0;
            foreach ($places as $k => $place) {
                $sum += $weights[$k] * self::normal(($at - $place) / $sigma);
            }
            $values[] = $sum / $whole;
        }

        return $this->edges[$key] = [$reach, $fine, $values];
    }

    private function developed(FrameBox $box, float $light, float $iso, int $seed): Pixels
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
        $noise = [];
        for ($n = 0; $n < self::NOISES; $n += 2) {
            $far = sqrt(-2.0 * log(($random->getInt(1, 1_000_000)) / 1e6));
            $angle = 2.0 * M_PI * $random->getInt(0, 999_999) / 1e6;
            array_push($noise, $far * cos($angle), $far * sin($angle));
        }
        $screen = [];
        for ($n = 0; $n <= 4096; $n++) {
            $v = $n / 4096.0;
            $screen[] = (int) round(255.0 * ($v <= 0.0031308 ? 12.92 * $v : 1.055 * $v ** (1.0 / 2.4) - 0.055));
        }
        $bytes = array_map(chr(...), range(0, 255));
        $shot = $iso / 100.0 / self::FULL_WELL;
        $read = self::READ * $iso / 100.0;
        $corner = hypot($box->columns, $box->rows) / 2.0;
        $places = count($this->brightness) - 1;
        $many = count($noise);
        $k = $random->getInt(0, $many - 1);
        $rows = [];
        [$red, $green, $blue] = $this->isGrey ? [$this->red, $this->red, $this->red] : [$this->red, $this->green, $this->blue];
        for ($y = 0, $n = 0; $y < $box->height; $y++) {
            $line = '';
            $dy = $box->y + ($y + 0.5) * $box->every - $box->rows / 2.0;
            // A row begins elsewhere in the noise, so that no pattern is to be seen in it.
            $k = ($k + $random->getInt(1, $many - 1)) % $many;
            for ($x = 0; $x < $box->width; $x++, $n++) {
                $fall = $light;
                if ($places > 0) {
                    $dx = $box->x + ($x + 0.5) * $box->every - $box->columns / 2.0;
                    $at = min($places - 1e-9, sqrt($dx * $dx + $dy * $dy) / $corner * $places);
                    $low = (int) $at;
                    $fall *= $this->brightness[$low] + ($at - $low) * ($this->brightness[$low + 1] - $this->brightness[$low]);
                }
                foreach ([$red[$n], $green[$n], $blue[$n]] as $value) {
                    $value *= $fall;
                    $k = $k + 1 < $many ? $k + 1 : 0;
                    $value += $noise[$k] * sqrt($read * $read + $shot * $value);
                    $line .= $bytes[$screen[$value <= 0.0 ? 0 : ($value >= 1.0 ? 4096 : (int) ($value * 4096.0 + 0.5))]];
                }
            }
            $rows[] = $line;
        }
        $this->red = $this->green = $this->blue = [];

        return new Pixels($box->width, $box->height, implode('', $rows));
    }

    /** Share of a normal distribution below x, to 1e-7 (Abramowitz and Stegun, 26.2.17). */
    private static function normal(float $x): float
    {
        $t = 1.0 / (1.0 + 0.2316419 * abs($x));
        $tail = 0.39894228040143 * exp(-$x * $x / 2.0) * $t * (0.31938153 + $t * (-0.356563782 + $t * (1.781477937 + $t * (-1.821255978 + $t * 1.330274429))));

        return $x >= 0.0 ? 1.0 - $tail : $tail;
    }
}
