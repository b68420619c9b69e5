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
        // What an entry says, told once more so that it can be searched: the document itself is what counts.
        Schema::table('entries', function (Blueprint $table): void {
            $table->boolean('stands')->default(true);
            $table->jsonb('replaces')->default('[]');
            $table->date('day')->nullable();
            $table->text('parts')->default('');
            $table->text('words')->default('');
            $table->jsonb('measured')->nullable();
            $table->jsonb('predicted')->nullable();
        });
        DB::statement(<<<'SQL'
            update entries set
                day = left(document->>'at', 10)::date,
                replaces = coalesce((document->'replaces')::jsonb, '[]'),
                words = concat_ws(E'\n', document->>'subject', document->>'note'),
                parts = coalesce((select string_agg(part->>'name', E'\n') from json_array_elements(document->'rig'->'chain') part), ''),
                measured = nullif((document->'measured')::jsonb, '{}'),
                predicted = nullif((document->'predicted')::jsonb, '{}')
            SQL);
        DB::statement("update entries e set stands = false where coalesce((document->>'withdrawn')::boolean, false) or exists (select from entries o where o.user_id = e.user_id and o.outing_id = e.outing_id and o.replaces @> to_jsonb(e.id::text))");
        DB::statement('alter table entries alter column day set not null');
        DB::statement("alter table entries add constraint entries_replaces check (jsonb_typeof(replaces) = 'array')");
        DB::statement('alter table entries add constraint entries_magnification check (magnification > 0)');
        DB::statement('create index entries_newest on entries (user_id, at desc, number desc) where stands');
    }

    public function down(): void
    {
        DB::statement('alter table entries drop constraint entries_magnification');
        Schema::table('entries', function (Blueprint $table): void {
            $table->dropColumn(['stands', 'replaces', 'day', 'parts', 'words', 'measured', 'predicted']);
        });
    }
};
