<?php

declare(strict_types=1);

namespace App\Kits;

use App\Http\Requests\AskWish;
use App\Models\Joint;
use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use App\Models\Wish;
use App\Rigs\RigStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Text;
use ZincThimble\Core\Gear\InvalidFigure;

/**
 * Everything a person has, in one ZIP of open files: kits and rigs as version-1 documents, their histories, deleted parts,
 * own joints; and back into an empty account. Parts are named by kit and short name (`1/tube-9`), never by row.
 */
final class Archive
{
    private const FORMAT = 'zinc-thimble/archive';

    private const MOST_BYTES = 64 * 1024 * 1024;

    private const MOST_FILES = 5000;

    public function __construct(private readonly RigStore $rigs)
    {
    }

    /** @return array<string, string> text by file name; the same for the same data */
    public function files(User $user): array
    {
        $names = [];
        $files = ['account.json' => Json::write([
            'format' => self::FORMAT, 'version' => 1, 'name' => $user->name,
            'joints' => $user->joints()->get()->map(fn (Joint $joint): array => ['name' => $joint->name, 'use' => $joint->used_for, 'registerMm' => $joint->register_mm, 'throatMm' => $joint->throat_mm])->all(),
        ])];
        foreach ($user->kits()->oldest('id')->get() as $k => $kit) {
            $number = $k + 1;
            $parts = Part::withTrashed()->where('kit_id', $kit->id)->oldest('position')->oldest('id')->get();
            foreach ($parts as $part) {
                $names[$part->id] = $number.'/'.$part->ref;
            }
            $files["kits/{$number}.kit.json"] = KitDocument::write($kit, $parts->whereNull('deleted_at')->all());
            $files["kits/{$number}.more.json"] = Json::write([
                'step' => $kit->step,
                'places' => $parts->mapWithKeys(fn (Part $part): array => [(string) $part->ref => $part->position])->all(),
                'deleted' => $parts->whereNotNull('deleted_at')->map(fn (Part $part): \stdClass => $part->state())->values()->all(),
                'history' => $kit->steps->map(fn ($step): array => [
                    'number' => $step->number, 'label' => $step->label,
                    'changes' => array_map(fn (\stdClass $change): array => ['part' => $names[$change->part] ?? null] + get_object_vars($change), $step->changes),
                ])->all(),
                'wishes' => $kit->wishes->map(fn (Wish $wish): array => ['name' => $wish->name, 'wish' => $wish->wish])->values()->all(),
            ]);
        }
        $kits = $user->kits()->oldest('id')->pluck('id')->flip();
        foreach ($user->rigs()->oldest('updated_at')->oldest('id')->with(['steps', 'parts'])->get() as $r => $rig) {
            $number = $r + 1;
            $files["rigs/{$number}.rig.json"] = Json::write($this->named(json_decode(Json::write(RigFile::document($this->rigs->read($rig)))), $names));
            $files["rigs/{$number}.more.json"] = Json::write([
                'kit' => $rig->kit_id === null ? null : $kits[$rig->kit_id] + 1, 'name' => $rig->name, 'step' => $rig->step, 'news' => $rig->news, 'tags' => $rig->tags,
                'history' => $rig->steps->map(fn ($step): array => ['number' => $step->number, 'label' => $step->label, 'rig' => $this->named($step->document, $names)])->all(),
            ]);
        }

        return $files;
    }

    public function write(User $user): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'archive');
        try {
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::OVERWRITE);
            foreach ($this->files($user) as $name => $text) {
                $zip->addFromString($name, $text);
                // The same data gives the same bytes, whenever it is packed.
                $zip->setMtimeName($name, 946684800);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }

    /**
     * @throws ValidationException when the account isn't empty or the file is no archive
     * @throws FileInvalid with the file and place of every fault; nothing is written then
     */
    public function read(User $user, string $path): void
    {
        $files = $this->unpack($path);
        DB::transaction(function () use ($user, $files): void {
            $query = User::query()->whereKey($user->id);
            $query->lockForUpdate();
            $query->firstOrFail();
            if ($user->rigs()->exists() || Part::withTrashed()->whereIn('kit_id', $user->kits()->select('id'))->exists()) {
                throw ValidationException::withMessages(['archive' => 'This account holds parts or rigs already. An archive goes into an empty one.']);
            }
            $user->kits()->delete();
            $this->joints($user, $this->object($files, 'account.json'));
            $ids = [];
            $kits = [];
            for ($number = 1; isset($files["kits/{$number}.kit.json"]); $number++) {
                $kits[$number] = $this->kit($user, $number, $files, $ids);
            }
            for ($number = 1; isset($files["rigs/{$number}.rig.json"]); $number++) {
                $this->rig($user, $number, $files, $ids, $kits);
            }
        });
    }

    /**
     * @param  array<string, string>  $files
     * @param  array<string, int>  $ids
     */
    private function kit(User $user, int $number, array $files, array &$ids): Kit
    {
        $name = "kits/{$number}.kit.json";
        $file = self::within($name, fn (): KitFile => KitFile::parse($files[$name]));
        $more = $this->object($files, "kits/{$number}.more.json");
        $kit = new Kit(['name' => $file->name ?? 'Kit '.$number, 'currency' => $file->currency, 'extra' => (object) $file->extra, 'step' => self::int($more->step ?? 0)]);
        $user->kits()->save($kit);
        $places = $more->places ?? null;
        foreach ($file->items as $position => $item) {
            $ref = $item->fields['id'] ?? null;
            $row = new Part(Part::columns($item, self::int($places->{is_string($ref) ? $ref : ''} ?? $position)));
            $row->kit_id = $kit->id;
            $row->save();
            $ids[$number.'/'.$row->ref] = $row->id;
        }
        foreach (self::list($more->deleted ?? []) as $state) {
            $item = PartDocument::read(self::partOf($state), '/deleted');
            $row = new Part(Part::columns($item, self::int($state->position ?? 0)));
            $row->kit_id = $kit->id;
            $row->deleted_at = now();
            $row->save();
            $ids[$number.'/'.$row->ref] = $row->id;
        }
        foreach (self::list($more->history ?? []) as $step) {
            $changes = [];
            foreach (self::list($step->changes ?? []) as $change) {
                foreach ([$change->before ?? null, $change->after ?? null] as $state) {
                    if ($state !== null) {
                        PartDocument::read(self::partOf($state), '/history');
                    }
                }
                $changes[] = ['part' => $ids[self::text($change->part ?? '')] ?? throw FileInvalid::at("/kits/{$number}.more.json", 'its history names a part that is not there')] + get_object_vars($change);
            }
            $kit->steps()->create(['number' => self::int($step->number ?? 0), 'label' => Text::cut(self::text($step->label ?? ''), 200), 'changes' => $changes]);
        }

        foreach (self::list($more->wishes ?? []) as $kept) {
            $this->wish($kit, $kept);
        }

        return $kit;
    }

    /** Held to what could be kept over HTTP. */
    private function wish(Kit $kit, mixed $kept): void
    {
        $wish = $kept instanceof \stdClass ? $kept->wish ?? null : null;
        $document = $wish instanceof \stdClass ? get_object_vars($wish) : [];
        $name = $kept instanceof \stdClass ? trim(Text::cut(self::text($kept->name ?? ''), 120)) : '';
        try {
            /** @var array<string, mixed> $blanks */
            $blanks = validator($document, AskWish::blanks())->validate();
            AskWish::wish($blanks);
        } catch (ValidationException|InvalidFigure) {
            throw FileInvalid::at('/wishes', 'holds a wish that can’t be asked');
        }
        $kit->wishes()->updateOrCreate(['name' => $name === '' ? 'Wish' : $name], ['wish' => (object) $blanks]);
    }

    /**
     * @param  array<string, string>  $files
     * @param  array<string, int>  $ids
     * @param  array<int, Kit>  $kits
     */
    private function rig(User $user, int $number, array $files, array $ids, array $kits): void
    {
        $name = "rigs/{$number}.rig.json";
        $more = $this->object($files, "rigs/{$number}.more.json");
        $document = $this->object($files, $name);
        $this->numbered($document, $ids);
        $core = self::within($name, fn () => RigFile::read($document));
        $kept = $more->name ?? null;
        $rig = $this->rigs->create($user, $kits[self::int($more->kit ?? 0)] ?? null, $core, is_string($kept) ? Text::cut($kept, 120) : null);
        $rig->steps()->delete();
        foreach (self::list($more->history ?? []) as $step) {
            $past = $step->rig ?? null;
            if ($past instanceof \stdClass) {
                $this->numbered($past, $ids);
                self::within("rigs/{$number}.more.json", fn () => RigFile::read($past));
                $rig->steps()->create(['number' => self::int($step->number ?? 0), 'label' => Text::cut(self::text($step->label ?? ''), 200), 'document' => $past]);
            }
        }
        $rig->step = self::int($more->step ?? 0);
        $rig->news = self::list($more->news ?? []);
        $rig->tags = array_slice(array_values(array_filter(self::list($more->tags ?? []), is_string(...))), 0, 20);
        $rig->save();
    }

    private function joints(User $user, \stdClass $account): void
    {
        if (($account->format ?? null) !== self::FORMAT || ($account->version ?? null) !== 1) {
            throw ValidationException::withMessages(['archive' => 'This is no archive of this application.']);
        }
        $user->joints()->delete();
        foreach (self::list($account->joints ?? []) as $joint) {
            $checked = OwnJoints::checked(['name' => $joint->name ?? null, 'use' => $joint->use ?? null, 'registerMm' => $joint->registerMm ?? null, 'throatMm' => $joint->throatMm ?? null]);
            $user->joints()->save(new Joint($checked));
        }
    }

    /** @return array<string, string> */
    private function unpack(string $path): array
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true || $zip->numFiles > self::MOST_FILES) {
            throw ValidationException::withMessages(['archive' => 'This is no archive of this application.']);
        }
        $files = [];
        $bytes = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            $bytes += $stat === false ? self::MOST_BYTES : $stat['size'];
            if ($stat === false || $bytes > self::MOST_BYTES) {
                throw ValidationException::withMessages(['archive' => 'The archive unpacks to more than 64 MiB.']);
            }
            $files[$stat['name']] = (string) $zip->getFromIndex($i, $stat['size']);
        }
        $zip->close();
        if (! isset($files['account.json'])) {
            throw ValidationException::withMessages(['archive' => 'This is no archive of this application.']);
        }

        return $files;
    }

    /** @param  array<string, string>  $files */
    private function object(array $files, string $name): \stdClass
    {
        $value = json_decode($files[$name] ?? '{}', false, 64);

        return $value instanceof \stdClass ? $value : throw FileInvalid::at('/'.$name, 'should be one JSON object');
    }

    /**
     * @param  array<int, string>  $names
     * @return array<string, mixed>
     */
    private function named(mixed $document, array $names): array
    {
        $named = $this->referring($document, static fn (mixed $id): ?string => is_int($id) ? $names[$id] ?? null : null);

        return $named instanceof \stdClass ? get_object_vars($named) : [];
    }

    /** @param  array<string, int>  $ids */
    private function numbered(\stdClass $document, array $ids): void
    {
        $this->referring($document, static fn (mixed $name): ?int => is_string($name) ? $ids[$name] ?? null : null);
    }

    /** @param  \Closure(mixed): (int|string|null)  $refer */
    private function referring(mixed $document, \Closure $refer): mixed
    {
        if ($document instanceof \stdClass) {
            foreach ([$document->camera ?? null, ...self::list($document->chain ?? [])] as $part) {
                if ($part instanceof \stdClass && isset($part->{RigStore::REFERENCE})) {
                    $part->{RigStore::REFERENCE} = $refer($part->{RigStore::REFERENCE});
                }
            }
        }

        return $document;
    }

    private static function partOf(mixed $state): \stdClass
    {
        $fields = $state->fields ?? null;

        return (object) (['kind' => $state->kind ?? null] + ($fields instanceof \stdClass ? get_object_vars($fields) : []));
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
