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
        // A rig that was only set up to be compared is on nobody's list until somebody puts it on the bench.
        Schema::table('rigs', function (Blueprint $table): void {
            $table->boolean('loose')->default(false);
            $table->unique(['id', 'user_id'], 'rigs_of_a_person');
        });
        DB::statement('drop index rigs_kept_name');
        DB::statement('create unique index rigs_kept_name on rigs (user_id, name) where name is not null and not loose');
        DB::statement('create index rigs_loose on rigs (user_id, updated_at) where loose');
        DB::statement('create index rigs_at_hand on rigs (user_id, updated_at desc, id desc) where not loose');

        Schema::create('comparisons', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->jsonb('asked');
            $table->timestampsTz();
            $table->unique(['user_id', 'name']);
            $table->unique(['id', 'user_id'], 'comparisons_of_a_person');
        });
        DB::statement("alter table comparisons add constraint comparisons_name check (btrim(name) <> '')");
        DB::statement("alter table comparisons add constraint comparisons_asked check (jsonb_typeof(asked) = 'object')");

        // A comparison and its rigs are one person's: the database holds to it by itself.
        Schema::create('comparison_rigs', function (Blueprint $table): void {
            $table->bigInteger('comparison_id');
            $table->bigInteger('rig_id');
            $table->bigInteger('user_id');
            $table->integer('place');
            $table->primary(['comparison_id', 'place']);
            $table->unique(['comparison_id', 'rig_id']);
            $table->index('rig_id');
            $table->foreign(['comparison_id', 'user_id'])->references(['id', 'user_id'])->on('comparisons')->cascadeOnDelete();
            $table->foreign(['rig_id', 'user_id'])->references(['id', 'user_id'])->on('rigs')->cascadeOnDelete();
        });
        DB::statement('alter table comparison_rigs add constraint comparison_rigs_place check (place between 0 and 63)');
    }

    public function down(): void
    {
        Schema::dropIfExists('comparison_rigs');
        Schema::dropIfExists('comparisons');
        DB::statement('delete from rigs where loose');
        DB::statement('drop index rigs_at_hand');
        DB::statement('drop index rigs_loose');
        DB::statement('drop index rigs_kept_name');
        Schema::table('rigs', function (Blueprint $table): void {
            $table->dropUnique('rigs_of_a_person');
            $table->dropColumn('loose');
        });
        DB::statement('create unique index rigs_kept_name on rigs (user_id, name) where name is not null');
    }
};
