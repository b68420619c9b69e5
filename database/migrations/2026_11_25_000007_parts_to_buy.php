<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A count of 0 is a part that is not owned yet. */
    public function up(): void
    {
        DB::statement('alter table parts drop constraint parts_weight');
        DB::statement('alter table parts add constraint parts_weight check (coalesce(mass_g, 0) >= 0 and coalesce(price, 0) >= 0 and count >= 0)');
    }

    public function down(): void
    {
        DB::statement('update parts set count = 1 where count = 0');
        DB::statement('alter table parts drop constraint parts_weight');
        DB::statement('alter table parts add constraint parts_weight check (coalesce(mass_g, 0) >= 0 and coalesce(price, 0) >= 0 and count >= 1)');
    }
};
