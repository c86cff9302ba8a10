<?php

declare(strict_types=1);

namespace Tests\Core;

use FilesystemIterator;
use PhpToken;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** How the code reads: short lines, short functions, few arguments, small views. */
#[Group('form')]
final class FormTest extends TestCase
{
    private const PLACES = [
        'core',
        'app',
        'config',
        'database/migrations',
        'database/seeders',
        'routes',
        'resources',
        'tests',
        'bootstrap/app.php',
    ];

    private const LINE = 140;

    private const LINE_OF_VIEW = 180;

    private const LINES_OF_VIEW = 120;

    private const LINES_OF_FUNCTION = 50;

    private const ARGUMENTS = 8;

    public function test_lines_are_short(): void
    {
        $long = [];
        foreach (self::PLACES as $place) {
            foreach (self::files($place, ['php', 'js', 'mjs', 'css']) as $file => $text) {
                $most = str_ends_with($file, '.blade.php') ? self::LINE_OF_VIEW : self::LINE;
                foreach (explode("\n", $text) as $number => $line) {
                    if (strlen($line) > $most) {
                        $long[] = "{$file}:".($number + 1).' has '.strlen($line);
                    }
                }
            }
        }
        self::assertSame([], $long);
    }

    public function test_views_are_small(): void
    {
        $large = [];
        foreach (self::files('resources/views', ['php']) as $file => $text) {
            if (substr_count($text, "\n") > self::LINES_OF_VIEW) {
                $large[] = "{$file} has ".substr_count($text, "\n").' lines';
            }
        }
        self::assertSame([], $large);
    }

    public function test_functions_are_short_and_constructors_take_few_arguments(): void
    {
        $found = [];
        foreach (['core', 'app', 'database/seeders'] as $place) {
            foreach (self::files($place, ['php']) as $file => $text) {
                foreach (self::functions($text) as [$name, $lines, $arguments]) {
                    $isWide = $name === '__construct' && $arguments > self::ARGUMENTS;
                    if ($isWide || $lines > self::LINES_OF_FUNCTION) {
                        $found["{$file} {$name}"] = $isWide ? $arguments : $lines;
                    }
                }
            }
        }
        self::assertSame([], $found);
    }

    /** @return list<array{string, int, int}> name, lines from brace to brace, and arguments of each function that has a name */
    private static function functions(string $code): array
    {
        $tokens = array_values(array_filter(PhpToken::tokenize($code), static fn (PhpToken $token): bool => ! $token->isIgnorable()));
        $functions = [];
        foreach ($tokens as $place => $token) {
            if (! $token->is(T_FUNCTION) || ! ($tokens[$place + 1] ?? null)?->is(T_STRING)) {
                continue;
            }
            $name = $tokens[$place + 1]->text;
            $depth = 0;
            $arguments = 0;
            for ($at = $place + 2; isset($tokens[$at]); $at++) {
                $depth += match ($tokens[$at]->text) {
                    '(', '[' => 1,
                    ')', ']' => -1,
                    default => 0,
                };
                $arguments += $depth === 1 && $tokens[$at]->is(T_VARIABLE) ? 1 : 0;
                if ($depth === 0) {
                    break;
                }
            }
            while (isset($tokens[$at]) && ! in_array($tokens[$at]->text, ['{', ';'], true)) {
                $at++;
            }
            $from = $tokens[$at]->line ?? 0;
            $braces = 0;
            for (; (isset($tokens[$at]) && $tokens[$at]->text !== ';') || $braces > 0; $at++) {
                $braces += $tokens[$at]->text === '{' || $tokens[$at]->is([T_CURLY_OPEN, T_DOLLAR_OPEN_CURLY_BRACES]) ? 1 : 0;
                $braces -= $tokens[$at]->text === '}' ? 1 : 0;
                if ($braces === 0) {
                    break;
                }
            }
            $functions[] = [$name, max(0, ($tokens[$at]->line ?? $from) - $from - 1), $arguments];
        }

        return $functions;
    }

    /**
     * @param list<string> $kinds
     * @return array<string, string> text by path
     */
    private static function files(string $place, array $kinds): array
    {
        $root = dirname(__DIR__, 2);
        if (is_file("{$root}/{$place}")) {
            return [$place => (string) file_get_contents("{$root}/{$place}")];
        }
        $files = [];
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$place}", FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            if ($file instanceof SplFileInfo && in_array($file->getExtension(), $kinds, true)) {
                $files[substr($file->getPathname(), strlen($root) + 1)] = (string) file_get_contents($file->getPathname());
            }
        }
        ksort($files);

        return $files;
    }
}
