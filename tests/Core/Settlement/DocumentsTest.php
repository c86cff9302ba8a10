<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlannedMatch;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNote;
use Ajuste\Core\Settlement\CreditNotePlan;
use Ajuste\Core\Settlement\CreditNoteUse;
use Ajuste\Core\Settlement\DocumentReversal;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Settlement\Quantity;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Documents that are issued, and documents that are taken back (R2, R9). */
final class DocumentsTest extends TestCase
{
    private ChartOfAccounts $accounts;

    protected function setUp(): void
    {
        $this->accounts = new ChartOfAccounts([
            new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
            new Account(2, '2300', 'Output tax', AccountRole::OutputTax),
            new Account(3, '4000', 'Sales'),
            new Account(4, '4800', 'Gains', AccountRole::ExchangeRealisedGain),
            new Account(5, '6800', 'Losses', AccountRole::ExchangeRealisedLoss),
        ]);
    }

    /** @return list<string> */
    private static function lines(Voucher $voucher): array
    {
        return array_map(static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()}", $voucher->lines);
    }

    /** @param  list<OpenItem>  $invoices */
    private function credit(int $net, array $invoices, CreditNoteUse $use = CreditNoteUse::Settles, string $day = '2026-10-31'): PostingPlan
    {
        $lines = array_map(
            fn (OpenItem $of): CreditedLine => new CreditedLine(
                $of->document,
                '1',
                'Goods',
                $this->accounts->withId(3),
                '21',
                $net,
                100_000,
            ),
            $invoices,
        );
        $plan = new CreditNotePlan($this->accounts, new LockedDays('2026-09-30'), Sample::customer(), $this->accounts->withId(1));
        $head = new VoucherHead($day, 'CN1', 'C1');

        return $plan->plan(CreditNote::over($lines, Currency::of('EUR')), $head, $invoices, Money::zero('EUR'), 'x', $use);
    }

    /** @return list<string> */
    private static function matched(PostingPlan $plan): array
    {
        $ofAmount = array_filter($plan->matches, static fn (PlannedMatch $of): bool => ! $of->amount->isZero());

        return array_map(
            static fn (PlannedMatch $of): string => "{$of->debit->inBooks()} {$of->amount->decimal()}",
            array_values($ofAmount),
        );
    }

    public function test_a_credit_note_settles_its_invoice_as_far_as_that_is_open(): void
    {
        $plan = $this->credit(100_00, [Sample::item(1, Kind::Invoice, '242.00')]);
        self::assertSame([['4000 100.00', '2300 21.00', '1100 -121.00']], array_map(self::lines(...), $plan->vouchers()));
        self::assertSame(['1 121.00'], self::matched($plan));
        $plan = $this->credit(100_00, [Sample::item(1, Kind::Invoice, '242.00', open: '50.00')]);
        self::assertSame(['1 50.00'], self::matched($plan));
        self::assertSame(
            [],
            self::matched($this->credit(100_00, [Sample::item(1, Kind::Invoice, '242.00')], CreditNoteUse::StaysUnapplied)),
        );
        self::assertSame([], self::matched($this->credit(100_00, [Sample::item(1, Kind::Invoice, '242.00', open: '0.00')])));
    }

    public function test_over_several_invoices_each_takes_its_own_part(): void
    {
        $plan = $this->credit(100_00, [Sample::item(1, Kind::Invoice, '242.00'), Sample::item(2, Kind::Invoice, '121.00')]);
        self::assertSame(['1 121.00', '2 121.00'], self::matched($plan));
        self::assertSame('242.00', $plan->items[0]->amount->decimal());
    }

    /** @return iterable<string, array{OpenItem, string, string}> */
    public static function unfit(): iterable
    {
        yield 'another customer' => [Sample::item(1, Kind::Invoice, '242.00', customer: 2), '2026-10-31', 'another customer'];
        yield 'another currency' => [Sample::item(1, Kind::Invoice, '242.00', currency: 'USD'), '2026-10-31', 'another customer, currency'];
        yield 'younger than the note' => [Sample::item(1, Kind::Invoice, '242.00', '2026-10-30'), '2026-10-29', 'cannot be older'];
        yield 'smaller than the note' => [Sample::item(1, Kind::Invoice, '120.99'), '2026-10-31', 'more than its 120.99'];
        yield 'a locked day' => [Sample::item(1, Kind::Invoice, '242.00', '2026-09-01'), '2026-09-30', 'locked'];
    }

    #[DataProvider('unfit')]
    public function test_what_does_not_fit_is_refused(OpenItem $invoice, string $day, string $says): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($says);
        $this->credit(100_00, [$invoice], day: $day);
    }

    public function test_a_document_goes_back_by_its_lines_or_against_an_account(): void
    {
        $reversal = new DocumentReversal($this->accounts, $this->accounts->withId(1), Sample::item(1, Kind::Invoice, '121.00'), 'C1');
        $line = fn (int $net): InvoiceLine => new InvoiceLine(
            'D1',
            '1',
            'Goods',
            $this->accounts->withId(3),
            '21',
            $net,
            $net,
            new Quantity('1', '1'),
        );
        self::assertSame(
            ['1100 -121.00', '4000 60.00', '4000 40.00', '2300 21.00'],
            self::lines($reversal->byLines('2026-10-31', [$line(6000), $line(4000)])),
        );
        self::assertSame(['1100 -121.00', '4000 121.00'], self::lines($reversal->byLines('2026-10-31', [$line(12_100)])));
        self::assertSame(
            ['1100 -121.00', '4000 100.00', '2300 21.00'],
            self::lines($reversal->byAccount('2026-10-31', $this->accounts->withId(3), '21')),
        );
        self::assertSame(['1100 -121.00', '4000 121.00'], self::lines($reversal->byAccount('2026-10-31', $this->accounts->withId(3), '')));
        $credit = new DocumentReversal($this->accounts, $this->accounts->withId(1), Sample::item(1, Kind::CreditNote, '121.00'), 'C1');
        self::assertSame(
            ['1100 121.00', '4000 -100.00', '2300 -21.00'],
            self::lines($credit->byAccount('2026-10-31', $this->accounts->withId(3), '21')),
        );
        $entry = [
            new VoucherLine($this->accounts->withId(1), Money::parse('121.00', 'EUR'), 's'),
            new VoucherLine($this->accounts->withId(3), Money::parse('-121.00', 'EUR'), 's'),
        ];
        self::assertSame(['1100 -121.00', '4000 121.00'], self::lines($reversal->byEntry('2026-10-31', $entry)));
        $foreign = new DocumentReversal(
            $this->accounts, $this->accounts->withId(1), Sample::item(1, Kind::Invoice, '100.00', currency: 'GBP', base: '121.00'), 'C1',
        );
        $back = $foreign->byAccount('2026-10-31', $this->accounts->withId(3), '')->lines[0];
        self::assertSame(['-121.00', '-100.00'], [$back->base->decimal(), $back->original?->decimal()], 'its currency goes back with it');
    }
}
