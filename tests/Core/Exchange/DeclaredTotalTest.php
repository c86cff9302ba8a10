<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\DeclaredTotal;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

final class DeclaredTotalTest extends TestCase
{
    private static function of(string $declared): DeclaredTotal
    {
        $eur = static fn (string $amount): Money => Money::parse($amount, 'EUR');

        return new DeclaredTotal($eur($declared), $eur('1500.00'), $eur('400.00'));
    }

    public function test_it_is_one_of_the_sums_of_the_file_or_says_which_comes_nearest(): void
    {
        self::assertSame('declared 1,500.00: agrees with debits', self::of('1500.00')->says());
        self::assertSame('declared 400.00: agrees with credits', self::of('400.00')->says());
        self::assertSame('declared 1,100.00: agrees with debits less credits', self::of('1100.00')->says());
        self::assertSame([true, false], [self::of('400.00')->agrees(), self::of('399.99')->agrees()]);
        self::assertSame('declared 399.99: credits of the file are more by 0.01', self::of('399.99')->says());
        self::assertSame('declared 1,110.00: debits less credits of the file are less by 10.00', self::of('1110.00')->says());
        self::assertSame('declared 9,000.00: debits of the file are less by 7,500.00', self::of('9000.00')->says());
    }
}
