<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNote;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Settlement\Quantity;
use PHPUnit\Framework\TestCase;

final class CreditNoteTest extends TestCase
{
    /** @return list<string> */
    private static function posted(CreditNote $note, string $base): array
    {
        $accounts = new ChartOfAccounts([
            new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
            new Account(4, '2300', 'Output tax', AccountRole::OutputTax),
        ]);
        $voucher = $note->voucher(
            new VoucherHead('2026-10-31', 'CN-00001', 'C1'),
            $accounts,
            $accounts->all()[0],
            Money::parse($base, 'EUR'),
            'Credit note CN-00001',
        );

        return array_map(
            static fn ($line): string => "{$line->account->number} {$line->base->decimal()}".
                ($line->original === null ? '' : " {$line->original->decimal()} {$line->original->currency->code}"),
            $voucher->lines,
        );
    }

    private static function line(string $name, string $account, string $rate, int $net, int $rest = 100_000): CreditedLine
    {
        return new CreditedLine('I1', $name, 'Goods', new Account((int) $account, $account, 'Sales'), $rate, $net, $rest);
    }

    public function test_revenue_and_tax_follow_the_lines(): void
    {
        $note = CreditNote::over([self::line('1', '4000', '21', 10_000), self::line('2', '4010', '10', 5_000)], Currency::of('EUR'));
        self::assertSame(['150.00', '176.00'], [$note->net->decimal(), $note->gross->decimal()]);
        self::assertSame(['4000 100.00', '4010 50.00', '2300 26.00', '1100 -176.00'], self::posted($note, '176.00'));
        // The tax of one rate is rounded once, over all its lines: 21 % of 0.33 + 0.33 + 0.34.
        self::assertSame(
            '1.21',
            CreditNote::over(
                [self::line('1', '4000', '21', 33), self::line('2', '4000', '21', 33), self::line('3', '4000', '21', 34)],
                Currency::of('EUR'),
            )->gross->decimal(),
        );
    }

    public function test_in_foreign_money_the_lines_share_the_invoices_own_carrying_amount(): void
    {
        $note = CreditNote::over([self::line('1', '4000', '0', 10_000), self::line('2', '4010', '0', 5_000)], Currency::of('GBP'));
        self::assertSame(['4000 115.40', '4010 57.70', '1100 -173.10 -150.00 GBP'], self::posted($note, '173.10'));
    }

    public function test_never_more_than_the_rest_of_a_line(): void
    {
        foreach ([0, -1, 501] as $net) {
            try {
                self::line('7', '4000', '21', $net, 500);
                self::fail("{$net} was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('line 7', $refusal->getMessage());
            }
        }
    }

    /** R8's figures: 3.63 on an invoice wholly at 21 % is 3.00 and 0.63 of tax. */
    public function test_a_residue_is_credited_to_the_minor_unit_in_the_invoices_own_mix(): void
    {
        $line = static fn (string $name, string $account, string $rate, int $rest): InvoiceLine => new InvoiceLine(
            'I1',
            $name,
            'Goods',
            new Account((int) $account, $account, 'Sales'),
            $rate,
            $rest,
            $rest,
            new Quantity('1', '1'),
        );
        $note = CreditNote::ofGross(Money::parse('3.63', 'EUR'), [$line('1', '4000', '21', 100_000)]);
        self::assertSame(['4000 3.00', '2300 0.63', '1100 -3.63'], self::posted($note, '3.63'));
        // 1,210.00 at 21 % and 1,100.00 at 10 %: of 2.31 the one gets 1.21, the other 1.10.
        $note = CreditNote::ofGross(Money::parse('2.31', 'EUR'), [$line('1', '4000', '21', 100_000), $line('2', '4010', '10', 100_000)]);
        self::assertSame(['4000 1.00', '4010 1.00', '2300 0.31', '1100 -2.31'], self::posted($note, '2.31'));
        mt_srand(5);
        for ($n = 0; $n < 200; $n++) {
            $gross = mt_rand(1, 5_000);
            $note = CreditNote::ofGross(Money::ofMinor($gross, 'EUR'), [
                $line('1', '4000', '21', mt_rand(10_000, 90_000)),
                $line('2', '4010', '10', mt_rand(10_000, 90_000)),
                $line('3', '4020', '0', mt_rand(10_000, 90_000)),
            ]);
            self::assertSame(
                -$gross,
                $note
                    ->voucher(
                        new VoucherHead('2026-10-31', 'CN', 'C1'),
                        new ChartOfAccounts([
                            new Account(1, '1100', 'R', AccountRole::ReceivablesControl),
                            new Account(4, '2300', 'T', AccountRole::OutputTax),
                        ]),
                        new Account(1, '1100', 'R', AccountRole::ReceivablesControl),
                        Money::ofMinor($gross, 'EUR'),
                        'x',
                    )
                    ->effectOn(new Account(1, '1100', 'R', AccountRole::ReceivablesControl))->minor,
            );
        }
    }

    public function test_several_invoices_share_the_gross_and_the_parts_add_up(): void
    {
        $of = static fn (string $document, int $net): CreditedLine => new CreditedLine(
            $document,
            '1',
            'Goods',
            new Account(40, '4000', 'Sales'),
            '21',
            $net,
            100_000,
        );
        $note = CreditNote::over([$of('I1', 33), $of('I2', 33), $of('I1', 34)], Currency::of('EUR'));
        self::assertSame(121, $note->gross->minor);
        self::assertSame(['I1' => 81, 'I2' => 40], $note->byDocument());
    }

    public function test_quantity_or_price_changed(): void
    {
        $eur = Currency::of('EUR');
        self::assertSame(10_000, (new Quantity('9', '50.00'))->returned('2', $eur)->minor);
        self::assertSame(1_233, (new Quantity('9', '3.3333'))->returned('3,7', $eur)->minor); // 12.33321
        self::assertSame(2_500, (new Quantity('10', '50.00'))->repriced('47,50', $eur)->minor);
        self::assertSame(-500, (new Quantity('10', '50.00'))->repriced('50.50', $eur)->minor);
        self::assertSame(150, (new Quantity('9', '50'))->returned('3', Currency::of('JPY'))->minor);
        foreach ([['x', '1'], ['-1', '1'], ['1', ''], ['1', '1.2.3']] as [$quantity, $price]) {
            try {
                (new Quantity('9', $price))->returned($quantity, $eur);
                self::fail("{$quantity} × {$price} was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('is not a', $refusal->getMessage());
            }
        }
    }
}
