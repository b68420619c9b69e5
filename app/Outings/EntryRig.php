<?php

declare(strict_types=1);

namespace App\Outings;

use App\Bench\CorrectionPropagator;
use App\Bench\RigStore;
use App\Http\Resources\NewsChange;
use App\Models\Kit;
use App\Models\Part;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Plan\ReadOff;
use ZincThimble\Core\Rig\Rig;

/** The rig of an entry as it stood, beside what the kit that it came from knows of its parts today. */
final readonly class EntryRig
{
    /** The place of the camera among a rig's parts. */
    private const CAMERA = -1;

    /**
     * @param  array<int, Part>  $rows  of the kit, by the place of the part that each is
     */
    private function __construct(
        /** Set as its scales were read. */
        public Rig $then,
        /**
         * Names of the parts whose scales could not be read.
         *
         * @var list<string>
         */
        public array $unread,
        public ?Kit $kit,
        private array $rows,
    ) {
    }

    public static function of(EntryDocument $entry, ?Kit $kit): self
    {
        $read = ReadOff::of($entry->rig, $entry->fields->objects('scales'));
        $rows = $used = [];
        foreach (self::parts($read->rig) as $place => [$kind, $name, $fields]) {
            $row = null;
            foreach ($kit->parts ?? [] as $each) {
                $free = ($used[$each->id] ?? 0) < max(1, $each->count);
                $isIt = $each->id === ($fields[RigStore::REFERENCE] ?? null) || ($row === null && $each->kindOf() === $kind && $each->name === $name);
                $row = $free && $isIt ? $each : $row;
            }
            if ($row !== null) {
                $used[$row->id] = ($used[$row->id] ?? 0) + 1;
                $rows[$place] = $row->setRelation('kit', $kit);
            }
        }

        return new self($read->rig, $read->unread, $kit, $rows);
    }

    /**
     * The rig as it was set, of the parts as the kit knows them today; what the kit hasn't any more is as it was.
     *
     * @throws FileInvalid|InvalidFigure when today's parts can't be set so
     */
    public function now(): Rig
    {
        return RigFile::read($this->document(true));
    }

    /** The rig as it stood, by itself: no kit's corrections follow it. */
    public function alone(): Rig
    {
        return RigFile::read($this->document(false));
    }

    private function document(bool $today): \stdClass
    {
        $document = RigStore::without(json_decode(Json::write(RigFile::document($this->then)), false, 64, JSON_THROW_ON_ERROR));
        if ($today) {
            $now = [];
            foreach ($this->rows as $place => $row) {
                $part = $place === self::CAMERA ? $document->camera : $document->chain[$place];
                $part->{RigStore::REFERENCE} = $row->id;
                $now[$row->id] = RigStore::inRig($row);
            }
            RigStore::correct($document, $now);
        }

        return $document;
    }

    /**
     * What has become of each part since, those that are as they were left out.
     *
     * @return list<array{part: string, what: 'gone'|'corrected'|'settled', changes: list<NewsChange>}>
     */
    public function since(): array
    {
        $since = [];
        foreach (self::parts($this->then) as $place => [$kind, $name, $fields]) {
            $row = $this->rows[$place] ?? null;
            if ($row === null) {
                $since[] = ['part' => $name, 'what' => 'gone', 'changes' => []];

                continue;
            }
            $own = static fn (array $of): array => array_diff_key($of, RigStore::SETTINGS + [RigStore::REFERENCE => 0, 'kind' => 0, 'name' => 0]);
            $changes = CorrectionPropagator::changes($kind, $own($fields), $own(RigStore::inRig($row)));
            if ($changes !== []) {
                $settled = array_filter($changes, static fn (array $change): bool => in_array($change['field'], ['shots', 'stations', 'pupils'], true));
                $since[] = [
                    'part' => $name, 'what' => $settled === [] ? 'corrected' : 'settled',
                    'changes' => array_map(static fn (array $change): NewsChange => new NewsChange($change['label'], $change['unit'], $change['before'], $change['after']), $changes),
                ];
            }
        }

        return $since;
    }

    /** The row of the kit that a part is; null = the kit hasn't it any more. */
    public function row(int $place): ?Part
    {
        return $this->rows[$place] ?? null;
    }

    /** @return array<int, array{Kind, string, array<string, mixed>}> kind, name and fields by place, the camera first */
    private static function parts(Rig $rig): array
    {
        $camera = $rig->camera;

        return [self::CAMERA => [Kind::Camera, $camera->name ?? 'Camera', $camera->document->fields]]
            + array_map(static fn (CorePart $part): array => [$part->kind, $part->label(), $part->document->fields], $rig->chain);
    }

    /** The rig in a line, camera first. */
    public function title(): string
    {
        return self::titleOf($this->then);
    }

    public static function titleOf(Rig $rig): string
    {
        return ($rig->camera->name ?? 'Camera').' · '.AsEngraved::title($rig);
    }
}
