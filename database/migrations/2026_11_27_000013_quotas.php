<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** What each row weighs, kept by the database itself, so that what a person keeps can be added up quickly. */
    public function up(): void
    {
        foreach (['rig_steps' => 'document', 'parts' => 'document', 'kit_steps' => 'changes'] as $table => $column) {
            DB::statement("alter table {$table} add column bytes integer generated always as (octet_length({$column}::text)) stored");
        }
        DB::statement('create index rig_steps_bytes on rig_steps (rig_id) include (bytes)');
        DB::statement('create index kit_steps_bytes on kit_steps (kit_id) include (bytes)');
        DB::statement('create index parts_bytes on parts (kit_id) include (bytes)');
    }

    public function down(): void
    {
        foreach (['rig_steps', 'kit_steps', 'parts'] as $table) {
            DB::statement("drop index {$table}_bytes");
            DB::statement("alter table {$table} drop column bytes");
        }
    }
};
