<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A rig belongs to the person whose kit it stands on, and its parts to that kit: the database holds to it by itself. */
    public function up(): void
    {
        DB::statement('alter table rig_parts add column kit_id bigint');
        // What named a part of another kit names nothing any more.
        DB::statement('update rigs set kit_id = null where kit_id is not null and not exists (select 1 from kits where kits.id = rigs.kit_id and kits.user_id = rigs.user_id)');
        DB::statement("update rigs set camera_id = null, camera = (camera::jsonb - 'kitPart')::json
            where camera_id is not null and not exists (select 1 from parts where parts.id = rigs.camera_id and parts.kit_id = rigs.kit_id)");
        DB::statement("update rig_parts set part_id = null, document = (document::jsonb - 'kitPart')::json where part_id is not null
            and not exists (select 1 from parts join rigs on rigs.kit_id = parts.kit_id where parts.id = rig_parts.part_id and rigs.id = rig_parts.rig_id)");
        DB::statement("update parts set document = (document::jsonb - 'kitPart')::json where document::jsonb->'kitPart' is not null");
        DB::statement('update rig_parts set kit_id = rigs.kit_id from rigs where rigs.id = rig_parts.rig_id and rig_parts.part_id is not null');

        DB::statement('alter table kits add constraint kits_of_a_person unique (id, user_id)');
        DB::statement('alter table parts add constraint parts_of_a_kit unique (id, kit_id)');
        DB::statement('alter table rigs add constraint rigs_on_a_kit unique (id, kit_id)');

        DB::statement('alter table rigs drop constraint rigs_kit_id_foreign');
        DB::statement('alter table rigs add constraint rigs_own_kit foreign key (kit_id, user_id) references kits (id, user_id) on delete set null (kit_id)');
        DB::statement('alter table rigs drop constraint rigs_camera_id_foreign');
        DB::statement('alter table rigs add constraint rigs_own_camera foreign key (camera_id, kit_id) references parts (id, kit_id) on delete set null (camera_id)');
        DB::statement('alter table rig_parts drop constraint rig_parts_part_id_foreign');
        // Both or neither: a part that is referred to is looked for in the kit that the rig stands on.
        DB::statement('alter table rig_parts add constraint rig_parts_own_part foreign key (part_id, kit_id) references parts (id, kit_id) match full on delete set null');
        DB::statement('alter table rig_parts add constraint rig_parts_same_kit foreign key (rig_id, kit_id) references rigs (id, kit_id) on update cascade on delete cascade');
        // A rig that stands on no kit any more stands on no part of it either.
        DB::unprepared(<<<'SQL'
            create or replace function rigs_without_a_kit() returns trigger language plpgsql as $$
            begin
                new.camera_id := null;
                update rig_parts set part_id = null, kit_id = null where rig_id = new.id;
                return new;
            end $$;
            create trigger rigs_without_a_kit before insert or update on rigs for each row when (new.kit_id is null and new.camera_id is not null) execute function rigs_without_a_kit();
            SQL);
        DB::statement('create index rig_parts_part on rig_parts (part_id)');
        DB::statement('create index rigs_camera on rigs (camera_id)');
    }

    public function down(): void
    {
        DB::statement('drop index rigs_camera');
        DB::statement('drop index rig_parts_part');
        DB::unprepared('drop trigger rigs_without_a_kit on rigs; drop function rigs_without_a_kit();');
        foreach (['rig_parts' => ['rig_parts_same_kit', 'rig_parts_own_part'], 'rigs' => ['rigs_own_camera', 'rigs_own_kit', 'rigs_on_a_kit'], 'parts' => ['parts_of_a_kit'], 'kits' => ['kits_of_a_person']] as $table => $constraints) {
            foreach ($constraints as $constraint) {
                DB::statement("alter table {$table} drop constraint {$constraint}");
            }
        }
        DB::statement('alter table rigs add constraint rigs_kit_id_foreign foreign key (kit_id) references kits (id) on delete set null');
        DB::statement('alter table rigs add constraint rigs_camera_id_foreign foreign key (camera_id) references parts (id) on delete set null');
        DB::statement('alter table rig_parts add constraint rig_parts_part_id_foreign foreign key (part_id) references parts (id) on delete set null');
        DB::statement('alter table rig_parts drop column kit_id');
    }
};
