<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\ReturnedReceipt;
use PHPUnit\Framework\TestCase;

/** Which receipt a bank took back, and what it took for its trouble. */
final class ReturnedReceiptTest extends TestCase
{
    private static function of(
        string $amount,
        string $taken,
        bool $named = false,
        string $date = '2026-10-01',
    ): ReturnedReceipt {
        $eur = static fn (string $text): Money => Money::parse($text, 'EUR');

        return new ReturnedReceipt(1, 'R1', 'Uno', $date, $eur($amount), $named, $eur($taken));
    }

    public function test_the_fee_is_what_was_taken_beyond_the_receipt(): void
    {
        self::assertSame('4.50', self::of('300.00', '304.50')->fee->decimal());
        self::assertSame('-1.00', self::of('300.00', '299.00')->fee->decimal());
    }

    public function test_it_is_likely_when_named_or_of_the_same_amount(): void
    {
        self::assertTrue(self::of('300.00', '300.00')->isLikely());
        self::assertTrue(self::of('300.00', '304.50', named: true)->isLikely());
        self::assertFalse(self::of('300.00', '304.50')->isLikely());
    }

    public function test_a_fee_is_at_most_a_hundred_units(): void
    {
        self::assertSame('200.00', ReturnedReceipt::least(Money::parse('300.00', 'EUR'))->decimal());
        self::assertSame('200', ReturnedReceipt::least(Money::parse('300', 'JPY'))->decimal());
    }

    public function test_named_comes_first_then_the_same_amount_then_the_latest(): void
    {
        $named = self::of('1.00', '3.00', named: true);
        $same = self::of('3.00', '3.00', date: '2026-09-01');
        $later = self::of('3.00', '3.00', date: '2026-09-02');
        $all = [$same, $named, $later];
        usort($all, ReturnedReceipt::byLikelihood(...));
        self::assertSame([$named, $later, $same], $all);
    }
}
