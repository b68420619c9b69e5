<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Bench\RigStore;
use App\Look\LookStore;
use App\Models\Kit;
use App\Models\Part;
use App\Models\User;
use App\Outings\OutingArchive;
use App\Outings\OutingStore;
use App\Outings\ShiftedDay;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\File\RigFile;

/** The herbarium's kit and rigs, as files, and copies of them for guests. */
final class Demonstration
{
    /** Days from today on which each made-up outing is, by the beginning of its file's name. */
    private const DAYS = ['1' => -9, '2' => 0, '3' => 6];

    /** The rig at which it is found out what a lens truly is: alone on tubes of two lengths. */
    private const LESSON = 'Lichen disc';

    public function __construct(private readonly RigStore $rigs, private readonly OutingStore $outings, private readonly LookStore $looks)
    {
    }

    /** A new guest with a copy of everything, theirs alone. */
    public function openFor(int $hours, ?string $from = null): User
    {
        return DB::transaction(function () use ($hours, $from): User {
            $guest = User::query()->create(['name' => 'Guest', 'guest_until' => now()->addHours($hours), 'opened_from' => $from]);
            $this->fill($guest);

            return $guest->refresh();
        });
    }

    public function fill(User $user): void
    {
        $file = KitFile::parse((string) file_get_contents(self::folder().'/herbarium.kit.json'));
        $kit = new Kit(['name' => $file->name ?? 'Kit', 'currency' => $file->currency, 'extra' => new \stdClass]);
        $user->kits()->save($kit);
        $rows = [];
        foreach ($file->items as $position => $item) {
            $row = new Part(Part::columns($item, $position));
            $row->kit_id = $kit->id;
            $row->created_at = $row->updated_at = now();
            $rows[] = $row->getAttributes();
        }
        Part::query()->insert($rows);
        /** @var array<string, int> $ids */
        $ids = Part::query()->where('kit_id', $kit->id)->whereNotNull('ref')->pluck('id', 'ref')->all();
        foreach ($this->rigFiles() as $path) {
            $document = json_decode((string) file_get_contents($path), false, 64, JSON_THROW_ON_ERROR);
            if ($document instanceof \stdClass) {
                $this->refer($document, $ids);
                $core = RigFile::read($document);
                $rig = $this->rigs->create($user, $kit, $core, $core->name);
                if ($core->name === self::LESSON) {
                    $this->looks->of($rig)->update(['target' => 'ruler', 'hidden' => true]);
                }
            }
        }
        foreach (glob(self::folder().'/outings/*.outing.json') ?: [] as $path) {
            $document = json_decode((string) file_get_contents($path), false, 64, JSON_THROW_ON_ERROR);
            if ($document instanceof \stdClass) {
                $day = now()->toDateTimeImmutable()->modify(sprintf('%+d days', self::DAYS[basename($path)[0]] ?? 0));
                $this->outings->create($user, $kit, OutingArchive::ofKit(OutingFile::read(ShiftedDay::to($document, $day)), $kit));
            }
        }
    }

    /** @return list<string> in the order they are shown, the first one last opened */
    public function rigFiles(): array
    {
        $files = glob(self::folder().'/*.rig.json');

        return array_reverse($files === false ? [] : $files);
    }

    public static function folder(): string
    {
        return database_path('demo');
    }

    /**
     * In the files, parts name the kit's part by its id there; in the database by its row.
     *
     * @param  array<string, int>  $ids
     */
    private function refer(\stdClass $document, array $ids): void
    {
        $chain = $document->chain ?? [];
        foreach ([$document->camera ?? null, ...(is_array($chain) ? $chain : [])] as $part) {
            if ($part instanceof \stdClass && is_string($part->{RigStore::REFERENCE} ?? null)) {
                $part->{RigStore::REFERENCE} = $ids[$part->{RigStore::REFERENCE}] ?? null;
            }
        }
    }
}
