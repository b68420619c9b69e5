<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Reading;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Tests\RigMaker;

/** The JIT says what the interpreter says, to the last digit: a compiler once turned a number into a truth here. */
final class JitTest extends TestCase
{
    public function test_compiled_and_interpreted_readings_are_the_same(): void
    {
        $seed = RigMaker::seeded(__METHOD__)->seed;
        $plain = self::readings($seed, ['opcache.enable_cli=0']);
        $this->assertCount(46, $plain);
        $this->assertSame($plain, self::readings($seed, [
            'opcache.enable_cli=1', 'opcache.jit=tracing', 'opcache.jit_buffer_size=64M', 'opcache.jit_max_root_traces=50000', 'opcache.jit_max_side_traces=50000', 'opcache.file_update_protection=0',
        ]));
    }

    /**
     * @param  list<string>  $settings
     * @return list<string>
     */
    private static function readings(int $seed, array $settings): array
    {
        $command = [PHP_BINARY];
        foreach ($settings as $setting) {
            array_push($command, '-d', $setting);
        }
        $process = proc_open([...$command, __DIR__.'/jit-readings.php', (string) $seed], [1 => ['pipe', 'w'], 2 => STDERR], $pipes);
        self::assertIsResource($process);
        $told = (string) stream_get_contents($pipes[1]);
        self::assertSame(0, proc_close($process));

        return explode("\n", trim($told));
    }
}
