<?php

declare(strict_types=1);

namespace Tests\Core\Contra;

use Ajuste\Core\Contra\PairReversal;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

/** One pair of three goes back: what it gained or lost by the exchange with it, whatever the run came to. */
final class PairReversalTest extends TestCase
{
    private static function line(string $account, int $minor, string $document, ?int $original = null): VoucherLine
    {
        $foreign = $original === null ? null : Money::ofMinor($original, 'GBP');

        $of = new Account((int) $account, $account, 'x');

        return new VoucherLine($of, Money::ofMinor($minor, 'EUR'), 'Contra', $document, '', $foreign);
    }

    /** @return list<string> */
    private static function back(string $document): array
    {
        $posted = new Voucher('2026-10-31', 'Contra as of 2026-10-31', [
            self::line('2100', 800, 'A'), self::line('1100', -800, 'A'),
            self::line('2100', 120, 'B', 100), self::line('1100', -115, 'B', -100),
            self::line('2100', 110, 'C', 100), self::line('1100', -118, 'C', -100),
            self::line('6800', 3, ''),
        ]);
        $accounts = new ChartOfAccounts([
            new Account(3, '4800', 'Gains', AccountRole::ExchangeRealisedGain),
            new Account(4, '6800', 'Losses', AccountRole::ExchangeRealisedLoss),
        ]);
        $voucher = (new PairReversal($accounts))->voucher($posted, $document, '2026-11-02');
        self::assertSame(['2026-11-02', "Contra {$document} taken back"], [$voucher->date, $voucher->text]);

        return array_map(
            static fn (VoucherLine $line): string => trim(
                "{$line->account->number} {$line->base->minor} {$line->document} ".($line->original->minor ?? ''),
            ),
            $voucher->lines,
        );
    }

    public function test_its_lines_change_sides_with_its_own_difference(): void
    {
        self::assertSame(['2100 -800 A', '1100 800 A'], self::back('A'));
        self::assertSame(['2100 -120 B -100', '1100 115 B 100', '4800 5'], self::back('B'));
        self::assertSame(['2100 -110 C -100', '1100 118 C 100', '6800 -8'], self::back('C'));
    }
}
