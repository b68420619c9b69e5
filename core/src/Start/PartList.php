<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/**
 * A list of parts as people write it: one a line or several with commas between, in words ("tube 10, tube 21, 58 mm f/2 M42"), or rows
 * of a spreadsheet, whose heads then say what their numbers are. Taken apart here; each part is read by PartWords.
 */
final readonly class PartList
{
    /** More than anybody types in one go. */
    public const MOST = 200;

    private const LONGEST_LINE = 400;

    /** What a head of a column says of the numbers below it: how they would stand in words. */
    private const HEADS = [
        '/^(count|number|qty|quantity|pieces|how many|n)$/' => '%s x ', '/(price|cost|paid|worth|value|eur|usd)/' => ' %s eur ', '/(weight|mass)/' => ' %s g ', '/(focal|^f$|^mm$)/' => ' %s mm ',
        '/(aperture|f-?number|widest|^f\/)/' => ' f/%s ', '/(dioptre|diopter|power|strength)/' => ' +%s ', '/(closest|near)/' => ' to %s m ', '/(magnif|reproduction)/' => ' up to %sx ', '/(length|long|thick)/' => ' %s mm ',
        '/(thread|filter)/' => ' %s ', '/register/' => ' register %s ',
    ];

    /**
     * @param  list<string>  $joints  names of bayonets that the person has
     * @param  ?string  $joint  what the person's camera ends in: taken where a part tells no joint
     * @return list<PartLine>
     */
    public static function read(string $text, array $joints = [], ?string $joint = null): array
    {
        $lines = preg_split('/\R/u', $text) ?: [];
        $heads = self::heads($lines);
        $read = [];
        foreach ($lines as $at => $line) {
            if ($heads !== null && $at === $heads[0]) {
                continue;
            }
            $before = null;
            foreach (self::entries($heads === null ? $line : self::worded($line, $heads[1])) as $entry) {
                if (count($read) >= self::MOST) {
                    return [...$read, new PartLine($at + 1, '', null, trouble: 'These are '.self::MOST.' parts; take them in first, and go on from here.')];
                }
                // "tubes 10, 20, 30": a number alone is one more of what stood before it.
                $whole = $before !== null && preg_match('/^\d+(\.\d+)?( ?mm)?$/u', $entry) === 1 ? $before.' '.$entry : $entry;
                $words = new PartWords($whole, $joints, $joint);
                $read[] = $words->read($at + 1);
                $before = $words->plural() ?? $before;
            }
        }

        return $read;
    }

    /** @return list<string> the parts of one line */
    private static function entries(string $line): array
    {
        $line = trim(mb_substr((string) preg_replace('/[\t\x{00A0}\x{2009}\x{202F} ]+/u', ' ', $line), 0, self::LONGEST_LINE));
        // Bullets and numbers of a list; then the comma of a decimal is a point, the others part.
        $line = (string) preg_replace('/^([-*•·]|\d{1,3}[.)])\s+/u', '', $line);
        $line = (string) preg_replace('/(?<![\d,])(\d+),(\d)(?![\d,])/u', '$1.$2', $line);
        $parts = preg_split('/\s*[;,]\s*|\s+\+\s+(?=\D|\d+\s*(?:,|$|\+\s))|\s+and\s+(?=(?:a |an |the )?\D)/u', $line) ?: [];

        return array_values(array_filter(array_map(trim(...), $parts), static fn (string $part): bool => $part !== ''));
    }

    /**
     * The heads of a table: its first line, when it has tabs and no number.
     *
     * @param  list<string>  $lines
     * @return ?array{int, list<string>} where it stands, and the heads
     */
    private static function heads(array $lines): ?array
    {
        foreach ($lines as $at => $line) {
            if (trim($line) === '') {
                continue;
            }
            $cells = array_map(static fn (string $cell): string => mb_strtolower(trim($cell)), explode("\t", $line));

            return count($cells) > 1 && preg_match('/\d/', $line) === 0 ? [$at, $cells] : null;
        }

        return null;
    }

    /** @param  list<string>  $heads */
    private static function worded(string $row, array $heads): string
    {
        $words = '';
        foreach (explode("\t", $row) as $at => $cell) {
            $cell = trim(str_replace([',', ';'], ['.', ' '], $cell));
            $pattern = '%s ';
            foreach (self::HEADS as $head => $as) {
                if ($cell !== '' && is_numeric($cell) && preg_match($head, $heads[$at] ?? '') === 1) {
                    $pattern = $as;
                    break;
                }
            }
            // How many stands in front of everything.
            $words = $pattern === '%s x ' ? sprintf($pattern, $cell).$words : $words.sprintf($pattern, $cell);
        }

        return trim($words);
    }
}
