<?php

declare(strict_types=1);

namespace Tests\Core\Ledger;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\AccountType;
use Ajuste\Core\Ledger\BalanceSides;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\ClearingLine;
use Ajuste\Core\Ledger\ClearingRest;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Ledger\VoucherSums;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use LogicException;
use PHPUnit\Framework\TestCase;

final class VoucherTest extends TestCase
{
    private static function line(int $minor, int $account = 1): VoucherLine
    {
        return new VoucherLine(new Account($account, "100{$account}", 'x'), Money::ofMinor($minor, 'EUR'), 'says');
    }

    public function test_a_line_is_debit_or_credit(): void
    {
        self::assertSame([1, null], [self::line(1)->debit()?->minor, self::line(1)->credit()]);
        self::assertSame([null, 1], [self::line(-1)->debit(), self::line(-1)->credit()?->minor]);
        self::assertSame([null, null], [self::line(0)->debit(), self::line(0)->credit()]);
    }

    public function test_accounts_are_found_by_their_role(): void
    {
        $bank = static fn (int $id): Account => new Account($id, "15{$id}", 'Bank', AccountRole::Bank);
        $sales = new Account(9, '4000', 'Sales', AccountRole::Revenue);
        $chart = new ChartOfAccounts([$bank(1), $sales, $bank(2)]);
        self::assertSame([1, 2], array_column($chart->allWithRole(AccountRole::Bank), 'id'));
        self::assertSame(1, $chart->withRole(AccountRole::Bank)->id);
        self::assertSame([], $chart->allWithRole(AccountRole::Till));
        $this->expectExceptionMessage('No account has the role till');
        $chart->withRole(AccountRole::Till);
    }

    public function test_lines_clear_by_document_else_batch_else_entry(): void
    {
        $account = new Account(1, '1370', 'Payments in transit', AccountRole::PaymentsInTransit);
        $line = static fn (int $id, string $day, int $base, string $document = '', string $batch = ''): ClearingLine => new ClearingLine(
            $id, $day, $document, $batch, "E{$id}", $id === 3 ? 'C1' : '', "text {$id}", $base,
        );
        $rests = ClearingRest::of($account, [
            $line(1, '2026-10-02', -500, 'D1'),
            $line(2, '2026-10-09', 500, 'D1'),
            $line(3, '2026-10-05', -700, 'D2', 'B1'),
            $line(4, '2026-10-04', 600, 'D2'),
            $line(5, '2026-10-03', -80, '', 'B1'),
            $line(6, '2026-10-03', 80, '', 'B1'),
            $line(7, '2026-10-01', 1),
            $line(8, '2026-10-01', -1),
        ], Currency::of('EUR'));
        self::assertSame(
            ['E7 1 2026-10-01  7', 'E8 -1 2026-10-01  8', 'D2 -100 2026-10-04 C1 4'],
            array_map(
                static fn (ClearingRest $of): string => "{$of->name} {$of->amount->minor} {$of->since} {$of->customer} {$of->postingId}",
                $rests,
            ),
        );
        self::assertSame('text 4', $rests[2]->description);
        $chart = new ChartOfAccounts([$account, new Account(2, '1510', 'Till', AccountRole::Till)]);
        self::assertSame([$account], $chart->thatMustClear());
    }

    public function test_a_voucher_balances(): void
    {
        $voucher = new Voucher('2026-10-31', 'x', [self::line(5), self::line(7), self::line(-12, 2)]);
        self::assertSame(
            [12, 12, -12],
            [
                $voucher->total()->minor,
                $voucher->effectOn(new Account(1, '1001', 'x'))->minor,
                $voucher->effectOn(new Account(2, '1002', 'x'))->minor,
            ],
        );
        self::assertSame(
            [-5, -7, 12],
            array_map(static fn (VoucherLine $of): int => $of->base->minor, $voucher->mirrored('2026-11-01', 'back')->lines),
        );
        foreach (
            [[[5, -4], 'does not balance: 1 minor'], [[5, 5], 'does not balance: 10 minor'], [[0, 0], 'is nil']] as [$minors, $words]
        ) {
            try {
                new Voucher('2026-10-31', 'x', array_map(self::line(...), $minors));
                self::fail($words);
            } catch (LogicException $wrong) {
                self::assertStringContainsString($words, $wrong->getMessage());
            }
        }
    }

    public function test_vouchers_added_up_have_one_line_for_each_account_and_side(): void
    {
        $vouchers = [
            new Voucher('2026-10-31', 'one', [self::line(-5, 3), self::line(5, 2), self::line(3, 3), self::line(-3)]),
            new Voucher('2026-10-31', 'two', [self::line(-7, 3), self::line(7, 2)]),
        ];
        self::assertSame(
            ['1001 -3', '1002 12', '1003 3', '1003 -12'],
            array_map(static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->minor}", VoucherSums::of($vouchers)),
        );
        self::assertSame([], VoucherSums::of([]));
    }

    public function test_balances_of_both_sides(): void
    {
        $sides = BalanceSides::of(
            array_map(static fn (int $of): Money => Money::ofMinor($of, 'EUR'), [5, -3, 0, 7, -4]),
            Currency::of('EUR'),
        );
        self::assertSame([12, 7, false], [$sides->debit->minor, $sides->credit->minor, $sides->areEqual()]);
        $even = BalanceSides::of([Money::ofMinor(5, 'EUR'), Money::ofMinor(-5, 'EUR')], Currency::of('EUR'));
        self::assertTrue($even->areEqual());
    }

    public function test_income_and_expense_go_into_the_result(): void
    {
        $result = array_filter(AccountType::cases(), static fn (AccountType $of): bool => $of->isResult());
        self::assertSame([AccountType::Income, AccountType::Expense], array_values($result));
    }
}
