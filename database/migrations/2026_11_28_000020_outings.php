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
        Schema::create('outings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->bigInteger('kit_id')->nullable();
            $table->string('name', 200);
            $table->date('held_on')->nullable();
            $table->integer('revision')->default(1);
            $table->json('document');
            $table->integer('bytes')->storedAs('octet_length(document::text)');
            $table->timestampsTz();
            $table->unique(['user_id', 'name']);
            $table->unique(['id', 'user_id'], 'outings_of_a_person');
            $table->index('kit_id');
        });
        DB::statement("alter table outings add constraint outings_name check (btrim(name) <> '')");
        DB::statement("alter table outings add constraint outings_document check (json_typeof(document) = 'object' and json_typeof(document->'subjects') = 'array')");
        // An outing and the kit it is packed from are one person's: the database holds to it by itself.
        DB::statement('alter table outings add constraint outings_own_kit foreign key (kit_id, user_id) references kits (id, user_id) on delete set null (kit_id) deferrable initially immediate');
        DB::statement('create index outings_newest on outings (user_id, held_on desc nulls first, id desc)');

        // What is packed and checked, by name: several devices tick at the same time, and of each line the last word counts.
        Schema::create('outing_ticks', function (Blueprint $table): void {
            $table->foreignId('outing_id')->constrained()->cascadeOnDelete();
            $table->string('what', 200);
            $table->boolean('ticked');
            $table->timestampTz('said_at', 6);
            $table->primary(['outing_id', 'what']);
        });
        DB::statement("alter table outing_ticks add constraint outing_ticks_what check (btrim(what) <> '')");
    }

    public function down(): void
    {
        Schema::dropIfExists('outing_ticks');
        Schema::dropIfExists('outings');
    }
};
