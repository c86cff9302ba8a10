<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\Relief;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

final class MatchingTest extends TestCase
{
    private function matching(?string $locked = null): Matching
    {
        return new Matching(Sample::accounts(), new LockedDays($locked));
    }

    private function tick(OpenItem $item, ?string $amount = null): Tick
    {
        return new Tick($item, $amount === null ? $item->open : Money::parse($amount, $item->amount->currency));
    }

    public function test_several_debits_and_credits_are_paired_in_order(): void
    {
        $plan = $this->matching()->plan(
            [
                $this->tick(Sample::item(1, Kind::Receipt, '987.15')),
                $this->tick(Sample::item(2, Kind::CreditNote, '64.90')),
                $this->tick(Sample::item(3, Kind::Invoice, '412.30')),
                $this->tick(Sample::item(4, Kind::Invoice, '388.00')),
                $this->tick(Sample::item(5, Kind::Invoice, '251.75')),
            ],
            '2026-10-29',
            '3001',
        );

        self::assertSame(
            ['D1>D3 412.30', 'D1>D4 388.00', 'D1>D5 186.85', 'D2>D5 64.90'],
            array_map(
                static fn ($match): string => "{$match->credit->document}>{$match->debit->document} {$match->amount->decimal()}",
                $plan->matches,
            ),
        );
        self::assertSame('1052.05', $plan->settled->decimal());
        self::assertNull($plan->voucher);
        self::assertSame([], $plan->warnings);
    }

    /** R9's figures: GBP 8,000.00 at 9,232.00, paid in full at 1.1610 = 9,288.00: realised gain 56.00. */
    public function test_a_match_that_moves_more_base_off_one_side_leaves_an_exchange_difference(): void
    {
        $invoice = Sample::item(1, Kind::Invoice, '8000.00', '2026-09-01', 'GBP', '9232.00');
        $plan = $this->matching()->plan(
            [$this->tick($invoice), $this->tick(Sample::item(2, Kind::Receipt, '8000.00', '2026-10-12', 'GBP', '9288.00'))],
            '2026-10-12',
            '3101',
        );

        self::assertSame('56.00', $plan->differences[0]->base->decimal());
        self::assertNotNull($plan->voucher);
        self::assertSame(
            [['1100', '56.00'], ['4800', '-56.00']],
            array_map(static fn ($line): array => [$line->account->number, $line->base->decimal()], $plan->voucher->lines),
        );
    }

    /** GBP 1,000.00 received at 1.10 for an invoice at 1.15: its revenue is 1,100.00, and nothing is realised (IFRIC 22, from memory). */
    public function test_a_deposit_at_its_own_rate_corrects_the_revenue_of_the_invoice(): void
    {
        $invoice = Sample::item(1, Kind::Invoice, '1000.00', '2026-09-01', 'GBP', '1150.00');
        $deposit = Sample::item(2, Kind::DepositMatched, '1000.00', '2026-08-12', 'GBP', '1100.00');
        $against = function (Relief $lines) use ($invoice, $deposit): array {
            $matching = new Matching(Sample::accounts(), new LockedDays(null), $lines);
            $voucher = $matching->plan([$this->tick($invoice), $this->tick($deposit)], '2026-10-12', '3101')->voucher;

            self::assertSame('Revenue of D1 at the rate of its deposit', $voucher->lines[0]->description ?? '');

            return array_map(static fn ($line): string => "{$line->account->number} {$line->base->decimal()}", $voucher->lines ?? []);
        };
        [$sales, $other] = [Sample::accounts()->numbered('4000'), Sample::accounts()->numbered('4800')];
        self::assertSame(['1100 -50.00', '4000 50.00'], $against(new Relief(false, [])), 'lines not known');
        self::assertSame(['1100 -50.00', '4000 33.33', '4800 16.67'], $against(new Relief(false, ['D1' => [
            new TaxedLine(400_00, '0', $sales), new TaxedLine(300_00, '0', $other), new TaxedLine(200_00, '0'),
        ]])), 'in the mix of its lines');
        self::assertSame(
            ['1100 -50.00', '4000 50.00'],
            $against(new Relief(false, ['D1' => [new TaxedLine(100_00, '0', $other), new TaxedLine(-200_00, '0', $sales)]])),
            'a mix that is none',
        );
        self::assertSame(
            ['1100 -50.00', '4800 50.00'],
            $against(new Relief(false, ['D1' => [new TaxedLine(100_00, '0', $other), new TaxedLine(0, '0', $sales)]])),
            'a line of nothing takes nothing',
        );
    }

    /** The same, paid GBP 3,000.00: base moved 3,462.00, cash 3,483.00, realised 21.00. */
    public function test_a_part_payment_realises_its_part(): void
    {
        $plan = $this->matching()->plan(
            [
                $this->tick(Sample::item(1, Kind::Invoice, '8000.00', '2026-09-01', 'GBP', '9232.00'), '3000.00'),
                $this->tick(Sample::item(2, Kind::Receipt, '3000.00', '2026-10-12', 'GBP', '3483.00')),
            ],
            '2026-10-12',
            '3101',
        );

        self::assertSame(['3462.00', '3483.00'], [$plan->matches[0]->debitBase->decimal(), $plan->matches[0]->creditBase->decimal()]);
        self::assertSame('21.00', $plan->differences[0]->base->decimal());
        self::assertSame('5000.00', $plan->ticks[0]->leaves()->decimal());
    }

    public function test_a_loss_goes_the_other_way(): void
    {
        $plan = $this->matching()->plan(
            [
                $this->tick(Sample::item(1, Kind::Invoice, '100', '2026-09-01', 'JPY', '0.65')),
                $this->tick(Sample::item(2, Kind::Receipt, '100', '2026-10-12', 'JPY', '0.60')),
            ],
            '2026-10-12',
            '3107',
        );
        self::assertSame(
            [['1100', '-0.05'], ['6800', '0.05']],
            array_map(static fn ($line): array => [$line->account->number, $line->base->decimal()], $plan->voucher->lines ?? []),
        );
    }

    public function test_a_receipt_older_than_its_invoice_is_allowed_with_a_warning(): void
    {
        $plan = $this->matching()->plan(
            [
                $this->tick(Sample::item(1, Kind::Invoice, '5.00', '2026-10-09')),
                $this->tick(Sample::item(2, Kind::Receipt, '5.00', '2026-10-02')),
            ],
            '2026-10-09',
            '1',
        );
        self::assertStringContainsString('is older than', $plan->warnings[0]);
    }

    public function test_what_is_refused(): void
    {
        $invoice = Sample::item(1, Kind::Invoice, '100.00', '2026-10-05', open: '40.00');
        $receipt = Sample::item(2, Kind::Receipt, '100.00', '2026-10-06');
        $difference = Sample::item(9, Kind::ExchangeDifference, '0.00', base: '0.05');
        $cases = [
            'above what is open' => [
                [$this->tick($invoice, '40.01'), $this->tick($receipt, '40.01')],
                '2026-10-06',
                'only 40.00 EUR is open',
            ],
            'remainder' => [
                [$this->tick($invoice, '40.00'), $this->tick($receipt, '39.99')],
                '2026-10-06',
                '0.01 EUR of the debits is still to be placed',
            ],
            'nil amount' => [[$this->tick($invoice, '0.00'), $this->tick($receipt, '0.00')], '2026-10-06', 'above zero'],
            'negative amount' => [[$this->tick($invoice, '-5.00'), $this->tick($receipt, '-5.00')], '2026-10-06', 'above zero'],
            'another customer' => [
                [$this->tick($invoice, '40.00'), $this->tick(Sample::item(3, Kind::Receipt, '40.00', customer: 2))],
                '2026-10-06',
                'another customer',
            ],
            'another currency' => [
                [$this->tick($invoice, '40.00'), $this->tick(Sample::item(3, Kind::Receipt, '40.00', currency: 'USD'))],
                '2026-10-06',
                'stays within one currency',
            ],
            'before a document' => [[$this->tick($invoice, '40.00'), $this->tick($receipt, '40.00')], '2026-10-05', 'is dated 2026-10-06'],
            'locked' => [[$this->tick($invoice, '40.00'), $this->tick($receipt, '40.00')], '2026-09-30', 'first open day is 2026-10-01'],
            'twice' => [
                [$this->tick($invoice, '20.00'), $this->tick($invoice, '20.00'), $this->tick($receipt, '40.00')],
                '2026-10-06',
                'ticked twice',
            ],
            'base only' => [[$this->tick($difference, '0.00'), $this->tick($receipt, '1.00')], '2026-10-06', 'not matched by hand'],
            'nothing' => [[], '2026-10-06', 'Nothing is ticked'],
        ];
        foreach ($cases as $name => [$ticks, $date, $says]) {
            try {
                $this->matching('2026-09-30')->plan($ticks, $date, '1');
                self::fail("{$name} was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage(), $name);
            }
        }
    }

    public function test_the_offered_day_is_the_later_of_the_latest_document_and_the_first_open_day(): void
    {
        $items = [Sample::item(1, Kind::Invoice, '1.00', '2026-08-05'), Sample::item(2, Kind::Receipt, '1.00', '2026-09-06')];
        self::assertSame('2026-09-06', $this->matching()->earliestDate($items));
        self::assertSame('2026-10-01', $this->matching('2026-09-30')->earliestDate($items));
    }

    /** 1,500.00 over 900.00, 850.00, 400.00 → 900.00 and 600.00, the figures of filling in order. */
    public function test_blank_amounts_take_as_much_as_both_sides_allow(): void
    {
        $items = [
            Sample::item(1, Kind::Receipt, '1500.00'),
            Sample::item(2, Kind::Invoice, '900.00'),
            Sample::item(3, Kind::Invoice, '850.00'),
            Sample::item(4, Kind::Invoice, '400.00'),
        ];
        $amounts = static fn (array $ticks): array => array_map(static fn (Tick $tick): string => $tick->amount->decimal(), $ticks);
        self::assertSame(['1500.00', '900.00', '600.00', '0.00'], $amounts($this->matching()->fill($items, [])));
        // A typed amount stands; the others share what is left.
        self::assertSame(
            ['1500.00', '700.00', '400.00', '400.00'],
            $amounts($this->matching()->fill($items, [3 => Money::parse('400.00', 'EUR'), 2 => Money::parse('700.00', 'EUR')])),
        );
        // 50.00 come off beside the credits: debits of 1,550.00 take it along.
        self::assertSame(['1500.00', '900.00', '650.00', '0.00'], $amounts($this->matching()->fill($items, [], 50_00)));
        // Without any credit a reduction alone settles as much as it is.
        self::assertSame(['50.00', '0.00'], $amounts($this->matching()->fill([$items[1], $items[2]], [], 50_00)));
        // While only one side is ticked, it stands open in full.
        self::assertSame(['900.00', '850.00'], $amounts($this->matching()->fill([$items[1], $items[2]], [])));
    }

    /** Whatever is settled: no open amount below zero, and what leaves the debits leaves the credits. */
    public function test_random_matches_keep_the_sums(): void
    {
        mt_srand(3);
        for ($try = 0; $try < 300; $try++) {
            $items = [];
            for ($id = 1; $id <= mt_rand(2, 9); $id++) {
                $items[] = Sample::item(
                    $id,
                    $id % 2 === 1 ? Kind::Receipt : Kind::Invoice,
                    number_format(mt_rand(1, 99999) / 100, 2, '.', ''),
                    currency: 'USD',
                    base: number_format(mt_rand(0, 99999) / 100, 2, '.', ''),
                );
            }
            $ticks = array_values(
                array_filter($this->matching()->fill($items, []), static fn (Tick $tick): bool => $tick->amount->minor > 0),
            );
            $plan = $this->matching()->plan($ticks, '2026-10-01', '1');
            $off = ['debit' => 0, 'credit' => 0];
            foreach ($plan->ticks as $tick) {
                self::assertGreaterThanOrEqual(0, $tick->leaves()->minor);
                $off[$tick->item->head->side->value] += $tick->amount->minor;
            }
            self::assertSame($off['debit'], $off['credit']);
            self::assertSame($off['debit'], $plan->settled->minor);
            $gap = 0;
            foreach ($plan->matches as $match) {
                $gap += $match->creditBase->minor - $match->debitBase->minor;
            }
            self::assertSame($gap, array_sum(array_map(static fn ($difference): int => $difference->base->minor, $plan->differences)));
        }
    }
}
