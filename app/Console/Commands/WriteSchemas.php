<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\Schema;

/** Writes the published schemas of rig, kit and outing files. */
final class WriteSchemas extends Command
{
    protected $signature = 'schema:write';

    protected $description = 'Write the JSON Schemas of rig, kit and outing files to docs/schema';

    public function handle(): int
    {
        foreach (['rig' => Schema::rig(), 'kit' => Schema::kit(), 'outing' => Schema::outing()] as $name => $schema) {
            file_put_contents(base_path("docs/schema/{$name}-1.schema.json"), Json::write($schema));
        }

        return self::SUCCESS;
    }
}
