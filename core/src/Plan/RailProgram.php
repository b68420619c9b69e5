<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;

/** A stack by rail as a program for whatever moves it: RS-274, in millimetres, absolute, from the first frame. */
final readonly class RailProgram
{
    private function __construct(private string $text)
    {
    }

    /**
     * @param  float  $feedMmMin  how fast it goes, mm a minute, above 0
     * @param  float  $settleS  until it stands still, 0 or more
     * @param  float  $holdS  how long the trigger is held, 0 or more
     * @param  array{string, string}  $trigger  words that press and let go: M and a number
     *
     * @throws InvalidFigure names what can't be
     */
    public static function of(RailStack $stack, string $title = '', float $feedMmMin = 60.0, float $settleS = 2.0, float $holdS = 0.5, array $trigger = ['M3', 'M5']): self
    {
        foreach (['feedMmMin' => [$feedMmMin, 1e-6], 'settleS' => [$settleS, 0.0], 'holdS' => [$holdS, 0.0]] as $name => [$value, $least]) {
            if (! is_finite($value) || $value < $least) {
                throw InvalidFigure::because($name, $least > 0.0 ? 'should be above 0' : 'should be 0 or more');
            }
        }
        foreach ($trigger as $word) {
            if (preg_match('/^M\d{1,4}$/D', $word) !== 1 || in_array($word, ['M0', 'M1', 'M2', 'M30'], true)) {
                throw InvalidFigure::because('trigger', 'should be M and a number that doesn’t end the program');
            }
        }
        $number = static fn (float $value, int $digits): string => rtrim(rtrim(number_format($value, $digits, '.', ''), '0'), '.');
        $lines = [self::comment(trim($title.' '.$stack->frames().' frames')), 'G21', 'G90'];
        $feed = ' F'.$number($feedMmMin, 3);
        if ($stack->screw->backlashMm > 0.0) {
            $lines[] = self::comment('from behind, so that its play is taken up');
            $lines[] = 'G1 X-'.$number($stack->screw->backlashMm, 4).$feed;
        }
        foreach ($stack->railMm() as $n => $mm) {
            $lines[] = 'G1 X'.$number($mm, 5).$feed;
            $lines[] = 'G4 P'.$number($settleS, 3);
            array_push($lines, $trigger[0], 'G4 P'.$number($holdS, 3), $trigger[1].' '.self::comment('frame '.($n + 1)));
        }
        $lines[] = 'M2';

        return new self(implode("\n", $lines)."\n");
    }

    public function text(): string
    {
        return $this->text;
    }

    /** Within brackets, without any. */
    private static function comment(string $text): string
    {
        return '('.preg_replace('/[^\x20-\x27\x2A-\x7E]/', ' ', $text).')';
    }
}
