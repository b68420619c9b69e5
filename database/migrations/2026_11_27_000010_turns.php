<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Long work, one piece at a time a person, on whichever node it runs: who came last, and what is running until when. */
    public function up(): void
    {
        Schema::create('turns', function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 24);
            $table->bigInteger('newest')->default(0);
            $table->primary(['user_id', 'kind']);
        });
        Schema::create('running_turns', function (Blueprint $table): void {
            $table->foreignId('user_id')->primary()->constrained()->cascadeOnDelete();
            $table->string('kind', 24);
            $table->bigInteger('number');
            $table->timestampTz('until');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('running_turns');
        Schema::dropIfExists('turns');
    }
};
