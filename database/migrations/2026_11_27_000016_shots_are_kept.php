<?php

declare(strict_types=1);

use App\Kit\CarryOver;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // A ring may turn on past infinity.
        $this->ring(-1);
        app(CarryOver::class)->all();
    }

    public function down(): void
    {
        $this->ring(0);
    }

    private function ring(int $least): void
    {
        DB::statement('alter table rig_parts drop constraint rig_parts_setting');
        DB::statement("alter table rig_parts add constraint rig_parts_setting check (
            place >= 0
            and coalesce(length_mm, 0) between 0 and 3000
            and coalesce(focus, 0) between {$least} and 1
            and coalesce(aperture, 1) between 0.5 and 256
            and coalesce(zoom_mm, 1) between 1 and 2000
            and coalesce(swing_deg, 0) between -80 and 80
            and coalesce(shift_mm, 0) between -3000 and 3000)");
    }
};
