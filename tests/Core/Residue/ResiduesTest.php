<?php

declare(strict_types=1);

namespace Tests\Core\Residue;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Residue\ResidueCandidate;
use Ajuste\Core\Residue\ResiduePlan;
use Ajuste\Core\Residue\ResiduePolicy;
use Ajuste\Core\Residue\Residues;
use Ajuste\Core\Run\Approval;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** R8, by its tests one after the other. */
final class ResiduesTest extends TestCase
{
    private const DAY = '2026-10-31';

    private static function control(): Account
    {
        return new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
    }

    private static function rule(): Residues
    {
        return new Residues(new ChartOfAccounts([
            self::control(),
            new Account(2, '6300', 'Residues', AccountRole::ResiduesWrittenOff),
            new Account(3, '2300', 'Tax', AccountRole::OutputTax),
            new Account(4, '7800', 'Written back', AccountRole::ResiduesWrittenBack),
        ]), Currency::of('EUR'));
    }

    /**
     * An item of 1,000.00 due on 2026-10-01 of which something is open.
     *
     * @param array{amount?: int, base?: int, currency?: string, due?: string, kind?: Kind, match?: string, contested?: int,
     *     blocked?: string, tax?: int, customer?: int} $of
     */
    private static function candidate(int $id, int $open, array $of = []): ResidueCandidate
    {
        $of += ['amount' => 1_000_00, 'currency' => 'EUR', 'due' => '2026-10-01', 'kind' => Kind::Invoice, 'match' => '', 'contested' => 0,
            'blocked' => '', 'tax' => 0, 'customer' => 7];
        $of += ['base' => $of['amount']];
        $side = $of['kind']->side() ?? Side::Debit;
        $account = new CustomerAccount($of['customer'], 1);
        $date = $of['kind'] === Kind::Invoice ? '2026-09-01' : $of['due'];
        $head = new ItemHead("I{$id}", $of['kind'], $side, $account, $date, $of['due']);
        $taken = $of['amount'] - $open;
        $moved = intdiv($of['base'] * $taken, $of['amount']);
        $item = OpenItem::of(
            $id,
            $head,
            Money::ofMinor($of['amount'], $of['currency']),
            Money::ofMinor($of['base'], 'EUR'),
            Position::resting($taken, $moved),
        );

        return new ResidueCandidate(
            new Customer($of['customer'], "C{$of['customer']}", 'Uno'),
            $item,
            $of['match'],
            Money::ofMinor($of['contested'], $of['currency']),
            $of['blocked'],
            Money::ofMinor($of['tax'], 'EUR'),
        );
    }

    private static function policy(string $ground = '', ?int $capCustomer = null, ?int $capRun = null): ResiduePolicy
    {
        $eur = static fn (?int $minor): ?Money => $minor === null ? null : Money::ofMinor($minor, 'EUR');

        return new ResiduePolicy(
            ['EUR' => Money::ofMinor(5_00, 'EUR'), 'GBP' => Money::ofMinor(4_00, 'GBP')],
            ['EUR' => Money::ofMinor(3_00, 'EUR')],
            '1',
            30,
            $ground,
            $eur($capCustomer),
            $eur($capRun),
        );
    }

    /** @param  list<ResidueCandidate>  $candidates */
    private static function plan(array $candidates, ?ResiduePolicy $policy = null, ?RunChoices $choices = null): ResiduePlan
    {
        return self::rule()->plan(self::control(), self::DAY, $candidates, $policy ?? self::policy(), $choices ?? new RunChoices);
    }

    /** @return list<string> */
    private static function said(ResiduePlan $plan): array
    {
        return [
            ...array_map(static fn (PlannedLine $of): string => "{$of->document} {$of->base->decimal()} {$of->why}", $plan->lines()),
            ...array_map(static fn (LeftOut $of): string => "not {$of->document} {$of->base->decimal()} {$of->why}", $plan->leftOut()),
        ];
    }

    /** @return iterable<string, array{ResidueCandidate, list<string>}> */
    public static function candidates(): iterable
    {
        $of = self::candidate(...);
        yield 'inside the policy' => [$of(1, 5_00), ['I1 5.00 inside the policy']];
        yield 'a cent above the limit' => [$of(1, 5_01), ['not I1 5.01 0.01 above the limit of 5.00']];
        yield 'just one percent' => [$of(1, 4_00, ['amount' => 400_00]), ['I1 4.00 inside the policy']];
        yield 'above one percent' => [$of(1, 4_00, ['amount' => 399_99]), ['not I1 4.00 1.00 % of the original, 1 % is allowed']];
        yield 'thirty days after its due date' => [$of(1, 1_00, ['due' => '2026-10-01']), ['I1 1.00 inside the policy']];
        yield 'a day too young' => [$of(1, 1_00, ['due' => '2026-10-02']), ['not I1 1.00 one day too young']];
        yield 'the last match is later' => [$of(1, 1_00, ['match' => '2026-10-20']), ['not I1 1.00 19 days too young']];
        yield 'contested' => [$of(1, 1_00, ['contested' => 50]), ['not I1 1.00 0.50 of it is contested']];
        yield 'nothing settled fails two tests' => [$of(1, 1_00, ['amount' => 1_00]), []];
        yield 'large and young fails two tests' => [$of(1, 6_00, ['due' => '2026-10-30']), []];
        yield 'a limit of its own' => [$of(1, 4_00, ['currency' => 'GBP', 'base' => 1_200_00]), ['I1 4.80 inside the policy']];
        yield 'a currency without one' => [$of(1, 4_00, ['currency' => 'USD']), ['not I1 4.00 USD has no limit of its own']];
        yield 'blocked' => [$of(1, 1_00, ['blocked' => 'in dispute']), ['not I1 1.00 customer blocked: in dispute']];
        yield 'in the customer\'s favour' => [
            $of(1, 1_00, ['kind' => Kind::Receipt]),
            ['not I1 -1.00 write-backs are off: the books name no ground and limit (write_back_ground, write_back_limit)'],
        ];
    }

    /** @param  list<string>  $said */
    #[DataProvider('candidates')]
    public function test_each_test_decides_and_a_near_miss_says_by_how_much(ResidueCandidate $of, array $said): void
    {
        self::assertSame($said, self::said(self::plan([$of])));
    }

    public function test_where_no_tax_can_come_off_it_says_why(): void
    {
        $of = self::candidate(1, 1_00);
        $with = static fn (?string $relief): ResidueCandidate => new ResidueCandidate(
            $of->customer, $of->item, $of->lastMatch, $of->contested, $of->blocked, $of->tax, $relief,
        );
        self::assertSame(['I1 1.00 inside the policy'], self::said(self::plan([$with(null)])));
        self::assertSame(['I1 1.00 inside the policy'], self::said(self::plan([$with('')])));
        self::assertSame(
            ['I1 1.00 inside the policy; its lines are not known'],
            self::said(self::plan([$with('its lines are not known')])),
        );
    }

    public function test_what_is_in_the_customers_favour_is_written_back_on_a_named_ground(): void
    {
        $candidates = [self::candidate(1, 3_00, ['kind' => Kind::Receipt]), self::candidate(2, 3_01, ['kind' => Kind::CreditNote])];
        self::assertSame(
            ['I1 -3.00 written back: expired', 'not I2 -3.01 0.01 above the limit of 3.00'],
            self::said(self::plan($candidates, self::policy('expired'))),
        );
    }

    public function test_caps_leave_the_largest_out_the_customers_first(): void
    {
        $of = static fn (int $id, int $open, int $customer): ResidueCandidate => self::candidate($id, $open, ['customer' => $customer]);
        $candidates = [$of(1, 4_00, 7), $of(2, 3_00, 7), $of(3, 2_00, 7), $of(4, 3_50, 8), $of(5, 1_00, 8)];
        self::assertSame(
            [
                'I3 2.00 inside the policy', 'I5 1.00 inside the policy',
                'not I1 4.00 above the cap of 5.00 for a customer', 'not I4 3.50 above the cap of 4.00 for a run',
                'not I2 3.00 above the cap of 4.00 for a run',
            ],
            self::said(self::plan($candidates, self::policy('', 5_00, 4_00))),
        );
    }

    public function test_a_person_leaves_out_and_takes_along_with_a_reason(): void
    {
        $candidates = [self::candidate(1, 5_00), self::candidate(2, 5_50), self::candidate(3, 6_00, ['due' => '2026-10-30'])];
        $plan = self::plan($candidates, null, new RunChoices([1 => 'asked for'], [2 => 'agreed', 3 => 'agreed']));
        self::assertSame(
            ['I2 5.50 taken along, 0.50 above the limit of 5.00: agreed', 'not I1 5.00 left out: asked for'],
            self::said($plan),
            'what fails two tests is not taken along',
        );
        self::assertSame('I2 is taken along although the policy leaves it out', Approval::needed($plan, null));
    }

    public function test_a_line_or_the_sum_above_the_limit_needs_a_second_person(): void
    {
        $plan = self::plan([self::candidate(1, 5_00), self::candidate(2, 4_00)]);
        $eur = static fn (int $minor): Money => Money::ofMinor($minor, 'EUR');
        self::assertSame([false, true], [$plan->isEmpty(), self::plan([])->isEmpty()]);
        self::assertSame('', Approval::needed($plan, $eur(9_00)));
        self::assertSame('the run comes to 9.00, above the limit of 8.99', Approval::needed($plan, $eur(8_99)));
        self::assertSame('I1, 5.00, is above the limit of 4.99', Approval::needed($plan, $eur(4_99)));
        self::assertSame('', Approval::needed($plan, null));
    }

    /** 3.63 on an invoice at 21 %: 3.00 cost, 0.63 tax. */
    public function test_one_voucher_with_cost_and_tax_apart_and_each_item_settled(): void
    {
        $tax = TaxRelief::within(3_63, [new TaxedLine(826_45, '21')]);
        self::assertSame(63, $tax);
        $plan = self::posting(self::plan([
            self::candidate(1, 3_63, ['tax' => $tax]),
            self::candidate(2, 2_00, ['kind' => Kind::Receipt]),
            self::candidate(3, 4_00, ['currency' => 'GBP', 'base' => 1_155_00]),
        ], self::policy('expired')));
        self::assertSame(
            ['1100 -3.63 I1 ', '1100 2.00 I2 ', '1100 -4.62 I3 -4.00', '6300 7.62  ', '2300 0.63  ', '7800 -2.00  '],
            array_map(
                static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()} {$of->document} "
                    .($of->original?->decimal() ?? ''),
                $plan->vouchers[0]->voucher->lines,
            ),
        );
        self::assertSame(
            ['write_off I1-W 363', 'write_back I2-W 200', 'write_off I3-W 400'],
            array_map(static fn ($of): string => "{$of->head->kind->value} {$of->head->document} {$of->amount->minor}", $plan->items),
        );
        self::assertSame(
            [[363, 363, 363], [200, 200, 200], [400, 462, 462]],
            array_map(static fn ($of): array => [$of->amount->minor, $of->debitBase->minor, $of->creditBase->minor], $plan->matches),
        );
        self::assertCount(1, $plan->vouchers);
    }

    private static function posting(ResiduePlan $plan): PostingPlan
    {
        $builder = new PlanBuilder;
        $plan->addTo($builder);

        return $builder->build(Subject::run());
    }
}
