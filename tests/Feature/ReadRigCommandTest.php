<?php

declare(strict_types=1);

namespace Tests\Feature;

use Symfony\Component\Process\Process;
use Tests\TestCase;

/** `php artisan rig:read` as people and scripts run it: in a process of its own. */
final class ReadRigCommandTest extends TestCase
{
    public function test_it_prints_every_reading_as_json_and_exits_0(): void
    {
        $process = $this->read(base_path('database/demo/1-tower-clock-tooth.rig.json'), '--json');
        $this->assertSame(0, $process->getExitCode());
        $told = json_decode($process->getOutput(), true, 64, JSON_THROW_ON_ERROR);
        $this->assertEqualsWithDelta(32.0 / 62.0, $told['magnification'], 1e-9);
        foreach (['fieldWidthMm', 'workingDistanceMm', 'range', 'infinity', 'corner', 'uncertainty', 'settled', 'findings', 'coupling', 'joints'] as $key) {
            $this->assertArrayHasKey($key, $told);
        }
    }

    public function test_it_prints_a_table_for_people(): void
    {
        $process = $this->read(base_path('database/demo/2-lichen-disc.rig.json'));
        $this->assertSame(0, $process->getExitCode());
        $this->assertStringContainsString('working distance', $process->getOutput());
        $this->assertStringContainsString('Infinity is lost', $process->getOutput());
        $this->assertStringContainsString('Moor 50: focal length 50 mm, taken as 50.68 mm ± 1.19.', $process->getOutput());
        $this->assertMatchesRegularExpression('/Working distance: the working distance of this rig, measured once would make ±8\.85\s+mm to ±0\.99\s+mm\./u', $process->getOutput());
    }

    public function test_a_rig_that_a_stop_finding_blocks_prints_all_the_same_and_exits_1(): void
    {
        $file = $this->written(['camera' => ['registerMm' => 44.5, 'joint' => 'larch', 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [
            ['kind' => 'tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 58],
            ['kind' => 'lens', 'rear' => 'larch', 'focalLengthMm' => 24, 'registerMm' => 44.5, 'frontRimMm' => 44, 'design' => 'retrofocus', 'aperture' => ['widest' => 2.8]],
        ]]);
        $process = $this->read($file, '--json');
        $this->assertSame(1, $process->getExitCode());
        $told = json_decode($process->getOutput(), true, 64, JSON_THROW_ON_ERROR);
        $this->assertLessThan(0, $told['workingDistanceMm']);
        $this->assertSame('focus-inside', $told['findings'][0]['code']);
    }

    public function test_a_bad_file_exits_2_with_a_line_a_fault_on_standard_error(): void
    {
        $process = $this->read($this->written(['camera' => ['registerMm' => 'x', 'sensor' => ['widthMm' => 36, 'heightMm' => 24]], 'chain' => [['kind' => 'tube', 'lengthMm' => -1]]]));
        $this->assertSame(2, $process->getExitCode());
        $this->assertSame('', $process->getOutput());
        $lines = explode("\n", trim($process->getErrorOutput()));
        $this->assertCount(2, $lines);
        $this->assertStringStartsWith('/camera/registerMm: ', $lines[0]);
        $this->assertStringStartsWith('/chain/0/lengthMm: ', $lines[1]);
    }

    public function test_a_file_that_is_not_there_exits_2(): void
    {
        $process = $this->read('/nonexistent.rig.json');
        $this->assertSame(2, $process->getExitCode());
        $this->assertStringNotContainsString('#0', $process->getErrorOutput());
    }

    private function read(string ...$arguments): Process
    {
        $process = new Process([PHP_BINARY, base_path('artisan'), 'rig:read', ...$arguments]);
        $process->run();

        return $process;
    }

    /** @param  array<string, mixed>  $rig */
    private function written(array $rig): string
    {
        $path = tempnam(sys_get_temp_dir(), 'rig');
        file_put_contents((string) $path, json_encode(['format' => 'zinc-thimble/rig', 'version' => 1] + $rig, JSON_THROW_ON_ERROR));

        return (string) $path;
    }
}
