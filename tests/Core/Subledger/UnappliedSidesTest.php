<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\UnappliedSides;
use PHPUnit\Framework\TestCase;

final class UnappliedSidesTest extends TestCase
{
    public function test_what_is_unapplied_and_what_of_it_can_be_matched(): void
    {
        $sides = new UnappliedSides();
        $sides->add(Kind::Receipt, Side::Credit, 'EUR', 300_00, '2026-10-03', 'b');
        $sides->add(Kind::Receipt, Side::Credit, 'EUR', 200_00, '2026-10-04', 'a');
        $sides->add(Kind::Deposit, Side::Credit, 'EUR', 100_00, '2026-09-30', 'c');
        $sides->add(Kind::Invoice, Side::Debit, 'EUR', 450_00, '2026-01-01', 'z');
        $sides->add(Kind::CreditNote, Side::Credit, 'USD', 70_00, '2026-10-09', 'a');
        $sides->add(Kind::Refund, Side::Debit, 'USD', 30_00, '2026-10-20', 'd');
        $sums = $sides->sums();
        // Within each currency the lesser side: 450.00 of 600.00 and 30.00 of 70.00.
        self::assertSame(
            [5, 670_00, 30_00, 480_00, 480_00, 640_00],
            [$sums->items, $sums->credits, $sums->refunds, $sums->debits, $sums->matchable, $sums->net()],
        );
        self::assertSame(
            ['2026-09-30', 'd', '2 receipts, 1 deposit, 1 credit note, 1 refund'],
            [$sums->oldest, $sums->newest, $sums->words],
        );
    }

    public function test_invoices_alone_are_not_unapplied(): void
    {
        $sides = new UnappliedSides();
        $sides->add(Kind::Invoice, Side::Debit, 'EUR', 100_00, '2026-10-01', 'a');
        self::assertSame([0, 0, '', ''], [$sides->sums()->items, $sides->sums()->matchable, $sides->sums()->oldest, $sides->sums()->words]);
    }
}
