<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Of a lens: its lever is wedged or taped. Of bellows: their front plate is turned round.
        Schema::table('rig_parts', function (Blueprint $table): void {
            $table->boolean('makeshift')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('rig_parts', function (Blueprint $table): void {
            $table->dropColumn('makeshift');
        });
    }
};
