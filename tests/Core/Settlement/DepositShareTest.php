<?php

declare(strict_types=1);

namespace Tests\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DepositShare;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use PHPUnit\Framework\TestCase;

final class DepositShareTest extends TestCase
{
    private static function deposit(int $amount, int $matched = 0, string $currency = 'EUR', ?int $base = null): OpenItem
    {
        $head = ItemHead::credit('DP1', Kind::Deposit, new CustomerAccount(1, 2), '2026-10-01');

        return OpenItem::of(
            1,
            $head,
            Money::ofMinor($amount, $currency),
            Money::ofMinor($base ?? $amount, 'EUR'),
            Position::resting($matched, $matched),
        );
    }

    /** R2: 1,210.00 = 1,000.00 + 210.00. */
    public function test_the_worked_figure_and_its_parts(): void
    {
        $share = new DepositShare(self::deposit(100_000), 21_000);
        self::assertSame(121_000, $share->openGross()->minor);
        self::assertSame(
            [100_000, 21_000],
            [$share->ofGross(Money::ofMinor(121_000, 'EUR'))->minor, $share->tax(Money::ofMinor(100_000, 'EUR'))->minor],
        );
        self::assertSame(50_000, $share->ofGross(Money::ofMinor(60_500, 'EUR'))->minor);
        self::assertSame(100_000, (new DepositShare(self::deposit(100_000), 0))->openGross()->minor);
    }

    public function test_parts_add_up_to_the_whole_whatever_they_are(): void
    {
        mt_srand(3);
        for ($n = 0; $n < 200; $n++) {
            $amount = mt_rand(50, 90_000);
            $tax = intdiv($amount * 21, 100);
            [$used, $gross, $taxes] = [0, 0, 0];
            while ($used < $amount) {
                $share = new DepositShare(self::deposit($amount, $used), $tax);
                $net = Money::ofMinor(min($amount - $used, mt_rand(1, max(1, intdiv($amount, 3)))), 'EUR');
                [$gross, $taxes, $used] = [$gross + $share->gross($net)->minor, $taxes + $share->tax($net)->minor, $used + $net->minor];
            }
            self::assertSame([$amount + $tax, $tax], [$gross, $taxes]);
        }
    }

    public function test_what_cannot_be_shared_is_said_with_what_can(): void
    {
        $share = new DepositShare(self::deposit(100, 0), 21);
        foreach ([0, -5, 122] as $gross) {
            try {
                $share->ofGross(Money::ofMinor($gross, 'EUR'));
                self::fail("{$gross} was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('1.21', $refusal->getMessage());
            }
        }
        $reached = array_map(static fn (int $net): int => $share->gross(Money::ofMinor($net, 'EUR'))->minor, range(1, 100));
        for ($gross = 1; $gross <= 121; $gross++) {
            try {
                self::assertSame($gross, $share->gross($share->ofGross(Money::ofMinor($gross, 'EUR')))->minor);
                self::assertContains($gross, $reached);
            } catch (Refusal $refusal) {
                self::assertNotContains($gross, $reached, $refusal->getMessage());
            }
        }
    }

    /** Of 5 with a tax of 1, where 1 was used before: 2 come to 3, and so do no 3 or 4. */
    public function test_the_part_may_be_just_below_the_proportion(): void
    {
        $share = new DepositShare(self::deposit(5, 1), 1);
        self::assertSame(3, $share->within(Money::ofMinor(3, 'EUR'))->minor);
        self::assertSame(2, $share->ofGross(Money::ofMinor(3, 'EUR'))->minor);
    }
}
