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
        Schema::create('wishes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kit_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->jsonb('wish');
            $table->timestampsTz();
            $table->unique(['kit_id', 'name']);
        });
        DB::statement("alter table wishes add constraint wishes_name check (btrim(name) <> '')");
        DB::statement("alter table wishes add constraint wishes_wish check (jsonb_typeof(wish) = 'object')");
    }

    public function down(): void
    {
        Schema::dropIfExists('wishes');
    }
};
