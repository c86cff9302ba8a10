<?php

declare(strict_types=1);

namespace Tests\Core\BadDebt;

use Ajuste\Core\BadDebt\BadDebts;
use Ajuste\Core\BadDebt\Ground;
use Ajuste\Core\BadDebt\LostDebt;
use Ajuste\Core\BadDebt\Recovery;
use Ajuste\Core\BadDebt\WriteOffRequest;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\DebtWrittenOff;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** R2: the specific allowance first, the rest to impairment loss, output tax apart when its conditions are met. */
final class BadDebtsTest extends TestCase
{
    private static function rule(?string $locked = null): BadDebts
    {
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);

        return new BadDebts(new ChartOfAccounts([
            $control, new Account(
                2,
                '1190',
                'Allowance',
                AccountRole::Allowance,
            ), new Account(3, '6900', 'Loss', AccountRole::ImpairmentLoss),
            new Account(4, '2300', 'Tax', AccountRole::OutputTax), new Account(5, '6300', 'Residues', AccountRole::ResiduesWrittenOff),
        ]), new LockedDays($locked), $control);
    }

    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    /** @param  list<TaxedLine>  $lines */
    private static function debt(OpenItem $item, ?string $amount = null, string $allowance = '0', array $lines = []): LostDebt
    {
        $code = $item->open->currency->code;

        return new LostDebt($item, $amount === null ? $item->takeable : Money::parse($amount, $code), $lines, self::eur($allowance));
    }

    /** @param  list<LostDebt>  $debts */
    private static function plan(array $debts, string $allowance = '0', ?string $taxOn = null, string $date = '2026-10-31'): PostingPlan
    {
        return self::rule('2026-09-30')->writeOff(
            Sample::customer(),
            $debts,
            new WriteOffRequest($date, Ground::Insolvency, 'order 12', $taxOn),
            self::eur($allowance),
        );
    }

    /** @return list<string> */
    private static function lines(PostingPlan $plan): array
    {
        return array_map(
            static fn (VoucherLine $line): string => "{$line->account->number} {$line->base->decimal()}",
            $plan->vouchers[0]->voucher->lines,
        );
    }

    public function test_of_several_documents_each_uses_its_own_allowance_and_then_the_customers(): void
    {
        [$one, $two, $three] = array_map(
            static fn (int $id): OpenItem => Sample::item($id, Kind::Invoice, '100.00'),
            [1, 2, 3],
        );
        $plan = self::plan([self::debt($one, allowance: '30'), self::debt($two, '50.00'), self::debt($three, allowance: '10')], '90');
        self::assertSame(
            ['1190 100.00', '1100 -100.00', '1190 20.00', '6900 30.00', '1100 -50.00', '1190 10.00', '6900 90.00', '1100 -100.00'],
            self::lines($plan),
        );
        self::assertSame([10_000, 5_000, 10_000], array_map(static fn ($match): int => $match->amount->minor, $plan->matches));
        self::assertSame(['D1-B', 'D2-B', 'D3-B'], array_map(static fn ($item): string => $item->head->document, $plan->items));
        $fact = $plan->facts[1];
        self::assertInstanceOf(DebtWrittenOff::class, $fact);
        self::assertSame(['20.00', '30.00', '50.00'], [
            $fact->share->fromAllowance->decimal(), $fact->share->cost->decimal(), $fact->share->base()->decimal(),
        ]);
    }

    public function test_tax_comes_off_apart_in_the_invoices_own_mix(): void
    {
        $item = Sample::item(1, Kind::Invoice, '121.00');
        $lines = [new TaxedLine(10_000, '21')];
        self::assertSame(
            ['6900 100.00', '2300 21.00', '1100 -121.00'],
            self::lines(self::plan([self::debt($item, lines: $lines)], '0', '2026-10-31')),
        );
        self::assertSame(['6900 121.00', '1100 -121.00'], self::lines(self::plan([self::debt($item, lines: $lines)])));
    }

    public function test_in_foreign_currency_by_what_it_carries(): void
    {
        $item = Sample::item(1, Kind::Invoice, '100.00', currency: 'GBP', base: '115.40');
        $plan = self::plan([self::debt($item, '40.00')]);
        self::assertSame(['6900 46.16', '1100 -46.16'], self::lines($plan));
        self::assertSame('-40.00', $plan->vouchers[0]->voucher->lines[1]->original?->decimal());
    }

    /** @return iterable<string, array{string, callable(): mixed}> */
    public static function refused(): iterable
    {
        $item = Sample::item(1, Kind::Invoice, '100.00');
        yield 'nothing' => ['Nothing is ticked', static fn () => self::plan([])];
        yield 'locked' => ['locked', static fn () => self::plan([self::debt($item)], date: '2026-09-30')];
        yield 'before the document' => [
            'dated',
            static fn () => self::plan([self::debt(Sample::item(1, Kind::Invoice, '1.00', '2026-11-01'))]),
        ];
        yield 'a credit' => [
            'nothing that the customer owes',
            static fn () => self::plan([self::debt(Sample::item(1, Kind::Receipt, '1.00'))]),
        ];
        yield 'too much' => ['at most 100.00', static fn () => self::plan([self::debt($item, '100.01')])];
        yield 'nil' => ['above zero', static fn () => self::plan([self::debt($item, '0')])];
        yield 'tax of unknown lines' => ['not in the books', static fn () => self::plan([self::debt($item)], '0', '2026-10-31')];
        yield 'tax later' => ['after the write-off', static fn () => self::plan([self::debt($item)], '0', '2026-11-01')];
        yield 'more than is left' => ['at most 40.00', static fn () => self::recover('40.01')];
        yield 'nothing recovered' => ['above zero', static fn () => self::recover('0')];
    }

    /** @param  callable(): mixed  $attempt */
    #[DataProvider('refused')]
    public function test_what_cannot_be(string $says, callable $attempt): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($says);
        $attempt();
    }

    private static function recover(string $amount, string $left = '40.00', AccountRole $bore = AccountRole::ImpairmentLoss): PostingPlan
    {
        $recovery = new Recovery(
            'D1',
            'D1-B',
            self::eur('100.00'),
            self::eur('100.00'),
            self::eur('17.36'),
            $bore,
            self::eur($left),
            self::eur($amount),
        );

        return self::rule()->recover(Sample::customer(), $recovery, '2026-11-05');
    }

    public function test_a_recovery_writes_back_what_bore_it_with_its_tax(): void
    {
        $first = self::recover('60.00', '100.00');
        self::assertSame(['1100 60.00', '6900 -49.58', '2300 -10.42'], self::lines($first));
        self::assertSame(['1100 40.00', '6900 -33.06', '2300 -6.94'], self::lines(self::recover('40.00')), 'the parts add up to 17.36');
        self::assertSame(
            ['1100 40.00', '6300 -33.06', '2300 -6.94'],
            self::lines(self::recover('40.00', bore: AccountRole::ResiduesWrittenOff)),
        );
        self::assertSame(['D1-R', Kind::WriteBack, 'D1-B'], [
            $first->items[0]->head->document, $first->items[0]->head->kind, $first->items[0]->head->reference,
        ]);
    }
}
