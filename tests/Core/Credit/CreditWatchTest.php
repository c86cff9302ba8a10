<?php

declare(strict_types=1);

namespace Tests\Core\Credit;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Credit\MoneyCame;
use Ajuste\Core\Credit\Owed;
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

    private static function promise(?string $paid, string $payBy = '2026-10-20', ?int $item = null, int $id = 1): Promise
    {
        return new Promise($id, '2026-10-10', $payBy, self::eur('500.00'), 'the owner', $item, $paid === null ? null : self::eur($paid));
    }

    public function test_a_promise_is_kept_by_money_and_broken_by_time(): void
    {
        self::assertSame(PromiseState::Waits, self::promise('499.99')->state('2026-10-20'), 'until the end of its last day');
        self::assertSame(PromiseState::Broken, self::promise('499.99')->state('2026-10-21'));
        self::assertSame(PromiseState::Broken, self::promise(null)->state('2026-10-21'));
        self::assertSame(PromiseState::Kept, self::promise('500.00')->state('2026-10-15'));
    }

    public function test_money_counts_once_first_for_its_document_then_for_the_promise_that_ends_first(): void
    {
        $came = static fn (string $date, string $amount, array $settled = []): MoneyCame => new MoneyCame(
            $date, self::eur($amount), array_map(self::eur(...), $settled),
        );
        $paid = static fn (array $promises, MoneyCame ...$came): array => array_map(
            static fn (Promise $of): string => "{$of->id} {$of->paid()->decimal()}",
            Promise::measured($promises, $came),
        );
        $two = [self::promise(null, '2026-10-25', null, 2), self::promise(null, '2026-10-20', null, 1)];
        self::assertSame(['1 500.00', '2 100.00'], $paid($two, $came('2026-10-15', '600.00')));
        self::assertSame(['1 500.00', '2 300.00'], $paid($two, $came('2026-10-10', '300.00'), $came('2026-10-20', '500.00')));
        self::assertSame(['1 0.00', '2 500.00'], $paid($two, $came('2026-10-21', '600.00')), 'the first has ended');
        self::assertSame(['1 0.00', '2 0.00'], $paid($two, $came('2026-10-09', '600.00')), 'before they were given');
        self::assertSame(['1 0.00', '2 0.00'], $paid($two, new MoneyCame('2026-10-15', Money::parse('600.00', 'GBP'))));
        $document = [self::promise(null, '2026-10-25', 7, 3), self::promise(null, '2026-10-20', null, 1)];
        self::assertSame(['1 500.00', '3 0.00'], $paid($document, $came('2026-10-15', '600.00', [8 => '600.00'])), 'another document');
        self::assertSame(['1 400.00', '3 200.00'], $paid($document, $came('2026-10-15', '600.00', [7 => '200.00'])));
    }

    /** A limit of GBP 100.00 at 1.1720 is 117.20 in base. */
    public function test_a_limit_is_exceeded_by_what_is_above_it(): void
    {
        $over = static fn (string $owed, string $limit): ?string => Owed::beside(
            self::eur($limit), ['EUR' => self::eur($owed)], self::eur('9.00'), static fn (Money $of): Money => $of,
        )->over()?->decimal();
        self::assertSame([null, '0.01', null], [$over('6000.00', '6000.00'), $over('6000.01', '6000.00'), $over('-10.00', '0.00')]);
        $gbp = static fn (string $amount): Money => Money::parse($amount, 'GBP');
        $pounds = static fn (string $own, string $euro, ?string $limit): Owed => Owed::beside(
            $gbp('100.00'),
            ['GBP' => $gbp($own), 'EUR' => self::eur($euro)],
            self::eur('120.00'),
            static fn (): ?Money => $limit === null ? null : self::eur($limit),
        );
        $says = static fn (Owed $of): array => [$of->over()?->decimal(), $of->currency()->code];
        self::assertSame(['2.80', 'EUR'], $says($pounds('90.00', '15.00', '117.20')), 'in several currencies it is compared in base');
        self::assertSame([null, 'GBP'], $says($pounds('90.00', '0.00', '117.20')));
        self::assertSame(['1.00', 'GBP'], $says($pounds('101.00', '15.00', null)), 'without a rate what is owed in its own currency');
    }

    public function test_what_is_kept_of_a_document_is_apart_from_its_customer(): void
    {
        $watch = new CreditWatch('2026-10-31', null, [self::promise(null, '2026-10-20', 7), self::promise(null, '2026-11-15')], [
            new Security(1, 'bank guarantee', 'G-7', '2026-10-31', self::eur('300.00'), 7),
            new Security(2, 'insurance', '', '2026-10-30', self::eur('200.00')),
        ]);
        self::assertSame([1, 1, 1], [
            count($watch->in(PromiseState::Broken)), count($watch->in(PromiseState::Waits)), count($watch->holding()),
        ]);
        self::assertSame([1, 1], [count($watch->ofItem(7)->promises), count($watch->ofItem(7)->securities)]);
        self::assertTrue($watch->ofItem(8)->isEmpty());
        self::assertFalse($watch->isEmpty());
    }
}
