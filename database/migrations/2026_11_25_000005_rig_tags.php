<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('rigs', function (Blueprint $table): void {
            $table->jsonb('tags')->default('[]');
        });
        DB::statement("alter table rigs add constraint rigs_tags check (jsonb_typeof(tags) = 'array' and jsonb_array_length(tags) <= 20)");
    }

    public function down(): void
    {
        Schema::table('rigs', fn (Blueprint $table) => $table->dropColumn('tags'));
    }
};
