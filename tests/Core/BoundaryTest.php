<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** Dependencies point inwards: the core knows nothing but brick/math, no clock, no database and no globals. */
final class BoundaryTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/core', RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            yield substr((string) $file, strlen(dirname(__DIR__, 2)) + 1) => [(string) $file];
        }
    }

    #[DataProvider('files')]
    public function test_the_core_stands_on_its_own(string $file): void
    {
        $code = (string) file_get_contents($file);

        self::assertStringContainsString('declare(strict_types=1);', $code);
        preg_match_all('/^use ([\w\\\\]+)/m', $code, $uses);
        foreach ($uses[1] as $class) {
            self::assertMatchesRegularExpression('/^(Ajuste\\\\Core\\\\|Brick\\\\Math\\\\|[A-Z]\w+$)/', $class, 'The core may use PHP itself, brick/math and itself.');
        }
        self::assertDoesNotMatchRegularExpression('/(?<!function )(?<![\$>:\w])(time|microtime|date|getenv|rand|mt_rand|random_int|file_get_contents)\(|new DateTimeImmutable\(\)|new PDO|\$_(GET|POST|SERVER|ENV)|\bglobal \$/', $code);
    }
}
