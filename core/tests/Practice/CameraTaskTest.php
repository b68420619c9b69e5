<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Practice;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Practice\CameraTask;
use ZincThimble\Core\Practice\Judged;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\HiddenLens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Tests\RigMaker;

/** Tasks before the made-up camera: done is what is truly so, and each bound from both sides. */
final class CameraTaskTest extends TestCase
{
    private static function rig(float $tubeMm = 60.0, float $stop = 8.0): Rig
    {
        return RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => ['registerMm' => 44.5, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.674, 'columns' => 4000, 'rows' => 2668]], 'chain' => [
            ['kind' => 'tube', 'lengthMm' => $tubeMm],
            ['kind' => 'lens', 'name' => 'A head', 'focalLengthMm' => 60, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => $stop]],
        ]]);
    }

    private function isDone(bool $done, Judged $judged): void
    {
        $said = Phrase::say($judged->pattern, $judged->numbers);
        $this->assertSame($done, $judged->done, $said);
        $this->assertStringNotContainsString('{', $said);
    }

    public function test_the_plane_lies_on_the_target_or_so_far_before_or_behind_it(): void
    {
        $half = (float) Reading::of(self::rig())->depthOfFieldMm / 2.0;
        $this->isDone(true, CameraTask::focus(self::rig(), 0.999 * $half, 0.0));
        $this->isDone(false, CameraTask::focus(self::rig(), 1.001 * $half, 0.0));
        $this->isDone(true, CameraTask::focus(self::rig(), -(1.0 + 0.999 * $half), 2.0));
        $before = CameraTask::focus(self::rig(), -(1.0 + 1.5 * $half), 2.0);
        $this->isDone(false, $before);
        $this->assertStringContainsString('before', $before->pattern);
        $this->assertEqualsWithDelta(1.5 * $half, $before->numbers['off'], 1e-9);
        $this->assertStringContainsString('behind', CameraTask::focus(self::rig(), 9.0, 0.0)->pattern);
    }

    public function test_life_size_is_within_three_in_a_hundred(): void
    {
        $this->isDone(true, CameraTask::lifeSize(self::rig(60.0)));
        $at = static fn (float $m): Rig => self::rig(60.0 * $m);
        $this->assertEqualsWithDelta(1.0, (float) Reading::of(self::rig())->magnification, 1e-9);
        $this->isDone(true, CameraTask::lifeSize($at(1.029)));
        $this->isDone(false, CameraTask::lifeSize($at(1.031)));
        $this->isDone(true, CameraTask::lifeSize($at(1.0 / 1.029)));
        $this->isDone(false, CameraTask::lifeSize($at(1.0 / 1.031)));
    }

    public function test_the_sharpest_stop_is_the_hidden_lenses_and_which_way_to_go_is_told(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        for ($n = 0; $n < 20; $n++) {
            $seed = (int) $make->number(1, 1e9);
            $lens = HiddenLens::at(self::rig(), 1, $seed);
            $blur = [];
            foreach (self::rig()->stopsAt(1) as $stop) {
                $real = (float) Reading::of(HiddenLens::in(self::rig()->with(TravelKind::Aperture, 1, $stop), $seed))->effectiveAperture;
                $blur[(string) $stop] = hypot($lens->blurMm($stop), 0.42 * 550e-6 * $real);
            }
            $best = (float) array_search(min($blur), $blur, true);
            foreach ($blur as $stop => $of) {
                $judged = CameraTask::sharpestStop(self::rig(60.0, (float) $stop), 1, $seed);
                $this->isDone($of <= 1.05 * min($blur), $judged);
                if (! $judged->done) {
                    $this->assertStringContainsString((float) $stop < $best ? 'narrower' : 'wider', $judged->pattern);
                }
            }
        }
    }

    public function test_a_lens_that_is_what_is_known_of_it_is_sharpest_where_diffraction_blurs_least(): void
    {
        // Nothing hidden stands before the camera then: nothing of its own blurs, whatever lens some seed would make.
        $this->isDone(true, CameraTask::sharpestStop(self::rig(60.0, 2.8), 1, null));
        $narrower = CameraTask::sharpestStop(self::rig(60.0, 8.0), 1, null);
        $this->isDone(false, $narrower);
        $this->assertStringContainsString('wider', $narrower->pattern);
        $this->isDone(false, CameraTask::sharpestStop(self::rig(), null, 7));
    }

    public function test_a_gap_anywhere_in_a_stack_is_found(): void
    {
        $slice = (float) Reading::of(self::rig())->depthOfFieldMm;
        $this->isDone(false, CameraTask::stack(self::rig(), [], 10.0, 20.0));
        $frames = [];
        for ($mm = 10.0 + 0.49 * $slice; $mm < 20.0; $mm += 0.9 * $slice) {
            $frames[] = $mm;
        }
        $frames[] = 20.0;
        shuffle($frames);
        $this->isDone(true, CameraTask::stack(self::rig(), $frames, 10.0, 20.0));
        // One taken out leaves what the two beside it don't reach.
        sort($frames);
        $without = $frames;
        array_splice($without, 3, 1);
        $gap = CameraTask::stack(self::rig(), $without, 10.0, 20.0);
        $this->isDone(false, $gap);
        $this->assertEqualsWithDelta(0.8 * $slice, $gap->numbers['gap'], 1e-9);
        // Begun too late, ended too early: by so much.
        $late = CameraTask::stack(self::rig(), array_values(array_filter($frames, static fn (float $mm): bool => $mm > 10.0 + $slice)), 10.0, 20.0);
        $this->isDone(false, $late);
        $early = CameraTask::stack(self::rig(), array_slice($frames, 0, 2), 10.0, 20.0);
        $this->assertEqualsWithDelta(20.0 - $frames[1] - $slice / 2.0, $early->numbers['gap'], 1e-9);
        // Frames beside the target are none of it.
        $this->isDone(false, CameraTask::stack(self::rig(), [1.0, 99.0], 10.0, 20.0));
    }
}
