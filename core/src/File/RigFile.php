<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\MarkedStops;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Settling;
use ZincThimble\Core\Rig\Subject;

/** Rig files, version 1: in and out. */
final class RigFile
{
    public const FORMAT = 'zinc-thimble/rig';

    /** A chain longer than this is a mistake: nobody mounts half of it. */
    public const MOST_PARTS = 100;

    private const KNOWN = ['format', 'version', 'name', 'camera', 'chain', 'conditions', 'subject'];

    /** @throws FileInvalid with every fault and its place */
    public static function parse(string $json): Rig
    {
        return self::read(Json::read($json));
    }

    /**
     * @param  mixed  $value  as decoded, objects as stdClass
     *
     * @throws FileInvalid with every fault and its place
     */
    public static function read(mixed $value): Rig
    {
        $check = new Check;
        $rig = self::checked($value, $check);
        if ($rig === null) {
            $check->throwIfFaulty();
            throw FileInvalid::at('', 'can not be read');
        }

        return $rig;
    }

    /** As pretty-printed JSON, UTF-8; the same rig gives the same bytes. */
    public static function write(Rig $rig): string
    {
        return Json::write(self::document($rig));
    }

    /** @return array<string, mixed> in the order of the format, unknown keys last */
    public static function document(Rig $rig): array
    {
        $chain = self::chain($rig);
        $document = ['format' => self::FORMAT, 'version' => 1];
        if ($rig->name !== null) {
            $document['name'] = $rig->name;
        }
        $document['camera'] = $rig->camera->document->fields;
        $document['chain'] = $chain;
        if ($rig->conditions->document->fields !== []) {
            $document['conditions'] = $rig->conditions->document->fields;
        }
        if ($rig->subject !== null) {
            $document['subject'] = $rig->subject->document->fields === [] ? new \stdClass : $rig->subject->document->fields;
        }

        return $document + $rig->extra;
    }

    /** @return list<array<string, mixed>> the parts, each with how it is set here */
    public static function chain(Rig $rig): array
    {
        $chain = [];
        foreach ($rig->chain as $i => $part) {
            $chain[] = self::partDocument($rig, $i, $part);
        }

        return $chain;
    }

    /**
     * A part's own fields with how it is set here.
     *
     * @return array<string, mixed>
     */
    public static function partDocument(Rig $rig, int $i, Part $part): array
    {
        $fields = $part->document->fields;
        if ($part instanceof VariableSpacer) {
            unset($fields['setMm'], $fields['swingDeg'], $fields['shiftMm'], $fields['plateTurned']);
            $fields += array_filter([
                'setMm' => self::plain($rig->setting->lengthMm[$i] ?? null),
                'swingDeg' => self::plain($rig->setting->swingDeg[$i] ?? null),
                'shiftMm' => self::plain($rig->setting->shiftMm[$i] ?? null),
                'plateTurned' => $part instanceof Bellows && ($rig->setting->makeshift[$i] ?? false) ? true : null,
            ], static fn (mixed $item): bool => $item !== null);
        }
        if ($part->kind === Kind::CloseUpLens) {
            unset($fields['taped']);
            $fields += ($rig->setting->makeshift[$i] ?? false) ? ['taped' => true] : [];
        }
        if ($part->kind === Kind::Lens) {
            $set = new Values(is_array($fields['set'] ?? null) ? $part->document->object('set')->fields : []);
            $own = array_filter([
                'focus' => self::plain($rig->setting->focus[$i] ?? null),
                'aperture' => self::plain($rig->setting->aperture[$i] ?? null),
                'zoomMm' => self::plain($rig->setting->zoomMm[$i] ?? null),
                'working' => $rig->setting->working === $i ? true : null,
                'makeshift' => ($rig->setting->makeshift[$i] ?? false) ? true : null,
            ], static fn (mixed $item): bool => $item !== null);
            $own += array_diff_key($set->fields, ['focus' => 0, 'aperture' => 0, 'zoomMm' => 0, 'working' => 0, 'makeshift' => 0]);
            unset($fields['set']);
            if ($own !== []) {
                $fields['set'] = $own;
            }
        }

        return ['kind' => $part->kind->value] + Order::of($fields, Shapes::part($part->kind));
    }

    private static function checked(mixed $value, Check $check): ?Rig
    {
        if (! $value instanceof \stdClass) {
            $check->fault('', 'should be one JSON object');

            return null;
        }
        Sound::check($value, $check);
        if ($check->faults() !== []) {
            return null;
        }
        self::head($value, self::FORMAT, $check);
        $top = $check->object($value, [Field::text('name')], '');
        $camera = isset($value->camera)
            ? $check->object($value->camera, Shapes::camera(), '/camera')
            : self::missing($check, '/camera');
        $parts = isset($value->chain) ? $check->list($value->chain, '/chain') : self::missing($check, '/chain');
        if (count($parts) > self::MOST_PARTS) {
            $check->fault('/chain', 'has more than '.self::MOST_PARTS.' parts');
            $parts = [];
        }
        $chain = [];
        foreach ($parts as $i => $part) {
            $chain[] = self::part($part, '/chain/'.$i, $check);
        }
        $conditions = isset($value->conditions) ? $check->object($value->conditions, Shapes::conditions(), '/conditions') : [];
        $subject = isset($value->subject) ? $check->object($value->subject, Shapes::subject(), '/subject') : null;
        if ($check->faults() !== []) {
            return null;
        }

        $made = [];
        foreach ($chain as $i => [$kind, $fields]) {
            try {
                $made[] = Parts::make($kind, new Values($fields));
            } catch (InvalidFigure $fault) {
                $check->fault('/chain/'.$i.'/'.str_replace('.', '/', $fault->field), self::reason($fault));
            }
        }
        if ($check->faults() !== []) {
            return null;
        }
        $setting = self::setting($made, $check);
        $mode = $conditions['mode'] ?? null;
        $body = Camera::from(new Values($camera));
        if (is_string($mode) && $body->frame($mode)->name !== $mode) {
            $check->fault('/conditions/mode', 'the camera has no mode of that name');
        }
        self::lensesSettle($made, $setting, $check);
        if ($check->faults() !== []) {
            return null;
        }
        $name = $top['name'] ?? null;
        try {
            $rig = Rig::of(
                $body,
                $made,
                $setting,
                Conditions::from(new Values($conditions)),
                $subject === null ? null : Subject::from(new Values($subject)),
                is_string($name) ? $name : null,
                array_diff_key($top, array_flip(self::KNOWN)),
            );
            self::ringsEndBefore($rig, $check);
            self::stopsAreThere($rig, $check);

            return $check->faults() === [] ? $rig : null;
        } catch (InvalidFigure $fault) {
            $check->fault('/chain', self::reason($fault));

            return null;
        }
    }

    /** @return array{Kind, array<string, mixed>} */
    private static function part(mixed $value, string $pointer, Check $check): array
    {
        $word = $value instanceof \stdClass ? ($value->kind ?? null) : null;
        $kind = is_string($word) ? Kind::tryFrom($word) : null;
        if ($value instanceof \stdClass && ($kind === null || ! $kind->inChain())) {
            $check->fault($pointer.'/kind', match (true) {
                $word === null => 'is needed and missing',
                $kind !== null => '"'.$kind->value.'" stands in no chain',
                default => (is_string($word) ? '"'.Text::cut($word, 40).'"' : 'this').' is no kind of part',
            });

            return [Kind::Tube, []];
        }
        $kind ??= Kind::Tube;
        $fields = $check->object($value, Shapes::part($kind), $pointer, Shapes::elsewhere($kind));
        unset($fields['kind']);

        return [$kind, $fields];
    }

    /** @param  list<Part>  $chain */
    private static function setting(array $chain, Check $check): Setting
    {
        $length = $focus = $aperture = $zoom = $swing = $shift = $makeshift = [];
        $working = null;
        foreach ($chain as $i => $part) {
            $values = $part->document;
            $set = $values->object('set');
            $own = $part instanceof VariableSpacer ? $values->floatOrNull('setMm') : null;
            if ($part instanceof VariableSpacer && $own !== null && ($own < $part->minMm - 1e-9 || $own > $part->maxMm + 1e-9)) {
                $check->fault('/chain/'.$i.'/setMm', sprintf('is %s, this part goes from %s to %s', $own, $part->minMm, $part->maxMm));
            }
            $length[] = $own;
            $swing[] = $part instanceof VariableSpacer ? $values->floatOrNull('swingDeg') : null;
            $shift[] = $part instanceof VariableSpacer ? $values->floatOrNull('shiftMm') : null;
            $focus[] = $set->floatOrNull('focus');
            $aperture[] = $set->floatOrNull('aperture');
            $zoom[] = $set->floatOrNull('zoomMm');
            $makeshift[] = match (true) {
                $part instanceof Bellows => $values->boolOr('plateTurned', false),
                $part instanceof CloseUpLens => $values->boolOr('taped', false),
                default => $set->boolOr('makeshift', false),
            };
            if ($set->boolOr('working', false)) {
                $working ??= $i;
            }
        }

        return new Setting($length, $focus, $aperture, $zoom, $swing, $shift, $working, $makeshift);
    }

    /** A ring that turns past infinity is set no further than it turns. */
    private static function ringsEndBefore(Rig $rig, Check $check): void
    {
        foreach ($rig->lenses as $i => $lens) {
            $least = $lens->leastFocus();
            if (($rig->setting->focus[$i] ?? 0.0) < $least - 1e-9) {
                $check->fault('/chain/'.$i.'/set/focus', sprintf('is %s, this ring goes from %.4g to 1', $rig->setting->focus[$i], $least));
            }
        }
    }

    /** An aperture that a lens hasn't got is none, a third of a stop to spare. */
    private static function stopsAreThere(Rig $rig, Check $check): void
    {
        foreach ($rig->lenses as $i => $lens) {
            $set = $rig->setting->aperture[$i] ?? null;
            if ($set !== null && ! MarkedStops::has($lens, $set)) {
                $check->fault('/chain/'.$i.'/set/aperture', sprintf('is f/%.4g, this lens has %s', $set, MarkedStops::limits($lens)));
            }
        }
    }

    private static function head(\stdClass $value, string $format, Check $check): void
    {
        if (($value->format ?? null) !== $format) {
            $check->fault('/format', 'should be "'.$format.'"');
        }
        if (($value->version ?? null) !== 1) {
            $check->fault('/version', 'should be 1');
        }
    }

    /** @return array{} */
    private static function missing(Check $check, string $pointer): array
    {
        $check->fault($pointer, 'is needed and missing');

        return [];
    }

    /** @param  list<Part>  $chain */
    private static function lensesSettle(array $chain, Setting $setting, Check $check): void
    {
        foreach ($chain as $i => $part) {
            try {
                if ($part instanceof Lens) {
                    Settling::settle($part, $setting->zoomMm[$i] ?? null);
                }
            } catch (InvalidFigure $fault) {
                $check->fault('/chain/'.$i.'/'.$fault->field, self::reason($fault));
            }
        }
    }

    private static function reason(InvalidFigure $fault): string
    {
        return substr($fault->getMessage(), strlen($fault->field) + 2);
    }

    /** Whole numbers are written without a fraction, and what is left of a 0 by rounding as 0. */
    public static function plain(?float $value): float|int|null
    {
        if ($value !== null && abs($value) < Field::LEAST_NUMBER) {
            return 0;
        }

        return $value !== null && $value === floor($value) && abs($value) < 1e15 ? (int) $value : $value;
    }
}
