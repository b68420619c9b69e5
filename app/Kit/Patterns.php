<?php

declare(strict_types=1);

namespace App\Kit;

/** Generic parts to begin from, described by what they are and their measures. */
final class Patterns
{
    /** @return list<array{id: string, group: string, name: string, text: string, ask: list<string>, parts: list<array<string, mixed>>}> */
    public static function all(): array
    {
        /** @var list<array{id: string, group: string, name: string, text: string, ask: list<string>, parts: list<array<string, mixed>>}> $patterns */
        $patterns = json_decode((string) file_get_contents(database_path('patterns.json')), true, 64, JSON_THROW_ON_ERROR);

        return $patterns;
    }

    /** @return list<array<string, mixed>> the parts of one pattern; none where there is no such */
    public static function parts(string $id): array
    {
        return array_column(self::all(), 'parts', 'id')[$id] ?? [];
    }
}
