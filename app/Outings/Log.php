<?php

declare(strict_types=1);

namespace App\Outings;

use App\Http\Requests\SearchLog;
use App\Http\Resources\LogMark;
use App\Http\Resources\LogView;
use App\Models\Entry;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;

/** Everything that somebody wrote down, over all outings: entries that stand, the newest first. */
final class Log
{
    /** Entries on a page. */
    public const PAGE = 50;

    /** Marks on the strip, and names to choose from. */
    private const MOST_MARKS = 2000;

    private const MOST_NAMES = 300;

    public function search(User $user, SearchLog $asked): LogView
    {
        $total = $this->matching($user, $asked)->count();
        $pages = max(1, (int) ceil($total / self::PAGE));
        $page = min($pages, $asked->whole('page') ?? 1);
        $shown = self::newest($this->matching($user, $asked))->with('outing');
        $shown->offset(($page - 1) * self::PAGE)->limit(self::PAGE);
        $marked = self::newest($this->matching($user, $asked, false));
        $marked->whereNotNull('magnification')->limit(self::MOST_MARKS);

        return new LogView(
            total: $total, page: $page, pages: $pages, entries: array_values(array_map(EntryViews::listed(...), $shown->get()->all())),
            marks: array_values(array_map(static fn (Entry $each): LogMark => new LogMark($each->id, $each->day, (float) $each->magnification), $marked->get(['id', 'day', 'magnification'])->all())),
            parts: $this->parts($user), subjects: $this->subjects($user),
        );
    }

    /**
     * Entries in which something was measured, the oldest first: what the ledger is made of.
     *
     * @return array{list<Entry>, int} the newest of them, and how many older ones there are
     */
    public function measured(User $user, int $most): array
    {
        $all = Entry::query()->where('user_id', $user->id)->where('stands', true);
        $all->whereNotNull('measured');
        $count = $all->count();
        $newest = self::newest($all);
        $newest->with('outing.kit.parts');
        $newest->limit($most);

        return [array_reverse(array_values($newest->get()->all())), max(0, $count - $most)];
    }

    /**
     * @param  bool  $far  whether magnification narrows it too: the strip shows what lies beyond
     * @return Builder<Entry>
     */
    private function matching(User $user, SearchLog $asked, bool $far = true): Builder
    {
        $query = Entry::query()->where('user_id', $user->id)->where('stands', true);
        foreach ($asked->words() as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $query->where(static fn (Builder $either): Builder => $either->where('words', 'ilike', $like)->orWhere('parts', 'ilike', $like));
        }
        $part = $asked->text('part');
        if ($part !== null) {
            $query->whereRaw("? = any(string_to_array(parts, E'\\n'))", [$part]);
        }
        foreach ([['subject', '=', $asked->text('subject')], ['magnification', '>=', $far ? $asked->figure('from') : null], ['magnification', '<=', $far ? $asked->figure('to') : null],
            ['day', '>=', $asked->text('since')], ['day', '<=', $asked->text('until')], ['result', '>=', $asked->whole('result')], ['outing_id', '=', $asked->whole('outing')]] as [$column, $is, $value]) {
            if ($value !== null) {
                $query->where($column, $is, $value);
            }
        }

        return $query;
    }

    /**
     * @param  Builder<Entry>  $query
     * @return Builder<Entry>
     */
    private static function newest(Builder $query): Builder
    {
        $query->latest('at')->latest('number');

        return $query;
    }

    /** @return list<string> */
    private function parts(User $user): array
    {
        $parts = Entry::query()->where('user_id', $user->id)->where('stands', true)->distinct()->limit(self::MOST_NAMES)->pluck('parts');
        $names = [];
        foreach ($parts as $each) {
            foreach (explode("\n", is_string($each) ? $each : '') as $name) {
                $names[$name] = true;
            }
        }
        unset($names['']);
        ksort($names);

        return array_slice(array_map(strval(...), array_keys($names)), 0, self::MOST_NAMES);
    }

    /** @return list<string> */
    private function subjects(User $user): array
    {
        $subjects = Entry::query()->where('user_id', $user->id)->where('stands', true)->whereNotNull('subject')->distinct()->orderBy('subject')->limit(self::MOST_NAMES)->pluck('subject');

        return array_values(array_filter($subjects->all(), is_string(...)));
    }
}
