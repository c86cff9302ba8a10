<?php

declare(strict_types=1);

namespace Tests\Core\SignOff;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\SignOff\ComparedFigure;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ComparedFigureTest extends TestCase
{
    private static function figure(string $now, string $before): ComparedFigure
    {
        $euro = Currency::of('EUR');

        return new ComparedFigure('balance of 1100', Money::parse($now, $euro), Money::parse($before, $euro), Money::zero($euro));
    }

    /** Common practice: what moves by more than a share of what it was is explained. */
    #[TestWith(['125.00', '100.00', '25', false, '25.0'])]
    #[TestWith(['125.01', '100.00', '25', true, '25.0'])]
    #[TestWith(['75.00', '100.00', '25', false, '-25.0'])]
    #[TestWith(['74.99', '100.00', '25', true, '-25.0'])]
    #[TestWith(['-74.99', '-100.00', '25', true, '25.0'])]
    #[TestWith(['-10.00', '10.00', '199.9', true, '-200.0'])]
    #[TestWith(['0.01', '0.00', '1000', true, null])]
    #[TestWith(['0.00', '0.00', '0', false, null])]
    #[TestWith(['100.05', '100.00', '0', true, '0.1'])]
    #[TestWith(['900.00', '100.00', '', false, '800.0'])]
    public function test_a_change_above_the_limit_needs_a_sentence(
        string $now,
        string $before,
        string $limit,
        bool $needs,
        ?string $percent,
    ): void {
        $figure = self::figure($now, $before);
        self::assertSame([$needs, $percent], [$figure->needsASentence($limit), $figure->percent()]);
        self::assertSame(! $needs, $figure->check($limit)->isGreen);
    }

    public function test_the_check_says_both_figures(): void
    {
        $check = self::figure('1250.00', '1000.00')->check('10');
        self::assertSame(['change of balance of 1100', 'Balance of 1100 beside the period before'], [$check->name, $check->words]);
        self::assertSame('1,000.00 became 1,250.00 (25.0 %)', $check->finding);
        self::assertSame('0.00 became 5.00', self::figure('5.00', '0.00')->check('10')->finding);
    }
}
