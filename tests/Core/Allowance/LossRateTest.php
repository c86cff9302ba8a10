<?php

declare(strict_types=1);

namespace Tests\Core\Allowance;

use Ajuste\Core\Allowance\LossRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LossRateTest extends TestCase
{
    public function test_rounded_half_away_from_zero(): void
    {
        $share = static fn (string $percent, int $base): int => LossRate::share(
            LossRate::percent($percent),
            Money::ofMinor($base, 'EUR'),
        )->minor;
        self::assertSame([1, 0, -1, 3], [$share('0.5', 100), $share('0.4', 100), $share('0.5', -100), $share('2.5', 100)]);
    }

    #[TestWith(['101'])]
    #[TestWith(['100.1'])]
    #[TestWith(['-1'])]
    #[TestWith(['3,6'])]
    #[TestWith([''])]
    public function test_what_is_no_percentage(string $text): void
    {
        self::assertSame('100', (string) LossRate::percent('100'));
        $this->expectException(Refusal::class);
        LossRate::percent($text);
    }
}
