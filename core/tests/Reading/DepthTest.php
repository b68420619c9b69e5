<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Reading\Depth;
use ZincThimble\Core\Tests\Near;

/** Near and far limit by hand, and where either is infinite (OPTICS.md, "Depth"). */
final class DepthTest extends TestCase
{
    public function test_a_usual_close_up(): void
    {
        // M = 0.5, N = 8, c = 0.02, pupil 100 mm off: c/M = 0.04, De = 100 * 0.5 / 8 = 6.25.
        Near::assert(100 * 0.04 / 6.29, Depth::near(0.5, 8.0, 0.02, 100.0, 1.0), 1e-12, 'near');
        Near::assert(100 * 0.04 / 6.21, Depth::far(0.5, 8.0, 0.02, 100.0, 1.0), 1e-12, 'far');
    }

    public function test_behind_an_objective_both_are_the_same(): void
    {
        Near::assert(0.02 * 8 / 0.25, Depth::near(0.5, 8.0, 0.02, null, 1.0), 1e-12, 'near');
        Near::assert(0.02 * 8 / 0.25, Depth::far(0.5, 8.0, 0.02, null, 1.0), 1e-12, 'far');
    }

    public function test_far_reaches_infinity_from_the_very_edge(): void
    {
        // De = s M / N is as wide as c / M at s = c N / M^2 = 0.64.
        $this->assertNull(Depth::far(0.5, 8.0, 0.02, 0.64, 1.0));
        $this->assertNull(Depth::far(0.5, 8.0, 0.02, 0.3, 1.0));
        $this->assertNotNull(Depth::far(0.5, 8.0, 0.02, 0.641, 1.0));
        $this->assertNotNull(Depth::near(0.5, 8.0, 0.02, 0.3, 1.0));
    }

    public function test_near_does_with_the_pupil_beyond_the_subject(): void
    {
        $this->assertNull(Depth::near(0.5, 8.0, 0.02, -0.64, 1.0));
        $this->assertNull(Depth::near(0.5, 8.0, 0.02, -0.3, 1.0));
        $this->assertNotNull(Depth::near(0.5, 8.0, 0.02, -0.641, 1.0));
        $this->assertNotNull(Depth::far(0.5, 8.0, 0.02, -0.3, 1.0));
    }

    public function test_under_water_all_of_it_is_longer(): void
    {
        foreach ([1.0, 1.333] as $medium) {
            Near::assert($medium * 100 * 0.04 / 6.29, Depth::near(0.5, 8.0, 0.02, 100.0 * $medium, $medium), 1e-12, 'near');
            Near::assert($medium * 5.5e-4 / (0.5 / 16) ** 2, Depth::wave(0.5, 8.0, 5.5e-4, $medium), 1e-12, 'wave');
        }
    }
}
