<?php

declare(strict_types=1);

namespace Tests\Core\Contra;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Contra\AtMost;
use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Contra\BillPart;
use Ajuste\Core\Contra\ContraPlan;
use Ajuste\Core\Contra\Contras;
use Ajuste\Core\Contra\Pair;
use Ajuste\Core\Contra\PairChoices;
use Ajuste\Core\Contra\Party;
use Ajuste\Core\Contra\Scope;
use Ajuste\Core\Contra\Supplier;
use Ajuste\Core\Contra\Tie;
use Ajuste\Core\Contra\VoucherPer;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\ContraPosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use PHPUnit\Framework\TestCase;

/** R7 with its worked figures, and each reason for which something stays. */
final class ContraTest extends TestCase
{
    private const DAY = '2026-10-31';

    private static function control(): Account
    {
        return new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
    }

    private static function supplier(int $id = 1): Supplier
    {
        return new Supplier($id, "70{$id}", 'Uno', new Account(2, '2100', 'Payables', AccountRole::PayablesControl));
    }

    private static function item(int $id, Kind $kind, int $amount, string $due, ?int $base = null, string $currency = 'EUR'): OpenItem
    {
        $account = new CustomerAccount(5, 1);
        $head = $kind === Kind::Invoice
            ? new ItemHead("I{$id}", $kind, $kind->side() ?? throw new \LogicException, $account, '2026-08-01', $due)
            : ItemHead::credit("K{$id}", $kind, $account, $due);

        return OpenItem::of(
            $id, $head, Money::ofMinor($amount, $currency), Money::ofMinor($base ?? $amount, 'EUR'), Position::untouched(),
        );
    }

    /** @param  array{credit?: bool, blocked?: bool, carried?: int, currency?: string}  $of */
    private static function bill(int $id, int $open, string $due, array $of = []): Bill
    {
        return new Bill(
            $id,
            "B{$id}",
            '2026-08-01',
            $due,
            Money::ofMinor($open, $of['currency'] ?? 'EUR'),
            Money::ofMinor($of['carried'] ?? $open, 'EUR'),
            $of['credit'] ?? false,
            $of['blocked'] ?? false,
        );
    }

    private static function agreement(
        Scope $scope = Scope::All,
        string $from = '2026-01-01',
        string $to = '',
        string $name = 'AG',
    ): Agreement {
        return new Agreement($name, $from, $to, $scope);
    }

    /**
     * @param list<OpenItem> $items
     * @param list<Bill> $bills
     * @param ?list<Agreement> $agreements
     * @param array<int, int> $contested minor units by item
     */
    private static function pair(
        array $items,
        array $bills,
        ?array $agreements = null,
        array $contested = [],
        string $blocked = '',
        int $supplier = 1,
    ): Pair {
        $currency = $items[0]->amount->currency ?? Currency::of('EUR');
        $agreements ??= [self::agreement()];
        $contested = array_map(static fn (int $minor): Money => Money::ofMinor($minor, $currency), $contested);

        $party = new Party(new Customer(5, 'C5', 'Uno'), self::supplier($supplier), $currency);

        return new Pair($party, $items, $contested, $bills, $agreements, $blocked);
    }

    private static function plan(Pair ...$pairs): ContraPlan
    {
        return self::planned(array_values($pairs), new RunChoices);
    }

    /** @param  list<Pair>  $pairs */
    private static function planned(
        array $pairs,
        RunChoices $choices,
        VoucherPer $per = VoucherPer::Run,
        PairChoices $ofPairs = new PairChoices,
    ): ContraPlan {
        $accounts = new ChartOfAccounts([
            self::control(),
            new Account(3, '4800', 'Gains', AccountRole::ExchangeRealisedGain),
            new Account(4, '6800', 'Losses', AccountRole::ExchangeRealisedLoss),
        ]);
        $rule = new Contras($accounts, new LockedDays('2026-09-30'), Currency::of('EUR'));

        return $rule->plan(self::control(), self::DAY, $pairs, $choices, $per, [], $ofPairs);
    }

    /** @return list<string> */
    private static function said(ContraPlan $plan): array
    {
        $bills = [];
        foreach ($plan->offsets as $offset) {
            $bills = [...$bills, ...array_map(
                static fn (BillPart $part): string => "{$part->bill->document} {$part->amount->decimal()}", $offset->bills,
            )];
        }

        return [
            ...array_map(static fn (PlannedLine $of): string => "{$of->document} {$of->amount->decimal()}", $plan->lines()),
            ...$bills,
            ...array_map(static fn (LeftOut $of): string => "not {$of->document} {$of->amount->decimal()} {$of->why}", $plan->leftOut()),
        ];
    }

    /** @return list<OpenItem> 700.00 due 5 Sep, 450.00 due 20 Oct, credit 120.00 */
    private static function example(): array
    {
        return [
            self::item(1, Kind::Invoice, 700_00, '2026-09-05'), self::item(2, Kind::Invoice, 450_00, '2026-10-20'),
            self::item(3, Kind::CreditNote, 120_00, '2026-09-10'),
        ];
    }

    /** @return list<Bill> 300.00 due 1 Oct, 500.00 due 30 Oct */
    private static function bills(): array
    {
        return [self::bill(1, 300_00, '2026-10-01'), self::bill(2, 500_00, '2026-10-30')];
    }

    /** 1,030.00 against 800.00, offset 800.00, 230.00 stays receivable. */
    public function test_the_worked_example(): void
    {
        $plan = self::plan(self::pair(self::example(), self::bills()));
        self::assertSame(['I1 580.00', 'I2 220.00', 'B1 300.00', 'B2 500.00'], self::said($plan));
        self::assertSame('800.00', $plan->total()->decimal());
        $posting = self::posting($plan);
        self::assertSame(
            ['2100 800.00', '1100 -800.00'],
            array_map(
                static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()}",
                $posting->vouchers[0]->voucher->lines,
            ),
        );
        self::assertSame(
            [[120_00, 'I1 K3'], [580_00, 'I1 new'], [220_00, 'I2 new']],
            array_map(static fn ($of): array => [
                $of->amount->minor,
                ['', 'I1', 'I2', 'K3'][$of->debit->inBooks() ?? 0].' '.($of->credit->inBooks() === null ? 'new' : 'K3'),
            ], $posting->matches),
        );
        self::assertSame(['contra', 800_00], [$posting->items[0]->head->kind->value, $posting->items[0]->amount->minor]);
        $facts = array_values(array_filter($posting->facts, static fn ($of): bool => $of instanceof ContraPosted));
        self::assertSame([1, 'AG', 2], [$facts[0]->supplierId, $facts[0]->agreement, count($facts[0]->bills)]);
    }

    public function test_the_lesser_side_decides_and_the_last_bill_is_taken_in_part(): void
    {
        $bills = [self::bill(2, 900_00, '2026-10-30'), ...self::bills(), self::bill(9, 100_00, '2026-09-01', ['credit' => true])];
        self::assertSame(
            ['I1 580.00', 'I2 450.00', 'B1 200.00', 'B2 830.00'],
            self::said(self::plan(self::pair(self::example(), [$bills[0], $bills[1], $bills[3]]))),
            'the supplier\'s own credit lessens its oldest bill first',
        );
    }

    public function test_due_items_only_where_the_agreement_says_so(): void
    {
        $items = [self::item(1, Kind::Invoice, 700_00, '2026-10-31'), self::item(2, Kind::Invoice, 450_00, '2026-11-01')];
        $bills = [self::bill(1, 300_00, '2026-10-31'), self::bill(2, 500_00, '2026-11-30')];
        self::assertSame(
            ['I1 300.00', 'B1 300.00', 'not I2 450.00 not due before 2026-11-01', 'not B2 500.00 the bill is not due before 2026-11-30'],
            self::said(self::plan(self::pair($items, $bills, [self::agreement(Scope::Due)]))),
        );
    }

    public function test_every_reason_for_which_a_pair_stays(): void
    {
        $one = static fn (mixed ...$of): array => self::said(self::plan(self::pair(self::example(), self::bills(), ...$of)));
        self::assertSame(['not  800.00 701 Uno: no agreement is on file (IAS 32.42)'], $one([]));
        self::assertSame(
            ['not  800.00 701 Uno: no agreement is in force, AG is for other days'],
            $one([self::agreement(to: '2026-10-30'), self::agreement(from: '2026-11-01')]),
        );
        self::assertSame(
            ['not  800.00 701 Uno: two agreements are in force: AG, AH'],
            $one([self::agreement(), self::agreement(to: self::DAY, name: 'AH')]),
        );
        self::assertSame(['not  800.00 701 Uno: customer blocked: insolvent'], $one(null, [], 'insolvent'));
        $credit = [self::item(3, Kind::CreditNote, 120_00, '2026-09-10')];
        self::assertSame(
            ['not  0.00 701 Uno: nothing is open on the customer\'s side'],
            self::said(self::plan(self::pair($credit, self::bills()))),
        );
        self::assertSame(
            ['not  0.00 701 Uno: nothing is open on the supplier\'s side'],
            self::said(self::plan(self::pair(
                self::example(), [self::bill(1, 5_00, '2026-10-01'), self::bill(2, 5_00, '2026-10-01', ['credit' => true])],
            ))),
        );
    }

    public function test_a_foreign_pair_that_stays_says_so_in_both_currencies(): void
    {
        $items = [self::item(1, Kind::Invoice, 100_00, '2026-09-05', 90_00, 'USD')];
        $bills = [self::bill(1, 50_00, '2026-09-05', ['currency' => 'USD', 'carried' => 46_00])];
        [$left] = self::plan(self::pair($items, $bills, []))->leftOut();
        self::assertSame(['50.00 USD', '45.00 EUR'], [
            "{$left->amount->decimal()} {$left->amount->currency->code}", "{$left->base->decimal()} {$left->base->currency->code}",
        ]);
        self::assertSame('0.00', self::plan(self::pair([], [self::bill(1, 50_00, '2026-09-05')], []))->leftOut()[0]->base->decimal());
    }

    public function test_what_is_contested_blocked_or_left_out_by_a_person_stays(): void
    {
        $bills = [self::bill(1, 300_00, '2026-10-01', ['blocked' => true]), self::bill(2, 500_00, '2026-10-30')];
        $items = [self::item(1, Kind::Invoice, 700_00, '2026-09-05'), self::item(2, Kind::Invoice, 450_00, '2026-10-20')];
        $pair = self::pair($items, $bills, null, [1 => 600_00]);
        self::assertSame(
            ['I1 100.00', 'B2 100.00', 'not I2 450.00 left out: asked for', 'not I1 600.00 contested',
                'not B1 300.00 the bill is being paid already'],
            self::said(self::planned([$pair], new RunChoices([2 => 'asked for']))),
        );
    }

    /** A person says how much of an item or a bill is set off at most; what is kept out is named with the reason. */
    public function test_no_more_than_a_person_lets_be_set_off(): void
    {
        $most = static fn (int $minor): AtMost => new AtMost(Money::ofMinor($minor, 'EUR'), 'agreed by phone');
        $said = static fn (PairChoices $choices, Pair ...$pairs): array => self::said(
            self::planned(array_values($pairs), new RunChoices, ofPairs: $choices),
        );
        $pair = self::pair(self::example(), self::bills());
        self::assertSame(
            ['I1 280.00', 'I2 450.00', 'B1 300.00', 'B2 430.00', 'not I1 300.00 kept out: agreed by phone'],
            $said(new PairChoices([1 => $most(400_00)]), $pair),
            '400.00 of the first, of which the own credit takes 120.00',
        );
        self::assertSame(
            ['I1 300.00', 'B2 300.00', 'not B1 300.00 kept out: agreed by phone', 'not B2 200.00 kept out: agreed by phone'],
            $said(new PairChoices([], [1 => $most(0), 2 => $most(300_00)]), $pair),
        );
        self::assertSame(
            ['I1 680.00', 'I2 120.00', 'B1 300.00', 'B2 500.00', 'not K3 100.00 kept out: agreed by phone'],
            $said(new PairChoices([3 => $most(20_00)]), $pair),
            'an own credit is matched no further than that',
        );
        self::assertSame($said(new PairChoices, $pair), $said(new PairChoices([1 => $most(700_00)]), $pair));
        $items = [self::item(1, Kind::Invoice, 700_00, '2026-09-05')];
        self::assertSame(
            [
                'I1 300.00', 'I1 50.00', 'B1 300.00', 'B2 50.00',
                'not I1 350.00 kept out: agreed by phone', 'not I1 350.00 kept out: agreed by phone',
            ],
            $said(
                new PairChoices([1 => $most(350_00)]),
                self::pair($items, [self::bill(1, 300_00, '2026-10-01')]),
                self::pair($items, [self::bill(2, 500_00, '2026-10-01')], supplier: 2),
            ),
            'all pairs of a customer together take no more',
        );
        $shared = self::bill(1, 300_00, '2026-10-01');
        $other = new Pair(
            new Party(new Customer(6, 'C6', 'Dos'), self::supplier(), Currency::of('EUR')),
            [self::item(8, Kind::Invoice, 900_00, '2026-09-05')], [], [$shared], [self::agreement()],
        );
        self::assertSame(
            ['I1 60.00', 'I8 40.00', 'B1 60.00', 'B1 40.00', 'not B1 200.00 kept out: agreed by phone'],
            $said(
                new PairChoices([], [1 => $most(100_00)]),
                self::pair([self::item(1, Kind::Invoice, 60_00, '2026-09-05')], [$shared]),
                $other,
            ),
            'all customers of a supplier together take no more of a bill',
        );
        $this->expectExceptionMessage('nil leaves it out');
        $most(-1);
    }

    public function test_what_covers_what_in_the_order_of_both_sides(): void
    {
        $offset = self::plan(self::pair(self::example(), self::bills()))->offsets[0];
        self::assertSame(
            ['K3 I1 120.00', 'B1 I1 300.00', 'B2 I1 280.00', 'B2 I2 220.00'],
            array_map(static fn (Tie $of): string => "{$of->from->document} {$of->debit->document} {$of->amount->decimal()}",
                $offset->ties(),
            ),
        );
    }

    public function test_pairs_take_one_after_the_other_what_is_left(): void
    {
        $items = [self::item(1, Kind::Invoice, 700_00, '2026-09-05')];
        $shared = self::bill(1, 300_00, '2026-10-01');
        $plan = self::plan(
            self::pair($items, [$shared]),
            self::pair($items, [self::bill(2, 500_00, '2026-10-01')], supplier: 2),
        );
        self::assertSame(['I1 300.00', 'I1 400.00', 'B1 300.00', 'B2 400.00'], self::said($plan));
        $other = new Pair(
            new Party(new Customer(6, 'C6', 'Dos'), self::supplier(), Currency::of('EUR')),
            [self::item(8, Kind::Invoice, 900_00, '2026-09-05')], [], [$shared], [self::agreement()],
        );
        self::assertSame(
            ['I1 300.00', 'B1 300.00', 'not  0.00 701 Uno: nothing is open on the supplier\'s side'],
            self::said(self::plan(self::pair($items, [$shared]), $other)),
        );
        $less = Money::ofMinor(150_00, 'EUR');
        $credit = new Bill(3, 'G3', '2026-09-20', '2026-09-20', $less, $less, isCredit: true);
        $bills = [self::bill(1, 100_00, '2026-10-01'), self::bill(2, 500_00, '2026-10-02'), $credit];
        $second = new Pair(
            new Party(new Customer(6, 'C6', 'Dos'), self::supplier(), Currency::of('EUR')),
            [self::item(8, Kind::Invoice, 900_00, '2026-09-05')], [], $bills, [self::agreement()],
        );
        self::assertSame(
            ['I1 200.00', 'I8 250.00', 'B2 200.00', 'B2 250.00'],
            self::said(self::plan(self::pair([self::item(1, Kind::Invoice, 200_00, '2026-09-05')], $bills), $second)),
            'a credit of theirs lessens what is owed once, not again for the next customer',
        );
        self::assertCount(2, self::posting(self::planned([
            self::pair($items, [$shared]), self::pair($items, [self::bill(2, 500_00, '2026-10-01')], supplier: 2),
        ], new RunChoices, VoucherPer::Pair))->vouchers);
    }

    /** GBP 100.00 carried at 115.40 against a bill carried at 117.20: a gain of 1.80. */
    public function test_the_difference_of_carrying_amounts_is_realised(): void
    {
        $items = [self::item(1, Kind::Invoice, 200_00, '2026-09-05', 230_80, 'GBP')];
        $bill = self::bill(1, 100_00, '2026-10-01', ['carried' => 117_20, 'currency' => 'GBP']);
        $plan = self::plan(self::pair($items, [$bill]));
        self::assertSame(['100.00', '115.40'], [$plan->lines()[0]->amount->decimal(), $plan->total()->decimal()]);
        self::assertSame(
            ['2100 117.20 100.00', '1100 -115.40 -100.00', '4800 -1.80 '],
            array_map(
                static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()} ".($of->original?->decimal() ?? ''),
                self::posting($plan)->vouchers[0]->voucher->lines,
            ),
        );
    }

    private static function posting(ContraPlan $plan): PostingPlan
    {
        $builder = new PlanBuilder;
        $plan->addTo($builder);

        return $builder->build(Subject::run());
    }
}
