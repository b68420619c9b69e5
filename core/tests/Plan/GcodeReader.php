<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

/**
 * Reads a program as a controller of RS-274 would: a block a line, words of a letter and a number, comments in brackets, units and way of
 * counting before the first move, a feed with or before it, a trigger that is let go before anything moves, and an end.
 */
final class GcodeReader
{
    /** @var list<string> */
    public array $faults = [];

    /** @var list<float> where it stood when the trigger was pressed */
    public array $framesMm = [];

    public float $leastMm = 0.0;

    public float $waitsS = 0.0;

    public static function run(string $text, string $press = 'M3', string $release = 'M5'): self
    {
        $self = new self;
        $x = null;
        $feed = null;
        $isMetric = $isAbsolute = $isPressed = $hasEnded = false;
        foreach (explode("\n", rtrim($text, "\n")) as $n => $line) {
            $fault = static fn (string $what): string => 'line '.($n + 1).': '.$what.': '.$line;
            if ($hasEnded) {
                $self->faults[] = $fault('stands behind the end');
            }
            if (preg_match('/[^\x20-\x7E]/', $line) === 1 || strlen($line) > 256) {
                $self->faults[] = $fault('is no line that a controller takes');
            }
            $bare = preg_replace('/\([^()]*\)/', '', $line) ?? '';
            if (preg_match('/[()]/', $bare) === 1) {
                $self->faults[] = $fault('has a bracket too many');
            }
            $bare = str_replace(' ', '', $bare);
            if ($bare === '') {
                continue;
            }
            if (preg_match('/^(?:[A-Z]-?\d+(?:\.\d+)?)+$/D', $bare) !== 1) {
                $self->faults[] = $fault('has no words of a letter and a number');

                continue;
            }
            preg_match_all('/([A-Z])(-?\d+(?:\.\d+)?)/', $bare, $found, PREG_SET_ORDER);
            $words = [];
            foreach ($found as [, $letter, $number]) {
                if (isset($words[$letter])) {
                    $self->faults[] = $fault('has a word twice');
                }
                $words[$letter] = $number;
            }
            $command = isset($words['G']) ? 'G'.$words['G'] : (isset($words['M']) ? 'M'.$words['M'] : '');
            $takes = match ($command) {
                'G1' => ['G', 'X', 'F'],
                'G4' => ['G', 'P'],
                'G21', 'G90' => ['G'],
                $press, $release, 'M2' => ['M'],
                default => [],
            };
            if (array_diff(array_keys($words), $takes) !== []) {
                $self->faults[] = $fault('has words that don’t belong together');
            }
            $feed = isset($words['F']) ? (float) $words['F'] : $feed;
            if ($command === 'G21') {
                $isMetric = true;
            } elseif ($command === 'G90') {
                $isAbsolute = true;
            } elseif ($command === 'G1') {
                if (! $isMetric || ! $isAbsolute || $feed === null || $feed <= 0.0 || $isPressed || ! isset($words['X'])) {
                    $self->faults[] = $fault('moves before all is said');
                }
                $to = (float) ($words['X'] ?? 0.0);
                if ($x !== null && $to <= $x && $self->framesMm !== []) {
                    $self->faults[] = $fault('goes back');
                }
                $x = $to;
                $self->leastMm = min($self->leastMm, $x);
            } elseif ($command === 'G4') {
                $self->waitsS += (float) ($words['P'] ?? -1.0);
            } elseif ($command === $press) {
                if ($isPressed || $x === null) {
                    $self->faults[] = $fault('is pressed twice, or nowhere');
                }
                $isPressed = true;
                $self->framesMm[] = (float) $x;
            } elseif ($command === $release) {
                if (! $isPressed) {
                    $self->faults[] = $fault('lets go of nothing');
                }
                $isPressed = false;
            } elseif ($command === 'M2') {
                $hasEnded = true;
            }
        }
        if (! $hasEnded || $isPressed) {
            $self->faults[] = 'has no end';
        }

        return $self;
    }
}
