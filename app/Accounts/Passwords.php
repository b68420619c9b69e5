<?php

declare(strict_types=1);

namespace App\Accounts;

/** What a new password has to be (OWASP ASVS 4, V2.1): long, whole, and none that guessing begins with. */
final class Passwords
{
    /** Code points. */
    public const LEAST = 12;

    public const MOST = 200;

    /**
     * @param  list<mixed>  $about  what anybody knows of the person: name, address
     * @return list<mixed> validation rules
     */
    public static function rules(array $about): array
    {
        return ['required', 'string', 'min:'.self::LEAST, 'max:'.self::MOST, static function (string $field, mixed $value, \Closure $fail) use ($about): void {
            if (is_string($value) && CommonPasswords::contain($value, ['zinc thimble', ...array_values(array_filter($about, is_string(...)))])) {
                $fail('This one is among the first that somebody would guess. Take a few words that don’t belong together.');
            }
        }];
    }
}
