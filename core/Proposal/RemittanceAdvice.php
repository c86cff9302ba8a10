<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Subledger\Side;

/**
 * Reads a remittance as people paste it, the text of a mail or the cells of a sheet, line by line: the documents that it names with their amounts, and
 * what was kept back. Nothing is guessed: a line that names no document and no reason, and has no minus, is left alone.
 */
final readonly class RemittanceAdvice
{
    /** Pasted text is read up to here. */
    private const LONGEST = 200_000;

    /** An amount with its decimals and an optional sign or brackets, not within a longer number or a date. */
    private const AMOUNT = '~(?<![\p{L}\d.,/\-])(?<open>[-−(])?(?<figures>\d{1,3}(?:[.,\'’ ]\d{3})+(?:[.,]\d{1,3})?|\d+[.,]\d{1,3})(?<close>[-−)])?(?![\p{L}\d/]|[.,]\d)~u';

    /** @param  list<RemittanceLine>  $lines */
    private function __construct(public array $lines) {}

    /**
     * @param list<Candidate> $items the customer's open items
     * @param list<DeductionReason> $reasons
     */
    public static function read(string $text, array $items, array $reasons, Currency $currency): self
    {
        $reader = new ReferenceReader($items);
        $lines = [];
        foreach (preg_split('/\R/u', mb_scrub(substr($text, 0, self::LONGEST))) ?: [] as $line) {
            if (trim($line) !== '') {
                array_push($lines, ...self::line(trim($line), $reader, $reasons, $currency));
            }
        }

        return new self($lines);
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
            $named = array_map(static fn (Candidate $item): RemittanceLine => new RemittanceLine($item->id, null, false, '', $line), $quoted);
            $kept = $quoted === [] && $amounts !== [] && ($reason !== '' || $less !== []);

            return $kept ? [new RemittanceLine(null, abs($less[0] ?? $amounts[0]), true, $reason, $line)] : $named;
        }
        $item = $quoted[0]->id;
        if ($quoted[0]->side === Side::Credit) { // a credit of the customer, which is written with a minus as often as without
            return [new RemittanceLine($item, $amounts === [] ? null : abs($amounts[0]), false, '', $line)];
        }
        // A sheet's row: gross, what is kept back, what is paid.
        foreach ($amounts as $gross) {
            foreach ($amounts as $kept) {
                if ($gross > 0 && $kept !== 0 && abs($kept) < $gross && $gross !== abs($kept) && in_array($gross - abs($kept), $amounts, true) && count($amounts) >= 3) {
                    return [new RemittanceLine($item, $gross, false, '', $line), new RemittanceLine($item, abs($kept), true, $reason, $line)];
                }
            }
        }
        if ($less !== [] || ($reason !== '' && $amounts !== [])) {
            $paid = array_values(array_filter($amounts, static fn (int $amount): bool => $amount > 0));
            $own = new RemittanceLine($item, abs($less[0] ?? $amounts[0]), true, $reason, $line);

            return $less !== [] && $paid !== [] ? [new RemittanceLine($item, $paid[0], false, '', $line), $own] : [$own];
        }

        return [new RemittanceLine($item, $amounts === [] ? null : max($amounts), false, '', $line)];
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

    /** The last point or comma is before the decimals, unless three figures follow it and the currency has not so many. */
    private static function amount(string $figures, Currency $currency): ?int
    {
        $plain = str_replace(["'", '’', ' '], '', $figures);
        $last = max((int) strrpos($plain, '.'), (int) strrpos($plain, ','));
        $decimals = $last === 0 ? '' : substr($plain, $last + 1);
        $whole = strlen($decimals) === 3 && $currency->decimals !== 3;
        $digits = static fn (string $text): string => str_replace(['.', ','], '', $text);
        try {
            return Money::parse($last === 0 || $whole ? $digits($plain) : $digits(substr($plain, 0, $last)).'.'.$decimals, $currency)->minor;
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
