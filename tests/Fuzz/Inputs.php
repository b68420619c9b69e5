<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Things nobody should send, from a seed: values, documents close to right ones, files, bytes. */
final class Inputs
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function below(int $most): int
    {
        return $this->random->getInt(0, $most - 1);
    }

    public function chance(float $share): bool
    {
        return $this->random->getInt(0, 999_999) < $share * 1_000_000;
    }

    /**
     * @template T
     *
     * @param  non-empty-array<T>  $items
     * @return T
     */
    public function pick(array $items): mixed
    {
        return array_values($items)[$this->below(count($items))];
    }

    /** A value as JSON text: what is no number of PHP's can be sent all the same. */
    public function value(int $depth = 0): string
    {
        return match ($this->below($depth > 3 ? 10 : 13)) {
            0 => 'null', 1 => 'true', 2 => 'false',
            3, 4 => $this->number(),
            5, 6, 7 => json_encode($this->text(), JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE) ?: '""',
            8 => '[]', 9 => '{}',
            10 => '['.implode(',', array_map(fn (): string => $this->value($depth + 1), range(0, $this->below(4)))).']',
            11 => '{'.implode(',', array_map(fn (): string => $this->key().':'.$this->value($depth + 1), range(0, $this->below(4)))).'}',
            default => str_repeat('[', $n = $this->below(200)).str_repeat(']', $n),
        };
    }

    public function number(): string
    {
        return $this->pick(['0', '-0', '1', '-1', '0.1', '1e-9', '1e-10', '1e-300', '1e-320', '5e-324', '1e300', '1.7976931348623157e308', '1e400', '-1e400', '3000', '3000.0000001', '2147483648', '9223372036854775807', '9223372036854775808', '99999999999999999999', '-9223372036854775808', '0.5', '256', '256.0001', (string) $this->below(100), (string) ($this->below(10000) / 7)]);
    }

    public function text(): string
    {
        return $this->pick([
            '', ' ', 'x', "\0", "a\0b", "\x07", "\u{202e}odd", "\u{FEFF}", str_repeat('x', 121), str_repeat('é', 2001), str_repeat("e\u{0301}", 1001), str_repeat('葉', 300), '<script>alert(1)</script>',
            "'; drop table rigs; --", '../../etc/passwd', '%s%s%n', '=1+1', '{{7*7}}', '${x}', 'thread:42x1', 'thread:42x0', 'thread:0x0', 'thread:9999.9999x9999', 'clip', 'improvised', 'larch', 'lens', 'camera', 'tube',
            '1', '-1', '1e999', 'NaN', 'null', '2.focus', '0.length', '99999999999999999999.focus', "\xC3\x28", 'Ａ', json_encode(['a' => 1]) ?: '', 'zinc-thimble/rig', str_repeat('[', 80),
        ]);
    }

    public function key(): string
    {
        return json_encode($this->pick(['a', '', '__proto__', 'kitPart', 'measured', 'kind', 'set', 'name', "nul\0", str_repeat('k', 300), 'é', '0', 'minMm', 'aperture', 'stations']), JSON_THROW_ON_ERROR);
    }

    /** A document as JSON text, some of its values changed, dropped, doubled or grown. */
    public function spoilt(mixed $document): string
    {
        $text = json_encode($document, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
        $changes = 1 + $this->below(3);
        for ($n = 0; $n < $changes; $n++) {
            // A value somewhere: a number, a text, a list, an object.
            if (preg_match_all('/:("(?:[^"\\\\]|\\\\.)*"|-?\d[\d.eE+-]*|true|false|null|\{|\[)/', $text, $found, PREG_OFFSET_CAPTURE) < 1) {
                return $this->value();
            }
            [$value, $at] = $this->pick($found[1]);
            $new = $this->value();
            $text = match (true) {
                // The start of something larger: another key before it, or broken off altogether.
                $value === '{' => substr_replace($text, '{'.$this->key().':'.$new.',', $at, 1),
                $value === '[' => substr_replace($text, '['.$new.',', $at, 1),
                default => substr_replace($text, is_numeric($value) && $this->chance(0.6) ? $this->number() : $new, $at, strlen($value)),
            };
            $text = str_replace([',}', ',]'], ['}', ']'], $text);
        }

        return $this->chance(0.05) ? substr($text, 0, $this->below(max(1, strlen($text)))) : $text;
    }

    /** Bytes of a file with a few of them changed, or cut off. */
    public function bytes(string $bytes): string
    {
        for ($n = $this->below(6); $n >= 0 && $bytes !== ''; $n--) {
            $bytes[$this->below(strlen($bytes))] = chr($this->below(256));
        }

        return $this->chance(0.3) ? substr($bytes, 0, $this->below(max(1, strlen($bytes)))) : $bytes;
    }
}
