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
        // The log of an outing. Nothing in it is ever changed: who corrects an entry writes another that replaces it.
        Schema::create('entries', function (Blueprint $table): void {
            $table->bigInteger('user_id');
            // Made on the device that wrote it: of one person's, no two are the same. Others' ids are nobody's business.
            $table->uuid('id');
            $table->bigInteger('outing_id');
            $table->bigInteger('number')->generatedAs()->always();
            $table->timestampTz('at');
            $table->string('subject', 200)->nullable();
            $table->double('magnification')->nullable();
            $table->smallInteger('result')->nullable();
            $table->json('document');
            $table->integer('bytes')->storedAs('octet_length(document::text)');
            $table->timestampTz('created_at', 6)->useCurrent();
            $table->primary(['user_id', 'id']);
            $table->index(['outing_id', 'at']);
            $table->foreign(['outing_id', 'user_id'])->references(['id', 'user_id'])->on('outings')->cascadeOnDelete();
        });
        DB::statement('alter table entries alter constraint entries_outing_id_user_id_foreign deferrable initially immediate');
        DB::statement('alter table entries add constraint entries_result check (result between 1 and 5)');
        DB::statement("alter table entries add constraint entries_document check (json_typeof(document) = 'object' and document->>'id' = id::text)");
        DB::unprepared(<<<'SQL'
            create or replace function entries_stand() returns trigger language plpgsql as $$
            begin
                if new.document::text is distinct from old.document::text or new.id <> old.id or new.at <> old.at then
                    raise exception 'an entry is never changed';
                end if;
                return new;
            end $$;
            create trigger entries_stand before update on entries for each row execute function entries_stand();
            SQL);
    }

    public function down(): void
    {
        Schema::dropIfExists('entries');
        DB::unprepared('drop function if exists entries_stand();');
    }
};
