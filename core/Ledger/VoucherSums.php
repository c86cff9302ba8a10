<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

/** Vouchers that belong together, for a person to look at: many lines on few accounts. */
final class VoucherSums
{
    /**
     * @param list<Voucher> $vouchers
     * @return list<VoucherLine> one for each account and side that is used, base currency, by account, debit first
     */
    public static function of(array $vouchers): array
    {
        $sums = [];
        foreach ($vouchers as $voucher) {
            foreach ($voucher->lines as $line) {
                $side = $line->base->isNegative() ? 1 : 0;
                $sum = $sums["{$line->account->number} {$side}"] ?? null;
                $base = $sum === null ? $line->base : $sum->base->plus($line->base);
                $sums["{$line->account->number} {$side}"] = new VoucherLine($line->account, $base, $voucher->text);
            }
        }
        ksort($sums, SORT_STRING);

        return array_values($sums);
    }
}
