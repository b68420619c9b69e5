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
        // What stands before a rig's made-up camera.
        Schema::create('looks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->unique()->constrained()->cascadeOnDelete();
            $table->text('table_name')->unique();
            $table->text('target');
            $table->boolean('hidden')->default(false);
            $table->boolean('closed')->default(false);
            $table->boolean('lost')->default(false);
            $table->double('exposure_stops')->default(0);
            $table->double('rail_mm')->default(0);
            $table->text('laid')->default('');
            $table->timestamps();
        });
        // A stack, frame by frame: the frame that is taken next is the one after those that are there.
        Schema::create('stack_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->constrained()->cascadeOnDelete();
            $table->text('state');
            $table->jsonb('positions');
            $table->integer('taken')->default(0);
            $table->integer('tries')->default(0);
            $table->text('reason')->nullable();
            $table->jsonb('settings');
            $table->timestamps();
        });
        Schema::create('frames', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->constrained()->cascadeOnDelete();
            $table->foreignId('stack_run_id')->nullable()->constrained()->cascadeOnDelete();
            $table->integer('number')->nullable();
            $table->jsonb('figures');
            $table->binary('png');
            $table->timestamp('created_at', 6);
            $table->unique(['stack_run_id', 'number']);
            $table->index(['rig_id', 'id']);
        });
        DB::statement("alter table looks add constraint looks_figures check (exposure_stops between -10 and 10 and rail_mm between 0 and 3000 and table_name ~ '^[A-Za-z0-9]{8,64}$')");
        DB::statement("alter table stack_runs add constraint stack_runs_state check (state in ('running', 'paused', 'stopped', 'failed', 'done'))");
        DB::statement("alter table stack_runs add constraint stack_runs_taken check (jsonb_typeof(positions) = 'array' and taken between 0 and jsonb_array_length(positions))");
        DB::statement("create unique index stack_runs_one_at_a_time on stack_runs (rig_id) where state in ('running', 'paused')");
        DB::statement('alter table frames add constraint frames_number check ((stack_run_id is null) = (number is null) and number >= 0)');
        DB::statement('alter table frames add constraint frames_png check (octet_length(png) between 1 and 16777216)');
    }

    public function down(): void
    {
        Schema::dropIfExists('frames');
        Schema::dropIfExists('stack_runs');
        Schema::dropIfExists('looks');
    }
};
