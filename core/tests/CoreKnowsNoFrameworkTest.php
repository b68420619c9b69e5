<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests;

use PHPUnit\Framework\TestCase;

/** The core uses nothing but PHP. */
final class CoreKnowsNoFrameworkTest extends TestCase
{
    public function test_every_import_of_the_core_is_its_own(): void
    {
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__.'/../src', \FilesystemIterator::SKIP_DOTS));
        $read = 0;
        foreach ($files as $file) {
            $text = (string) file_get_contents($file->getPathname());
            preg_match_all('/^use ([^;]+);/m', $text, $found);
            foreach ($found[1] as $import) {
                $this->assertStringStartsWith('ZincThimble\Core\\', $import, $file->getFilename());
            }
            $this->assertDoesNotMatchRegularExpression('/\b(config|env|app|now|request|session|time|microtime|date|rand|mt_rand)\(/', $text, $file->getFilename().' reaches outside');
            $this->assertStringNotContainsString('$GLOBALS', $text);
            $this->assertStringContainsString('declare(strict_types=1);', $text);
            $read++;
        }
        $this->assertGreaterThan(50, $read);
    }
}
