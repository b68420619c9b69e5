<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /**
     * An address belongs to whoever has shown that its letters reach them. Until then several may claim it, so that signing up tells
     * nobody whether there is an account.
     */
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->timestampTz('email_confirmed_at')->nullable();
            // A fingerprint of the network address that a guest came from: how many are open from one is bounded.
            $table->string('opened_from', 64)->nullable()->index();
            $table->dropUnique('users_email_unique');
            $table->index('email');
        });
        DB::statement('update users set email_confirmed_at = now() where email is not null');
        DB::statement('create unique index users_confirmed_email on users (email) where email_confirmed_at is not null');
        Schema::create('sign_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('what', 24);
            $table->string('ip_address', 45)->nullable();
            $table->string('user_agent', 300)->nullable();
            $table->timestampTz('created_at');
            $table->index(['user_id', 'id']);
        });
        DB::statement("alter table sign_ins add constraint sign_ins_what check (what in ('signed in', 'refused', 'signed up', 'password changed', 'password reset'))");
    }

    public function down(): void
    {
        Schema::dropIfExists('sign_ins');
        DB::statement('drop index users_confirmed_email');
        // Of several claims to one address, the one that was shown to be true stays, or the oldest.
        DB::statement('delete from users one using users other where one.email = other.email and one.id <> other.id
            and (other.email_confirmed_at is not null or (one.email_confirmed_at is null and other.id < one.id))');
        Schema::table('users', function (Blueprint $table): void {
            $table->dropIndex(['email']);
            $table->unique('email');
            $table->dropIndex(['opened_from']);
            $table->dropColumn(['email_confirmed_at', 'opened_from']);
        });
    }
};
