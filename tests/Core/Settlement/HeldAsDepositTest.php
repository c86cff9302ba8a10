<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Posting\Fact\DepositTaxBooked;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\HeldAsDeposit;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

final class HeldAsDepositTest extends TestCase
{
    private static function plan(
        OpenItem $receipt,
        string $date = '2026-10-31',
        ?string $locked = null,
        string $taxRate = '',
    ): PostingPlan {
        $accounts = new ChartOfAccounts([
            ...Sample::accounts()->all(),
            new Account(9, '2170', 'Deposits', AccountRole::CustomerDeposits),
            new Account(10, '2300', 'Output tax', AccountRole::OutputTax),
        ]);

        return (new HeldAsDeposit($accounts, new LockedDays($locked)))->plan(
            $receipt, $accounts->numbered('1100'), Sample::customer(), $date, $taxRate,
        );
    }

    public function test_what_is_unapplied_moves_at_its_own_rate(): void
    {
        // GBP 1,000.00 at 1.1540, of which GBP 400.00 is matched.
        $whole = Sample::item(1, Kind::Receipt, '1000.00', '2026-10-05', 'GBP', '1154.00');
        $receipt = OpenItem::of(1, $whole->head, $whole->amount, $whole->base, Position::resting(400_00, 461_60));
        $plan = self::plan($receipt);
        self::assertSame(['1100 692.40', '2170 -692.40'], array_map(
            static fn ($line): string => "{$line->account->number} {$line->base->decimal()}", $plan->vouchers()[0]->lines,
        ));
        self::assertSame(['transfer 600.00 692.40', 'deposit 600.00 692.40'], array_map(
            static fn ($item): string => "{$item->head->kind->value} {$item->amount->decimal()} {$item->base->decimal()}", $plan->items,
        ));
        self::assertSame(['debit', 'credit'], array_map(static fn ($item): string => $item->head->side->value, $plan->items));
        self::assertSame(['600.00'], array_map(static fn ($match): string => $match->amount->decimal(), $plan->matches));
        self::assertSame(['2026-10-31', 1], [$plan->matches[0]->date, count($plan->settlements)]);
    }

    /** R2: where tax is due on payment, 1,210.00 = 1,000.00 to deposits + 210.00 output tax. */
    public function test_tax_that_is_due_on_payment_is_booked(): void
    {
        $plan = self::plan(Sample::item(1, Kind::Receipt, '1210.00'), taxRate: '21');
        self::assertSame(['1100 1210.00', '2170 -1000.00', '2300 -210.00'], array_map(
            static fn ($line): string => "{$line->account->number} {$line->base->decimal()}", $plan->vouchers()[0]->lines,
        ));
        self::assertSame(['transfer 1210.00', 'deposit 1000.00'], array_map(
            static fn ($item): string => "{$item->head->kind->value} {$item->amount->decimal()}", $plan->items,
        ));
        $booked = array_values(array_filter($plan->facts, static fn ($of): bool => $of instanceof DepositTaxBooked));
        self::assertSame(['21', '210.00'], [$booked[0]->rate, $booked[0]->tax->decimal()]);
        $this->expectExceptionMessage('is not a tax rate');
        self::plan(Sample::item(1, Kind::Receipt, '1210.00'), taxRate: 'much');
    }

    public function test_only_the_unapplied_part_of_a_receipt_on_an_open_day(): void
    {
        $refusals = [
            'is no receipt' => fn () => self::plan(Sample::item(1, Kind::CreditNote, '10.00')),
            'nothing unapplied' => fn () => self::plan(Sample::item(1, Kind::Receipt, '10.00', open: '0.00')),
            'dated 2026-10-31' => fn () => self::plan(Sample::item(1, Kind::Receipt, '10.00', '2026-11-01')),
            'locked' => fn () => self::plan(Sample::item(1, Kind::Receipt, '10.00'), '2026-10-31', '2026-10-31'),
        ];
        foreach ($refusals as $says => $of) {
            try {
                $of();
                self::fail("not refused: {$says}");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
    }
}
