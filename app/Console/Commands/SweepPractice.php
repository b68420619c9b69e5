<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\PracticeEvening;
use App\Practice\Evenings;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Ends evenings whose link is over, and what of practice nobody looks at any more: the newest answers alone say how well something is known. */
final class SweepPractice extends Command
{
    /** Answers of one person that are kept. */
    private const ANSWERS = 2000;

    /** Questions that don't come back, after so many days. */
    private const DAYS = 180;

    protected $signature = 'practice:sweep';

    protected $description = 'Remove evenings that are over, and practice of long ago';

    public function handle(): int
    {
        $evenings = PracticeEvening::query()->where('created_at', '<', now()->subDays(Evenings::DAYS))->delete();
        $answers = DB::delete('delete from practice_answers where id in (select id from (select id, row_number() over (partition by user_id order by id desc) as place from practice_answers) as all_of_them where place > ?)', [self::ANSWERS]);
        $questions = DB::table('practice_questions')->where('is_open', false)->whereNull('box')->where('handed_at', '<', now()->subDays(self::DAYS))->delete();
        $this->line("{$evenings} evenings, {$answers} answers and {$questions} questions swept.");

        return self::SUCCESS;
    }
}
