<?php

declare(strict_types=1);

namespace Ajuste\Core\Pack;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Side;

/** Derives every figure of a close pack from its rows alone: what a third person can do without the books. */
final readonly class PackFigures
{
    public function __construct(private string $asOf, private Currency $base, private AgeBuckets $buckets, private Credits $credits) {}

    /** @return array<string, string> figures by name, decimals of base currency; what is nil is not named */
    public function of(PackData $data): array
    {
        $figures = [];
        foreach ($this->sums($data->ledger, 'account') as $account => $sum) {
            $figures["balance of {$account}"] = $sum;
        }
        [$carried, $accountOf, $customers] = [[], [], []];
        foreach ($data->items as $row) {
            $sign = Side::from($row['side'])->sign();
            $carried[$row['id']] = $sign * (int) $row['base'];
            $accountOf[$row['id']] = $row['account'];
            $customers[$row['account']] = ($customers[$row['account']] ?? 0) + $carried[$row['id']];
        }
        foreach ($data->matches as $row) {
            $carried[$row['debit']] = ($carried[$row['debit']] ?? 0) - (int) $row['debit_base'];
            $carried[$row['credit']] = ($carried[$row['credit']] ?? 0) + (int) $row['credit_base'];
        }
        foreach ($customers as $account => $sum) {
            $figures["customers on {$account}"] = $sum;
        }
        $open = [];
        foreach ($data->open as $row) {
            $open[$row['account']][] = $this->item($row);
            $carried[$row['item']] = ($carried[$row['item']] ?? 0) - (int) $row['base'];
        }
        $figures['carried beyond the open list'] = array_sum(array_map(abs(...), $carried));
        foreach ($open as $account => $items) {
            $totals = AgedList::of($this->asOf, $this->buckets, $this->credits, $items)->totals;
            foreach ([...array_combine($this->buckets->labels, $totals->amounts), 'unapplied' => $totals->unapplied] as $label => $sum) {
                $figures["aged {$label} of {$account}"] = $sum;
            }
        }

        return self::named($figures, $this->base);
    }

    /**
     * What is nil is not named: whether an account whose rows come to nothing had any is no figure.
     *
     * @param array<string, int> $minor units of base currency by name
     * @return array<string, string> decimals of base currency, in the order of the names
     */
    public static function named(array $minor, Currency $base): array
    {
        $named = array_filter($minor, static fn (int $amount): bool => $amount !== 0);
        ksort($named, SORT_STRING);

        return array_map(static fn (int $amount): string => Money::ofMinor($amount, $base)->decimal(), $named);
    }

    /**
     * @param iterable<array<string, string>> $rows
     * @return array<string, int>
     */
    private function sums(iterable $rows, string $by): array
    {
        $sums = [];
        foreach ($rows as $row) {
            $sums[$row[$by]] = ($sums[$row[$by]] ?? 0) + (int) $row['base'];
        }

        return $sums;
    }

    /** @param  array<string, string>  $row */
    private function item(array $row): AgedItem
    {
        return new AgedItem(
            $row['customer'],
            '',
            $row['currency'],
            (int) $row['base'],
            Side::from($row['standing']),
            $row['date'],
            $row['due_date'],
            (int) $row['contested'],
        );
    }
}
