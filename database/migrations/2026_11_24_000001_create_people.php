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
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('email', 254)->nullable()->unique();
            $table->string('password')->nullable();
            $table->timestampTz('guest_until')->nullable()->index();
            $table->rememberToken();
            $table->timestampsTz();
        });
        // A person has an address and a password; a guest has neither and an end.
        DB::statement('alter table users add constraint users_person_or_guest check (
            (guest_until is null and email is not null and password is not null) or (guest_until is not null and email is null and password is null))');
        Schema::create('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sessions');
        Schema::dropIfExists('users');
    }
};
