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
        $thin = "\u{2009}";
        yield 'a long length' => [1234.56, 'mm', '1235'.$thin.'mm'];
        yield 'beyond ten thousand, by threes' => [1234567.0, 'mm', '1,234,567'.$thin.'mm'];
        yield 'a length' => [54.92, 'mm', '54.9'.$thin.'mm'];
        yield 'a round one' => [54.0, 'mm', '54'.$thin.'mm'];
        yield 'a short one' => [5.492, 'mm', '5.49'.$thin.'mm'];
        yield 'a thin slice' => [0.01841, 'mm', '0.018'.$thin.'mm'];
        yield 'thinner' => [0.00092, 'mm', '0.00092'.$thin.'mm'];
        yield 'nothing' => [0.0, 'mm', '0'.$thin.'mm'];
        yield 'nothing, from below' => [-0.0000001, 'mm', '0'.$thin.'mm'];
        yield 'inside' => [-13.77, 'mm', '-13.8'.$thin.'mm'];
        yield 'a magnification' => [2.0226, 'x', '2.02×'];
        yield 'a wide aperture' => [2.8, 'f', 'f/2.8'];
        yield 'a whole one' => [4.0, 'f', 'f/4'];
        yield 'a small one' => [38.476, 'f', 'f/38'];
        yield 'no stops' => [0.0, 'stops', '0 stops'];
        yield 'a third' => [0.33, 'stops', '⅓ stop'];
        yield 'one' => [1.0, 'stops', '1 stop'];
        yield 'one and two thirds' => [1.68, 'stops', '1⅔ stops'];
        yield 'gained' => [-0.66, 'stops', '−⅔ stop'];
        yield 'hardly any' => [0.1, 'stops', '0 stops'];
        yield 'an angle' => [19.6, 'deg', '20°'];
        yield 'a share' => [0.236, 'pct', '24'.$thin.'%'];
        yield 'a count' => [12345.4, 'n', '12,345'];
        yield 'a moment' => [1.234, 'nm', '1.23'.$thin.'Nm'];
        yield 'a power' => [2.0, 'd', '+2'];
        yield 'a weak one' => [-0.504, 'd', '-0.5'];
        yield 'a short time' => [0.008, 's', '1/125'.$thin.'s'];
        yield 'a long one' => [2.5, 's', '2.5'.$thin.'s'];
        yield 'no unit' => [0.5, '', '0.5'];
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
