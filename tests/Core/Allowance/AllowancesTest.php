<?php

declare(strict_types=1);

namespace Tests\Core\Allowance;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Allowance\AllowanceBasis;
use Ajuste\Core\Allowance\AllowancePlan;
use Ajuste\Core\Allowance\Allowances;
use Ajuste\Core\Allowance\ContestedPolicy;
use Ajuste\Core\Allowance\CreditsPolicy;
use Ajuste\Core\Allowance\Exposure;
use Ajuste\Core\Allowance\LossRate;
use Ajuste\Core\Allowance\MatrixCell;
use Ajuste\Core\Allowance\Overlay;
use Ajuste\Core\Allowance\SpecificAllowance;
use Ajuste\Core\Allowance\SpecificLine;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\ContestedIn;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\AllowancePosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Side;
use Brick\Math\BigDecimal;
use PHPUnit\Framework\TestCase;

/** R14. */
final class AllowancesTest extends TestCase
{
    private const DUE = [
        'not_due' => '2026-10-31',
        '1-30' => '2026-10-11',
        '31-60' => '2026-09-11',
        '61-90' => '2026-08-11',
        'over_90' => '2026-06-01',
    ];

    /** IFRS 9, Illustrative Example 12 (from memory): the rates of its provision matrix. */
    private const IFRS = ['not_due' => '0.3', '1-30' => '1.6', '31-60' => '3.6', '61-90' => '6.6', 'over_90' => '10.6'];

    private static function customer(int $id): Customer
    {
        return new Customer($id, "C{$id}", "Customer {$id}");
    }

    /** @param  array{customer?: int, id?: int, group?: string, related?: bool, contested?: int, tax?: int}  $of */
    private static function debit(int $base, string $bucket, array $of = []): Exposure
    {
        $id = $of['customer'] ?? 1;
        $item = new AgedItem(
            "C{$id}",
            "Customer {$id}",
            'EUR',
            $base,
            Side::Debit,
            '2026-05-01',
            self::DUE[$bucket],
            $of['contested'] ?? 0,
        );

        return new Exposure(self::customer($id), $of['id'] ?? 0, $of['group'] ?? '', $of['related'] ?? false, $item, $of['tax'] ?? 0);
    }

    private static function credit(int $base, string $date, int $customer = 1): Exposure
    {
        $item = new AgedItem("C{$customer}", '', 'EUR', -$base, Side::Credit, $date, $date);

        return new Exposure(self::customer($customer), 900, '', false, $item, 0);
    }

    /**
     * @param list<SpecificAllowance> $specific
     * @param list<Overlay> $overlays
     * @param array<string, array<string, string>> $groups rates by group and bucket
     */
    private static function basis(
        array $specific = [],
        array $overlays = [],
        ContestedPolicy $contested = ContestedPolicy::In,
        CreditsPolicy $credits = CreditsPolicy::Net,
        Credits $aged = Credits::Separate,
        array $groups = ['' => self::IFRS],
    ): AllowanceBasis {
        $rates = [];
        foreach ($groups as $group => $byBucket) {
            foreach ($byBucket as $bucket => $percent) {
                $rates[] = LossRate::of($group, $bucket, $percent);
            }
        }
        $buckets = AgeBuckets::parse('30,60,90', AgedBasis::DueDate, ContestedIn::Column);

        return new AllowanceBasis($buckets, $rates, $specific, $overlays, $contested, $credits, $aged);
    }

    /** @param  list<Exposure>  $exposures */
    private static function plan(array $exposures, ?AllowanceBasis $basis = null, int $before = 0): AllowancePlan
    {
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $accounts = new ChartOfAccounts([
            $control,
            new Account(2, '1190', 'Allowance', AccountRole::Allowance),
            new Account(3, '6900', 'Impairment loss', AccountRole::ImpairmentLoss),
        ]);

        return Allowances::plan($accounts, $control, '2026-10-31', $exposures, $basis ?? self::basis(), Money::ofMinor($before, 'EUR'));
    }

    /** @return list<string> of cells in which anything stands */
    private static function cells(AllowancePlan $plan): array
    {
        $filled = array_filter($plan->matrix, static fn (MatrixCell $cell): bool => ! $cell->base->isZero());

        return array_values(array_map(
            static fn (MatrixCell $cell): string => trim(
                "{$cell->group} {$cell->bucket} {$cell->base->decimal()} {$cell->allowance->decimal()}",
            ),
            $filled,
        ));
    }

    public function test_the_provision_matrix_of_ifrs_9(): void
    {
        // IFRS 9, Illustrative Example 12: 45,000; 120,000; 144,000; 165,000; 106,000; total 580,000 (figures from memory).
        $plan = self::plan([
            self::debit(1_500_000_000, 'not_due'), self::debit(750_000_000, '1-30'), self::debit(400_000_000, '31-60'),
            self::debit(250_000_000, '61-90'), self::debit(100_000_000, 'over_90'),
        ]);
        self::assertSame(
            ['45000.00', '120000.00', '144000.00', '165000.00', '106000.00'],
            array_map(static fn (MatrixCell $cell): string => $cell->allowance->decimal(), $plan->matrix),
        );
        self::assertSame(['580000.00', '580000.00', false], [$plan->after()->decimal(), $plan->total()->decimal(), $plan->isEmpty()]);
    }

    public function test_rounded_once_on_the_columns_total(): void
    {
        $plan = self::plan([self::debit(167, 'not_due'), self::debit(167, 'not_due')]);
        self::assertSame(['not_due 3.34 0.01'], self::cells($plan), 'each by itself would be 0.01');
    }

    public function test_credits_lessen_their_column_or_stay_out_and_a_column_in_credit_counts_nil(): void
    {
        $items = [
            self::debit(10_000, '1-30'),
            self::debit(10_000, 'over_90'),
            self::credit(3_000, '2026-10-20'),
            self::credit(500, '2026-09-20'),
        ];
        self::assertSame(
            ['1-30 70.00 1.12', '31-60 -5.00 0.00', 'over_90 100.00 10.60'],
            self::cells(self::plan($items)),
            'by their own date, where the aged list shows them apart',
        );
        self::assertSame(
            ['1-30 100.00 1.60', 'over_90 65.00 6.89'],
            self::cells(self::plan($items, self::basis(aged: Credits::OldestFirst))),
        );
        self::assertSame(
            ['1-30 100.00 1.60', 'over_90 100.00 10.60'],
            self::cells(self::plan($items, self::basis(credits: CreditsPolicy::Out))),
        );
    }

    public function test_groups_with_rates_of_their_own_stand_apart_and_fall_back_to_the_others(): void
    {
        $plan = self::plan(
            [self::debit(10_000, '1-30', ['group' => 'retail']), self::debit(10_000, 'over_90', ['group' => 'retail']),
                self::debit(20_000, '1-30', ['group' => 'export', 'customer' => 2])],
            self::basis(groups: ['' => self::IFRS, 'retail' => ['1-30' => '5']]),
        );
        self::assertSame(['1-30 200.00 3.20', 'retail 1-30 100.00 5.00', 'retail over_90 100.00 10.60'], self::cells($plan));
    }

    public function test_contested_in_out_or_by_a_rate_of_its_own(): void
    {
        $items = [self::debit(10_000, '1-30', ['contested' => 4_000])];
        self::assertSame(['1-30 100.00 1.60'], self::cells(self::plan($items)));
        self::assertSame(['1-30 60.00 0.96'], self::cells(self::plan($items, self::basis(contested: ContestedPolicy::Out))));
        $own = ['' => [...self::IFRS, 'contested' => '50']];
        self::assertSame(['1-30 60.00 0.96', 'contested 40.00 20.00'], self::cells(self::plan($items, self::basis(groups: $own))));
        self::assertSame(
            ['1-30 60.00 0.96'],
            self::cells(self::plan($items, self::basis(contested: ContestedPolicy::Out, groups: $own))),
        );
    }

    public function test_tax_that_comes_back_on_default_is_left_out_of_the_base(): void
    {
        $items = [self::debit(12_100, '1-30', ['tax' => 2_100, 'contested' => 6_050])];
        self::assertSame(['1-30 50.00 0.80'], self::cells(self::plan($items, self::basis(contested: ContestedPolicy::Out))));
        self::assertSame(['1-30 100.00 1.60'], self::cells(self::plan($items)));
    }

    public function test_specific_amounts_leave_all_columns_and_related_parties_are_apart(): void
    {
        $of = static fn (int $customer, ?int $item, ?int $amount, ?string $percent): SpecificAllowance => new SpecificAllowance(
            self::customer($customer), $item, $item === null ? '' : "I{$item}", $amount === null ? null : Money::ofMinor($amount, 'EUR'),
            $percent === null ? null : BigDecimal::of($percent), 'r', '',
        );
        $plan = self::plan([
            self::debit(10_000, '1-30', ['id' => 11]), self::debit(5_000, '1-30', ['id' => 12]), self::debit(700, '1-30', ['id' => 13]),
            self::debit(9_999, '1-30', ['customer' => 2, 'id' => 21]), self::credit(1_999, '2026-10-01', 2),
            self::debit(4_000, 'over_90', ['customer' => 3, 'id' => 31, 'related' => true]),
            self::debit(1_000, 'over_90', ['customer' => 3, 'id' => 32, 'related' => true]),
            self::debit(2_000, 'over_90', ['customer' => 4, 'id' => 41, 'related' => true]),
        ], self::basis([
            $of(1, 11, 2_500, null), $of(1, 12, 9_900, null), $of(2, null, null, '33.3'), $of(4, null, null, '10'), $of(5, 51, 100, null),
        ], [new Overlay(1, Money::ofMinor(-150, 'EUR'), 'harvest', '')]), 10_000);
        self::assertSame(['1-30 7.00 0.11'], self::cells($plan));
        self::assertSame(
            ['100.00 25.00', '50.00 50.00', '80.00 26.64', '20.00 2.00', '0.00 0.00'],
            array_map(static fn (SpecificLine $line): string => "{$line->exposure->decimal()} {$line->amount->decimal()}", $plan->specific),
            'never more than what stands to be lost',
        );
        self::assertSame([['C3', '50.00', 'related party: assessed by name']], array_map(
            static fn ($left): array => [$left->customer->number, $left->base->decimal(), $left->why], $plan->leftOut(),
        ));
        self::assertSame(['102.25', '2.25'], [$plan->after()->decimal(), $plan->total()->decimal()]);
    }

    public function test_one_voucher_for_the_change_either_way(): void
    {
        $lines = static function (AllowancePlan $plan): array {
            $builder = new PlanBuilder;
            $plan->addTo($builder);
            $posting = $builder->build(Subject::run());
            self::assertInstanceOf(AllowancePosted::class, $posting->facts[1]);

            return array_map(
                static fn (VoucherLine $line): string => "{$line->account->number} {$line->base->decimal()}",
                $posting->vouchers[0]->voucher->lines,
            );
        };
        $items = [self::debit(100_000, 'over_90')];
        self::assertSame(['6900 106.00', '1190 -106.00'], $lines(self::plan($items)));
        self::assertSame(['6900 -44.00', '1190 44.00'], $lines(self::plan($items, before: 15_000)));
        self::assertTrue(self::plan($items, before: 10_600)->isEmpty());
        self::assertSame('contested in, credits net', self::plan($items)->policy());
    }

    public function test_a_column_without_a_rate_is_named(): void
    {
        self::assertSame([], self::cells(self::plan([], self::basis(groups: ['' => ['not_due' => '1']]))));
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('There is no loss rate for 1-30, where 100.00 stands.');
        self::plan([self::debit(10_000, '1-30')], self::basis(groups: ['' => ['not_due' => '1']]));
    }
}
