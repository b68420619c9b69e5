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
        // A question of a kit. It is handed out as a document, which the kit gives again when it comes back.
        Schema::create('practice_questions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kit_id')->constrained()->cascadeOnDelete();
            $table->text('kind');
            $table->text('name');
            $table->jsonb('document')->nullable();
            $table->integer('kit_revision')->default(0);
            $table->integer('round')->default(0);
            $table->boolean('is_open')->default(true);
            $table->smallInteger('box')->nullable();
            $table->date('due_on')->nullable();
            $table->timestamp('handed_at');
            $table->unique(['kit_id', 'name']);
            $table->index(['kit_id', 'is_open', 'due_on']);
        });
        // What was answered says how well a person knows it, also when the kit is gone.
        Schema::create('practice_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('practice_question_id')->nullable()->constrained()->nullOnDelete();
            $table->text('skill');
            $table->boolean('is_word');
            $table->integer('round');
            $table->double('guess')->nullable();
            $table->double('low')->nullable();
            $table->double('high')->nullable();
            $table->boolean('known');
            $table->boolean('inside');
            $table->double('error')->nullable();
            $table->double('score')->nullable();
            $table->timestamp('answered_at');
            $table->unique(['practice_question_id', 'round']);
            $table->index(['user_id', 'skill', 'id']);
        });
        Schema::create('practice_tasks', function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->text('task');
            $table->integer('tried')->default(0);
            $table->integer('done')->default(0);
            $table->timestamp('last_at');
            $table->primary(['user_id', 'task']);
        });
        Schema::table('looks', function (Blueprint $table): void {
            $table->text('task')->nullable();
            $table->timestamp('task_at', 6)->nullable();
        });
        // A club's evening: the same questions for several, under a link.
        Schema::create('practice_evenings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->text('title');
            $table->text('token');
            $table->char('token_hash', 64)->unique();
            $table->jsonb('questions');
            $table->timestamp('created_at');
            $table->index(['user_id', 'id']);
        });
        Schema::create('practice_sheets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('practice_evening_id')->constrained()->cascadeOnDelete();
            $table->char('key_hash', 64);
            $table->text('name')->nullable();
            $table->jsonb('answers');
            $table->timestamps();
            $table->unique(['practice_evening_id', 'key_hash']);
        });
        DB::statement('alter table practice_questions add constraint practice_questions_figures check (round >= 0 and box between 0 and 3 and (box is null) = (due_on is null) and char_length(name) between 1 and 2000 and char_length(kind) between 1 and 40)');
        DB::statement("alter table practice_answers add constraint practice_answers_figures check (round >= 0 and low <= guess and guess <= high and (guess is null) = (low is null) and (guess is null) = (high is null) and guess > '-infinity' and high < 'infinity' and low > '-infinity' and error >= 0 and (guess is not null or not known and not inside))");
        DB::statement("alter table practice_tasks add constraint practice_tasks_figures check (task in ('focus', 'life-size', 'sharpest-stop', 'stack') and done between 0 and tried)");
        DB::statement("alter table looks add constraint looks_task check (task in ('focus', 'life-size', 'sharpest-stop', 'stack') and (task is null) = (task_at is null))");
        DB::statement("alter table practice_evenings add constraint practice_evenings_questions check (jsonb_typeof(questions) = 'array' and jsonb_array_length(questions) between 1 and 20 and char_length(title) between 1 and 120)");
        DB::statement("alter table practice_sheets add constraint practice_sheets_answers check (jsonb_typeof(answers) = 'array' and jsonb_array_length(answers) <= 20 and char_length(name) between 1 and 60)");
    }

    public function down(): void
    {
        Schema::dropIfExists('practice_sheets');
        Schema::dropIfExists('practice_evenings');
        Schema::table('looks', function (Blueprint $table): void {
            $table->dropColumn(['task', 'task_at']);
        });
        Schema::dropIfExists('practice_tasks');
        Schema::dropIfExists('practice_answers');
        Schema::dropIfExists('practice_questions');
    }
};
