<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Owned;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Settling;

/** Kit files, version 1: everything a person owns, as checked fields. */
final readonly class KitFile
{
    public const FORMAT = 'zinc-thimble/kit';

    private const KNOWN = ['format', 'version', 'name', 'currency', 'cameras', 'parts'];

    /**
     * @param  list<KitItem>  $items  cameras first
     * @param  array<string, mixed>  $extra  unknown keys
     */
    public function __construct(
        public ?string $name,
        public ?string $currency,
        public array $items,
        public array $extra = [],
    ) {
    }

    /** @throws FileInvalid with every fault and its place */
    public static function parse(string $json): self
    {
        return self::read(Json::read($json));
    }

    /** @throws FileInvalid with every fault and its place */
    public static function read(mixed $value): self
    {
        $check = new Check;
        if (! $value instanceof \stdClass) {
            throw FileInvalid::at('', 'should be one JSON object');
        }
        Sound::check($value, $check);
        $check->throwIfFaulty();
        if (($value->format ?? null) !== self::FORMAT) {
            $check->fault('/format', 'should be "'.self::FORMAT.'"');
        }
        if (($value->version ?? null) !== 1) {
            $check->fault('/version', 'should be 1');
        }
        $top = $check->object($value, [Field::text('name'), Field::text('currency')], '');
        $items = [];
        foreach ($check->list($value->cameras ?? [], '/cameras') as $i => $camera) {
            $items[] = self::item($camera, '/cameras/'.$i, $check, Kind::Camera);
        }
        foreach ($check->list($value->parts ?? [], '/parts') as $i => $part) {
            $items[] = self::item($part, '/parts/'.$i, $check, null);
        }
        self::sameNames($items, $check);
        $check->throwIfFaulty();
        $name = $top['name'] ?? null;
        $currency = $top['currency'] ?? null;

        return new self(
            is_string($name) ? $name : null,
            is_string($currency) ? $currency : null,
            array_values(array_filter($items)),
            array_diff_key($top, array_flip(self::KNOWN)),
        );
    }

    /**
     * What is in it, as things.
     *
     * @throws InvalidFigure names the field that no such thing can have; a file that was read has none
     */
    public function kit(): Kit
    {
        return new Kit($this->name, array_map(static fn (KitItem $item): Owned => Owned::from($item->kind, new Values($item->fields)), $this->items));
    }

    /** As pretty-printed JSON, UTF-8; the same kit gives the same bytes. */
    public function write(): string
    {
        return Json::write($this->document());
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        $cameras = [];
        $parts = [];
        foreach ($this->items as $item) {
            if ($item->kind === Kind::Camera) {
                $cameras[] = $item->fields;
            } else {
                $parts[] = ['kind' => $item->kind->value] + $item->fields;
            }
        }

        return ['format' => self::FORMAT, 'version' => 1]
            + array_filter(['name' => $this->name, 'currency' => $this->currency], static fn (?string $text): bool => $text !== null)
            + ['cameras' => $cameras, 'parts' => $parts]
            + $this->extra;
    }

    private static function item(mixed $value, string $pointer, Check $check, ?Kind $kind): ?KitItem
    {
        $before = count($check->faults());
        if ($kind === null) {
            $word = $value instanceof \stdClass ? ($value->kind ?? null) : null;
            $kind = is_string($word) ? Kind::tryFrom($word) : null;
            if ($kind === null || $kind === Kind::Camera) {
                $check->fault($pointer.'/kind', $word === null ? 'is needed and missing' : 'is no kind of part');

                return null;
            }
        }
        $fields = $check->object($value, [...Shapes::inKit(), ...Shapes::part($kind)], $pointer, Shapes::elsewhere($kind));
        unset($fields['kind']);
        if (count($check->faults()) > $before) {
            return null;
        }
        try {
            $thing = Owned::from($kind, new Values($fields))->thing;
            if ($thing instanceof Lens) {
                self::canBeSettled($thing);
            }
        } catch (InvalidFigure $fault) {
            $check->fault($pointer.'/'.str_replace('.', '/', $fault->field), substr($fault->getMessage(), strlen($fault->field) + 2));

            return null;
        }

        return new KitItem($kind, $fields);
    }

    /** @throws InvalidFigure names the field of a lens whose figures no lens can have, at any station */
    private static function canBeSettled(Lens $lens): void
    {
        foreach ($lens->isZoom() ? $lens->stations : [$lens->figures] as $station) {
            Settling::settle($lens, $station->focalLengthMm);
        }
    }

    /** @param  list<?KitItem>  $items */
    private static function sameNames(array $items, Check $check): void
    {
        $ids = [];
        foreach ($items as $i => $item) {
            $id = $item?->fields['id'] ?? null;
            if (is_string($id)) {
                if (isset($ids[$id])) {
                    $check->fault('/parts/'.$i.'/id', 'is the id of another part too');
                }
                $ids[$id] = true;
            }
        }
        foreach ($items as $i => $item) {
            $married = $item?->fields['marriedTo'] ?? null;
            if (is_string($married) && ! isset($ids[$married])) {
                $check->fault('/parts/'.$i.'/marriedTo', 'names no part of this kit');
            }
        }
    }
}
