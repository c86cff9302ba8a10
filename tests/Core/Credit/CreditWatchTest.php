<?php

declare(strict_types=1);

namespace Tests\Core\Credit;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Credit\Promise;
use Ajuste\Core\Credit\PromiseState;
use Ajuste\Core\Credit\Security;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

final class CreditWatchTest extends TestCase
{
    private static function eur(string $amount): Money
    {
        return Money::parse($amount, 'EUR');
    }

    private static function promise(string $paid, string $payBy = '2026-10-20'): Promise
    {
        return new Promise(1, '2026-10-10', $payBy, self::eur('500.00'), 'the owner', self::eur($paid));
    }

    public function test_a_promise_is_kept_by_money_and_broken_by_time(): void
    {
        self::assertSame(PromiseState::Waits, self::promise('499.99')->state('2026-10-20'), 'until the end of its last day');
        self::assertSame(PromiseState::Broken, self::promise('499.99')->state('2026-10-21'));
        self::assertSame(PromiseState::Kept, self::promise('500.00')->state('2026-10-15'));
        self::assertSame(PromiseState::Kept, self::promise('600.00')->state('2026-12-31'));
    }

    public function test_a_limit_is_exceeded_by_what_is_above_it(): void
    {
        $watch = static fn (string $owed, ?string $limit): CreditWatch => new CreditWatch(
            '2026-10-31', self::eur($owed), $limit === null ? null : self::eur($limit), [], [],
        );
        self::assertNull($watch('6000.00', '6000.00')->overLimit());
        self::assertSame('0.01', $watch('6000.01', '6000.00')->overLimit()?->decimal());
        self::assertNull($watch('6000.01', null)->overLimit());
        self::assertNull($watch('-10.00', '0.00')->overLimit());
        self::assertSame(['over limit by 0.01'], $watch('6000.01', '6000.00')->says());
        self::assertSame([], $watch('1.00', '6000.00')->says());
    }

    public function test_the_worst_is_said_first(): void
    {
        $watch = new CreditWatch('2026-10-31', self::eur('700.00'), self::eur('600.00'), [
            self::promise('500.00'), self::promise('0.00', '2026-11-15'), self::promise('0.00'),
        ], [
            new Security(1, 'bank guarantee', 'G-7', '2026-10-31', self::eur('300.00')),
            new Security(2, 'insurance', '', '2026-10-30', self::eur('200.00')),
            new Security(3, 'title', '', '', self::eur('50.00')),
        ]);
        self::assertSame([
            'over limit by 100.00', 'promise of 500.00 by 2026-10-20 broken', 'promised 500.00 by 2026-11-15', 'secured 300.00',
            'secured 50.00',
        ], $watch->says());
    }
}
