<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A name may be as long as a file's text may be. */
    public function up(): void
    {
        DB::statement('alter table parts alter column name type text');
        DB::statement('alter table parts add constraint parts_name check (char_length(name) <= 2000)');
    }

    public function down(): void
    {
        DB::statement('alter table parts drop constraint parts_name');
        DB::statement('alter table parts alter column name type varchar(200) using left(name, 200)');
    }
};
