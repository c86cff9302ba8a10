<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Conversion;
use Ajuste\Core\Settlement\EventVouchers;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Conversion of a credit into the currency of what it settles (R3). */
final class ConversionTest extends TestCase
{
    /** A settled monetary item gives the difference to its initial rate to profit or loss (IAS 21.28): 1,000.00 USD carried at 900.00. */
    public function test_into_base_currency_the_difference_is_realised(): void
    {
        self::assertSame(['1100 90000', '1100 -91000', '6800 1000'], $this->lines('910.00', 'EUR'));
        self::assertSame(['1100 90000', '1100 -88000', '4800 -2000'], $this->lines('880.00', 'EUR'));
        self::assertSame(['1100 90000', '1100 -90000'], $this->lines('900.00', 'EUR'));
    }

    public function test_between_foreign_currencies_it_keeps_what_it_carries(): void
    {
        self::assertSame(['1100 90000', '1100 -90000'], $this->lines('780.00', 'GBP'));
        self::assertTrue((new Conversion(Money::parse('900.00', 'EUR'), Money::parse('780.00', 'GBP')))->realised()->isZero());
    }

    /** @return list<string> */
    private function lines(string $worth, string $currency): array
    {
        $money = Money::parse($worth, $currency);
        $accounts = Sample::accounts();
        $voucher = (new EventVouchers($accounts))->converted(
            new VoucherHead('2026-10-31', 'R1', '3101'),
            $accounts->numbered('1100'),
            new Conversion(Money::parse('900.00', 'EUR'), $money),
            Money::parse('1000.00', 'USD'),
            $money,
        );

        return array_map(static fn (VoucherLine $line): string => "{$line->account->number} {$line->base->minor}", $voucher->lines);
    }
}
