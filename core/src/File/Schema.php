<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Kind;

/**
 * The rig and kit files as JSON Schema, draft 2020-12: written from the very shapes that files are checked by. Null is
 * the same as absent and unknown keys are allowed, as everywhere in version 1.
 */
final class Schema
{
    private const DRAFT = 'https://json-schema.org/draft/2020-12/schema';

    private const NUMBER = '(\\d{1,4}(\\.\\d{1,4})?)';

    /** @return array<string, mixed> */
    public static function rig(): array
    {
        return self::top('Rig file, version 1', RigFile::FORMAT, [
            'camera' => ['$ref' => '#/$defs/camera'],
            'chain' => ['type' => 'array', 'maxItems' => RigFile::MOST_PARTS, 'items' => ['$ref' => '#/$defs/part']],
            'conditions' => self::orNull(self::object(Shapes::conditions())),
            'subject' => self::orNull(self::object(Shapes::subject())),
        ], ['camera', 'chain']) + ['$defs' => [
            'text' => self::text(),
            'joint' => self::joint(),
            ...self::nearlyZero(),
            'camera' => self::object(Shapes::camera()),
            'part' => self::anyKind(array_filter(Kind::cases(), static fn (Kind $kind): bool => $kind->inChain()), []),
        ]];
    }

    /** @return array<string, mixed> */
    public static function kit(): array
    {
        return self::top('Kit file, version 1', KitFile::FORMAT, [
            'currency' => self::orNull(['$ref' => '#/$defs/text']),
            'cameras' => ['type' => ['array', 'null'], 'items' => ['$ref' => '#/$defs/camera']],
            'parts' => ['type' => ['array', 'null'], 'items' => ['$ref' => '#/$defs/part']],
        ], []) + ['$defs' => [
            'text' => self::text(),
            'joint' => self::joint(),
            ...self::nearlyZero(),
            'camera' => self::object([...Shapes::inKit(), ...Shapes::camera()]),
            'part' => self::anyKind(array_filter(Kind::cases(), static fn (Kind $kind): bool => $kind !== Kind::Camera), Shapes::inKit()),
        ]];
    }

    /** @return array<string, mixed> */
    public static function outing(): array
    {
        $rig = self::rig();
        $defs = is_array($rig['$defs']) ? $rig['$defs'] : [];
        $one = ['type' => 'object', 'required' => $rig['required'], 'properties' => $rig['properties']];
        $with = static function (array $object, string $name): array {
            $properties = is_array($object['properties'] ?? null) ? $object['properties'] : [];

            return ['properties' => $properties + [$name => $name === 'pinned' ? self::orNull(['$ref' => '#/$defs/rig']) : ['$ref' => '#/$defs/rig']]] + $object;
        };
        $properties = [];
        foreach (OutingShapes::outing() as $field) {
            $properties[$field->name] = $field->needed ? self::field($field) : self::orNull(self::field($field));
        }

        return self::top('Outing file, version 1', OutingFile::FORMAT, $properties + [
            'subjects' => ['type' => 'array', 'maxItems' => OutingFile::MOST_SUBJECTS, 'items' => $with(self::object(OutingShapes::subject()), 'pinned')],
            'plan' => ['type' => ['object', 'null']],
            'entries' => ['type' => ['array', 'null'], 'maxItems' => OutingFile::MOST_ENTRIES, 'items' => $with(self::object(OutingShapes::entry()), 'rig')],
        ], ['name']) + ['$defs' => ['rig' => $one] + $defs];
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $needed
     * @return array<string, mixed>
     */
    private static function top(string $title, string $format, array $properties, array $needed): array
    {
        return [
            '$schema' => self::DRAFT,
            'title' => $title,
            'description' => 'Lengths in mm, masses in g, powers in dioptres. Null or absent = not known. Unknown keys are kept.',
            'type' => 'object',
            'required' => ['format', 'version', ...$needed],
            'properties' => ['format' => ['const' => $format], 'version' => ['const' => 1], 'name' => self::orNull(['$ref' => '#/$defs/text'])] + $properties,
        ];
    }

    /**
     * A part is checked by the shape of its kind.
     *
     * @param  array<int, Kind>  $kinds
     * @param  list<Field>  $more
     * @return array<string, mixed>
     */
    private static function anyKind(array $kinds, array $more): array
    {
        $kinds = array_values($kinds);

        return [
            'type' => 'object',
            'required' => ['kind'],
            'properties' => ['kind' => ['enum' => array_map(static fn (Kind $kind): string => $kind->value, $kinds)]],
            'allOf' => array_map(static fn (Kind $kind): array => [
                'if' => ['properties' => ['kind' => ['const' => $kind->value]]],
                'then' => self::object([...$more, ...Shapes::part($kind)]),
            ], $kinds),
        ];
    }

    /**
     * @param  list<Field>  $fields
     * @return array<string, mixed>
     */
    private static function object(array $fields): array
    {
        $properties = $needed = [];
        foreach ($fields as $field) {
            $schema = self::field($field);
            if ($field->needed) {
                $needed[] = $field->name;
                $properties[$field->name] = $schema;
            } else {
                $properties[$field->name] = self::orNull($schema);
            }
        }

        return ['type' => 'object'] + ($needed === [] ? [] : ['required' => $needed]) + ['properties' => $properties];
    }

    /** @return array<string, mixed> */
    private static function field(Field $field): array
    {
        return match ($field->type) {
            FieldType::Number, FieldType::Integer => self::number($field),
            FieldType::Text => $field->greatest === (float) Field::MOST_TEXT ? ['$ref' => '#/$defs/text'] : ['maxLength' => (int) $field->greatest] + self::text(),
            FieldType::Flag => ['type' => 'boolean'],
            FieldType::Choice => ['enum' => $field->words],
            FieldType::Choices => ['anyOf' => [['enum' => $field->words], ['type' => 'array', 'items' => ['enum' => $field->words]]]],
            FieldType::Joint => ['$ref' => '#/$defs/joint'],
            FieldType::Joints => ['type' => 'array', 'maxItems' => Field::MOST_IN_LIST, 'items' => ['$ref' => '#/$defs/joint']],
            FieldType::Texts => ['type' => 'array', 'maxItems' => Field::MOST_IN_LIST, 'items' => ['maxLength' => (int) $field->greatest] + self::text()],
            FieldType::Object => self::object($field->fields),
            FieldType::Objects => ['type' => 'array', 'maxItems' => Field::MOST_IN_LIST, 'items' => self::object($field->fields)],
            FieldType::HalfWidths => ['type' => 'object', 'additionalProperties' => ['type' => 'number', 'minimum' => 0, 'maximum' => 1_000_000]],
        };
    }

    /** @return array<string, mixed> */
    private static function number(Field $field): array
    {
        $plain = static fn (?float $value): int|float|null => $value !== null && $value === floor($value) ? (int) $value : $value;

        return ['type' => $field->type === FieldType::Integer ? 'integer' : 'number']
            + array_filter([
                'minimum' => $plain($field->least),
                'maximum' => $plain($field->greatest),
            ], static fn (int|float|null $value): bool => $value !== null)
            // What is nearer to 0 than that is 0 or nothing.
            + ($field->type === FieldType::Number && ($field->least ?? 0.0) <= 0.0
                ? ['not' => ['$ref' => $field->notZero ? '#/$defs/zeroOrNearly' : '#/$defs/nearlyZero']]
                : []);
    }

    /** @return array<string, mixed> what a number that may be 0 can't be, and what one that can't be 0 can't be either */
    private static function nearlyZero(): array
    {
        $near = ['type' => 'number', 'exclusiveMinimum' => -Field::LEAST_NUMBER, 'exclusiveMaximum' => Field::LEAST_NUMBER];

        return ['nearlyZero' => $near + ['not' => ['const' => 0]], 'zeroOrNearly' => $near];
    }

    /** @return array<string, mixed> */
    private static function text(): array
    {
        return ['type' => 'string', 'maxLength' => Field::MOST_TEXT, 'pattern' => '^[^\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F\\x7F]*$'];
    }

    /** @return array<string, mixed> */
    private static function joint(): array
    {
        return ['type' => 'string', 'pattern' => '^\\s*(thread:'.self::NUMBER.'x'.self::NUMBER.'(tpi)?|[\\p{L}\\p{N}][\\p{L}\\p{N} ._+-]{0,59})\\s*$'];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function orNull(array $schema): array
    {
        if (isset($schema['type']) && is_string($schema['type'])) {
            return ['type' => [$schema['type'], 'null']] + $schema;
        }

        return ['anyOf' => [['type' => 'null'], $schema]];
    }
}
