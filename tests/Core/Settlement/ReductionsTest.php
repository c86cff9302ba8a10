<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Settlement\Reductions;
use Ajuste\Core\Settlement\Relief;
use Ajuste\Core\Settlement\Reserved;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Settlement\Ticked;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Which debits discounts and deductions take down, and how much of each (R2, R9). */
final class ReductionsTest extends TestCase
{
    /** @var list<OpenItem> 20.00 and 30.00 */
    private array $invoices;

    protected function setUp(): void
    {
        $this->invoices = [Sample::item(1, Kind::Invoice, '20.00'), Sample::item(2, Kind::Invoice, '30.00')];
    }

    private static function less(string $amount, ?OpenItem $invoice = null): Deduction
    {
        $reason = new DeductionReason('SHORT', 'Shortage', new Account(9, '4085', 'Short deliveries'));

        return new Deduction($reason, $invoice, Money::parse($amount, 'EUR'));
    }

    /**
     * @param array<int, string> $discounts by invoice
     * @return list<string> the debit and what comes off it
     */
    private function reserved(array $discounts, Deduction ...$deductions): array
    {
        $plan = new PlanBuilder();
        $control = Sample::accounts()->numbered('1100');
        $settlement = $plan->settlement(1, '2026-10-31');
        $rule = new Reductions($plan, $settlement, Sample::accounts(), new Relief(false, []), $control, Sample::customer());
        $ticked = new Ticked(
            array_map(static fn (OpenItem $item): Tick => new Tick($item, $item->takeable), $this->invoices),
            array_map(static fn (string $amount): Money => Money::parse($amount, 'EUR'), $discounts),
            array_values($deductions),
        );
        $takes = [1 => $this->invoices[0]->takeable, 2 => $this->invoices[1]->takeable];

        return array_map(
            static fn (Reserved $of): string => "{$of->debit->id} {$of->amount->decimal()}",
            $rule->add($ticked, $takes, '2026-10-31', 'R'),
        );
    }

    public function test_what_concerns_no_invoice_comes_off_the_last_ticked_and_then_backwards(): void
    {
        self::assertSame(['2 30.00', '1 5.00'], $this->reserved([], self::less('35.00')));
        self::assertSame(['1 4.00'], $this->reserved([], self::less('4.00', $this->invoices[0])));
    }

    public function test_what_concerns_an_invoice_is_taken_first_whatever_the_order(): void
    {
        $own = self::less('30.00', $this->invoices[1]);
        self::assertSame(['2 30.00', '1 5.00'], $this->reserved([], self::less('5.00'), $own));
        self::assertSame(['2 30.00', '1 5.00'], $this->reserved([], $own, self::less('5.00')));
    }

    public function test_more_than_a_debit_takes_is_refused_with_what_is_over(): void
    {
        foreach (
            [
                ['what is ticked: 50.01 EUR comes off it, 0.01 more', self::less('50.01')],
                ['Invoice D1: 20.50 EUR comes off it, 0.50 more', self::less('20.50', $this->invoices[0])],
            ] as [$says, $deduction]
        ) {
            try {
                $this->reserved([], $deduction);
                self::fail($says);
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
    }
}
