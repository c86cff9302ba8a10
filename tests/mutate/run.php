<?php

declare(strict_types=1);

/*
 * Whether the tests of the core see a change: changes one thing in one file of the core at a time and runs the core tests that run its
 * line. php tests/mutate/run.php [--sample=200] [--seed=1] [--need=92]. Prints what survived; fails below the share that is
 * needed. Changes that cannot be seen are listed in equivalent.php with why. The files themselves are not touched: each mutant is a
 * copy that stands in for its file.
 */

use Illuminate\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$root = dirname(__DIR__, 2);
$options = getopt('', ['sample::', 'seed::', 'need::', 'at-once::']);
[$sample, $seed] = [(int) ($options['sample'] ?? 200), (int) ($options['seed'] ?? 1)];
$need = (float) ($options['need'] ?? 92);
$atOnce = (int) ($options['at-once'] ?? 3);
/** @var array<string, string> $equivalent */
$equivalent = require __DIR__.'/equivalent.php';

const SWAPS = [
    '<' => '<=',
    '<=' => '<',
    '>' => '>=',
    '>=' => '>',
    '===' => '!==',
    '!==' => '===',
    '&&' => '||',
    '||' => '&&',
    '+' => '-',
    '-' => '+',
    '+=' => '-=',
    '-=' => '+=',
    '++' => '--',
    'true' => 'false',
    'false' => 'true',
    'min' => 'max',
    'max' => 'min',
    'HALF_UP' => 'DOWN',
    'DOWN' => 'UP',
    '!' => '',
    '*' => '+',
    'isPositive' => 'isNegative',
    'isNegative' => 'isPositive',
    'isMoreThan' => 'isLessThan',
    'isLessThan' => 'isMoreThan',
    'plus' => 'minus',
    'minus' => 'plus',
    'negated' => 'abs',
    'least' => 'most',
    'most' => 'least',
];

/** @return list<array{int, int, string, string, int}> place, length, line, replacement, the how manieth of the same in the file */
function mutations(string $code): array
{
    $found = $same = [];
    $tokens = array_values(array_filter(PhpToken::tokenize($code), static fn (PhpToken $token): bool => ! $token->isIgnorable()));
    $lines = explode("\n", $code);
    foreach ($tokens as $place => $token) {
        $before = $tokens[$place - 1] ?? null;
        $skips = $before?->is([T_DECLARE, T_ATTRIBUTE]) === true || str_contains($lines[$token->line - 1], 'declare(');
        $isCall =
            in_array($token->text, ['min', 'max'], true) ||
            (ctype_alpha($token->text) && $before?->is([T_OBJECT_OPERATOR, T_DOUBLE_COLON]) === true);
        $isDefinition = $before?->is([T_FUNCTION, T_CASE, T_CONST]) === true;
        $isUnary =
            in_array($token->text, ['-', '+'], true) &&
            $before !== null &&
            ! $before->is([T_VARIABLE, T_LNUMBER, T_STRING, T_DNUMBER]) &&
            ! in_array($before->text, [')', ']'], true);
        $isWord = preg_match('/^[A-Za-z]+$/', $token->text) === 1 && ! in_array(strtolower($token->text), ['true', 'false'], true);
        if ($skips || $isDefinition || $isUnary || ($isWord && ! $isCall && $token->text !== 'HALF_UP' && $token->text !== 'DOWN')) {
            continue;
        }
        $to = SWAPS[$token->text] ?? null;
        if ($token->is(T_LNUMBER) && $before?->text !== '[') {
            $to = (string) ((int) $token->text + 1);
        }
        if ($to !== null && ! $token->is(T_CONSTANT_ENCAPSED_STRING)) {
            $line = trim($lines[$token->line - 1]);
            $same["{$line} {$token->text} {$to}"] = ($same["{$line} {$token->text} {$to}"] ?? 0) + 1;
            $found[] = [$token->pos, strlen($token->text), $line, $to, $same["{$line} {$token->text} {$to}"]];
        }
    }

    return $found;
}

$all = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/core", FilesystemIterator::SKIP_DOTS)) as $file) {
    $path = substr((string) $file, strlen($root) + 1);
    foreach (mutations((string) file_get_contents((string) $file)) as $mutation) {
        $all[] = [$path, ...$mutation];
    }
}
// By the name's digest and not by a place in a list: a change elsewhere in the core leaves the sample as it is.
$order = static fn (array $mutant): string => hash('xxh128', "{$seed} {$mutant[0]} {$mutant[3]} {$mutant[4]} {$mutant[5]}");
$chosen = $all;
usort($chosen, static fn (array $one, array $other): int => $order($one) <=> $order($other));

/** @param  array{string, int, int, string, string, int}  $mutant */
function named(array $mutant, string $code): string
{
    return "{$mutant[0]}: {$mutant[3]} | ".substr($code, $mutant[1], $mutant[2])." to {$mutant[4]}";
}

/** @return array<string, array<int, list<string>>> by file of the core and line the tests that run it */
function covering(string $root, string $folder): array
{
    $config = str_replace(
        ['bootstrap="', '<directory>', 'cacheDirectory="'],
        ["bootstrap=\"{$root}/", "<directory>{$root}/", "cacheDirectory=\"{$folder}/"],
        (string) file_get_contents("{$root}/phpunit.xml"),
    );
    file_put_contents("{$folder}/phpunit.xml", $config);
    $run = new Process(
        [
            ...[PHP_BINARY, '-d', 'memory_limit=4G', '-d', 'pcov.enabled=1', '-d', "pcov.directory={$root}/core"],
            ...['vendor/bin/phpunit', '-c', "{$folder}/phpunit.xml", '--no-progress', '--exclude-group=slow', '--exclude-group=form'],
            ...['--coverage-php', "{$folder}/covered.php", "{$root}/tests/Core"],
        ],
        $root,
        null,
        null,
        600,
    );
    // A test that fails by itself would seem to see every change.
    if ($run->run() !== 0) {
        echo "The core tests fail without any change; mend that first.\n", $run->getOutput();
        exit(1);
    }

    $covered = include "{$folder}/covered.php";

    return $covered->getData()->lineCoverage();
}

/**
 * @param array<int, ?list<string>> $covered by line; a line that is not there belongs to a statement on the lines around it
 * @return list<string> tests that run the line
 */
function testsOf(array $covered, int $line): array
{
    $tests = $covered[$line] ?? [];
    for ($away = 1; ! array_key_exists($line, $covered) && $away <= 12; $away++) {
        array_push($tests, ...$covered[$line - $away] ?? [], ...$covered[$line + $away] ?? []);
    }

    return array_values(array_unique($tests));
}

/**
 * A constant is of no statement, and what is worked out once is not run again: other tests of the file may see a change too.
 *
 * @param array<int, ?list<string>> $covered by line
 * @return list<string> tests that run any line of the file
 */
function testsOfFile(array $covered): array
{
    return array_values(array_unique(array_merge(...array_map(static fn (?array $of): array => $of ?? [], array_values($covered)))));
}

$folder = sys_get_temp_dir().'/ajuste-mutants-'.bin2hex(random_bytes(4));
mkdir($folder);
$covered = covering($root, $folder);
$queue = $running = $survived = [];
$killed = $skipped = 0;
foreach ($chosen as $mutant) {
    $code = (string) file_get_contents("{$root}/{$mutant[0]}");
    if (isset($equivalent[named($mutant, $code)])) {
        $skipped++;
    } elseif (count($queue) < $sample) {
        $queue[] = [$mutant, $code];
    }
}
$start = static function (array $mutant, string $code, int $number, array $tests) use ($root, $folder): Process {
    file_put_contents("{$folder}/{$number}.php", substr_replace($code, $mutant[4], $mutant[1], $mutant[2]));
    $bare = static fn (string $test): string => (string) preg_replace('/^.*::|#.*$| with .*$/', '', $test);
    $names = array_unique(array_map($bare, $tests));
    $classes = array_unique(array_map(static fn (string $test): string => strstr($test, '::', true) ?: '', $tests));
    $files = array_map(static fn (string $class): string => "{$root}/t".substr(str_replace('\\', '/', $class), 1).'.php', $classes);
    $process = new Process(
        [
            ...[PHP_BINARY, '-d', 'memory_limit=1G', 'vendor/bin/phpunit', '--bootstrap=tests/mutate/bootstrap.php'],
            ...['--no-coverage', '--no-progress', '--stop-on-defect', '--do-not-cache-result'],
            ...['--exclude-group=slow', '--exclude-group=form'],
            ...['--filter', '/::('.implode('|', $names).')\b/'],
            ...$files,
        ],
        $root,
        ['MUTATED' => "{$root}/{$mutant[0]}", 'MUTANT' => "{$folder}/{$number}.php"],
        null,
        60,
    );
    $process->start();

    return $process;
};
$survives = static function (array $mutant, string $code) use (&$survived): void {
    $survived[] = $name = named($mutant, $code);
    echo "survived: {$name}\n";
};
$number = 0;
while ($queue !== [] || $running !== []) {
    while ($queue !== [] && count($running) < $atOnce) {
        [$mutant, $code] = array_shift($queue);
        $line = 1 + substr_count($code, "\n", 0, $mutant[1]);
        $all = testsOfFile($covered["{$root}/{$mutant[0]}"] ?? []);
        $near = testsOf($covered["{$root}/{$mutant[0]}"] ?? [], $line);
        $others = array_values(array_diff($all, $near));
        if ($all === []) {
            $survives($mutant, $code);
        } else {
            $running[] = $near === []
                ? [$mutant, $code, [], $start($mutant, $code, ++$number, $all)]
                : [$mutant, $code, $others, $start($mutant, $code, ++$number, $near)];
        }
    }
    foreach ($running as $place => [$mutant, $code, $others, $process]) {
        try {
            $process->checkTimeout();
        } catch (Throwable) {
            $process->stop(0);
        }
        if (! $process->isRunning()) {
            unset($running[$place]);
            if (! $process->isSuccessful()) {
                $killed++;
            } elseif ($others !== []) {
                $running[] = [$mutant, $code, [], $start($mutant, $code, ++$number, $others)];
            } else {
                $survives($mutant, $code);
            }
        }
    }
    usleep(10_000);
}
(new Filesystem())->deleteDirectory($folder);
$share = (100 * $killed) / max(1, $killed + count($survived));
printf(
    "%d of %d mutants killed, %.1f %% (of %d possible; %d that cannot be seen left out)\n",
    $killed,
    $killed + count($survived),
    $share,
    count($chosen),
    $skipped,
);
exit($share >= $need ? 0 : 1);
