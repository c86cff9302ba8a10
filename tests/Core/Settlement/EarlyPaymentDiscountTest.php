<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\DiscountDecision;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Settlement\TaxRelief;
use PHPUnit\Framework\TestCase;

final class EarlyPaymentDiscountTest extends TestCase
{
    private function discount(string $terms = '2/10 net 30', int $grace = 0): EarlyPaymentDiscount
    {
        $discount = EarlyPaymentDiscount::of(Terms::parse($terms), '2026-10-01', $grace);
        self::assertNotNull($discount);

        return $discount;
    }

    public function test_the_value_date_decides(): void
    {
        self::assertTrue($this->discount()->holdsOn('2026-10-11'));
        self::assertFalse($this->discount()->holdsOn('2026-10-12'));
        self::assertTrue($this->discount(grace: 3)->holdsOn('2026-10-14'));
        self::assertNull(EarlyPaymentDiscount::of(Terms::parse('net 30'), '2026-10-01'));
    }

    /** 1,210.00 at 2 % is 24.20; cash 1,185.80. */
    public function test_the_whole_discount(): void
    {
        self::assertSame(2420, $this->discount()->whole(121000));
        self::assertSame(2420, $this->discount()->onTheRest(121000, 121000, 0));
        self::assertSame(1815, $this->discount('1.5/14 net 45')->whole(121000));
    }

    /** Cash 500.00 at 2 % settles 510.20; 100.00 at 2 % paid 32.67, 32.67, 32.66 settles exactly 100.00. */
    public function test_part_payments(): void
    {
        self::assertSame(51020, $this->discount()->settledBy(50000, 121000));
        self::assertSame(
            [3334, 6667, 10000],
            array_map(fn (int $cash): int => $this->discount()->settledBy($cash, 10000), [3267, 6534, 9800]),
        );
        // What a payment that settles the rest takes along: 1,210.00, of which 500.00 cash settled 510.20.
        self::assertSame(121000 - 2420 - 50000, 121000 - 51020 - $this->discount()->onTheRest(121000 - 51020, 121000, 50000));
    }

    /** The part that 500.00 in cash settles takes 10.20 of discount along. */
    public function test_the_discount_of_a_part(): void
    {
        self::assertSame(1020, $this->discount()->onPart(51020, 121000, 0));
        self::assertSame(
            [67, 66, 67],
            [
                $this->discount()->onPart(3334, 10000, 0),
                $this->discount()->onPart(3333, 10000, 3267),
                $this->discount()->onPart(3333, 10000, 6534),
            ],
        );
    }

    public function test_a_persons_decision_stands_above_the_days(): void
    {
        $decided = static fn (DiscountChoice $choice, string $until = ''): EarlyPaymentDiscount => EarlyPaymentDiscount::of(
            Terms::parse('2/10 net 30'),
            '2026-10-01',
            0,
            new DiscountDecision($choice, $until, 'agreed'),
        ) ?? self::fail();
        self::assertTrue($decided(DiscountChoice::Grant)->holdsOn('2026-12-31'));
        self::assertFalse($decided(DiscountChoice::Deny)->holdsOn('2026-10-02'));
        self::assertTrue($decided(DiscountChoice::Until, '2026-10-20')->holdsOn('2026-10-20'));
        self::assertFalse($decided(DiscountChoice::Until, '2026-10-20')->holdsOn('2026-10-21'));
        $sameDay = new DiscountDecision(DiscountChoice::Until, '2026-10-01', 'agreed', '2026-10-01');
        self::assertSame('2026-10-01', $sameDay->until);
        $this->expectExceptionMessage('Say why');
        try {
            new DiscountDecision(DiscountChoice::Until, '2026-09-30', 'agreed', '2026-10-01');
            self::fail('It ends before the invoice.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('the invoice is dated 2026-10-01', $refusal->getMessage());
        }
        new DiscountDecision(DiscountChoice::Grant, '', ' ');
    }

    /** 24.20 on an invoice wholly at 21 % → net 20.00, tax 4.20. */
    public function test_tax_in_the_invoices_own_mix(): void
    {
        self::assertSame(420, TaxRelief::within(2420, [new TaxedLine(100000, '21')]));
        self::assertSame(220, TaxRelief::within(2420, [new TaxedLine(60, '10'), new TaxedLine(40, '10')]));
        // Gross 1,210.00 and 1,100.00: 12.68 and 11.52 of the discount, tax 2.20 and 1.05.
        self::assertSame(220 + 105, TaxRelief::within(2420, [new TaxedLine(100000, '21'), new TaxedLine(100000, '10')]));
        self::assertSame(0, TaxRelief::within(2420, []));
    }

    /** Cost of 2/10 net 30: handbook value 37.2 % simple, 44.6 % compound. */
    public function test_what_an_offered_discount_costs_in_a_year(): void
    {
        self::assertSame('37.24', $this->discount()->yearlyCostSimple());
        self::assertSame('44.59', $this->discount()->yearlyCostCompound());
    }
}
