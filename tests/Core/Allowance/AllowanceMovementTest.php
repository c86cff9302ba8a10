<?php

declare(strict_types=1);

namespace Tests\Core\Allowance;

use Ajuste\Core\Allowance\AllowanceEntry;
use Ajuste\Core\Allowance\AllowanceMovement;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

final class AllowanceMovementTest extends TestCase
{
    public function test_each_entry_counts_in_its_line_and_the_lines_lead_to_the_closing(): void
    {
        $euro = Currency::of('EUR');
        $loss = [AccountRole::ImpairmentLoss];
        $movement = AllowanceMovement::of(Money::parse('500.00', $euro), [
            new AllowanceEntry(30_000, $loss), // a charge
            new AllowanceEntry(-5_000, $loss), // a release
            new AllowanceEntry(-2_000, $loss, takesBack: true), // part of the charge taken back
            new AllowanceEntry(1_000, $loss, takesBack: true), // part of the release taken back
            // A debt written off: the allowance first, the rest to the loss (R2).
            new AllowanceEntry(-12_000, [AccountRole::ReceivablesControl, AccountRole::ImpairmentLoss, AccountRole::OutputTax]),
            new AllowanceEntry(4_000, [AccountRole::ReceivablesControl], takesBack: true),
            new AllowanceEntry(150, [AccountRole::ExchangeUnrealisedLoss]),
            new AllowanceEntry(-70, [AccountRole::ExchangeRealisedGain, AccountRole::ImpairmentLoss]),
            new AllowanceEntry(9, [AccountRole::Revenue]),
        ], $euro);
        self::assertSame(
            ['charge' => '280.00', 'release' => '-40.00', 'used' => '-80.00', 'exchange' => '0.80', 'other' => '0.09'],
            array_map(static fn (Money $of): string => $of->decimal(), $movement->lines),
        );
        self::assertSame(['500.00', '660.89'], [$movement->opening->decimal(), $movement->closing->decimal()]);
    }

    public function test_a_cent_is_enough_to_tell_a_charge_from_a_release(): void
    {
        $line = static fn (int $minor, bool $takesBack): string => (new AllowanceEntry($minor, [AccountRole::ImpairmentLoss], $takesBack))
            ->line()->value;
        self::assertSame(['charge', 'release', 'release'], [$line(1, false), $line(0, false), $line(-1, false)]);
        self::assertSame(['release', 'release', 'charge'], [$line(1, true), $line(0, true), $line(-1, true)]);
    }

    public function test_without_entries_nothing_moves(): void
    {
        $movement = AllowanceMovement::of(Money::zero('JPY'), [], Currency::of('JPY'));
        self::assertSame(['0', '0'], [$movement->closing->decimal(), $movement->lines['used']->decimal()]);
    }
}
