<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * Passwords that guessing begins with: those on the shipped list (database/common-passwords.txt, made by bin/passwords.mjs from the same
 * package whose estimator the screens use), the same with something put before or after, words of the list repeated, rows of keys,
 * and the person's own name or address.
 */
final class CommonPasswords
{
    /** Rows of keys and letters that fingers run along. */
    private const ROWS = ['qwertyuiop', 'asdfghjkl', 'zxcvbnm', 'abcdefghijklmnopqrstuvwxyz', '01234567890', '1q2w3e4r5t6z7u8i9o0p', '1q2w3e4r5t6y7u8i9o0p', 'qazwsxedcrfvtgbyhnujmikolp'];

    /** @var array<string, true>|null */
    private static ?array $list = null;

    /** @param  list<string>  $about  what anybody knows of the person: name, address, this application's name */
    public static function contain(string $password, array $about = []): bool
    {
        $plain = mb_strtolower($password);
        $bare = preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $plain) ?? '';
        foreach (array_unique([$plain, $bare, strtr($bare, ['0' => 'o', '1' => 'l', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's'])]) as $form) {
            if ($form === '' || isset(self::list()[$form]) || self::repeats($form) || self::runs($form)) {
                return true;
            }
        }
        // What is left when names are taken out has to be a password by itself.
        foreach ($about as $known) {
            foreach (preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($known), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
                if (mb_strlen($word) >= 4 && str_contains($plain, $word) && mb_strlen(str_replace($word, '', $plain)) < 8) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The same few letters, or a word of the list, again and again. */
    private static function repeats(string $text): bool
    {
        $letters = mb_str_split($text);
        if (count(array_unique($letters)) < 5) {
            return true;
        }
        for ($length = 1; $length * 2 <= count($letters); $length++) {
            $once = mb_substr($text, 0, $length);
            if (count($letters) % $length === 0 && $text === str_repeat($once, intdiv(count($letters), $length)) && ($length < 6 || isset(self::list()[$once]))) {
                return true;
            }
        }

        return false;
    }

    /** Along rows of keys, forwards or backwards, for all but three of its letters. */
    private static function runs(string $text): bool
    {
        $left = $text;
        foreach (self::ROWS as $row) {
            foreach ([$row, strrev($row)] as $way) {
                for ($length = strlen($way); $length >= 4; $length--) {
                    for ($from = 0; $from + $length <= strlen($way); $from++) {
                        $left = str_replace(substr($way, $from, $length), '', $left);
                    }
                }
            }
        }

        return mb_strlen($left) <= 3;
    }

    /** @return array<string, true> */
    private static function list(): array
    {
        return self::$list ??= array_fill_keys(file(database_path('common-passwords.txt'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [], true);
    }
}
