<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Bench\RigStore;
use App\Kit\KitDocument;
use App\Kit\PartDocument;
use App\Models\Joint;
use App\Models\KeptComparison;
use App\Models\Kit;
use App\Models\KitStep;
use App\Models\Outing;
use App\Models\Part;
use App\Models\Rig;
use App\Models\RigStep;
use App\Models\SavedSearch;
use App\Models\User;
use App\Outings\OutingArchive;
use App\Practice\PracticeArchive;
use App\Search\WishBlanks;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\RigFile;

/** Writes an archive file by file, rig by rig, step by step: memory doesn't grow with what somebody has. */
final class ArchiveWriter
{
    private const LINE = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;

    private string $folder = '';

    private \ZipArchive $zip;

    /** @var array<int, string> names of parts by their row */
    private array $names = [];

    public function __construct(private readonly RigStore $rigs, private readonly OutingArchive $outings, private readonly PracticeArchive $practice)
    {
    }

    /**
     * @param  ?\Closure(): void  $waited  asked between rigs; throws when nobody waits any more
     * @return string path of the ZIP, for the caller to delete
     */
    public function write(User $user, ?\Closure $waited = null): string
    {
        $this->folder = sys_get_temp_dir().'/archive-'.bin2hex(random_bytes(8));
        mkdir($this->folder, 0700);
        $path = $this->folder.'.zip';
        try {
            $this->zip = new \ZipArchive;
            if ($this->zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
                throw new \RuntimeException('No archive can be written to '.sys_get_temp_dir());
            }
            $this->fill($user, $waited);
            if (! $this->zip->close()) {
                throw new \RuntimeException('The archive could not be written: is the disk full?');
            }
        } finally {
            array_map(unlink(...), glob($this->folder.'/*') ?: []);
            rmdir($this->folder);
        }

        return $path;
    }

    /** @param  ?\Closure(): void  $waited */
    private function fill(User $user, ?\Closure $waited): void
    {
        $this->names = [];
        $this->put('account.json', Json::write([
            'format' => ArchiveFormat::NAME, 'version' => ArchiveFormat::VERSION, 'name' => $user->name,
            'joints' => $user->joints()->get()->map(static fn (Joint $joint): array => ['name' => $joint->name, 'use' => $joint->used_for, 'registerMm' => $joint->register_mm, 'throatMm' => $joint->throat_mm])->all(),
        ]));
        $kits = [];
        foreach ($user->kits()->with('wishes')->oldest('id')->get() as $k => $kit) {
            $kits[$kit->id] = $k + 1;
            $this->kit($kit, $k + 1);
        }
        $this->outings($user, $kits);
        $practice = $this->practice->write($user, $kits);
        if ($practice !== null) {
            $this->put('practice.json', Json::write($practice));
        }
        $comparisons = $user->comparisons()->with('rigs')->get();
        // What was only set up to be compared goes along where a comparison keeps it.
        $compared = $comparisons->flatMap(static fn (KeptComparison $each) => $each->rigs->pluck('id'))->all();
        $numbers = [];
        foreach ($user->rigs()->where(static fn ($each) => $each->where('loose', false)->orWhereIn('id', $compared))->oldest('updated_at')->oldest('id')->pluck('id') as $id) {
            if ($waited !== null) {
                $waited();
            }
            $rig = Rig::query()->with(['parts', 'share'])->find($id);
            if ($rig instanceof Rig) {
                $numbers[$rig->id] = count($numbers) + 1;
                $this->rig($rig, $numbers[$rig->id], $kits);
            }
        }
        if ($comparisons->isNotEmpty()) {
            $this->put('comparisons.json', Json::write(['comparisons' => $comparisons->map(static fn (KeptComparison $each): array => [
                'name' => $each->name, 'asked' => $each->asked, 'rigs' => $each->rigs->map(static fn (Rig $rig): ?int => $numbers[$rig->id] ?? null)->all(),
                'createdAt' => ArchiveFormat::date($each->created_at), 'updatedAt' => ArchiveFormat::date($each->updated_at),
            ])->all()]));
        }
    }

    /** @param  array<int, int>  $kits numbers of kits by their row */
    private function outings(User $user, array $kits): void
    {
        foreach (Outing::query()->where('user_id', $user->id)->oldest('id')->get() as $o => $outing) {
            $number = $o + 1;
            $this->put("outings/{$number}.outing.json", $this->outings->write($outing, $this->names)->write());
            $this->put("outings/{$number}.more.json", Json::write([
                'kit' => $outing->kit_id === null ? null : $kits[$outing->kit_id] ?? null, 'revision' => $outing->revision,
                'createdAt' => ArchiveFormat::date($outing->created_at), 'updatedAt' => ArchiveFormat::date($outing->updated_at),
            ]));
        }
    }

    private function kit(Kit $kit, int $number): void
    {
        $query = Part::withTrashed()->where('kit_id', $kit->id);
        $query->oldest('position')->oldest('id');
        $parts = $query->get();
        $sound = [];
        foreach ($parts as $part) {
            $this->names[$part->id] = $number.'/'.$part->ref;
            try {
                PartDocument::read((object) (['kind' => $part->kind] + get_object_vars($part->document)), '');
                $sound[] = $part;
            } catch (FileInvalid) {
                // One part that can't be read would keep all the others out when this comes back: it lies beside them.
                $this->put("broken/kit-{$number}-{$part->id}.json", Json::write(['kind' => $part->kind] + get_object_vars($part->document)));
            }
        }
        $kept = array_filter($sound, static fn (Part $part): bool => $part->deleted_at === null);
        $this->put("kits/{$number}.kit.json", KitDocument::write($kit, $kept));
        $more = [];
        foreach ($sound as $part) {
            $more[(string) $part->ref] = ['place' => $part->position, 'version' => $part->version, 'createdAt' => ArchiveFormat::date($part->created_at), 'updatedAt' => ArchiveFormat::date($part->updated_at)];
        }
        $this->put("kits/{$number}.more.json", Json::write([
            'step' => $kit->step, 'revision' => $kit->revision, 'createdAt' => ArchiveFormat::date($kit->created_at), 'updatedAt' => ArchiveFormat::date($kit->updated_at),
            'parts' => (object) $more,
            'deleted' => array_values(array_map(static fn (Part $part): array => get_object_vars($part->state()) + ['deletedAt' => ArchiveFormat::date($part->deleted_at)], array_filter($sound, static fn (Part $part): bool => $part->deleted_at !== null))),
            'wishes' => $kit->wishes->map(fn (SavedSearch $wish): array => ['name' => $wish->name, 'wish' => (object) $this->wish(get_object_vars($wish->wish)), 'createdAt' => ArchiveFormat::date($wish->created_at), 'updatedAt' => ArchiveFormat::date($wish->updated_at)])->values()->all(),
        ]));
        $this->lines("kits/{$number}.history.jsonl", (function () use ($kit): iterable {
            foreach (KitStep::query()->where('kit_id', $kit->id)->lazyById(50, 'id') as $step) {
                yield ['number' => $step->number, 'label' => $step->label, 'at' => ArchiveFormat::date($step->created_at),
                    'changes' => array_map(fn (\stdClass $change): array => ['part' => $this->names[$change->part] ?? null] + get_object_vars($change), $step->changes)];
            }
        })());
    }

    /**
     * A wish with the parts that it names by their names here.
     *
     * @param  array<string, mixed>  $wish
     * @return array<string, mixed>
     */
    private function wish(array $wish): array
    {
        foreach (WishBlanks::OF_THE_KIT as $blank) {
            if (isset($wish[$blank])) {
                $wish[$blank] = array_values(array_filter(array_map(fn (int $id): ?string => $this->names[$id] ?? null, WishBlanks::parts($wish, $blank)), is_string(...)));
            }
        }

        return $wish;
    }

    /** @param  array<int, int>  $kits numbers of kits by their row */
    private function rig(Rig $rig, int $number, array $kits): void
    {
        try {
            $document = $this->named(json_decode(Json::write(RigFile::document($this->rigs->read($rig)))));
        } catch (FileInvalid) {
            $this->put("broken/rig-{$number}.json", $this->rigs->export($rig));

            return;
        }
        $this->put("rigs/{$number}.rig.json", Json::write($document));
        $share = $rig->share;
        $this->put("rigs/{$number}.more.json", Json::write([
            'kit' => $rig->kit_id === null ? null : $kits[$rig->kit_id] ?? null, 'name' => $rig->name, 'step' => $rig->step, 'revision' => $rig->revision, 'news' => $rig->news, 'tags' => $rig->tags, ...($rig->loose ? ['loose' => true] : []),
            'createdAt' => ArchiveFormat::date($rig->created_at), 'updatedAt' => ArchiveFormat::date($rig->updated_at),
            'share' => $share === null ? null : ['token' => $share->token, 'document' => $share->document, 'createdAt' => ArchiveFormat::date($share->created_at)],
        ]));
        $this->lines("rigs/{$number}.history.jsonl", (function () use ($rig): iterable {
            foreach (RigStep::query()->where('rig_id', $rig->id)->lazyById(25, 'id') as $step) {
                yield ['number' => $step->number, 'label' => $step->label, 'at' => ArchiveFormat::date($step->created_at), 'rig' => $this->named($step->document)];
            }
        })());
    }

    /** @return array<string, mixed> */
    private function named(mixed $document): array
    {
        return $document instanceof \stdClass ? get_object_vars(ArchiveFormat::referring($document, fn (mixed $id): ?string => is_int($id) ? $this->names[$id] ?? null : null)) : [];
    }

    /** @param  iterable<array<string, mixed>>  $lines */
    private function lines(string $name, iterable $lines): void
    {
        $path = $this->folder.'/'.strtr($name, '/', '_');
        $file = fopen($path, 'w');
        if ($file === false) {
            throw new \RuntimeException('No archive can be written to '.sys_get_temp_dir());
        }
        foreach ($lines as $line) {
            fwrite($file, json_encode($line, self::LINE)."\n");
        }
        fclose($file);
        $this->add($name, $path);
    }

    private function put(string $name, string $text): void
    {
        $path = $this->folder.'/'.strtr($name, '/', '_');
        file_put_contents($path, $text);
        $this->add($name, $path);
    }

    /** The file is read when the archive is closed, in pieces; its date is the same whenever it is packed. */
    private function add(string $name, string $path): void
    {
        $this->zip->addFile($path, $name);
        $this->zip->setMtimeName($name, 946684800);
    }
}
