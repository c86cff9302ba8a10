<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\PayerRemembered;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlannedMatch;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Settlement\Payer;
use Ajuste\Core\Settlement\Receipt;
use Ajuste\Core\Settlement\ReceiptPlan;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\ReceivedMoney;
use Ajuste\Core\Settlement\Relief;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Settlement\Ticked;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** All that placing money with a customer writes, as one plan (R2 to R5). */
final class ReceiptPlanTest extends TestCase
{
    private ChartOfAccounts $accounts;

    protected function setUp(): void
    {
        $this->accounts = new ChartOfAccounts([
            new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
            new Account(2, '1500', 'Bank', AccountRole::Bank),
            new Account(3, '2170', 'Deposits', AccountRole::CustomerDeposits),
            new Account(4, '2300', 'Output tax', AccountRole::OutputTax),
            new Account(5, '6100', 'Charges', AccountRole::BankCharges),
            new Account(6, '6200', 'Discounts', AccountRole::DiscountsAllowed),
            new Account(7, '4085', 'Short deliveries'),
            new Account(8, '4800', 'Gains', AccountRole::ExchangeRealisedGain),
            new Account(9, '6800', 'Losses', AccountRole::ExchangeRealisedLoss),
        ]);
    }

    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    private function plan(
        string $credited,
        Ticked $ticked,
        ?RestPlace $rest,
        string $charges = '0.00',
        string $taxRate = '',
        ?Payer $payer = null,
        string $day = '2026-10-20',
    ): PostingPlan {
        $money = new ReceivedMoney(
            5,
            $this->accounts->withId(2),
            $day,
            $day,
            self::eur($credited),
            self::eur($charges),
            $payer ?? new Payer('Uno', '', 'F1'),
        );
        $receipt = new Receipt(
            $money,
            Sample::customer(),
            $this->accounts->withId(1),
            $this->accounts->withId(3),
            'R1',
            $ticked,
            ReceiptSettlement::of($money->base(), $ticked, $rest),
            $taxRate,
        );
        $relief = new Relief(true, ['D1' => [new TaxedLine(100_00, '21')]]);

        return (new ReceiptPlan($this->accounts, new LockedDays('2026-09-30'), $relief))->single($receipt);
    }

    private static function invoice(int $id = 1, string $amount = '121.00'): OpenItem
    {
        return Sample::item($id, Kind::Invoice, $amount, '2026-10-01');
    }

    /** @return list<list<string>> account and amount of each line, by voucher */
    private static function lines(PostingPlan $plan): array
    {
        $line = static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()}";

        return array_map(static fn (Voucher $voucher): array => array_map($line, $voucher->lines), $plan->vouchers());
    }

    /** @return list<string> */
    private static function items(PostingPlan $plan): array
    {
        return array_map(
            static fn (NewItem $of): string => "{$of->head->kind->value} {$of->amount->decimal()} {$of->base->decimal()}",
            $plan->items,
        );
    }

    /** @return list<string> */
    private static function matched(PostingPlan $plan): array
    {
        return array_map(static fn (PlannedMatch $of): string => "{$of->date} {$of->amount->decimal()}", $plan->matches);
    }

    public function test_money_for_one_invoice(): void
    {
        $item = self::invoice();
        $plan = $this->plan('121.00', new Ticked([new Tick($item, $item->open)]), RestPlace::Unapplied);
        self::assertSame([['1500 121.00', '1100 -121.00']], self::lines($plan));
        self::assertSame([['receipt 121.00 121.00'], ['2026-10-20 121.00']], [self::items($plan), self::matched($plan)]);
    }

    /** 1,210.00 held with 21 % is 1,000.00 and 210.00 of tax; charges come on top. */
    public function test_a_deposit_with_tax_and_charges(): void
    {
        $plan = $this->plan('1200.00', new Ticked([]), RestPlace::Deposit, '10.00', '21');
        self::assertSame([['1500 1200.00', '6100 10.00', '2170 -1000.00', '2300 -210.00']], self::lines($plan));
        self::assertSame([['deposit 1000.00 1000.00'], []], [self::items($plan), self::matched($plan)]);
    }

    public function test_what_is_more_is_unapplied_or_a_deposit(): void
    {
        $item = self::invoice();
        $ticked = new Ticked([new Tick($item, $item->open)]);
        self::assertSame(['receipt 200.00 200.00'], self::items($this->plan('200.00', $ticked, RestPlace::Unapplied)));
        $plan = $this->plan('200.00', $ticked, RestPlace::Deposit);
        self::assertSame([['1500 200.00', '1100 -121.00', '2170 -79.00']], self::lines($plan));
        self::assertSame(
            [['receipt 121.00 121.00', 'deposit 79.00 79.00'], ['2026-10-20 121.00']],
            [self::items($plan), self::matched($plan)],
        );
    }

    /** 121.00 less 2.42 of discount, 2.00 and 0.42 of tax. */
    public function test_a_discount_goes_with_its_tax(): void
    {
        $item = self::invoice();
        $plan = $this->plan('118.58', new Ticked([new Tick($item, $item->open)], [1 => self::eur('2.42')]), RestPlace::Unapplied);
        self::assertSame([['1500 118.58', '1100 -118.58'], ['6200 2.00', '2300 0.42', '1100 -2.42']], self::lines($plan));
        self::assertSame(['2026-10-20 2.42', '2026-10-20 118.58'], self::matched($plan));
    }

    public function test_deductions_come_off_or_stay_contested(): void
    {
        $item = self::invoice();
        $accepted = new DeductionReason('SHORT', 'Short', $this->accounts->withId(7), taxRelief: true, rate: '21', namesInvoice: true);
        $less = new Deduction($accepted, $item, self::eur('12.10'));
        $plan = $this->plan('108.90', new Ticked([new Tick($item, $item->open)], [], [$less]), RestPlace::Unapplied);
        self::assertSame([['1500 108.90', '1100 -108.90'], ['4085 10.00', '2300 2.10', '1100 -12.10']], self::lines($plan));
        $contested = new Deduction(new DeductionReason('PRICE', 'Price', null), $item, self::eur('12.10'));
        $plan = $this->plan('108.90', new Ticked([new Tick($item, $item->open)], [], [$contested]), RestPlace::Unapplied);
        self::assertSame([[['1500 108.90', '1100 -108.90']], ['2026-10-20 108.90']], [self::lines($plan), self::matched($plan)]);
    }

    public function test_nothing_is_posted_while_something_is_unexplained(): void
    {
        $item = self::invoice();
        $ticked = new Ticked([new Tick($item, $item->open)]);
        $tries = [['120.00', RestPlace::Unapplied, '1.00 EUR less was paid'], ['122.00', null, '1.00 EUR more was paid']];
        foreach ($tries as [$cash, $rest, $says]) {
            try {
                $this->plan($cash, $ticked, $rest);
                self::fail();
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
        self::assertSame(['2026-10-20 120.00'], self::matched($this->plan('120.00', $ticked, RestPlace::StaysOpen)));
        $this->expectExceptionMessage('locked');
        $this->plan('121.00', $ticked, RestPlace::Unapplied, day: '2026-09-30');
    }

    public function test_only_a_payer_with_a_name_or_an_account_is_remembered(): void
    {
        $isPayer = static fn (object $fact): bool => $fact instanceof PayerRemembered;
        $remembers = function (Payer $payer) use ($isPayer): bool {
            $plan = $this->plan('1.00', new Ticked([]), RestPlace::Unapplied, payer: $payer);

            return array_filter($plan->facts, $isPayer) !== [];
        };
        self::assertTrue($remembers(new Payer('Uno', '', '')));
        self::assertTrue($remembers(new Payer('', 'ES79', '')));
        self::assertFalse($remembers(new Payer('', '', 'F1')));
    }
}
