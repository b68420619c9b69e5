<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A step that was sent twice, since its answer was lost on the way, is taken once: the sender's own name for it tells. */
    public function up(): void
    {
        DB::statement('alter table rig_steps add column sent_as uuid');
        DB::statement('create unique index rig_steps_sent_as on rig_steps (rig_id, sent_as) where sent_as is not null');
    }

    public function down(): void
    {
        DB::statement('alter table rig_steps drop column sent_as');
    }
};
