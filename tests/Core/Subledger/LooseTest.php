<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Loose;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\TestCase;

final class LooseTest extends TestCase
{
    public function test_what_is_loose_and_what_of_it_can_be_matched(): void
    {
        $loose = new Loose;
        $loose->add(Kind::Receipt, Side::Credit, 'EUR', 2, 500_00, '2026-10-03', 'b');
        $loose->add(Kind::Deposit, Side::Credit, 'EUR', 1, 100_00, '2026-09-30', 'c');
        $loose->add(Kind::Invoice, Side::Debit, 'EUR', 4, 450_00, '2026-01-01', 'z');
        $loose->add(Kind::CreditNote, Side::Credit, 'USD', 1, 70_00, '2026-10-09', 'a');
        $loose->add(Kind::Refund, Side::Debit, 'USD', 1, 30_00, '2026-10-20', 'd');
        // Within each currency the lesser side: 450.00 of 600.00 and 30.00 of 70.00.
        self::assertSame([5, 670_00, 30_00, 480_00, 480_00], [$loose->items, $loose->credits, $loose->refunds, $loose->debits, $loose->matchable()]);
        self::assertSame(['2026-09-30', 'd', '2 receipts, 1 deposit, 1 credit note, 1 refund'], [$loose->oldest, $loose->newest, $loose->words()]);
    }

    public function test_invoices_alone_are_not_loose(): void
    {
        $loose = new Loose;
        $loose->add(Kind::Invoice, Side::Debit, 'EUR', 1, 100_00, '2026-10-01', 'a');
        self::assertSame([0, 0, '', ''], [$loose->items, $loose->matchable(), $loose->oldest, $loose->words()]);
    }
}
