<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;
use Ajuste\Core\Posting\StandingVoucher;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Postings taken back as of a day (R3). */
final class ReversalTest extends TestCase
{
    public function test_a_match_goes_back_on_its_own_day_or_later(): void
    {
        $reversal = new Reversal(new LockedDays('2026-09-30'));
        $plan = new PlanBuilder();
        $reversal->matches($plan, [new StandingMatch(7, '2026-10-05', 1, 2)], '2026-10-05', 'x');
        $reversal->matches($plan, [new StandingMatch(8, '2026-10-05', 1, 2)], '2026-10-06', 'x');
        self::assertSame([7, 8], array_column($plan->build(Subject::run())->undone, 'matchId'));
        foreach (['2026-10-04', '2026-09-30'] as $day) {
            try {
                $reversal->matches(new PlanBuilder(), [new StandingMatch(7, '2026-10-05', 1, 2)], $day, 'x');
                self::fail($day);
            } catch (Refusal $refusal) {
                self::assertStringContainsString(
                    $day === '2026-10-04' ? 'the match is dated 2026-10-05' : 'locked',
                    $refusal->getMessage(),
                );
            }
        }
    }

    /** An item and its counterpart use each other up on the other side. */
    public function test_an_item_gets_its_counterpart(): void
    {
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $sum = Money::parse('50.00', 'EUR');
        $plan = new PlanBuilder();
        $lines = [new VoucherLine($control, $sum, 'x'), new VoucherLine(new Account(2, '1500', 'Bank'), $sum->negated(), 'x')];
        $voucher = $plan->voucher(new Voucher('2026-10-06', 'x', $lines));
        (new Reversal(new LockedDays(null)))->counter(
            $plan,
            new StandingItem(Sample::item(3, Kind::Receipt, '50.00')),
            $voucher,
            '2026-10-06',
            'x',
        );
        $built = $plan->build(Subject::run());
        self::assertSame(
            ['adjustment', 'debit', 'D3'],
            [$built->items[0]->head->kind->value, $built->items[0]->head->side->value, $built->items[0]->head->reference],
        );
        self::assertSame('50.00', $built->matches[0]->amount->decimal());
        self::assertSame(3, $built->matches[0]->credit->inBooks());
    }

    public function test_the_tax_within_a_document(): void
    {
        self::assertSame(
            [2_100, 2_100, 0],
            [TaxRelief::inDocument(12_100, 10_000), TaxRelief::inDocument(12_100, -10_000), TaxRelief::inDocument(5, 5)],
        );
    }

    public function test_a_rate_of_tax_is_between_nil_and_a_hundred(): void
    {
        self::assertSame(
            [2_100, 0, 5_000],
            [TaxRelief::atRate(12_100, '21'), TaxRelief::atRate(12_100, '0'), TaxRelief::atRate(10_000, '100')],
        );
        foreach (['100.5', '101', '-1', '5.12345', 'x', ''] as $rate) {
            try {
                TaxRelief::atRate(12_100, $rate);
                self::fail($rate);
            } catch (Refusal) {
                self::addToAssertionCount(1);
            }
        }
    }

    /** An invoice takes its own lines back, and the discount that only it used. */
    public function test_what_of_a_settlement_goes_back_with_one_of_its_invoices(): void
    {
        $voucher = static fn (int $id, StandingItem ...$items): StandingVoucher => new StandingVoucher(
            $id,
            "V{$id}",
            new Voucher('2026-10-05', 'x', [
                new VoucherLine(new Account(1, '1100', 'Receivables'), Money::parse('1.00', 'EUR'), 'x'),
                new VoucherLine(new Account(2, '1500', 'Bank'), Money::parse('-1.00', 'EUR'), 'x'),
            ]),
            array_values($items),
        );
        $match = static fn (int $id, int $debit, int $credit): StandingMatch => new StandingMatch($id, '2026-10-05', $debit, $credit);
        $discount = static fn (int $id): StandingItem => new StandingItem(Sample::item($id, Kind::Discount, '1.00'));
        // Invoices 1 and 2, receipt 9, discounts 5 of invoice 1 and 6 of invoice 2; amounts 30 and 31 stay contested.
        $all = new StandingSettlement(
            4,
            '2026-10-05',
            [$match(11, 1, 9), $match(12, 1, 5), $match(13, 2, 9), $match(14, 2, 6)],
            [$voucher(21, $discount(5)), $voucher(22, $discount(6))],
            [30 => 1, 31 => 2],
        );
        $of = $all->of(2);
        self::assertSame([13, 14], array_column($of->matches, 'id'));
        self::assertSame([22], array_column($of->vouchers, 'id'));
        self::assertSame([31 => 2], $of->contested);
        self::assertSame([true, true, false], [$all->touches(1), $all->touches(9), $all->touches(3)]);

        $shared = new StandingSettlement(4, '2026-10-05', [...$all->matches, $match(15, 1, 6)], $all->vouchers, []);
        self::assertSame($shared, $shared->of(2), 'one discount of two invoices');
        self::assertSame($shared, $shared->of(1));
        $loose = new StandingSettlement(4, '2026-10-05', $all->matches, [$voucher(23)], []);
        self::assertSame($loose, $loose->of(1), 'a voucher without items is of all');
        $difference = new StandingItem(Sample::item(7, Kind::ExchangeDifference, '0.00', base: '1.00', side: Side::Credit));
        $foreign = new StandingSettlement(4, '2026-10-05', [...$all->matches, $match(16, 2, 7)], [$voucher(24, $difference)], []);
        self::assertSame($foreign, $foreign->of(1), 'exchange differences are of pairs');
    }
}
