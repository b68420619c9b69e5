<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Mend;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Tests\RigMaker;

/** What somebody reads when a mistake is caught: how bad it is, which part it is about, the whole sentence with its numbers, and what the buttons say. */
final class SentencesTest extends TestCase
{
    /** @return array<string, array{string, int|null, string, list<string>}> severity, part, sentence, buttons, by the rig of MendingTest */
    private static function said(): array
    {
        return [
            'a screw lens on a bayonet, an adapter in the kit' => [
                'stop',
                0,
                'Body ends in larch, Fifty begins with 39 × 26 tpi. They don’t go together without an adapter.',
                ['Put in Larch to 39'],
            ],
            'threads that look alike' => [
                'stop',
                1,
                'Fifty ends in M52×0.75, Close-up begins with M52×0.5: same diameter, different pitch. They start, bind and are ruined. Don’t force them.',
                ['Tape Close-up on', 'Take off Close-up'],
            ],
            'too much tube for a short lens' => [
                'stop',
                null,
                "Focus falls 53.2\u{2009}mm behind the front of the rig: nothing can stand there. Take off 52.8\u{2009}mm of extension or more; the longest that works is 9.22\u{2009}mm.",
                ['Take off all tubes'],
            ],
            'bellows too long for a short lens' => [
                'stop',
                null,
                "Focus falls 16.8\u{2009}mm behind the front of the rig: nothing can stand there. Take off 110\u{2009}mm of extension or more; the longest that works is 50\u{2009}mm.",
                ["Set it to 36\u{2009}mm"],
            ],
            'a converter in front of a tube' => [
                'stop',
                1,
                'Converter is worked out only directly at the camera. Put it there, or take it off.',
                ['Take off Tube', 'Take off Converter'],
            ],
            'a lever nobody works' => [
                'stop',
                1,
                'The aperture of Fifty stays closed at f/22: nothing here works its lever.',
                ['Wedge or tape the lever of Fifty', 'Turn Fifty round'],
            ],
            'a grip against the rail' => [
                'stop',
                0,
                "The camera’s grip meets the rail of Bellows. It needs 20\u{2009}mm more spacer behind the bellows.",
                ['Put in Tube 25'],
            ],
            'nearly touching' => [
                'warn',
                null,
                "Only 3.02\u{2009}mm between the rig and the subject: they nearly touch.",
                ['Take off Tube 10'],
            ],
            'nearly touching in the dark' => [
                'warn',
                null,
                "Only 3.02\u{2009}mm between the rig and the subject: they nearly touch, and light gets in only below 6° over the subject plane.",
                ['Take off Tube 10'],
            ],
            'no way in for light' => [
                'warn',
                null,
                'The rig shades its subject: light gets in only below 20° over the subject plane. A slimmer front, more distance or light from behind helps.',
                ["Set it to 59.5\u{2009}mm", "Set it to 36\u{2009}mm"],
            ],
            'a throat that cuts the corner' => [
                'warn',
                0,
                "Tube cuts the corners: they lose 43\u{2009}% of their light.",
                ['Use the crop mode “middle”'],
            ],
            'asked to focus too near' => [
                'warn',
                null,
                "It focuses only 92.1\u{2009}mm from the front: move back by 32.1\u{2009}mm.",
                ["Move back to 92.1\u{2009}mm"],
            ],
            'a tube that takes infinity' => [
                'note',
                null,
                "Infinity is lost: the furthest focus is 2522\u{2009}mm from the sensor.",
                ['Take off Tube'],
            ],
            'two tubes that take infinity and most of the magnification' => [
                'note',
                null,
                "Infinity is lost: the furthest focus is 218\u{2009}mm from the sensor.",
                ['Take off all tubes'],
            ],
            'an adapter that is short' => [
                'note',
                null,
                "The rig is 0.2\u{2009}mm too short: the infinity mark lies before its stop. A shim of 0.2\u{2009}mm makes the stop right.",
                ['Put in Shim'],
            ],
            'two single diopters' => [
                'warn',
                2,
                'Single close-up lenses of +6 together: soft, with colour at the edges. From f/11 on the pupil is narrow enough to hide most of it; a corrected pair is better.',
                ['Stop down to f/11', 'Take off Close-up'],
            ],
            'the weaker one next to the lens' => [
                'note',
                2,
                'The stronger close-up lens, Close-up, belongs next to the lens.',
                ['Put Close-up next to the lens'],
            ],
            'a tube under a strong diopter' => [
                'note',
                0,
                "Tube adds next to nothing: without it the field changes by 3\u{2009}%.",
                ['Take off Tube'],
            ],
            'above life size the usual way round' => [
                'note',
                1,
                'Above life size, Fifty is better corrected the other way round: it was made for far things.',
                ['Turn Fifty round on Reversing ring'],
            ],
            'a curved field on a flat thing' => [
                'note',
                1,
                'The field of Fifty is curved and the subject is flat: edges and middle won’t be sharp together.',
                [],
            ],
            'far stopped down' => [
                'warn',
                null,
                "Diffraction draws every point 0.065\u{2009}mm wide, more than twice the blur limit of 0.029\u{2009}mm. Open to f/19.",
                ['Open to f/19'],
            ],
            'a subject deeper than the slice' => [
                'note',
                null,
                "The slice is 0.68\u{2009}mm (geometric depth), the subject 2\u{2009}mm deep: one shot is best at f/11, all of it sharp takes 3 frames at f/5.6.",
                ['Set it to f/11'],
            ],
            'swaying in the hand' => [
                'warn',
                null,
                "In the hand you sway about 1\u{2009}mm to and fro, more than half the slice of 1.95\u{2009}mm. Lean on something, use flash, or shoot a burst.",
                ['Put it on a table or stand', 'Brace it'],
            ],
            'a heavy lens on a weak mount' => [
                'warn',
                -1,
                "The rig pulls on the camera’s mount with 0.56\u{2009}Nm; its limit is 0.4\u{2009}Nm. Hold it at its foot or at the bellows.",
                [],
            ],
            'a focusing lens on a screw' => [
                'note',
                0,
                'Fifty sits on a screw joint: turning its ring may unscrew it instead of focusing. Hold the barrel.',
                [],
            ],
            'figures that miss each other' => [
                'warn',
                0,
                "The figures of Fifty can’t all be right: focal length, closest focus and greatest magnification miss each other by 454\u{2009}mm. Measure the closest focus from the sensor mark, or the magnification with a ruler.",
                [],
            ],
            'an adapter without a stop' => [
                'note',
                0,
                'Ring has no shoulder to stop against: it can be screwed in too far.',
                [],
            ],
            'bare rear glass' => [
                'note',
                1,
                'Rear glass and levers of Fifty stand bare towards the subject: put a hood or ring on.',
                ['Put Rear hood in front'],
            ],
            'a body that wants a coupled lens' => [
                'note',
                -1,
                'This body doesn’t fire without a coupled lens unless its menu allows it. Set that, work in manual exposure, and start from the exposure it meters with the lens alone, 2.62 times as long.',
                [],
            ],
            'a long bare draw' => [
                'note',
                null,
                "There are 150\u{2009}mm of bare tube and cloth behind the lens: line or hood them against flare.",
                [],
            ],
        ];
    }

    /** @return iterable<string, array{string, Code, array<string, mixed>, list<array<string, mixed>>}> */
    public static function rigs(): iterable
    {
        foreach (MendingTest::rigs() as $what => [$code, $document, $kit]) {
            yield $what => [$what, $code, $document, $kit];
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<array<string, mixed>>  $kit
     */
    #[DataProvider('rigs')]
    public function test_it_says(string $what, Code $code, array $document, array $kit): void
    {
        $rig = RigMaker::made($document);
        $findings = RigReport::of($rig)->findings;
        $found = array_values(array_filter($findings, static fn (Finding $finding): bool => $finding->code === $code))[0];
        $parts = array_map(static fn (array $part): Part => Parts::make(Kind::from($part['kind']), new Values(array_diff_key($part, ['kind' => 0]))), $kit);
        $buttons = array_map(static fn (Mend $mend): string => $mend->label(), Mending::of($rig, $found, $parts));
        $this->assertSame(self::said()[$what] ?? null, [$found->severity->value, $found->part, $found->message(), $buttons]);
    }

    public function test_no_rig_is_left_over(): void
    {
        $this->assertSame(array_keys(self::said()), array_keys(iterator_to_array(self::rigs())));
    }

    public function test_a_sentence_ends_and_begins_as_one_and_says_what_is_the_matter(): void
    {
        foreach (self::said() as $what => [$severity, $part, $sentence, $buttons]) {
            $this->assertMatchesRegularExpression('/^\p{Lu}.*[.]$/u', $sentence, $what);
            $this->assertContains($severity, ['stop', 'warn', 'note'], $what);
            foreach ($buttons as $button) {
                $this->assertMatchesRegularExpression('/^\p{Lu}.*[^.]$/u', $button, 'a button is no sentence');
            }
        }
    }
}
