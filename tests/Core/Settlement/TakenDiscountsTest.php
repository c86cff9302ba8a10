<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DatedMoney;
use Ajuste\Core\Settlement\DiscountOffer;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\PartPayments;
use Ajuste\Core\Settlement\TakenDiscounts;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Paid;
use Ajuste\Core\Subledger\SettledBy;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** Discounts by the money that earns them (R4): 2 % within 14 days of 1 October. */
final class TakenDiscountsTest extends TestCase
{
    private const IN_TIME = '2026-10-15';

    private const LATE = '2026-10-16';

    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    private static function invoice(string $amount = '100.00', int $id = 1): OpenItem
    {
        return Sample::item($id, Kind::Invoice, $amount, '2026-10-01');
    }

    private static function offer(OpenItem $item, PartPayments $policy, string $cash = '0.00', string $credited = '0.00'): DiscountOffer
    {
        $discount = EarlyPaymentDiscount::of(Terms::parse('2/14 net 30'), '2026-10-01');
        self::assertNotNull($discount);

        return DiscountOffer::of($discount, $item, new Paid(self::eur($cash), self::eur('0.00'), self::eur($credited)), $policy);
    }

    private static function money(string $amount, string $day = self::IN_TIME, SettledBy $by = SettledBy::Cash): DatedMoney
    {
        return new DatedMoney(self::eur($amount), $day, $by);
    }

    /**
     * @param list<DatedMoney> $money
     * @return array{string, string} what is taken of the invoice, and its discount
     */
    private static function taken(
        array $money,
        PartPayments $policy = PartPayments::Forfeit,
        bool $gives = false,
        string $cash = '0.00',
    ): array {
        $item = self::invoice();
        $of = TakenDiscounts::of(
            [new Tick($item, $item->open)],
            [1 => self::offer($item, $policy, $cash)],
            $money,
            [],
            self::IN_TIME,
            $gives ? [1] : [],
        );

        return [$of->ticks[0]->amount->decimal(), $of->discounts[1]->decimal()];
    }

    /** R4: 100.00 at 2 % paid 32.67, 32.67, 32.66 settles exactly 100.00; only the cash so far says what a part settles. */
    public function test_after_a_part_the_cash_counts_and_not_its_discount(): void
    {
        $offer = self::offer(self::invoice(), PartPayments::Earn);
        $settled = [];
        foreach (['32.67', '32.67', '32.66'] as $cash) {
            $of = $offer->settledBy(self::eur($cash));
            $settled[] = $of->decimal();
            $offer = $offer->after(self::eur($cash), $of);
        }
        self::assertSame(['33.34', '33.33', '33.33'], $settled);
        self::assertSame('0.00', $offer->item->takeable->decimal());
    }

    public function test_all_money_in_time_takes_the_discount(): void
    {
        self::assertSame(['100.00', '2.00'], self::taken([self::money('98.00')]));
        self::assertSame(['100.00', '2.00'], self::taken([self::money('48.00'), self::money('50.00')]));
        self::assertSame(['100.00', '2.00'], self::taken([]), 'without money the day says it');
    }

    public function test_money_that_is_late_takes_none(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('offers no discount on the value date 2026-10-16');
        self::taken([self::money('98.00', self::LATE)]);
    }

    public function test_some_late_money_forfeits_the_whole_where_parts_earn_nothing(): void
    {
        $this->expectException(Refusal::class);
        self::taken([self::money('48.00'), self::money('50.00', self::LATE)]);
    }

    public function test_late_money_that_is_not_needed_does_no_harm(): void
    {
        self::assertSame(['100.00', '2.00'], self::taken([self::money('98.00'), self::money('50.00', self::LATE)]));
    }

    public function test_each_part_in_time_earns_its_own(): void
    {
        self::assertSame(['100.00', '1.00'], self::taken([self::money('49.00'), self::money('50.00', self::LATE)], PartPayments::Earn));
        self::assertSame(['100.00', '1.00'], self::taken([self::money('50.00', self::LATE), self::money('49.00')], PartPayments::Earn));
        self::assertSame(['50.00', '1.00'], self::taken([self::money('49.00')], PartPayments::Earn, gives: true));
    }

    /** Cash 32.67 was paid before: 33.34 is settled, and the rest of 66.66 costs 65.33. */
    public function test_cash_paid_before_counts_and_its_discount_does_not(): void
    {
        $item = Sample::item(1, Kind::Invoice, '100.00', '2026-10-01', open: '66.66');
        $offer = self::offer($item, PartPayments::Earn, '32.67');
        self::assertSame('1.33', $offer->onTheRest(self::IN_TIME)->decimal());
        self::assertSame('0.00', $offer->onTheRest(self::LATE)->decimal());
        self::assertSame('33.33', $offer->settledBy(self::eur('32.67'))->decimal());
        self::assertSame('0.00', self::offer($item, PartPayments::Forfeit, '32.67')->onTheRest(self::IN_TIME)->decimal());
    }

    public function test_a_credit_note_lowers_the_basis_and_is_no_cash(): void
    {
        // 100.00 less a credit note of 10.00 is 90.00; 2 % of it is 1.80.
        self::assertSame(['100.00', '1.80'], self::taken([self::money('10.00', by: SettledBy::Credit), self::money('88.20')]));
        self::assertSame(['100.00', '1.80'], self::taken([self::money('88.20'), self::money('10.00', by: SettledBy::Credit)]));
        self::assertSame(
            '1.80',
            self::offer(Sample::item(1, Kind::Invoice, '100.00', open: '90.00'), PartPayments::Forfeit, credited: '10.00')
                ->onTheRest(self::IN_TIME)
                ->decimal(),
        );
    }

    /** A debit before it takes its part first; what is left is late. */
    public function test_debits_take_money_in_their_order(): void
    {
        [$first, $second] = [self::invoice('98.00', 7), self::invoice()];
        $wanted = [1 => self::offer($second, PartPayments::Forfeit)];
        $money = [self::money('98.00'), self::money('98.00', self::LATE)];
        $ticks = [new Tick($second, $second->open), new Tick($first, $first->open)];
        self::assertSame('2.00', TakenDiscounts::of($ticks, $wanted, $money, [], self::IN_TIME, [])->discounts[1]->decimal());
        $this->expectException(Refusal::class);
        TakenDiscounts::of(array_reverse($ticks), $wanted, $money, [], self::IN_TIME, []);
    }

    public function test_a_part_offers_a_discount_only_where_the_policy_says_so(): void
    {
        $item = self::invoice();
        self::assertSame('0.00', self::offer($item, PartPayments::Forfeit)->onPart(self::eur('50.00'))->decimal());
        self::assertSame('1.00', self::offer($item, PartPayments::Earn)->onPart(self::eur('50.00'))->decimal());
        self::assertSame('2.00', self::offer($item, PartPayments::Forfeit)->onPart(self::eur('100.00'))->decimal());
        $this->expectExceptionMessage('for a part of it');
        self::taken([self::money('49.00')], gives: true);
    }
}
