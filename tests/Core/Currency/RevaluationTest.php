<?php

declare(strict_types=1);

namespace Tests\Core\Currency;

use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Currency\ClosingRate;
use Ajuste\Core\Currency\CurrencyPlan;
use Ajuste\Core\Currency\CurrencyPolicy;
use Ajuste\Core\Currency\ForeignItem;
use Ajuste\Core\Currency\Revaluation;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PlannedMatch;
use Ajuste\Core\Posting\PlannedVoucher;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Unrealised;
use PHPUnit\Framework\TestCase;

/** R9 with its worked figures; IAS 21: monetary items at the closing rate (from memory). */
final class RevaluationTest extends TestCase
{
    private static function accounts(): ChartOfAccounts
    {
        return new ChartOfAccounts([
            self::control(),
            new Account(2, '4810', 'Unrealised gains', AccountRole::ExchangeUnrealisedGain),
            new Account(3, '6810', 'Unrealised losses', AccountRole::ExchangeUnrealisedLoss),
        ]);
    }

    private static function control(): Account
    {
        return new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
    }

    private static function item(int $id, Kind $kind, int $amount, int $base, ?Position $at = null, string $currency = 'GBP'): OpenItem
    {
        $head = $kind === Kind::Invoice
            ? new ItemHead("I{$id}", $kind, Side::Debit, new CustomerAccount(5, 1), '2026-09-30', '2026-10-30')
            : ItemHead::credit("R{$id}", $kind, new CustomerAccount(5, 1), '2026-10-05');

        return OpenItem::of($id, $head, Money::ofMinor($amount, $currency), Money::ofMinor($base, 'EUR'), $at ?? Position::untouched());
    }

    private static function foreign(OpenItem $item, int $carried, string $lastSettled = ''): ForeignItem
    {
        return new ForeignItem(new Customer(5, 'C5', 'Cinco'), $item, Money::ofMinor($carried, 'EUR'), $lastSettled);
    }

    private static function rate(
        string $value,
        ?string $before = null,
        bool $accepted = false,
        Quote $quote = Quote::BasePerUnit,
    ): ClosingRate {
        $of = static fn (string $rate, string $day): DatedRate => new DatedRate(Rate::of(Currency::of('GBP'), $rate, $quote), $day);

        return new ClosingRate($of($value, '2026-10-30'), $before === null ? null : $of($before, '2026-10-29'), $accepted);
    }

    /** @param  list<ForeignItem>  $items */
    private static function plan(
        array $items,
        ?ClosingRate $rate = null,
        CurrencyPolicy $policy = CurrencyPolicy::Carry,
        ?RunChoices $choices = null,
    ): CurrencyPlan {
        $calendar = new Calendar([Period::between('2026-10', '2026-10-01', '2026-11-01')]);
        $rule = new Revaluation(self::accounts(), Currency::of('EUR'), $policy, $calendar);

        return $rule->plan(
            self::control(),
            '2026-10-31',
            $items,
            ['GBP' => $rate ?? self::rate('1.1720')],
            $choices ?? new RunChoices([], []),
        );
    }

    private static function posting(CurrencyPlan $plan): PostingPlan
    {
        $builder = new PlanBuilder;
        $plan->addTo($builder);

        return $builder->build(Subject::run());
    }

    /** @return list<string> day, then the lines of each voucher */
    private static function vouchers(PostingPlan $plan): array
    {
        return array_map(static fn (PlannedVoucher $of): string => $of->voucher->date.' '.implode(' ', array_map(
            static fn (VoucherLine $line): string => "{$line->account->number} {$line->base->decimal()}",
            $of->voucher->lines,
        )), $plan->vouchers);
    }

    /** @return list<string> */
    private static function items(PostingPlan $plan): array
    {
        return array_map(
            static fn (NewItem $of): string => implode(' ', [
                $of->head->document, $of->head->date, $of->effect()->decimal(), $of->corrects?->inBooks(),
            ]),
            $plan->items,
        );
    }

    public function test_debits_and_credits_stand_at_the_closing_rate_gains_and_losses_gross(): void
    {
        $plan = self::plan([
            self::foreign(self::item(1, Kind::Invoice, 800_000, 923_200), 923_200),
            self::foreign(self::item(2, Kind::Receipt, 100_000, 115_400), -115_400),
            self::foreign(self::item(3, Kind::Invoice, 10_000, 11_720), 11_720),
        ]);
        self::assertSame(['I1 8000.00 144.00', 'R2 -1000.00 -18.00'], array_map(
            static fn ($of): string => "{$of->document} {$of->amount->decimal()} {$of->base->decimal()}", $plan->lines(),
        ), 'what does not change is no line');
        self::assertSame(['126.00', 'carried until settled'], [$plan->total()->decimal(), $plan->policy()]);
        [$sum] = $plan->byCurrency();
        self::assertSame(['7100.00', '8195.20', '8321.20', '144.00', '-18.00'], array_map(
            static fn (Money $of): string => $of->decimal(), [$sum->open, $sum->carried, $sum->at, $sum->gains, $sum->losses],
        ));
        $posting = self::posting($plan);
        self::assertSame(['2026-10-31 1100 144.00 1100 -18.00 4810 -144.00 6810 18.00'], self::vouchers($posting));
        self::assertSame(['I1 2026-10-31 144.00 1', 'R2 2026-10-31 -18.00 2'], self::items($posting));
        self::assertSame([], $posting->matches);
    }

    public function test_what_was_settled_since_takes_its_share_with_it(): void
    {
        $item = self::item(1, Kind::Invoice, 800_000, 923_200, new Position(0, 0, 300_000, 300_000, 346_200));
        $posting = self::posting(self::plan([self::foreign($item, 923_200, '2026-11-10')]));
        self::assertSame(['2026-10-31 1100 144.00 4810 -144.00', '2026-11-10 1100 -54.00 4810 54.00'], self::vouchers($posting));
        self::assertSame(['I1 2026-10-31 144.00 1', 'I1 2026-11-10 -54.00 1'], self::items($posting));
        self::assertSame(['2026-11-10 0 5400 5400'], array_map(
            static fn (PlannedMatch $of): string => "{$of->date} {$of->amount->minor} {$of->debitBase->minor} {$of->creditBase->minor}",
            $posting->matches,
        ));
    }

    public function test_all_goes_back_on_day_one_of_the_next_period_where_the_policy_says_so(): void
    {
        $item = self::item(1, Kind::Invoice, 800_000, 923_200, new Position(0, 0, 300_000, 300_000, 346_200));
        $posting = self::posting(self::plan([self::foreign($item, 923_200, '2026-11-10')], policy: CurrencyPolicy::Reverse));
        self::assertSame(['2026-10-31 1100 144.00 4810 -144.00', '2026-11-02 1100 -144.00 4810 144.00'], self::vouchers($posting));
        self::assertSame(['I1 2026-10-31 144.00 1', 'I1 2026-11-02 -144.00 1'], self::items($posting));
        self::assertCount(1, $posting->matches);
    }

    public function test_a_person_leaves_a_line_as_it_stands(): void
    {
        $items = [self::foreign(self::item(1, Kind::Invoice, 800_000, 923_200), 923_200)];
        $plan = self::plan($items, choices: new RunChoices([1 => 'hedged'], []));
        self::assertSame([[], 'left out: hedged', true], [$plan->lines(), $plan->leftOut()[0]->why, $plan->leftOut()[0]->leftByHand]);
        self::assertSame('144.00', $plan->leftOut()[0]->base->decimal());
    }

    public function test_a_rate_more_than_ten_percent_from_the_last_is_asked_about(): void
    {
        $doubtful = static fn (string $now, string $before, Quote $quote = Quote::BasePerUnit): bool => self::rate(
            $now, $before, quote: $quote,
        )->isDoubtful();
        self::assertSame([false, true, false, true], [
            $doubtful('1.1000', '1.0000'), $doubtful('1.1001', '1.0000'), $doubtful('0.9000', '1.0000'), $doubtful('0.8999', '1.0000'),
        ]);
        self::assertTrue($doubtful('0.9000', '1.0000', Quote::UnitPerBase), '1/0.9 is 11.1 % above');
        self::assertFalse(self::rate('2.0000', '1.0000', true)->isDoubtful());
        $far = self::rate('2.0000', '1.0000');
        self::assertTrue((new ClosingRate($far->now, $far->before))->isDoubtful(), 'nobody has said that it is right');
        self::assertFalse(self::rate('2.0000')->isDoubtful(), 'there is none before it');
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('GBP at 1.4000 of 2026-10-30 is more than 10 % from 1.1720 of 2026-10-29. Say that it is right');
        self::plan([], self::rate('1.4000', '1.1720'));
    }

    public function test_a_settled_part_gives_back_its_share_to_the_accounts_that_it_came_from(): void
    {
        $unrealised = static fn (int $id, Side $side, int $base, int $moved, string $date): Unrealised => new Unrealised(
            OpenItem::of(
                $id,
                new ItemHead('I1', Kind::ExchangeDifference, $side, new CustomerAccount(5, 1), $date, $date, 'I1'),
                Money::zero('GBP'),
                Money::ofMinor($base, 'EUR'),
                Position::resting(0, $moved),
            ),
            self::control(),
            self::accounts()->withRole($side === Side::Debit ? AccountRole::ExchangeUnrealisedGain : AccountRole::ExchangeUnrealisedLoss),
            $id,
        );
        $of = self::item(1, Kind::Invoice, 800_000, 923_200);
        $invoice = OpenItem::of(1, $of->head, $of->amount, $of->base, $of->position, [
            $unrealised(11, Side::Debit, 14_400, 0, '2026-10-31'), $unrealised(12, Side::Credit, 6_000, 2_000, '2026-11-30'),
        ]);
        $receipt = self::item(2, Kind::Receipt, 800_000, 923_200);
        $plan = new PlanBuilder;
        $settlement = $plan->settlement(5, '2026-11-10');
        $match = static fn (int $part, int $base): null => $plan->match(
            '2026-11-10', $invoice, $receipt, MatchedAmounts::even(Money::ofMinor($part, 'GBP'), Money::ofMinor($base, 'EUR')), $settlement,
        );
        $match(300_000, 346_200);
        $match(500_000, 577_000);
        $posting = $plan->build(Subject::settlement($settlement));
        self::assertSame(
            ['2026-11-10 1100 -54.00 4810 54.00 1100 -90.00 4810 90.00', '2026-11-30 1100 15.00 6810 -15.00 1100 25.00 6810 -25.00'],
            self::vouchers($posting),
        );
        self::assertSame(
            [$settlement, $settlement],
            array_map(static fn (PlannedVoucher $of): ?int => $of->settlement, $posting->vouchers),
        );
        self::assertSame(
            ['I1 2026-11-10 -54.00 1', 'I1 2026-11-10 -90.00 1', 'I1 2026-11-30 15.00 1', 'I1 2026-11-30 25.00 1'],
            self::items($posting),
        );
        $between = array_slice($posting->matches, 2);
        self::assertSame([11, 11, -3, -4], array_map(static fn (PlannedMatch $of): int => $of->debit->id, $between));
        self::assertSame([-1, -2, 12, 12], array_map(static fn (PlannedMatch $of): int => $of->credit->id, $between));
    }
}
