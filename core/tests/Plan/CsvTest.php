<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Plan\Csv;

final class CsvTest extends TestCase
{
    /** @return array<string, array{string, string}> */
    public static function cells(): array
    {
        return [
            'a formula that begins with a figure' => ['=1+1', "'=1+1"], 'a formula' => ['=sum(A1)', "'=sum(A1)"], 'after a plus' => ['+1+cmd', "'+1+cmd"], 'after a minus' => ['-2+3', "'-2+3"], 'a name' => ['@sum', "'@sum"],
            'a tab' => ["\t=1", "'\t=1"], 'a number below 0 is a number' => ['-2.5', '-2.5'], 'and above it' => ['+4', '+4'], 'a close-up lens is a text' => ['+4 clip', "'+4 clip"],
            'a stop' => ['f/8', 'f/8'], 'nothing' => ['', ''], 'quotes and a comma' => ['a "b", c', '"a ""b"", c"'],
        ];
    }

    #[DataProvider('cells')]
    public function test_a_text_that_a_spreadsheet_would_run_stays_a_text(string $cell, string $written): void
    {
        $this->assertSame($written.",1.5,\r\n", Csv::of([[$cell, 1.5, null]]));
    }
}
