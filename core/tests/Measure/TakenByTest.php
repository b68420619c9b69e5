<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Measure;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Measure\TakenBy;

/** Which camera took a picture: what its file calls it before its size, its size before its shape. */
final class TakenByTest extends TestCase
{
    private static function camera(string $name, float $width, float $height, int $columns, int $rows): Camera
    {
        return Camera::from(new Values(['name' => $name, 'registerMm' => 44.5, 'sensor' => ['widthMm' => $width, 'heightMm' => $height, 'columns' => $columns, 'rows' => $rows]]));
    }

    public function test_a_name_goes_before_a_size_and_a_size_before_a_shape(): void
    {
        $cameras = [self::camera('Body A', 23.5, 15.7, 6000, 4000), self::camera('Body B', 36.0, 24.0, 7360, 4912), self::camera('Body C', 23.5, 15.7, 6000, 4000)];
        $told = static function (int $width, int $height, ?string $model = null) use ($cameras): array {
            $by = TakenBy::among($cameras, $width, $height, $model);

            return [$by?->camera, $by?->isResized, $by === null ? null : round($by->pitchMm, 6)];
        };
        $this->assertSame([0, false, round(23.5 / 6000, 6)], $told(6000, 4000));
        $this->assertSame([2, false, round(23.5 / 6000, 6)], $told(6000, 4000, ' body c '));
        $this->assertSame([1, false, round(36.0 / 7360, 6)], $told(4912, 7360), 'upright');
        // A smaller copy, of the camera that its file names: its pixels count for more of the sensor each.
        $this->assertSame([1, true, round(36.0 / 3000, 6)], $told(3000, 2000, 'Body B'));
        $this->assertSame([null, null, null], $told(3000, 3000, 'Body B'));
        $this->assertSame([0, true, round(23.5 / 1500, 6)], $told(1500, 1000, 'a phone'));
    }
}
