<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\SheetFigures;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Subledger\Side;

/**
 * Reads a remittance as people paste it, the text of a mail or the cells of a sheet, line by line: the documents that it names with
 * their amounts, and what was kept back. Nothing is guessed: a line that names no document and no reason, and has no minus, is left
 * alone.
 */
final readonly class RemittanceAdvice
{
    /** Pasted text is read up to here. */
    private const LONGEST = 200_000;

    /** An amount with its decimals and an optional sign or brackets, not within a longer number or a date. */
    private const AMOUNT = '~(?<![\p{L}\d.,/\-])(?<open>[-−(])?(?<figures>\d{1,3}(?:[.,\'’ '
        .']\d{3})+(?:[.,]\d{1,3})?|\d+[.,]\d{1,3})(?<close>[-−)])?(?![\p{L}\d/]|[.,]\d)~u';

    /** @param  list<RemittanceLine>  $lines */
    private function __construct(public array $lines) {}

    /**
     * @param list<Candidate> $items the customer's open items
     * @param list<DeductionReason> $reasons
     * @param int $receipt what was paid, minor units; says whether the amounts of a table are before or after what was kept back
     */
    public static function read(string $text, array $items, array $reasons, Currency $currency, int $receipt): self
    {
        $reader = new ReferenceReader($items);
        $lines = $rows = [];
        $heading = null;
        foreach (preg_split('/\R/u', mb_scrub(substr($text, 0, self::LONGEST))) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            $heading = RemittanceHeading::of($line) ?? $heading;
            $row = RemittanceHeading::of($line) === null ? $heading?->row($line) : null;
            if ($row !== null) {
                $rows[] = [$row, $line];
            } elseif (RemittanceHeading::of($line) === null) {
                array_push($lines, ...self::line(trim($line), $reader, $reasons, $currency));
            }
        }

        return new self([...self::table($rows, $reader, $reasons, $currency, $receipt), ...$lines]);
    }

    /**
     * What the lines come to: what they settle, less what was kept back.
     *
     * @param list<Candidate> $items the customer's open items
     */
    public function paid(array $items): int
    {
        $by = array_column(array_map(static fn (Candidate $item): array => [$item->id, $item], $items), 1, 0);
        $sum = 0;
        foreach ($this->lines as $line) {
            $item = $line->item === null ? null : $by[$line->item] ?? null;
            $sum += match (true) {
                $line->keptBack => -(int) $line->amount,
                $item === null => 0,
                default => $item->side->sign() * ($line->amount ?? $item->open),
            };
        }

        return $sum;
    }

    /**
     * Rows under headings: each settles its document, gross, and says what was kept back of it and why. Rows that name no document, or
     * several, are totals or notes.
     *
     * @param list<array{array<string, string>, string}> $rows cells by column, and the line
     * @param list<DeductionReason> $reasons
     * @return list<RemittanceLine>
     */
    private static function table(array $rows, ReferenceReader $reader, array $reasons, Currency $currency, int $receipt): array
    {
        $read = [];
        foreach ($rows as [$row, $line]) {
            $quoted = $reader->within($row['document'] ?? '');
            if (count($quoted) === 1) {
                $amount = static fn (string $of): ?int => self::amounts($row[$of] ?? '', $currency)[0] ?? null;
                $read[] = [$quoted[0], $amount('gross'), abs($amount('deduction') ?? 0), $amount('paid'), $row['reason'] ?? '', $line];
            }
        }
        $sum = array_sum(array_map(static fn (array $of): int => $of[0]->side->sign() * abs($of[1] ?? 0), $read));
        $afterAll = $read !== [] && $sum === $receipt; // the column of amounts is what was paid
        $lines = [];
        foreach ($read as [$item, $gross, $kept, $paid, $reason, $line]) {
            $settles = match (true) {
                $gross !== null && ! $afterAll => abs($gross),
                $gross !== null => abs($gross) + $kept,
                $paid !== null => abs($paid) + $kept,
                default => null,
            };
            $lines[] = new RemittanceLine($item->id, $settles, false, '', $line);
            if ($kept > 0) {
                $lines[] = new RemittanceLine($item->id, $kept, true, self::reason($reason, $reasons), $line);
            }
        }

        return $lines;
    }

    /**
     * @param list<DeductionReason> $reasons
     * @return list<RemittanceLine>
     */
    private static function line(string $line, ReferenceReader $reader, array $reasons, Currency $currency): array
    {
        $quoted = $reader->within($line);
        $amounts = self::amounts($line, $currency);
        $reason = self::reason($line, $reasons);
        $less = array_values(array_filter($amounts, static fn (int $amount): bool => $amount < 0));
        if (count($quoted) !== 1) {
            $named = array_map(
                static fn (Candidate $item): RemittanceLine => new RemittanceLine($item->id, null, false, '', $line),
                $quoted,
            );
            $kept = $quoted === [] && $amounts !== [] && ($reason !== '' || $less !== []);

            return $kept ? [new RemittanceLine(null, abs($less[0] ?? $amounts[0]), true, $reason, $line)] : $named;
        }
        $item = $quoted[0]->id;
        if ($quoted[0]->side === Side::Credit) {
            // a credit of the customer, which is written with a minus as often as without
            return [new RemittanceLine($item, $amounts === [] ? null : abs($amounts[0]), false, '', $line)];
        }
        foreach ($amounts as $gross) {
            $kept = self::keptBack($gross, $amounts);
            if ($kept !== null) {
                return [
                    new RemittanceLine($item, $gross, false, '', $line),
                    new RemittanceLine($item, $kept, true, $reason, $line),
                ];
            }
        }
        if ($less !== [] || ($reason !== '' && $amounts !== [])) {
            $paid = array_values(array_filter($amounts, static fn (int $amount): bool => $amount > 0));
            $own = new RemittanceLine($item, abs($less[0] ?? $amounts[0]), true, $reason, $line);

            return $less !== [] && $paid !== [] ? [new RemittanceLine($item, $paid[0], false, '', $line), $own] : [$own];
        }

        return [new RemittanceLine($item, $amounts === [] ? null : max($amounts), false, '', $line)];
    }

    /**
     * A sheet's row: gross, what is kept back, what is paid; each an amount of its own.
     *
     * @param list<int> $amounts of the row, the gross one among them
     */
    private static function keptBack(int $gross, array $amounts): ?int
    {
        unset($amounts[(int) array_search($gross, $amounts, true)]);
        foreach ($amounts as $place => $kept) {
            $rest = array_diff_key($amounts, [$place => 0]);
            if ($kept !== 0 && abs($kept) < $gross && in_array($gross - abs($kept), $rest, true)) {
                return abs($kept);
            }
        }

        return null;
    }

    /** @return list<int> minor units, below zero where a minus or brackets are written */
    private static function amounts(string $line, Currency $currency): array
    {
        preg_match_all(self::AMOUNT, $line, $found, PREG_SET_ORDER);
        $amounts = [];
        foreach ($found as $match) {
            $amount = self::amount($match['figures'], $currency);
            if ($amount !== null) {
                $amounts[] = trim($match['open']) !== '' || trim($match['close'] ?? '') !== '' ? -$amount : $amount;
            }
        }

        return $amounts;
    }

    private static function amount(string $figures, Currency $currency): ?int
    {
        try {
            return SheetFigures::read(str_replace(["'", '’', ' '], '', $figures), $currency)->minor;
        } catch (Refusal) {
            return null;
        }
    }

    /** @param  list<DeductionReason>  $reasons */
    private static function reason(string $line, array $reasons): string
    {
        $words = preg_split('/[^\p{L}\p{N}]+/u', mb_strtoupper($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($reasons as $reason) {
            $own = preg_split('/[^\p{L}\p{N}]+/u', mb_strtoupper($reason->words), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            $own = array_filter($own, static fn (string $word): bool => mb_strlen($word) >= 4);
            if (in_array(mb_strtoupper($reason->code), $words, true) || array_intersect($own, $words) !== []) {
                return $reason->code;
            }
        }

        return '';
    }
}
