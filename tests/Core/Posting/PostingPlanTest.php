<?php

declare(strict_types=1);

namespace Tests\Core\Posting;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\AccountType;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Fact\LinesMeant;
use Ajuste\Core\Posting\Fact\PlacementTakenBack;
use Ajuste\Core\Posting\Fact\RunReversed;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Posting\StandingVoucher;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use LogicException;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** What a posting would write: the two sides stay together, nothing is taken twice, and what was seen has a name. */
final class PostingPlanTest extends TestCase
{
    private Account $control;

    private Account $bank;

    private Account $loss;

    protected function setUp(): void
    {
        $this->control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $this->bank = new Account(9, '1500', 'Bank', AccountRole::Bank);
        $this->loss = new Account(8, '6800', 'Losses', null, AccountType::Expense);
    }

    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    private function voucher(string $amount, string $text = 'Receipt', string $date = '2026-10-05'): Voucher
    {
        $sum = self::eur($amount);

        return new Voucher($date, $text, [
            new VoucherLine($this->bank, $sum, $text),
            new VoucherLine($this->control, $sum->negated(), $text),
        ]);
    }

    private static function head(string $date = '2026-10-05', int $customer = 1): ItemHead
    {
        return ItemHead::credit('R9', Kind::Receipt, new CustomerAccount($customer, 1), $date);
    }

    private function receipt(string $amount, string $text = 'Receipt', string $reason = 'x', int $customer = 1): PostingPlan
    {
        $plan = new PlanBuilder();
        $voucher = $plan->voucher($this->voucher($amount, $text));
        $item = $plan->newItem(self::head(customer: $customer), self::eur($amount), self::eur($amount), $voucher);
        $plan->fact(new PlacementTakenBack(7, $reason));
        $plan->trail('place receipt', Subject::item($item->ref));

        return $plan->build(Subject::item($item->ref));
    }

    public function test_a_plan_tells_what_it_adds_to_either_side(): void
    {
        $plan = $this->receipt('100.00');
        $eur = Currency::of('EUR');
        self::assertSame(
            ['-100.00', '100.00'],
            [$plan->onAccount($this->control, $eur)->decimal(), $plan->onAccount($this->bank, $eur)->decimal()],
        );
        self::assertSame(
            ['-100.00', '-100.00', '0.00'],
            [
                $plan->onCustomers($this->control, $eur)->decimal(),
                $plan->onCustomers($this->control, $eur, 1)->decimal(),
                $plan->onCustomers($this->control, $eur, 2)->decimal(),
            ],
        );
        self::assertSame('0.00', $plan->onCustomers($this->bank, $eur)->decimal());
        self::assertTrue($plan->onResult($eur)->isZero());
        self::assertFalse($plan->isEmpty());
        self::assertTrue((new PlanBuilder())->build(Subject::run())->isEmpty());
    }

    public function test_only_accounts_of_the_result_change_the_result(): void
    {
        $plan = new PlanBuilder();
        $lines = [new VoucherLine($this->loss, self::eur('4.00'), 'x'), new VoucherLine($this->bank, self::eur('-4.00'), 'x')];
        $plan->voucher(new Voucher('2026-10-05', 'x', $lines));
        self::assertSame('-4.00', $plan->build(Subject::run())->onResult(Currency::of('EUR'))->decimal());
    }

    public function test_the_two_sides_may_not_move_apart_unless_a_correction_says_so(): void
    {
        $plan = new PlanBuilder();
        $plan->voucher($this->voucher('100.00'));
        try {
            $plan->build(Subject::run());
            self::fail();
        } catch (LogicException $wrong) {
            self::assertStringContainsString('move apart', $wrong->getMessage());
        }
        $plan->correctsOneSide();
        self::assertCount(1, $plan->build(Subject::run())->vouchers());
        $short = new PlanBuilder();
        $voucher = $short->voucher($this->voucher('100.00'));
        $short->newItem(self::head(), self::eur('99.99'), self::eur('99.99'), $voucher);
        $this->expectException(LogicException::class);
        $short->build(Subject::run());
    }

    public function test_an_item_is_left_as_the_plan_takes_it_and_never_overdrawn(): void
    {
        $plan = new PlanBuilder();
        [$debit, $credit] = [
            Sample::item(1, Kind::Invoice, '100.00', base: '90.00'),
            Sample::item(2, Kind::Receipt, '60.00', base: '54.00'),
        ];
        $plan->match('2026-10-05', $debit, $credit, MatchedAmounts::even(self::eur('40.00'), self::eur('36.00')));
        self::assertSame(['60.00', '20.00'], [$plan->asLeft($debit)->takeable->decimal(), $plan->asLeft($credit)->takeable->decimal()]);
        self::assertSame('54.00', $plan->asLeft($debit)->carried()->decimal());
        self::assertSame('100.00', $debit->takeable->decimal());
        $plan->match('2026-10-05', $debit, $credit, MatchedAmounts::even(self::eur('20.00'), self::eur('18.00')));
        self::assertSame(
            ['Invoice D1 has 100.00 open', 'Receipt D2 has 60.00 open'],
            iterator_to_array($plan->build(Subject::run())->notes->seen()),
        );
        try {
            $plan->match('2026-10-05', $debit, $credit, MatchedAmounts::even(self::eur('0.01'), self::eur('0.01')));
            self::fail();
        } catch (Refusal $refusal) {
            self::assertSame(RefusalKind::Changed, $refusal->kind);
        }
    }

    public function test_an_item_needs_its_voucher(): void
    {
        $plan = new PlanBuilder();
        $plan->item(new NewItem(self::head(), self::eur('1.00'), self::eur('1.00'), 0));
        $plan->correctsOneSide();
        $this->expectExceptionMessage('has no voucher in the plan');
        $plan->build(Subject::run());
    }

    public function test_the_name_follows_figures_and_not_words(): void
    {
        $plan = $this->receipt('100.00');
        self::assertSame($plan->digest(), $this->receipt('100.00', 'Another text', 'another reason')->digest());
        self::assertNotSame($plan->digest(), $this->receipt('100.01')->digest());
        self::assertNotSame($plan->digest(), $this->receipt('100.00', customer: 2)->digest());
        $undo = static function (int $match): string {
            $plan = new PlanBuilder();
            $plan->undo($match, '2026-10-05', 'x');

            return $plan->build(Subject::run())->digest();
        };
        self::assertNotSame($undo(1), $undo(2));
        $stating = static function (Fact ...$facts): string {
            $plan = new PlanBuilder();
            array_map($plan->fact(...), $facts);

            return $plan->build(Subject::run())->digest();
        };
        self::assertSame($stating(new RunReversed(1, 'x')), $stating(new RunReversed(1, 'y')), 'a reason may still be typed');
        self::assertNotSame($stating(new RunReversed(1, 'x')), $stating(new RunReversed(2, 'x')));
        $lines = static fn (string ...$lines): LinesMeant => new LinesMeant(Ref::existing(1), array_values($lines), 0);
        self::assertNotSame($stating($lines('1', '2')), $stating($lines('2', '1')), 'each piece of a list in its place');
        self::assertNotSame($stating($lines('1')), $stating($lines('1', '2')));
    }

    public function test_nothing_takes_effect_in_a_locked_period(): void
    {
        $locked = new LockedDays('2026-10-04');
        $this->receipt('1.00')->refuseLocked($locked);
        $plan = new PlanBuilder();
        $plan->undo(1, '2026-10-04', 'x');
        try {
            $plan->build(Subject::run())->refuseLocked($locked);
            self::fail();
        } catch (Refusal $refusal) {
            self::assertSame(RefusalKind::Locked, $refusal->kind);
        }
        $this->expectException(Refusal::class);
        $this->receipt('1.00')->refuseLocked(new LockedDays('2026-10-05'));
    }

    public function test_a_mirror_takes_a_voucher_back(): void
    {
        $plan = new PlanBuilder();
        $plan->mirror(new StandingVoucher(5, 'V-5', $this->voucher('10.00'), []), '2026-10-07');
        $plan->correctsOneSide();
        $built = $plan->build(Subject::run());
        self::assertSame(
            ['2026-10-07', '-10.00', 5],
            [$built->vouchers()[0]->date, $built->onAccount($this->bank, Currency::of('EUR'))->decimal(), $built->vouchers[0]->reverses],
        );
    }

    public function test_vouchers_are_known_by_their_place(): void
    {
        $plan = new PlanBuilder();
        self::assertSame([0, 1, 2], [
            $plan->voucher($this->voucher('1.00')),
            $plan->voucher($this->voucher('2.00')),
            $plan->voucher($this->voucher('3.00')),
        ]);
    }

    public function test_a_plan_with_one_thing_in_it_is_not_empty(): void
    {
        self::assertTrue((new PlanBuilder())->build(Subject::run())->isEmpty());
        $voucher = new PlanBuilder();
        $voucher->correctsOneSide();
        $voucher->voucher($this->voucher('1.00'));
        self::assertFalse($voucher->build(Subject::run())->isEmpty());
        $undone = new PlanBuilder();
        $undone->undo(7, '2026-10-05', 'x');
        self::assertFalse($undone->build(Subject::run())->isEmpty());
    }
}
