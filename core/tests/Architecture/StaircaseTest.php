<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Architecture;

use PHPUnit\Framework\TestCase;

/** Each folder of the core leans only on those above it; the application on the core, the core on nothing. */
final class StaircaseTest extends TestCase
{
    /** From the ground up: a folder may use those before it. */
    private const STAIRCASE = ['Gear', 'Joint', 'Rig', 'Optics', 'Reading', 'Picture', 'Measure', 'Finding', 'Plan', 'Drawing', 'Search', 'Report', 'Outing', 'Start', 'Practice'];

    /** Files know what they carry, and nobody but the application knows files. */
    private const FILE_MAY_USE = ['Gear', 'Rig', 'Plan'];

    public function test_no_folder_leans_on_one_further_down(): void
    {
        $objections = [];
        $read = 0;
        foreach (self::files(__DIR__.'/../../src') as $path => $text) {
            $folder = basename(dirname($path));
            foreach (self::used($text) as $used) {
                $objection = self::objection($folder, $used);
                if ($objection !== null) {
                    $objections[] = basename($path).': '.$objection;
                }
            }
            $read++;
        }
        $this->assertSame([], $objections);
        $this->assertGreaterThan(140, $read);
    }

    public function test_it_sees_what_goes_the_wrong_way(): void
    {
        $this->assertSame('Reading leans on Report, which stands further down', self::objection('Reading', 'Report'));
        $this->assertSame('File leans on Search', self::objection('File', 'Search'));
        $this->assertSame('Finding leans on File, which only the application may know', self::objection('Finding', 'File'));
        $this->assertSame('Helpers stands on no step', self::objection('Helpers', 'Gear'));
        $this->assertNull(self::objection('Report', 'Finding'));
        $this->assertNull(self::objection('File', 'Rig'));
        $this->assertSame(['Gear', 'Optics'], self::used("use ZincThimble\\Core\\Gear\\Lens;\n/** @return list<\\ZincThimble\\Core\\Optics\\Axis> */"));
    }

    /** In the application: a controller calls none of its fellows, stores and models know no controller, and nothing but a controller validates by hand. */
    public function test_controllers_are_thin_and_lean_on_nobody_of_their_kind(): void
    {
        $objections = [];
        foreach (self::files(__DIR__.'/../../../app') as $path => $text) {
            $name = substr($path, strlen(realpath(__DIR__.'/../../../app') ?: ''));
            $isController = str_contains($path, 'Http/Controllers/');
            preg_match_all('/(?<![\w\\\\])(\w+Controller)(?:::|\()/', $text, $found);
            foreach ($found[1] as $called) {
                if ($called !== basename($path, '.php')) {
                    $objections[] = basename($path).' calls '.$called;
                }
            }
            if (! $isController && str_contains($text, 'use App\\Http\\Controllers\\')) {
                $objections[] = basename($path).' knows controllers';
            }
            if (str_contains($path, '/Models/') && preg_match('/use App\\\\(?:Bench|Kit|Search|Accounts|Http)\\\\/', $text) === 1) {
                $objections[] = basename($path).' is a model and leans on '.$name;
            }
        }
        $this->assertSame([], $objections);
    }

    /** A list of more than eight values has two neighbours that somebody swaps: such constructors are called by name. */
    public function test_no_constructor_is_given_more_than_eight_values_by_their_order(): void
    {
        $long = [];
        foreach (['core/src', 'app'] as $tree) {
            foreach (self::files(__DIR__.'/../../../'.$tree) as $path => $text) {
                foreach (self::orderedArguments($text) as $line => $count) {
                    if ($count > 8) {
                        $long[] = basename($path).':'.$line.' gives '.$count;
                    }
                }
            }
        }
        $this->assertSame([], $long);
        $this->assertSame([1 => 3, 2 => 1], self::orderedArguments("<?php new A(1, [2, 3], f(4, 5));\nnew B(6, x: 7, y: 8);\nnew C;"));
    }

    private static function objection(string $from, string $to): ?string
    {
        $step = array_search($from, self::STAIRCASE, true);
        $leansOn = array_search($to, self::STAIRCASE, true);

        return match (true) {
            $from === $to => null,
            $from === 'File' => in_array($to, self::FILE_MAY_USE, true) ? null : 'File leans on '.$to,
            $to === 'File' => $from.' leans on File, which only the application may know',
            $step === false || $leansOn === false => ($step === false ? $from : $to).' stands on no step',
            default => $leansOn > $step ? $from.' leans on '.$to.', which stands further down' : null,
        };
    }

    /** @return list<string> folders of the core that are named anywhere in a file, comments too */
    private static function used(string $text): array
    {
        preg_match_all('/(?<!namespace )ZincThimble\\\\Core\\\\(\w+)\\\\/', $text, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * By line: how many arguments stand by their order in a `new`; the most, where a line has several.
     *
     * @return array<int, int>
     */
    private static function orderedArguments(string $text): array
    {
        $tokens = array_values(array_filter(\PhpToken::tokenize($text), static fn (\PhpToken $token): bool => ! $token->isIgnorable()));
        $counts = [];
        foreach ($tokens as $i => $token) {
            if ($token->is(T_NEW) && ($tokens[$i + 2] ?? null)?->text === '(') {
                $count = self::countFrom($tokens, $i + 2);
                $counts[$token->line] = max($count, $counts[$token->line] ?? 0);
            }
        }

        return $counts;
    }

    /** @param  list<\PhpToken>  $tokens */
    private static function countFrom(array $tokens, int $open): int
    {
        $depth = 0;
        $count = 0;
        $begins = true;
        for ($i = $open; $i < count($tokens); $i++) {
            $text = $tokens[$i]->text;
            if ($depth === 1 && $begins && $text !== ')') {
                $count += $tokens[$i + 1]->text === ':' || $text === '...' ? 0 : 1;
                $begins = false;
            }
            if (in_array($text, ['(', '[', '{'], true)) {
                $depth++;
            } elseif (in_array($text, [')', ']', '}'], true)) {
                if (--$depth === 0) {
                    break;
                }
            } elseif ($text === ',' && $depth === 1) {
                $begins = true;
            }
        }

        return $count;
    }

    /** @return iterable<string, string> path => text */
    private static function files(string $tree): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($tree, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file->getExtension() === 'php') {
                yield $file->getPathname() => (string) file_get_contents($file->getPathname());
            }
        }
    }
}
