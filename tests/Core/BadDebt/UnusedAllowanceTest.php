<?php

declare(strict_types=1);

namespace Tests\Core\BadDebt;

use Ajuste\Core\BadDebt\UnusedAllowance;
use Ajuste\Core\Money\Currency;
use PHPUnit\Framework\TestCase;

final class UnusedAllowanceTest extends TestCase
{
    public function test_a_document_uses_its_own_first_and_then_the_customers(): void
    {
        $unused = new UnusedAllowance(
            [UnusedAllowance::WHOLE => 10000, 7 => 3000, 8 => 2000],
            [7 => 4500, 8 => 500, 9 => 1000],
            Currency::of('EUR'),
        );
        self::assertSame(['0.00', '15.00', '0.00'], [
            $unused->ofDocument(7)->decimal(), $unused->ofDocument(8)->decimal(), $unused->ofDocument(9)->decimal(),
        ]);
        self::assertSame('75.00', $unused->ofCustomer()->decimal());
        self::assertSame('0.00', (new UnusedAllowance([], [7 => 1], Currency::of('EUR')))->ofCustomer()->decimal());
    }
}
