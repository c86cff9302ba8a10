<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Subledger\Side;

/** What two columns of a list say of each other, row by row. */
final readonly class ColumnPairs
{
    /** The share of rows that have what every row has. */
    private const FILLED = 0.9;

    /** Terms of payment are of so many days at least, and of few kinds. */
    private const SHORTEST_TERM = 7;

    private const FEW_TERMS = 6;

    /** The share of a list that nobody has paid in part. */
    private const WHOLE = 0.2;

    /** @param  list<list<string>>  $rows */
    public function __construct(private array $rows) {}

    public function isFilled(int $column): bool
    {
        $filled = array_filter($this->rows, static fn (array $cells): bool => trim($cells[$column] ?? '') !== '');

        return count($filled) >= count($this->rows) * self::FILLED;
    }

    /** Whether rows have an amount in one of them, and none has one in both. */
    public function areOneOf(int $one, int $other): bool
    {
        $has = 0;
        foreach ($this->rows as $cells) {
            $filled = (self::figures($cells[$one] ?? '') > 0 ? 1 : 0) + (self::figures($cells[$other] ?? '') > 0 ? 1 : 0);
            if ($filled > 1) {
                return false;
            }
            $has += $filled;
        }

        return $has >= count($this->rows) * self::FILLED;
    }

    /**
     * Whether the amounts of equal numbers come to nil, as those of an entry do.
     *
     * @param list<int> $amounts one column with signs, or debit and credit
     * @param ?int $marks a column of letters for the side of the amounts
     */
    public function areBalanced(int $numbers, array $amounts, ?int $marks = null): bool
    {
        $sums = $lines = [];
        foreach ($this->rows as $cells) {
            $number = trim($cells[$numbers] ?? '');
            foreach ($amounts as $place => $column) {
                $isCredit = $place === 1 || self::isCredit($cells[$column] ?? '', $cells[$marks ?? -1] ?? '');
                $sums[$number] = ($sums[$number] ?? 0) + ($isCredit ? -1 : 1) * self::figures($cells[$column] ?? '');
            }
            $lines[$number] = ($lines[$number] ?? 0) + 1;
        }
        $balanced = array_filter($sums, static fn (int $sum): bool => $sum === 0);

        return count($sums) > 1 && min($lines) > 1 && count($balanced) >= count($sums) * self::FILLED;
    }

    /** Whether each word of a column stands beside amounts of one side only, and both sides are met: kinds of documents do. */
    public function areOfOneSide(int $words, int $amounts, ?int $marks = null): bool
    {
        $of = [];
        foreach ($this->rows as $cells) {
            $word = trim($cells[$words] ?? '');
            $isCredit = self::isCredit($cells[$amounts] ?? '', $cells[$marks ?? -1] ?? '');
            if ($word !== '' && ($of[$word] ??= $isCredit) !== $isCredit) {
                return false;
            }
        }

        return count(array_unique($of)) === 2;
    }

    private static function isCredit(string $cell, string $mark): bool
    {
        $amount = ForeignAmount::of($cell);

        return $amount?->negative === true || ($amount->side ?? ForeignAmount::side($mark)) === Side::Credit || trim($mark) === '-';
    }

    /** Whether numbers and names go together, each several times: whose they are. */
    public function nameTheSame(int $names, int $numbers): bool
    {
        $found = [];
        foreach ($this->rows as $cells) {
            $found[trim($cells[$numbers] ?? '')][trim($cells[$names] ?? '')] = true;
        }

        return $found !== [] && count($found) < count($this->rows) && max(array_map(count(...), $found)) === 1;
    }

    /** Whether days lie behind the dates as terms of payment do: by a few numbers of days, or at ends of months. */
    public function areTerms(int $dates, int $due): bool
    {
        foreach (DateOrder::cases() as $order) {
            $after = [];
            $ends = 0;
            foreach ($this->rows as $cells) {
                [$from, $to] = [ForeignDate::iso($cells[$dates] ?? '', $order), ForeignDate::iso($cells[$due] ?? '', $order)];
                if ($from !== null && $to !== null) {
                    $after[] = Day::between($from, $to);
                    $ends += Day::lastOfMonth($to) === $to ? 1 : 0;
                }
            }
            if ($after === [] || count($after) < count($this->rows) * self::FILLED || min($after) < 0) {
                continue;
            }
            $kinds = array_count_values($after);
            arsort($kinds);
            $few = array_sum(array_slice($kinds, 0, self::FEW_TERMS));
            if (array_key_first($kinds) >= self::SHORTEST_TERM && max($few, $ends) >= count($after) * self::FILLED) {
                return true;
            }
        }

        return false;
    }

    /** Whether a column has a part of the amounts, and all of some: what is open of each. */
    public function isPart(int $amounts, int $column): bool
    {
        $equal = $less = 0;
        foreach ($this->rows as $cells) {
            [$whole, $part] = [self::figures($cells[$amounts] ?? ''), self::figures($cells[$column] ?? '')];
            if ($part > $whole) {
                return false;
            }
            $equal += $part === $whole ? 1 : 0;
            $less += $part < $whole ? 1 : 0;
        }

        return $less > 0 && $equal >= ($equal + $less) * self::WHOLE;
    }

    /** The figures of an amount without its marks, so that two written alike can be compared; nil where there is none. */
    private static function figures(string $cell): int
    {
        return (int) substr((string) preg_replace('/\D/', '', ForeignAmount::of($cell)->digits ?? ''), 0, 18);
    }
}
