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
        Schema::create('kits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('currency', 12)->nullable();
            $table->jsonb('extra')->default('{}');
            $table->timestampsTz();
            $table->unique(['user_id', 'name']);
        });

        // What is searched or constrained has a column of its own; the whole part, unknown keys included, is the document.
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kit_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 32);
            $table->string('ref', 120)->nullable();
            $table->string('name', 200)->nullable();
            $table->integer('position');
            $table->integer('count')->default(1);
            $table->string('rear', 64)->nullable();
            $table->string('front', 64)->nullable();
            foreach (['length_mm', 'min_mm', 'max_mm', 'register_mm', 'focal_length_mm', 'principal_gap_mm', 'clear_mm', 'power_d', 'mass_g', 'price'] as $column) {
                $table->double($column)->nullable();
            }
            $table->json('document');
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->unique(['kit_id', 'ref']);
            $table->index(['kit_id', 'position']);
        });
        $kinds = ['camera', 'adapter', 'tube', 'reversing-ring', 'coupling-ring', 'step-ring', 'filter', 'hood', 'helicoid', 'bellows', 'lens',
            'close-up-lens', 'objective', 'teleconverter', 'port', 'rail', 'tripod', 'stand', 'flash', 'lamp', 'reference'];
        DB::statement("alter table parts add constraint parts_kind check (kind in ('".implode("','", $kinds)."'))");
        DB::statement('alter table parts add constraint parts_lengths check (
            coalesce(length_mm, 0) between 0 and 3000 and coalesce(min_mm, 0) between 0 and 3000 and coalesce(max_mm, 0) between 0 and 3000
            and coalesce(register_mm, 0) between 0 and 3000 and coalesce(clear_mm, 1) > 0 and coalesce(clear_mm, 1) <= 3000)');
        DB::statement('alter table parts add constraint parts_travel check (min_mm is null or max_mm is null or max_mm >= min_mm)');
        DB::statement('alter table parts add constraint parts_gap check (coalesce(principal_gap_mm, 0) between -2000 and 2000)');
        DB::statement('alter table parts add constraint parts_focal_length check (coalesce(focal_length_mm, 1) between 1 and 2000)');
        DB::statement('alter table parts add constraint parts_power check (power_d is null or (power_d between -50 and 50 and power_d <> 0))');
        DB::statement('alter table parts add constraint parts_weight check (coalesce(mass_g, 0) >= 0 and coalesce(price, 0) >= 0 and count >= 1)');
    }

    public function down(): void
    {
        Schema::dropIfExists('parts');
        Schema::dropIfExists('kits');
    }
};
