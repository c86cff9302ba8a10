<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Settlement\EventVouchers;
use Ajuste\Core\Settlement\PostedReceipt;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Settlement\Ticked;
use Ajuste\Core\Settlement\Worth;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

final class ReceiptSettlementTest extends TestCase
{
    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    private static function tick(OpenItem $item, ?string $amount = null): Tick
    {
        return new Tick($item, $amount === null ? $item->open : self::eur($amount));
    }

    /** @return array{OpenItem, OpenItem, OpenItem} the three invoices of R5's example */
    private static function invoices(): array
    {
        return [
            Sample::item(1, Kind::Invoice, '412.30', '2026-09-12'),
            Sample::item(2, Kind::Invoice, '388.00', '2026-09-18'),
            Sample::item(3, Kind::Invoice, '251.75', '2026-09-23'),
        ];
    }

    private static function accepted(bool $namesInvoice = false): DeductionReason
    {
        return new DeductionReason('SHORT', 'Shortage', new Account(9, '4085', 'Short deliveries'), namesInvoice: $namesInvoice);
    }

    /** R5: items 412.30, 388.00, 251.75, cash 987.15: 64.90 to explain; shortage 31.40 on the second, promotion 33.50 on none. */
    public function test_the_worked_example_of_deductions(): void
    {
        $items = self::invoices();
        $ticks = array_map(self::tick(...), $items);
        $short = ReceiptSettlement::of(self::eur('987.15'), new Ticked($ticks, [], []), null);
        self::assertSame('64.90', $short->toExplain->decimal());

        $one = new Deduction(self::accepted(), $items[1], self::eur('31.40'));
        $still = ReceiptSettlement::of(self::eur('987.15'), new Ticked($ticks, [], [$one]), null);
        self::assertSame('33.50', $still->toExplain->decimal());

        $done = ReceiptSettlement::of(
            self::eur('987.15'),
            new Ticked($ticks, [], [$one, new Deduction(self::accepted(), null, self::eur('33.50'))]),
            null,
        );
        self::assertTrue($done->toExplain->isZero());
        self::assertSame(
            ['412.30', '388.00', '251.75'],
            array_values(array_map(static fn (Money $of): string => $of->decimal(), $done->takes)),
        );
        self::assertSame('987.15', $done->used->decimal());
    }

    public function test_a_contested_amount_stays_open_on_its_invoice_else_on_the_oldest(): void
    {
        $items = self::invoices();
        $ticks = [self::tick($items[2]), self::tick($items[0]), self::tick($items[1])];
        $price = new DeductionReason('PRICE', 'Price', null);
        $done = ReceiptSettlement::of(
            self::eur('987.15'),
            new Ticked($ticks, [], [new Deduction($price, $items[1], self::eur('31.40')), new Deduction($price, null, self::eur('33.50'))]),
            null,
        );
        self::assertTrue($done->toExplain->isZero());
        self::assertSame('356.60', $done->takes[2]->decimal());
        self::assertSame('378.80', $done->takes[1]->decimal());
        self::assertSame([2, 1], array_map(static fn (Deduction $of): ?int => $of->invoice?->id, $done->contested));
        $this->expectExceptionMessage('more than the 251.75 that it takes');
        ReceiptSettlement::of(self::eur('987.15'), new Ticked($ticks, [], [new Deduction($price, $items[2], self::eur('300.00'))]), null);
    }

    public function test_more_than_owed_stays_loose_or_becomes_a_deposit_when_a_person_says_so(): void
    {
        $ticks = [self::tick(Sample::item(1, Kind::Invoice, '900.00'))];
        $receipt = self::eur('1000.00');
        self::assertSame('-100.00', ReceiptSettlement::of($receipt, new Ticked($ticks, [], []), null)->toExplain->decimal());
        self::assertSame(
            '-100.00',
            ReceiptSettlement::of($receipt, new Ticked($ticks, [], []), RestPlace::StaysOpen)->toExplain->decimal(),
        );
        $kept = ReceiptSettlement::of($receipt, new Ticked($ticks, [], []), RestPlace::Unapplied);
        $deposit = ReceiptSettlement::of($receipt, new Ticked($ticks, [], []), RestPlace::Deposit);
        foreach ([[$kept, '100.00', '0.00'], [$deposit, '0.00', '100.00']] as [$settlement, $unapplied, $held]) {
            self::assertSame(
                ['0.00', '900.00', $unapplied, $held],
                [
                    $settlement->toExplain->decimal(),
                    $settlement->used->decimal(),
                    $settlement->unapplied->decimal(),
                    $settlement->deposit->decimal(),
                ],
            );
        }
        self::assertSame('1000.00', ReceiptSettlement::of($receipt, new Ticked([], [], []), RestPlace::Deposit)->deposit->decimal());
    }

    public function test_less_than_ticked_stays_open_on_the_last_when_a_person_says_so(): void
    {
        $items = self::invoices();
        $part = ReceiptSettlement::of(self::eur('600.00'), new Ticked(array_map(self::tick(...), $items), [], []), RestPlace::StaysOpen);
        self::assertSame([1 => '412.30', 2 => '187.70'], array_map(static fn (Money $of): string => $of->decimal(), $part->takes));
        self::assertTrue($part->toExplain->isZero());
    }

    /** To the minor unit: debits settled = receipt used + credits used + discounts + accepted deductions (R3), whatever is typed. */
    public function test_random_settlements_add_up(): void
    {
        mt_srand(11);
        $posted = 0;
        for ($try = 0; $try < 500; $try++) {
            $ticks = $discounts = $deductions = [];
            for ($id = 1; $id <= mt_rand(1, 6); $id++) {
                $item = Sample::item(
                    $id,
                    mt_rand(0, 4) === 0 ? Kind::CreditNote : Kind::Invoice,
                    number_format(mt_rand(100, 90000) / 100, 2, '.', ''),
                );
                $ticks[] = self::tick($item);
                if ($item->kind === Kind::Invoice && mt_rand(0, 2) === 0) {
                    $discounts[$id] = Money::ofMinor(mt_rand(1, 50), 'EUR');
                }
                if ($item->kind === Kind::Invoice && mt_rand(0, 2) === 0) {
                    $deductions[] = new Deduction(
                        mt_rand(0, 1) === 0 ? self::accepted() : new DeductionReason('P', 'Price', null),
                        $item,
                        Money::ofMinor(mt_rand(1, 49), 'EUR'),
                    );
                }
            }
            $receipt = Money::ofMinor(mt_rand(1, 200000), 'EUR');
            try {
                $done = ReceiptSettlement::of(
                    $receipt,
                    new Ticked($ticks, $discounts, $deductions),
                    [RestPlace::Unapplied, RestPlace::Deposit, RestPlace::StaysOpen][mt_rand(0, 2)],
                );
            } catch (Refusal) {
                continue;
            }
            if (! $done->toExplain->isZero()) {
                continue;
            }
            $posted++;
            $left = 0;
            foreach ($ticks as $tick) {
                $left += $tick->item->head->side->sign() * ($done->takes[$tick->item->id] ?? Money::zero('EUR'))->minor;
            }
            $left -= $done->used->minor + array_sum(array_map(static fn (Money $of): int => $of->minor, $discounts));
            foreach ($deductions as $deduction) {
                $left -= $deduction->reason->isContested() ? 0 : $deduction->amount->minor;
            }
            self::assertSame(0, $left);
            self::assertTrue($receipt->equals($done->used->plus($done->deposit)->plus($done->unapplied)));
        }
        self::assertGreaterThan(150, $posted);
    }

    public function test_what_is_refused(): void
    {
        [$invoice, $other] = self::invoices();
        $cases = [
            'names none' => [[self::tick($invoice)], [new Deduction(self::accepted(true), null, self::eur('1.00'))], 'concerns an invoice'],
            'not ticked' => [[self::tick($invoice)], [new Deduction(self::accepted(), $other, self::eur('1.00'))], 'which is not ticked'],
            'nil' => [[self::tick($invoice)], [new Deduction(self::accepted(), $invoice, self::eur('0.00'))], 'above zero'],
            'contested on nothing' => [
                [],
                [new Deduction(new DeductionReason('P', 'Price', null), null, self::eur('1.00'))],
                'Tick the invoice',
            ],
            'more than is open' => [
                [self::tick($invoice, '412.31')],
                [],
                'Invoice D1: 412.31 was typed, but only 412.30 EUR is open.',
            ],
            'credits above debits' => [[self::tick(Sample::item(4, Kind::CreditNote, '20.00'))], [], '20.00 more than the debits'],
        ];
        foreach ($cases as $name => [$ticks, $deductions, $says]) {
            try {
                ReceiptSettlement::of(self::eur('10.00'), new Ticked($ticks, [], $deductions), RestPlace::Unapplied);
                self::fail("{$name} was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage(), $name);
            }
        }
    }

    /** The rows of R2: receipt with charges, deposit with tax and its match, deduction with relief, return and fee. */
    public function test_what_each_event_posts(): void
    {
        $accounts = new ChartOfAccounts([
            new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
            new Account(2, '1500', 'Bank', AccountRole::Bank),
            new Account(3, '2170', 'Deposits', AccountRole::CustomerDeposits),
            new Account(4, '2300', 'Output tax', AccountRole::OutputTax),
            new Account(5, '6100', 'Charges', AccountRole::BankCharges),
            new Account(6, '4085', 'Short deliveries'),
        ]);
        $events = new EventVouchers($accounts);
        [$control, $bank, $deposits, , , $shortage] = $accounts->all();
        $lines = static fn (Voucher $voucher): array => array_map(
            static fn ($line): string => "{$line->account->number} {$line->base->decimal()}",
            $voucher->lines,
        );
        $worth = static fn (string $base, string $tax = '0.00', ?string $original = null): Worth => new Worth(
            self::eur($base),
            self::eur($original ?? $base),
            self::eur($tax),
        );
        $head = new VoucherHead('2026-10-30', 'R1', 'C1');

        $off = $events->offCustomer($head, $control, $worth('1000.00'), 'Receipt');
        self::assertSame(
            ['1500 985.00', '6100 15.00', '1100 -1000.00'],
            $lines($events->received($head, $bank, self::eur('985.00'), self::eur('15.00'), [$off], 'Receipt')),
        );

        $tax = Money::ofMinor(TaxRelief::atRate(121000, '21'), 'EUR')->decimal();
        $deposit = $events->received(
            $head,
            $bank,
            self::eur('1210.00'),
            self::eur('0.00'),
            $events->deposit($head, $deposits, $worth('1210.00', $tax)),
            'Deposit',
        );
        self::assertSame(['1500 1210.00', '2170 -1000.00', '2300 -210.00'], $lines($deposit));
        $matched = $events->depositMatched($head, $deposits, $control, $worth('1000.00', $tax, '1210.00'));
        self::assertSame(['2170 1000.00', '2300 210.00', '1100 -1210.00'], $lines($matched));
        self::assertTrue($deposit->effectOn($deposits)->plus($matched->effectOn($deposits))->isZero());

        self::assertSame(
            ['4085 100.00', '2300 21.00', '1100 -121.00'],
            $lines($events->deduction($head, $shortage, $control, $worth('121.00', '21.00'), 'Shortage')),
        );
        self::assertSame(
            ['1100 50.00', '1500 -50.00'],
            $lines($events->returned($head, $control, $bank, $worth('50.00'), self::eur('0.00'))),
        );
        self::assertSame(
            ['1100 1000.00', '6100 -15.00', '1500 -985.00'],
            $lines($events->returned($head, $control, $bank, $worth('1000.00'), self::eur('15.00'))),
        );
        self::assertSame(
            ['6100 7.50', '1500 -7.50'],
            $lines($events->returnFee($head, $accounts->withRole(AccountRole::BankCharges), $bank, self::eur('7.50'))),
        );
        self::assertSame(
            ['2170 100.00', '2300 21.00', '1500 -121.00'],
            $lines($events->refund($head, $deposits, $bank, $worth('100.00', '21.00'), 'D1')),
        );
        $posted = static fn (Account $account, string $base): PostedReceipt => new PostedReceipt(
            new StandingItem(Sample::item(1, Kind::Receipt, $base), null),
            $account,
            self::eur('0.00'),
            '',
            self::eur('0.00'),
            [],
            [],
        );
        $moved = $events->moved($head, [$posted($control, '50.00'), $posted($deposits, '10.00')], 'C2');
        self::assertSame(['1100 50.00', '1100 -50.00', '2170 10.00', '2170 -10.00'], $lines($moved));
        self::assertSame(['1500 50.00', '1100 -50.00'], $lines($events->cleared($head, $control, $bank, self::eur('50.00'), 'B7')));
    }
}
