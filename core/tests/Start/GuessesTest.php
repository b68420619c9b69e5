<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Start;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Start\Guesses;

/** A figure that somebody changed is no guess any more; what they left alone is one still. */
final class GuessesTest extends TestCase
{
    private const LENS = ['focalLengthMm' => 50, 'frontRimMm' => 38, 'minFocusMm' => 450.0, 'aperture' => ['widest' => 1.8], 'guessed' => ['frontRimMm' => 9.5, 'minFocusMm' => 112, 'aperture.widest' => 0]];

    public function test_nothing_changed_leaves_everything_as_it_is(): void
    {
        $this->assertSame(self::LENS['guessed'], Guesses::left(self::LENS, ['frontRimMm' => 38.0, 'focalLengthMm' => 51] + self::LENS)['guessed']);
    }

    public function test_one_by_one_they_end(): void
    {
        $this->assertSame(['minFocusMm', 'aperture.widest'], array_keys(Guesses::left(self::LENS, ['frontRimMm' => 38.1] + self::LENS)['guessed']));
        $this->assertSame(['frontRimMm', 'minFocusMm'], array_keys(Guesses::left(self::LENS, ['aperture' => ['widest' => 2]] + self::LENS)['guessed']));
        $gone = self::LENS;
        unset($gone['minFocusMm']);
        $this->assertSame(['frontRimMm', 'aperture.widest'], array_keys(Guesses::left(self::LENS, $gone)['guessed']), 'what is left out is not guessed either');
        $this->assertArrayNotHasKey('guessed', Guesses::left(self::LENS, ['frontRimMm' => 1, 'minFocusMm' => 2, 'aperture' => ['widest' => 3]] + self::LENS));
    }

    public function test_of_a_zoom_each_end_by_itself_and_what_an_end_leaves_out_by_the_lens(): void
    {
        $zoom = ['frontRimMm' => 90, 'guessed' => ['frontRimMm' => 20], 'stations' => [
            ['focalLengthMm' => 24, 'maxMagnification' => 0.1, 'guessed' => ['frontRimMm' => 20, 'maxMagnification' => 0.03]],
            ['focalLengthMm' => 70, 'maxMagnification' => 0.22, 'guessed' => ['frontRimMm' => 20, 'maxMagnification' => 0.08]],
        ]];
        $after = $zoom;
        $after['stations'][1]['maxMagnification'] = 0.25;
        $left = Guesses::left($zoom, $after);
        $this->assertSame(['frontRimMm', 'maxMagnification'], array_keys($left['stations'][0]['guessed']));
        $this->assertSame(['frontRimMm'], array_keys($left['stations'][1]['guessed']));
        $after['frontRimMm'] = 95;
        $left = Guesses::left($zoom, $after);
        $this->assertArrayNotHasKey('guessed', $left);
        $this->assertSame([['maxMagnification'], null], [array_keys($left['stations'][0]['guessed']), $left['stations'][1]['guessed'] ?? null]);
    }

    public function test_what_was_known_is_not_guessed_again(): void
    {
        $this->assertSame(['minFocusMm' => 112], Guesses::left(['guessed' => ['minFocusMm' => 112]] + self::LENS, self::LENS)['guessed']);
    }

    public function test_other_parts_pass_through(): void
    {
        $this->assertSame(['lengthMm' => 10], Guesses::left(['lengthMm' => 9], ['lengthMm' => 10]));
    }
}
