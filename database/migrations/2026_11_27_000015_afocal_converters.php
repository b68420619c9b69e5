<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    private const KINDS = ['camera', 'adapter', 'tube', 'reversing-ring', 'coupling-ring', 'step-ring', 'filter', 'hood', 'helicoid', 'bellows', 'lens',
        'close-up-lens', 'objective', 'teleconverter', 'port', 'rail', 'tripod', 'stand', 'flash', 'lamp', 'reference'];

    public function up(): void
    {
        $this->kinds([...self::KINDS, 'afocal']);
    }

    public function down(): void
    {
        $this->kinds(self::KINDS);
    }

    /** @param  list<string>  $kinds */
    private function kinds(array $kinds): void
    {
        DB::statement('alter table parts drop constraint parts_kind');
        DB::statement("alter table parts add constraint parts_kind check (kind in ('".implode("','", $kinds)."'))");
    }
};
