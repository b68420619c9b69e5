<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Guests who told of gear of their own: it goes with them when they sign up or in, the demonstration's doesn't. */
return new class extends Migration
{
    private const OWNED = [['rigs', 'rigs_own_kit'], ['comparison_rigs', 'comparison_rigs_comparison_id_user_id_foreign'], ['comparison_rigs', 'comparison_rigs_rig_id_user_id_foreign']];

    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->boolean('guest_own')->default(false);
        });
        // Whose everything is changes in one turn: until its end each row may belong to somebody else than what it hangs on.
        foreach (self::OWNED as [$table, $constraint]) {
            DB::statement("alter table {$table} alter constraint {$constraint} deferrable initially immediate");
        }
    }

    public function down(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn('guest_own');
        });
        foreach (self::OWNED as [$table, $constraint]) {
            DB::statement("alter table {$table} alter constraint {$constraint} not deferrable");
        }
    }
};
