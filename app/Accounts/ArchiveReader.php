<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Bench\RigStore;
use App\Bench\Sharing;
use App\Compare\ComparisonBlanks;
use App\Compare\KeptComparisons;
use App\Compare\LooseRigs;
use App\Kit\OwnJoints;
use App\Kit\PartDocument;
use App\Models\Joint;
use App\Models\Kit;
use App\Models\KitStep;
use App\Models\Part;
use App\Models\Rig;
use App\Models\RigShare;
use App\Models\RigStep;
use App\Models\SavedSearch;
use App\Models\User;
use App\Operations\Quota;
use App\Outings\OutingArchive;
use App\Outings\OutingStore;
use App\Practice\PracticeArchive;
use App\Search\WishBlanks;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\Check;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\KitItem;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Sound;
use ZincThimble\Core\File\Text;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Report\Comparison;

/** Brings an archive back into an empty account: through the same gate as every other file, all of it or nothing. */
final class ArchiveReader
{
    /** Rows of a history that are written at once. */
    private const AT_ONCE = 40;

    private \ZipArchive $zip;

    /** @var array<string, int> rows of parts by their names */
    private array $ids = [];

    /** @var array<int, Rig> rigs by their number in the archive */
    private array $rows = [];

    /** @var array<int, Kit> */
    private array $kits = [];

    public function __construct(private readonly RigStore $rigs, private readonly KeptComparisons $comparisons, private readonly OutingArchive $outings, private readonly PracticeArchive $practice)
    {
    }

    /**
     * @param  ?\Closure(): void  $waited  asked between rigs; throws when nobody waits any more
     *
     * @throws ValidationException when the account isn't empty or the file is no archive
     * @throws FileInvalid with the file and place of every fault; nothing is written then
     */
    public function read(User $user, string $path, ?\Closure $waited = null): void
    {
        $this->open($path);
        $this->ids = $this->kits = $this->rows = [];
        try {
            DB::transaction(function () use ($user, $waited): void {
                $query = User::query()->whereKey($user->id);
                $query->lockForUpdate();
                $query->firstOrFail();
                if ($user->rigs()->where('loose', false)->exists() || Part::withTrashed()->whereIn('kit_id', $user->kits()->select('id'))->exists()) {
                    throw ValidationException::withMessages(['archive' => 'This account holds parts or rigs already. An archive goes into an empty one.']);
                }
                $account = $this->object('account.json');
                if (($account->format ?? null) !== ArchiveFormat::NAME || ! in_array($account->version ?? null, [1, ArchiveFormat::VERSION], true)) {
                    throw ValidationException::withMessages(['archive' => 'This is no archive of this application.']);
                }
                $user->kits()->delete();
                $user->rigs()->delete();
                $user->comparisons()->delete();
                $user->outings()->delete();
                DB::table('practice_answers')->where('user_id', $user->id)->delete();
                DB::table('practice_tasks')->where('user_id', $user->id)->delete();
                $this->joints($user, $account);
                for ($number = 1; $this->has("kits/{$number}.kit.json"); $number++) {
                    $this->kits[$number] = $this->kit($user, $number);
                }
                for ($number = 1; $number <= ArchiveFormat::MOST_FILES; $number++) {
                    if ($waited !== null) {
                        $waited();
                    }
                    if ($this->has("rigs/{$number}.rig.json")) {
                        $this->rig($user, $number);
                    } elseif (! $this->has("broken/rig-{$number}.json")) {
                        break;
                    }
                }
                LooseRigs::hold($user, 0);
                $this->comparisons($user);
                $this->outings($user);
                $this->practice->read($user, $this->kits, $this->object('practice.json'));
                Quota::bytes($user->id);
            });
        } finally {
            $this->zip->close();
        }
    }

    private function open(string $path): void
    {
        $this->zip = new \ZipArchive;
        if ($this->zip->open($path, \ZipArchive::RDONLY) !== true || $this->zip->numFiles > ArchiveFormat::MOST_FILES || $this->zip->locateName('account.json') === false) {
            throw ValidationException::withMessages(['archive' => 'This is no archive of this application.']);
        }
        $bytes = 0;
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $stat = $this->zip->statIndex($i);
            $bytes += $stat === false ? ArchiveFormat::MOST_BYTES : $stat['size'];
        }
        if ($bytes > ArchiveFormat::MOST_BYTES) {
            throw ValidationException::withMessages(['archive' => 'The archive unpacks to more than a gigabyte.']);
        }
    }

    private function kit(User $user, int $number): Kit
    {
        $name = "kits/{$number}.kit.json";
        $file = self::within($name, fn (): KitFile => KitFile::read($this->object($name)));
        $more = $this->object("kits/{$number}.more.json");
        $kit = new Kit(['name' => Text::cut($file->name ?? 'Kit '.$number, 120), 'currency' => $file->currency === null ? null : Text::cut($file->currency, 12), 'extra' => (object) $file->extra, 'step' => self::int($more->step ?? 0), 'revision' => max(1, self::int($more->revision ?? 1))]);
        $this->dates($kit, $more);
        $user->kits()->save($kit);
        $known = ($more->parts ?? null) instanceof \stdClass ? $more->parts : new \stdClass;
        foreach ($file->items as $position => $item) {
            $ref = $item->fields['id'] ?? null;
            $about = is_string($ref) ? $known->{$ref} ?? $more->places->{$ref} ?? null : null;
            // Version 1 had nothing but the place.
            $this->part($kit, $number, $item, is_int($about) ? $about : self::int($about->place ?? $position), $about);
        }
        foreach (self::list($more->deleted ?? []) as $state) {
            $item = PartDocument::read(self::partOf($state), '/deleted');
            $ref = $item->fields['id'] ?? null;
            $this->part($kit, $number, $item, self::int($state->position ?? 0), is_string($ref) ? $known->{$ref} ?? null : null, ArchiveFormat::dated($state->deletedAt ?? null));
        }
        $this->steps($this->history("kits/{$number}", $more), KitStep::class, function (\stdClass $step) use ($kit, $number): array {
            $changes = [];
            foreach (self::list($step->changes ?? []) as $change) {
                foreach ([$change->before ?? null, $change->after ?? null] as $state) {
                    if ($state !== null) {
                        PartDocument::read(self::partOf($state), '/history');
                    }
                }
                $changes[] = ['part' => $this->ids[self::text($change->part ?? '')] ?? throw FileInvalid::at("/kits/{$number}.history.jsonl", 'names a part that is not there')] + get_object_vars($change);
            }

            return ['kit_id' => $kit->id, 'changes' => $changes];
        });
        foreach (self::list($more->wishes ?? []) as $kept) {
            $this->wish($kit, $kept);
        }

        return $kit;
    }

    private function outings(User $user): void
    {
        for ($number = 1; $number <= OutingStore::MOST && $this->has("outings/{$number}.outing.json"); $number++) {
            $name = "outings/{$number}.outing.json";
            $file = self::within($name, fn (): OutingFile => OutingFile::read($this->object($name)));
            $more = $this->object("outings/{$number}.more.json");
            $outing = $this->outings->read($user, $this->kits[self::int($more->kit ?? 0)] ?? null, $file, $this->ids);
            $outing->revision = max(1, self::int($more->revision ?? 1));
            $this->dates($outing, $more);
            $outing->save();
        }
    }

    private function part(Kit $kit, int $number, KitItem $item, int $position, mixed $about, ?\DateTimeInterface $deleted = null): void
    {
        $row = new Part(Part::columns($item, $position));
        $row->kit_id = $kit->id;
        $row->deleted_at = $deleted === null ? null : \Illuminate\Support\Carbon::instance($deleted);
        if ($about instanceof \stdClass) {
            $row->version = max(1, self::int($about->version ?? 1));
            $this->dates($row, $about);
        }
        $row->save();
        $this->ids[$number.'/'.$row->ref] = $row->id;
    }

    /** Held to what could be kept over HTTP. */
    private function wish(Kit $kit, mixed $kept): void
    {
        $wish = $kept instanceof \stdClass ? $kept->wish ?? null : null;
        $document = $wish instanceof \stdClass ? get_object_vars($wish) : [];
        foreach (WishBlanks::OF_THE_KIT as $blank) {
            if (isset($document[$blank])) {
                $ids = array_map(fn (mixed $named): int => $this->ids[self::text($named)] ?? 0, array_slice(self::list($document[$blank]), 0, 40));
                $document[$blank] = implode(',', array_filter($ids)) ?: null;
            }
        }
        $name = $kept instanceof \stdClass ? trim(Text::cut(self::text($kept->name ?? ''), 120)) : '';
        try {
            /** @var array<string, mixed> $blanks */
            $blanks = validator($document, WishBlanks::rules())->validate();
            WishBlanks::wanted($blanks);
        } catch (ValidationException|InvalidFigure) {
            throw FileInvalid::at('/wishes', 'holds a wish that can’t be asked');
        }
        $row = new SavedSearch(['name' => $name === '' ? 'Wish' : $name, 'wish' => (object) $blanks]);
        $this->dates($row, $kept instanceof \stdClass ? $kept : new \stdClass);
        $kit->wishes()->where('name', $row->name)->delete();
        $kit->wishes()->save($row);
    }

    private function rig(User $user, int $number): void
    {
        $name = "rigs/{$number}.rig.json";
        $more = $this->object("rigs/{$number}.more.json");
        $core = self::within($name, fn () => RigFile::read($this->numbered($this->object($name))));
        $kept = $more->name ?? null;
        $rig = $this->rigs->create($user, $this->kits[self::int($more->kit ?? 0)] ?? null, $core, is_string($kept) ? Text::cut($kept, 120) : null, ($more->loose ?? null) === true);
        $this->rows[$number] = $rig;
        $rig->steps()->delete();
        $this->steps($this->history("rigs/{$number}", $more), RigStep::class, function (\stdClass $step) use ($rig, $number): ?array {
            $past = $step->rig ?? null;
            if (! $past instanceof \stdClass) {
                return null;
            }
            $past = $this->numbered($past);
            self::within("rigs/{$number}.history.jsonl", fn () => RigFile::read($past));

            return ['rig_id' => $rig->id, 'document' => $past];
        });
        $rig->step = self::int($more->step ?? 0);
        $rig->revision = max(1, self::int($more->revision ?? 1));
        $rig->news = array_values(array_filter(self::list($more->news ?? []), static fn (mixed $each): bool => $each instanceof \stdClass && is_string($each->part ?? null) && is_array($each->changes ?? null)));
        $rig->tags = array_slice(array_values(array_filter(self::list($more->tags ?? []), static fn (mixed $tag): bool => is_string($tag) && mb_strlen($tag) <= 40)), 0, 20);
        $this->dates($rig, $more);
        $rig->save();
        $this->share($rig, $more->share ?? null);
    }

    /** Held to what could be kept over HTTP. */
    private function comparisons(User $user): void
    {
        foreach (array_slice(self::list($this->object('comparisons.json')->comparisons ?? []), 0, KeptComparisons::MOST) as $kept) {
            $rigs = [];
            foreach (array_slice(self::list($kept instanceof \stdClass ? $kept->rigs ?? [] : []), 0, Comparison::MOST) as $number) {
                $rig = $this->rows[self::int($number)] ?? null;
                // One that lay beside the archive, broken, is missing.
                if ($rig !== null) {
                    $rigs[$rig->id] = $rig;
                }
            }
            $name = $kept instanceof \stdClass ? trim(Text::cut(self::text($kept->name ?? ''), 120)) : '';
            if (! $kept instanceof \stdClass || $rigs === [] || $user->comparisons()->where('name', $name)->exists()) {
                continue;
            }
            try {
                $blanks = ComparisonBlanks::checked($kept->asked ?? new \stdClass);
            } catch (ValidationException) {
                throw FileInvalid::at('/comparisons.json', 'holds a comparison that can’t be asked');
            }
            $row = $this->comparisons->keep($user, $name === '' ? 'Comparison' : $name, array_values($rigs), $blanks);
            $this->dates($row, $kept);
            $row->save();
        }
    }

    /** A link leads where it led, unless its rig is still there in another account. */
    private function share(Rig $rig, mixed $share): void
    {
        $token = $share instanceof \stdClass ? self::text($share->token ?? '') : '';
        if (! $share instanceof \stdClass || preg_match('/^[A-Za-z0-9]{40}$/', $token) !== 1 || ! ($share->document ?? null) instanceof \stdClass) {
            return;
        }
        self::within('share', fn () => RigFile::read($share->document));
        if (RigShare::query()->where('token_hash', Sharing::hash($token))->doesntExist()) {
            $row = new RigShare(['token' => $token, 'token_hash' => Sharing::hash($token), 'document' => RigStore::without($share->document)]);
            $row->rig_id = $rig->id;
            $row->created_at = ArchiveFormat::dated($share->createdAt ?? null);
            $row->save();
        }
    }

    private function joints(User $user, \stdClass $account): void
    {
        $user->joints()->delete();
        foreach (array_slice(self::list($account->joints ?? []), 0, 500) as $joint) {
            $checked = OwnJoints::checked(['name' => $joint->name ?? null, 'use' => $joint->use ?? null, 'registerMm' => $joint->registerMm ?? null, 'throatMm' => $joint->throatMm ?? null]);
            $user->joints()->where('name', $checked['name'])->delete();
            $user->joints()->save(new Joint($checked));
        }
    }

    /** @return iterable<\stdClass> one step after the other */
    private function history(string $of, \stdClass $more): iterable
    {
        // Version 1 had it all in one document.
        yield from array_filter(self::list($more->history ?? []), static fn (mixed $step): bool => $step instanceof \stdClass);
        $stream = $this->has($of.'.history.jsonl') ? $this->zip->getStream($of.'.history.jsonl') : false;
        for ($n = 1; $stream !== false && ($line = self::line($stream, "/{$of}.history.jsonl/{$n}")) !== null; $n++) {
            self::within("{$of}.history.jsonl", static fn () => Json::bounded($line));
            $step = json_decode($line, false, Sound::DEPTH);
            yield $step instanceof \stdClass ? $step : throw FileInvalid::at("/{$of}.history.jsonl/{$n}", 'should be one JSON object a line');
        }
        if ($stream !== false) {
            fclose($stream);
        }
    }

    /**
     * The next line of a stream; null at its end.
     *
     * @param  resource  $stream
     *
     * @throws FileInvalid where the archive is damaged: PHP says so by a warning
     */
    private static function line($stream, string $at): ?string
    {
        set_error_handler(static fn (): never => throw FileInvalid::at($at, 'is damaged'));
        try {
            $line = fgets($stream, ArchiveFormat::MOST_LINE);
        } finally {
            restore_error_handler();
        }

        return $line === false ? null : $line;
    }

    /**
     * @param  iterable<\stdClass>  $steps
     * @param  class-string<KitStep|RigStep>  $model
     * @param  \Closure(\stdClass): ?array<string, mixed>  $row  what one step is in the table besides its number, label and date; null = nothing
     */
    private function steps(iterable $steps, string $model, \Closure $row): void
    {
        $rows = $numbers = [];
        foreach ($steps as $step) {
            $columns = $row($step);
            $number = self::int($step->number ?? 0);
            if ($columns === null || isset($numbers[$number])) {
                continue;
            }
            $numbers[$number] = true;
            $made = (new $model)->forceFill($columns + ['number' => $number, 'label' => Text::cut(self::text($step->label ?? ''), 200), 'created_at' => ArchiveFormat::dated($step->at ?? null)]);
            $rows[] = $made->getAttributes();
            if (count($rows) === self::AT_ONCE) {
                $model::query()->insert($rows);
                $rows = [];
            }
        }
        if ($rows !== []) {
            $model::query()->insert($rows);
        }
    }

    /** Dates as they were; now where the archive has none. */
    private function dates(\Illuminate\Database\Eloquent\Model $row, \stdClass $about): void
    {
        $row->timestamps = false;
        $row->setAttribute('created_at', ArchiveFormat::dated($about->createdAt ?? null));
        $row->setAttribute('updated_at', ArchiveFormat::dated($about->updatedAt ?? null));
    }

    private function has(string $name): bool
    {
        return $this->zip->locateName($name) !== false;
    }

    /** One document of the archive, checked for what can't be kept anywhere. */
    private function object(string $name): \stdClass
    {
        $stat = $this->zip->statName($name);
        if ($stat === false) {
            return new \stdClass;
        }
        if ($stat['size'] > ArchiveFormat::MOST_DOCUMENT) {
            throw FileInvalid::at('/'.$name, 'is larger than any that was written');
        }
        $text = (string) $this->zip->getFromName($name);
        self::within($name, static fn () => Json::bounded($text));
        $value = json_decode($text, false, Sound::DEPTH);
        if (! $value instanceof \stdClass) {
            throw FileInvalid::at('/'.$name, 'should be one JSON object');
        }
        $check = new Check;
        Sound::check($value, $check, '/'.$name);
        $check->throwIfFaulty();

        return $value;
    }

    private function numbered(\stdClass $document): \stdClass
    {
        return ArchiveFormat::referring($document, fn (mixed $name): ?int => is_string($name) ? $this->ids[$name] ?? null : null);
    }

    private static function partOf(mixed $state): \stdClass
    {
        $fields = $state instanceof \stdClass ? $state->fields ?? null : null;

        return (object) (['kind' => $state instanceof \stdClass ? $state->kind ?? null : null] + ($fields instanceof \stdClass ? get_object_vars($fields) : []));
    }

    /** @return list<mixed> */
    private static function list(mixed $value): array
    {
        return is_array($value) ? array_values($value) : [];
    }

    private static function int(mixed $value): int
    {
        return is_int($value) && $value >= 0 && $value < 2_000_000_000 ? $value : 0;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     */
    private static function within(string $name, callable $read): mixed
    {
        try {
            return $read();
        } catch (FileInvalid $invalid) {
            throw new FileInvalid(array_map(static fn (Fault $fault): Fault => new Fault('/'.$name.$fault->pointer, $fault->message), $invalid->faults));
        }
    }
}
