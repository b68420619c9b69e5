<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Phrase;

/** Numbers in sentences: the digits they deserve, and their units. */
final class PhraseTest extends TestCase
{
    /** @return iterable<string, array{float, string, string}> */
    public static function figures(): iterable
    {
        // The same table holds what the screen says (resources/app/ui/figures.test.ts).
        foreach (json_decode((string) file_get_contents(__DIR__.'/../cases/phrases.json'), true, 8, JSON_THROW_ON_ERROR) as [$what, $value, $unit, $said]) {
            yield $what => [(float) $value, $unit, $said];
        }
    }

    #[DataProvider('figures')]
    public function test_a_figure_has_the_digits_it_deserves(float $value, string $unit, string $said): void
    {
        $this->assertSame($said, Phrase::figure($value, $unit));
    }

    public function test_a_sentence_takes_its_numbers_and_words_in(): void
    {
        $said = Phrase::say('{part} stands {room:mm} off, {what}; {missing:mm}.', ['part' => 'Tube 9', 'room' => 12.34, 'what' => 'at {room:mm}']);
        // What is put in is not looked through again, and what isn't there stays empty.
        $this->assertSame("Tube 9 stands 12.3\u{2009}mm off, at {room:mm}; .", $said);
    }

    public function test_no_digit_is_lost_or_made_up_by_more_than_half_of_the_last_one(): void
    {
        for ($k = -40; $k <= 60; $k++) {
            $value = 1.2345678 * 10 ** ($k / 10);
            $said = (float) str_replace(',', '', Phrase::digits($value));
            $this->assertEqualsWithDelta($value, $said, max(0.051 * $value, 5e-7), (string) $value);
            $this->assertSame('-'.Phrase::digits($value), Phrase::digits(-$value));
        }
    }
}
