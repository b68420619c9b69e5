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
        Schema::table('kits', function (Blueprint $table): void {
            $table->integer('revision')->default(1);
            $table->integer('step')->default(0);
        });

        // A part that was taken out stays: rigs may stand on it, and it can be brought back.
        Schema::table('parts', function (Blueprint $table): void {
            $table->timestampTz('deleted_at')->nullable();
        });

        // One history for the kit: what each step did to each part, as it was before and as it was after.
        Schema::create('kit_steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kit_id')->constrained()->cascadeOnDelete();
            $table->integer('number');
            $table->string('label', 200);
            $table->json('changes');
            $table->timestampTz('created_at');
            $table->unique(['kit_id', 'number']);
        });

        Schema::create('joints', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 64);
            $table->string('used_for', 200)->nullable();
            $table->double('register_mm')->nullable();
            $table->double('throat_mm')->nullable();
            $table->timestampsTz();
            $table->unique(['user_id', 'name']);
        });
        DB::statement('alter table joints add constraint joints_measures check (
            coalesce(register_mm, 0) between 0 and 3000 and coalesce(throat_mm, 1) > 0 and coalesce(throat_mm, 1) <= 3000)');

        // A rig as it was when it was shared, for whoever has the link.
        Schema::create('rig_shares', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('token_hash', 64)->unique();
            $table->text('token');
            $table->json('document');
            $table->timestampTz('created_at');
        });

        // What corrections of kit parts changed in a rig, until somebody has seen it.
        Schema::table('rigs', function (Blueprint $table): void {
            $table->json('news')->default('[]');
        });

        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email', 254)->primary();
            $table->string('token');
            $table->timestampTz('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('password_reset_tokens');
        Schema::table('rigs', fn (Blueprint $table) => $table->dropColumn('news'));
        Schema::dropIfExists('rig_shares');
        Schema::dropIfExists('joints');
        Schema::dropIfExists('kit_steps');
        Schema::table('parts', fn (Blueprint $table) => $table->dropColumn('deleted_at'));
        Schema::table('kits', fn (Blueprint $table) => $table->dropColumn(['revision', 'step']));
    }
};
