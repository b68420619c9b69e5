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
        Schema::create('rigs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('kit_id')->nullable()->constrained()->nullOnDelete();
            // Null until somebody wants to keep it.
            $table->string('name', 120)->nullable();
            $table->foreignId('camera_id')->nullable()->constrained('parts')->nullOnDelete();
            $table->json('camera');
            $table->json('conditions');
            $table->json('subject')->nullable();
            $table->json('extra');
            $table->integer('revision')->default(1);
            $table->integer('step')->default(0);
            $table->timestampsTz();
            $table->index(['user_id', 'updated_at']);
        });
        DB::statement('create unique index rigs_kept_name on rigs (user_id, name) where name is not null');

        Schema::create('rig_parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->nullable()->constrained('parts')->nullOnDelete();
            $table->integer('place');
            $table->string('kind', 32);
            // The part as it was when it was put in, without its setting.
            $table->json('document');
            $table->boolean('reversed')->default(false);
            $table->boolean('working')->default(false);
            foreach (['length_mm', 'focus', 'aperture', 'zoom_mm', 'swing_deg', 'shift_mm'] as $column) {
                $table->double($column)->nullable();
            }
            $table->unique(['rig_id', 'place']);
        });
        DB::statement('alter table rig_parts add constraint rig_parts_setting check (
            place >= 0
            and coalesce(length_mm, 0) between 0 and 3000
            and coalesce(focus, 0) between 0 and 1
            and coalesce(aperture, 1) between 0.5 and 256
            and coalesce(zoom_mm, 1) between 1 and 2000
            and coalesce(swing_deg, 0) between -80 and 80
            and coalesce(shift_mm, 0) between -3000 and 3000)');

        // The history of a rig: the whole of it after each step.
        Schema::create('rig_steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_id')->constrained()->cascadeOnDelete();
            $table->integer('number');
            $table->string('label', 200);
            $table->json('document');
            $table->timestampTz('created_at');
            $table->unique(['rig_id', 'number']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('rig_steps');
        Schema::dropIfExists('rig_parts');
        Schema::dropIfExists('rigs');
    }
};
