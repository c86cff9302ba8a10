<?php

declare(strict_types=1);

namespace Tests\Core;

use FilesystemIterator;
use PhpToken;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use ReflectionClass;
use SplFileInfo;

/**
 * Who may name whom. Every name in the code counts: imports, fully qualified calls, and strings that are names of classes, so that no
 * layer is reached by a side door.
 */
#[Group('form')]
final class LayersTest extends TestCase
{
    /** The core knows itself, PHP, and exact arithmetic. */
    private const OUTSIDE_OF_CORE = ['Ajuste\\Core\\', 'Brick\\Math\\'];

    /** What would tie a rule to the moment, to chance, to the machine or to a framework. */
    private const NOT_IN_CORE = [
        'app',
        'auth',
        'cache',
        'config',
        'date',
        'env',
        'event',
        'file_get_contents',
        'getenv',
        'microtime',
        'mt_rand',
        'now',
        'rand',
        'random_bytes',
        'random_int',
        'request',
        'resolve',
        'response',
        'route',
        'session',
        'storage_path',
        'time',
        'today',
        'view',
    ];

    /** Layers of the application, each of which may name those before it only. */
    private const LAYERS = [
        'App\\Models',
        'App\\Values',
        'App\\Support',
        'App\\Files',
        'App\\Queries',
        'App\\StandIn',
        'App\\Actions\\Posting',
        'App\\Actions\\Approvals',
        'App\\Actions\\Receipts',
        'App\\Actions\\Import',
        'App\\Actions\\Proof',
        'App\\Actions',
        'App\\Http\\Pictures',
        'App\\Http',
        'App\\Http\\Middleware',
        'App\\Http\\Controllers',
        'App\\Console',
        'App\\Providers',
    ];

    public function test_the_core_names_nothing_but_itself(): void
    {
        $strangers = [];
        foreach (self::files('core') as $file => $code) {
            foreach (self::names($code) as $name) {
                $allowed = array_filter(self::OUTSIDE_OF_CORE, static fn (string $of): bool => str_starts_with($name, $of)) !== [];
                if (! $allowed && ! self::isPhps($name)) {
                    $strangers[] = "{$file} names {$name}";
                }
            }
            foreach (self::calls($code) as $call) {
                $strangers[] = "{$file} calls {$call}()";
            }
            if (
                ! str_contains($code, 'declare(strict_types=1);') ||
                preg_match('/new DateTimeImmutable(\(\)|;)|\$(_[A-Z]+|GLOBALS)\b|\bglobal \$/', $code) === 1
            ) {
                $strangers[] = "{$file} is not strict, or reaches for the clock or the globals";
            }
        }
        self::assertSame([], $strangers);
    }

    public function test_each_layer_of_the_application_names_those_below_it_only(): void
    {
        $upwards = [];
        foreach (self::files('app') as $file => $code) {
            $layer = self::layer('App\\'.str_replace(['app/', '/', '.php'], ['', '\\', ''], $file));
            foreach (self::names($code) as $name) {
                if (str_starts_with($name, 'App\\') && self::layer($name) > $layer) {
                    $upwards[] = "{$file} names {$name}";
                }
            }
        }
        self::assertSame([], array_values(array_unique($upwards)));
    }

    public function test_the_reading_of_names_itself(): void
    {
        $code =
            '<?php namespace X; use A\B; use C\{D, E as F}; use function G\h; \I\J::k(); $x = "L\\\\M"; $y = \'N\O\P\'; function z(?Q\R '
                .'$s) {} $t = \DB::table();';
        $names = self::names($code);
        foreach (['A\\B', 'C\\D', 'C\\E', 'G\\h', 'I\\J', 'L\\M', 'N\\O\\P', 'DB'] as $name) {
            self::assertContains($name, $names);
        }
        self::assertSame(['config', 'app'], self::calls('<?php config("x"); app(); $this->app(); foreach ($x as $y) {}'));
    }

    private static function isPhps(string $name): bool
    {
        return (class_exists($name) || interface_exists($name)) &&
            (new ReflectionClass($name))->isInternal() &&
            ! str_starts_with($name, 'PDO');
    }

    private static function layer(string $class): int
    {
        $found = -1;
        foreach (self::LAYERS as $place => $layer) {
            if (str_starts_with($class, "{$layer}\\") && ($found === -1 || strlen($layer) > strlen(self::LAYERS[$found]))) {
                $found = $place;
            }
        }

        return $found;
    }

    /** @return array<string, string> code by path */
    private static function files(string $folder): array
    {
        $root = dirname(__DIR__, 2);
        $files = [];
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $files[substr($file->getPathname(), strlen($root) + 1)] = (string) file_get_contents($file->getPathname());
            }
        }
        ksort($files);

        return $files;
    }

    /** @return list<string> every name of a class or function that the code writes out, without its own namespace */
    private static function names(string $code): array
    {
        $names = [];
        $group = '';
        $tokens = array_values(array_filter(PhpToken::tokenize($code), static fn (PhpToken $token): bool => ! $token->isIgnorable()));
        foreach ($tokens as $place => $token) {
            $before = $tokens[$place - 1]->text ?? '';
            $after = $tokens[$place + 1]->text ?? '';
            if ($token->text === '}') {
                $group = '';
            } elseif ($token->is(T_NS_SEPARATOR) && $after === '{') {
                $group = $tokens[$place - 1]->text.'\\';
            } elseif ($token->is(T_STRING) && $before === 'use' && in_array($after, [';', 'as'], true)) {
                $names[] = $token->text;
            } elseif ($group !== '' && $token->is(T_STRING) && $before !== 'as') {
                $names[] = $group.$token->text;
            } elseif ($token->is([T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED]) && $before !== 'namespace') {
                $names[] = ltrim($token->text, '\\');
            } elseif (
                $token->is(T_CONSTANT_ENCAPSED_STRING) &&
                preg_match('/^[\'"]\\\\{0,2}[A-Z]\w*(\\\\{1,2}[A-Z]\w*)+[\'"]$/', $token->text) === 1
            ) {
                $names[] = ltrim(str_replace('\\\\', '\\', trim($token->text, '\'"')), '\\');
            }
        }

        return $names;
    }

    /** @return list<string> calls of functions that have no place in the core */
    private static function calls(string $code): array
    {
        $tokens = array_values(array_filter(PhpToken::tokenize($code), static fn (PhpToken $token): bool => ! $token->isIgnorable()));
        $calls = [];
        foreach ($tokens as $place => $token) {
            $called = $token->is(T_STRING) && ($tokens[$place + 1]->text ?? '') === '(' && in_array($token->text, self::NOT_IN_CORE, true);
            if ($called && ! in_array($tokens[$place - 1]->text ?? '', ['->', '?->', '::', 'function', 'new'], true)) {
                $calls[] = $token->text;
            }
        }

        return $calls;
    }
}
