<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use OpenApi\Generator;
use Psr\Log\AbstractLogger;

/** Writes the description of the API that the screens' types are made from. */
final class DescribeApi extends Command
{
    protected $signature = 'api:describe {file : where to write it}';

    protected $description = 'Write the OpenAPI description of the API';

    public function handle(): int
    {
        $troubles = new class extends AbstractLogger
        {
            /** @var list<string> */
            public array $lines = [];

            /** @param  array<mixed>  $context */
            public function log($level, string|\Stringable $message, array $context = []): void
            {
                if (! in_array($level, ['debug', 'info', 'notice'], true)) {
                    $this->lines[] = (string) $message;
                }
            }
        };
        $description = (new Generator($troubles))->generate([app_path('Http'), app_path('Bench/Steps')]);
        foreach ($troubles->lines as $line) {
            $this->error($line);
        }
        if ($description === null || $troubles->lines !== []) {
            return self::FAILURE;
        }
        file_put_contents($this->file(), json_encode($description, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n");

        return self::SUCCESS;
    }

    private function file(): string
    {
        $file = $this->argument('file');

        return is_string($file) ? $file : '';
    }
}
