<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Proof\PairCheck;
use Ajuste\Core\Refusal;
use App\Http\ViewPoint;
use App\Queries\FindAmount;
use App\Queries\Settings;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\View\View;

/** Find this amount, and the check of pairs in a list that somebody else keeps. */
final class FindController
{
    /** A pasted list is read up to here. */
    private const LONGEST = 2_000_000;

    public function index(Request $request, ViewPoint $at, Settings $settings, FindAmount $find): View
    {
        $typed = $request->string('amount')->trim()->toString();
        $span = $request->string('span')->toString();
        $from = match ($span) {
            'all' => '0001-01-01',
            'year' => $at->yearBack(),
            default => $at->period->first,
        };
        $refusal = null;
        $amount = null;
        try {
            $amount = $typed === '' ? null : TypedAmount::read($typed, $settings->base());
        } catch (Refusal $refused) {
            $refusal = $refused->getMessage();
        }
        $wanted = $amount !== null && $amount->minor > 0 ? $amount : null;

        return view('find.index', [
            'typed' => $typed,
            'span' => $span,
            'refusal' => $refusal,
            'amount' => $wanted,
            'base' => $settings->base(),
            'account' => $at->account,
            'from' => $from,
            'found' => $wanted === null ? null : $find->find($at->account, $wanted, $from, $at->asOf),
            'causes' => $wanted === null ? [] : $find->causes($at->account, $wanted, $at->asOf),
        ]);
    }

    public function pairCheck(Request $request, Settings $settings): View
    {
        $text = $request->string('list')->toString();
        $file = $request->file('file');
        if ($file instanceof UploadedFile && $file->isValid()) {
            $text = (string) file_get_contents($file->getRealPath());
        }
        $rows = $this->rows($text);
        $headings = $rows[0] ?? [];
        $number = static fn (string $name, int $default): int => $request->has($name) ? $request->integer($name) : $default;
        [$charged, $paid] = [
            $number('charged', max(0, count($headings) - 2)),
            $number('paid', count($headings) > 2 ? count($headings) - 1 : -1),
        ];
        $keys = array_values(
            array_filter(
                array_map(intval(...), (array) $request->input('columns', $headings === [] ? [] : [0])),
                static fn (int $column): bool => isset($headings[$column]),
            ),
        );
        $told = $faults = [];
        if (count($rows) > 1) {
            [$told, $faults] = $this->check(array_slice($rows, 1), $keys, $charged, $paid, $settings);
        }

        return view('find.pair-check', [
            'text' => $text,
            'headings' => $headings,
            'rows' => array_slice($rows, 1),
            'told' => $told,
            'faults' => $faults,
            'charged' => $charged,
            'paid' => $paid,
            'keys' => $keys,
            'base' => $settings->base(),
            'counts' => array_count_values(array_column($told, 0)),
        ]);
    }

    /**
     * @param list<list<string>> $rows
     * @param list<int> $keys
     * @return array{list<array{string, ?int}>, list<string>}
     */
    private function check(array $rows, array $keys, int $charged, int $paid, Settings $settings): array
    {
        $faults = $read = [];
        foreach ($rows as $place => $cells) {
            $amounts = [null, null];
            foreach ([$charged, $paid] as $which => $column) {
                try {
                    $amounts[$which] = $column < 0 ? null : PairCheck::amount($cells[$column] ?? '', $settings->base());
                } catch (Refusal $refusal) {
                    $faults[] = 'Row '.($place + 2).': '.$refusal->getMessage();
                }
            }
            $read[] = [
                mb_strtolower(implode("\x1f", array_map(static fn (int $key): string => trim($cells[$key] ?? ''), $keys))),
                $amounts[0],
                $amounts[1],
            ];
        }

        return [PairCheck::of($read), $faults];
    }

    /** @return list<list<string>> */
    private function rows(string $text): array
    {
        if (strlen($text) > self::LONGEST) {
            throw new Refusal('The list is longer than 2 MB. Check it in parts.');
        }
        $lines = preg_split('/\R/u', mb_scrub(trim($text, "\r\n"))) ?: [];
        $mark = str_contains($lines[0] ?? '', "\t")
            ? "\t"
            : (substr_count($lines[0] ?? '', ';') >= substr_count($lines[0] ?? '', ',') && str_contains($lines[0] ?? '', ';')
                ? ';'
                : ',');

        return array_values(
            array_map(
                static fn (string $line): array => array_map(
                    static fn (?string $cell): string => (string) $cell,
                    str_getcsv($line, $mark, '"', ''),
                ),
                array_filter($lines, static fn (string $line): bool => trim($line) !== ''),
            ),
        );
    }
}
