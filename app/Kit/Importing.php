<?php

declare(strict_types=1);

namespace App\Kit;

use App\Http\Resources\ImportRow;
use App\Http\Resources\ImportView;
use App\Models\Kit;
use App\Models\Part;
use ZincThimble\Core\File\Fault;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitCsv;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\KitItem;

/** What a file would change in a kit, shown before it does, and done all or not at all. */
final class Importing
{
    public function __construct(private readonly KitStore $store)
    {
    }

    public function preview(Kit $kit, string $text, string $as): ImportView
    {
        try {
            $file = $this->read($text, $as);
        } catch (FileInvalid $invalid) {
            return new ImportView($kit->revision, 0, 0, 0, count($invalid->faults), array_map(
                static fn (Fault $fault): ImportRow => self::refused($fault, $as), array_slice($invalid->faults, 0, 500),
            ));
        }
        $rows = [];
        $counts = ['new' => 0, 'same' => 0, 'different' => 0];
        foreach ($this->matched($kit, $file) as [$item, $match]) {
            $changed = $match === null ? [] : $this->changed($item, $match);
            $what = $match === null ? 'new' : ($changed === [] ? 'same' : 'different');
            $counts[$what]++;
            $rows[] = new ImportRow($what, self::name($item), $item->kind, $changed === [] ? '' : implode(', ', $changed), null, null);
        }

        return new ImportView($kit->revision, $counts['new'], $counts['same'], $counts['different'], 0, $rows);
    }

    /** @throws FileInvalid and then nothing is changed */
    public function take(Kit $kit, int $revision, string $text, string $as): Kit
    {
        $file = $this->read($text, $as);
        $items = array_values(array_filter($this->matched($kit, $file), fn (array $each): bool => $each[1] === null || $this->changed(...$each) !== []));

        return $this->store->import($kit, $revision, $items, 'take in '.count($items).' parts from a file');
    }

    private function read(string $text, string $as): KitFile
    {
        return $as === 'csv' ? KitCsv::parse($text) : KitFile::parse($text);
    }

    /**
     * By their short name in files; without one, by kind and name.
     *
     * @return list<array{KitItem, ?Part}>
     */
    private function matched(Kit $kit, KitFile $file): array
    {
        $byRef = $byName = [];
        foreach ($kit->parts as $part) {
            $byRef[(string) $part->ref] = $part;
            $byName[$part->kind."\0".$part->name] ??= $part;
        }
        $matched = [];
        $used = [];
        foreach ($file->items as $item) {
            $ref = $item->fields['id'] ?? null;
            $name = $item->fields['name'] ?? null;
            $match = is_string($ref) ? $byRef[$ref] ?? null : (is_string($name) ? $byName[$item->kind->value."\0".$name] ?? null : null);
            if ($match !== null && ($match->kind !== $item->kind->value || isset($used[$match->id]))) {
                $match = null;
            }
            if ($match !== null) {
                $used[$match->id] = true;
            }
            $matched[] = [$item, $match];
        }

        return $matched;
    }

    /** @return list<string> labels of the fields that differ */
    private function changed(KitItem $item, Part $part): array
    {
        $old = get_object_vars($part->document);
        $new = ['id' => $part->ref] + $item->fields;
        unset($old['id'], $new['id']);
        $changed = [];
        foreach (array_keys($old + $new) as $field) {
            if (self::same($old[$field] ?? null, $new[$field] ?? null)) {
                continue;
            }
            $changed[] = FieldGuide::orName($item->kind, $field)['label'];
        }

        return $changed;
    }

    /** The same by value: the order of keys and 1 against 1.0 are no difference. */
    private static function same(mixed $one, mixed $other): bool
    {
        $plain = static fn (mixed $value): mixed => json_decode((string) json_encode($value), true);

        return $plain($one) === $plain($other);
    }

    private static function name(KitItem $item): string
    {
        return is_string($item->fields['name'] ?? null) ? $item->fields['name'] : ucfirst($item->kind->spoken());
    }

    private static function refused(Fault $fault, string $as): ImportRow
    {
        [, $line, $column] = explode('/', $fault->pointer, 3) + ['', '', ''];
        $csv = $as === 'csv' && is_numeric($line);

        return new ImportRow('refused', '', null, $fault->message, $csv ? (int) $line : null, $csv ? $column : $fault->pointer);
    }
}
