<?php

declare(strict_types=1);

namespace Tests\Core\Money;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use NumberFormatter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MoneyTest extends TestCase
{
    /** Minor units of ISO 4217 as ICU carries them (CLDR supplemental data, through PHP's intl). */
    public function test_a_refused_text_is_told_by_an_example_of_its_currency(): void
    {
        foreach (['EUR' => '123456.50', 'JPY' => '123456', 'KWD' => '123456.500'] as $code => $example) {
            try {
                Money::parse('x', $code);
                self::fail();
            } catch (Refusal $refusal) {
                self::assertStringEndsWith("such as {$example}.", $refusal->getMessage());
            }
        }
    }

    public function test_decimals_agree_with_icu(): void
    {
        $differ = [];
        foreach (Currency::codes() as $code) {
            $formatter = NumberFormatter::create("en@currency={$code}", NumberFormatter::CURRENCY);
            self::assertNotNull($formatter);
            $formatter->setTextAttribute(NumberFormatter::CURRENCY_CODE, $code);
            if ($formatter->getAttribute(NumberFormatter::FRACTION_DIGITS) !== Currency::of($code)->decimals) {
                $differ[] = $code;
            }
        }
        // CLDR gives the decimals in daily use; for these ISO 4217 (from memory) lists two, for IQD three, and amounts in files follow ISO.
        self::assertSame(['AFN', 'ALL', 'IQD', 'IRR', 'KPW', 'LAK', 'LBP', 'MGA', 'MMK', 'RSD', 'SOS', 'SYP', 'YER'], $differ);
        foreach (['JPY' => 0, 'EUR' => 2, 'KWD' => 3, 'IQD' => 3, 'GBP' => 2, 'USD' => 2, 'BHD' => 3, 'KRW' => 0] as $code => $decimals) {
            self::assertSame($decimals, Currency::of($code)->decimals);
        }
    }

    public function test_an_unknown_currency_is_refused(): void
    {
        foreach (['eur', 'EU', 'XXX', 'E R', '', 'EURO'] as $code) {
            self::assertFalse(Currency::isKnown($code), $code);
        }
        $this->expectException(Refusal::class);
        Currency::of('ABC');
    }

    /** @return iterable<array{string, string, int}> */
    public static function amounts(): iterable
    {
        yield ['1234.50', 'EUR', 123450];
        yield ['1234.5', 'EUR', 123450];
        yield ['-0.01', 'EUR', -1];
        yield ['1234', 'JPY', 1234];
        yield ['1234.000', 'JPY', 1234];
        yield ['1.234', 'KWD', 1234];
        yield ['000012.30', 'EUR', 1230];
        yield ['9999999999999.99', 'EUR', 999999999999999];
    }

    #[DataProvider('amounts')]
    public function test_house_format_is_read_exactly(string $text, string $currency, int $minor): void
    {
        $money = Money::parse($text, $currency);
        self::assertSame($minor, $money->minor);
        self::assertSame($minor, Money::parse($money->decimal(), $currency)->minor);
    }

    public function test_what_is_no_amount_is_refused(): void
    {
        foreach (['', '1,234.50', '1.005', '1e3', '0x10', '.5', '5.', '+1', ' 1', '１２', '10000000000000.00', "1\n"] as $text) {
            try {
                Money::parse($text, 'EUR');
                self::fail("“{$text}” was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('“', $refusal->getMessage());
            }
        }
    }

    public function test_grouping_for_people(): void
    {
        self::assertSame('−1,234,567.80', Money::ofMinor(-123456780, 'EUR')->grouped());
        self::assertSame('1,150,000', Money::ofMinor(1150000, 'JPY')->grouped());
        self::assertSame('0.00', Money::zero('EUR')->grouped());
    }

    public function test_currencies_do_not_mix(): void
    {
        $this->expectException(Refusal::class);
        Money::ofMinor(1, 'EUR')->plus(Money::ofMinor(1, 'USD'));
    }

    public function test_rounding_is_half_away_from_zero(): void
    {
        self::assertSame(3, Rounding::proportion(5, 1, 2));
        self::assertSame(-3, Rounding::proportion(-5, 1, 2));
        self::assertSame(333, Rounding::proportion(1000, 1, 3));
        // Against brick/math, on both sides of what the machine's integers hold.
        mt_srand(3);
        for ($case = 0; $case < 2_000; $case++) {
            $most = [20, 4_000_000_000, 900_000_000_000_000_000];
            [$amount, $of, $in] = array_map(static fn (): int => mt_rand(-$most[mt_rand(0, 2)], $most[mt_rand(0, 2)]), [1, 2, 3]);
            $exact = $in === 0 ? null : BigInteger::of($amount)->multipliedBy($of)->dividedBy($in, RoundingMode::HALF_UP);
            if ($exact !== null && $exact->abs()->isLessThan(PHP_INT_MAX)) {
                self::assertSame($exact->toInt(), Rounding::proportion($amount, $of, $in), "{$amount} × {$of} ÷ {$in}");
            }
        }
        // Products beyond 64 bits stay exact.
        self::assertSame(999_999_999_999_999, Rounding::proportion(999_999_999_999_999, 888_888_888_888_888, 888_888_888_888_888));
        self::assertSame(499_999_999_999_999, Rounding::proportion(999_999_999_999_998, 444_444_444_444_444, 888_888_888_888_888));
    }

    public function test_a_split_adds_up_with_ties_to_the_earlier_line(): void
    {
        self::assertSame([34, 33, 33], Rounding::split(100, [1, 1, 1]));
        self::assertSame([-34, -33, -33], Rounding::split(-100, [1, 1, 1]));
        self::assertSame([0, 7, 0], Rounding::split(7, [0, 5, 0]));
        mt_srand(7);
        for ($try = 0; $try < 500; $try++) {
            $weights = array_map(static fn (): int => mt_rand(0, 9999), range(0, mt_rand(0, 8)));
            $weights[] = mt_rand(1, 9999);
            $whole = mt_rand(-99999, 99999);
            $parts = Rounding::split($whole, $weights);
            self::assertSame($whole, array_sum($parts));
            foreach ($parts as $line => $part) {
                self::assertEqualsWithDelta(($whole * $weights[$line]) / array_sum($weights), $part, 1.0);
            }
        }
    }

    public function test_a_rate_is_used_as_it_was_quoted(): void
    {
        $pounds = Money::parse('8000.00', 'GBP');
        $euro = Currency::of('EUR');
        self::assertSame('9232.00', Rate::of(Currency::of('GBP'), '1.1540')->toBase($pounds, $euro)->decimal());
        self::assertSame('9376.00', Rate::of(Currency::of('GBP'), '1.1720')->toBase($pounds, $euro)->decimal());
        // Divided by, never inverted: 1/163.25 rounded first would give another cent.
        self::assertSame(
            '7044.41',
            Rate::of(Currency::of('JPY'), '163.25', Quote::UnitPerBase)->toBase(Money::parse('1150000', 'JPY'), $euro)->decimal(),
        );
        $this->expectException(Refusal::class);
        Rate::of(Currency::of('GBP'), '0.000');
    }

    public function test_the_last_rate_serves_while_it_is_not_too_old(): void
    {
        $pound = Currency::of('GBP');
        $last = new DatedRate(Rate::of($pound, '1.1720'), '2026-10-30');
        self::assertSame('1.1720', (string) DatedRate::serving($last, $pound, '2026-11-04', 5)->rate->value);
        foreach ([[$last, 'the last is of 2026-10-30'], [null, 'none before it']] as [$rate, $says]) {
            try {
                DatedRate::serving($rate, $pound, '2026-11-05', 5);
                self::fail('It served.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
                self::assertStringContainsString('GBP for 2026-11-05', $refusal->getMessage());
            }
        }
    }

    /** What the program writes into a field is what it reads from there, in every currency. */
    public function test_what_is_written_into_a_field_is_read_from_it(): void
    {
        mt_srand(17);
        foreach (['JPY', 'EUR', 'KWD'] as $currency) {
            for ($n = 0; $n < 300; $n++) {
                $money = Money::ofMinor(mt_rand(0, 10 ** mt_rand(1, 12)), $currency);
                self::assertTrue($money->equals(TypedAmount::read($money->decimal(), $money->currency)), $money->decimal());
            }
        }
    }

    public function test_sums_comparisons_and_shares(): void
    {
        $eur = static fn (string $amount): Money => Money::parse($amount, 'EUR');
        self::assertSame('6.60', Money::sum([$eur('1.10'), $eur('2.20'), $eur('3.30')], 'EUR')->decimal());
        self::assertTrue(Money::sum([], 'EUR')->isZero());
        self::assertSame(
            ['1.10', '2.20'],
            [Money::least($eur('2.20'), $eur('1.10'))->decimal(), Money::most($eur('2.20'), $eur('1.10'))->decimal()],
        );
        self::assertSame(
            ['1.10', '2.20'],
            [Money::least($eur('1.10'), $eur('2.20'))->decimal(), Money::most($eur('1.10'), $eur('2.20'))->decimal()],
        );
        self::assertSame([true, false, false], [$eur('0.01')->isPositive(), $eur('0.00')->isPositive(), $eur('-0.01')->isPositive()]);
        self::assertSame([false, false, true], [$eur('0.01')->isNegative(), $eur('0.00')->isNegative(), $eur('-0.01')->isNegative()]);
        self::assertSame(
            [true, false, false],
            [$eur('2')->isMoreThan($eur('1')), $eur('1')->isMoreThan($eur('1')), $eur('0')->isMoreThan($eur('1'))],
        );
        self::assertSame(
            [false, false, true],
            [$eur('2')->isLessThan($eur('1')), $eur('1')->isLessThan($eur('1')), $eur('0')->isLessThan($eur('1'))],
        );
        // Half away from zero: 0.05 × 1 ÷ 2.
        self::assertSame(
            ['0.03', '-0.03'],
            [$eur('0.05')->share($eur('1'), $eur('2'))->decimal(), $eur('-0.05')->share($eur('1'), $eur('2'))->decimal()],
        );
        self::assertSame(
            ['3.34', '3.33', '3.33'],
            array_map(static fn (Money $part): string => $part->decimal(), $eur('10.00')->split([1, 1, 1])),
        );
        $this->expectExceptionMessage('EUR and USD cannot be added');
        $eur('1')->isMoreThan(Money::parse('1', 'USD'));
    }

    /** @return iterable<array{string, string, string}> */
    public static function typed(): iterable
    {
        yield ['1.234,56', 'EUR', '1234.56'];
        yield ['1,234.56', 'EUR', '1234.56'];
        yield ['1 234.56', 'EUR', '1234.56'];
        yield ["1'234.56", 'EUR', '1234.56'];
        yield ['1234,5', 'EUR', '1234.50'];
        yield ['1234.5', 'EUR', '1234.50'];
        yield ['1.234.567', 'EUR', '1234567.00'];
        yield ['1,150,000', 'JPY', '1150000'];
        yield ['1,150', 'JPY', '1150'];
        yield ['12', 'EUR', '12.00'];
        yield ['0.5', 'EUR', '0.50'];
    }

    #[DataProvider('typed')]
    public function test_typed_amounts_in_both_styles(string $typed, string $currency, string $means): void
    {
        self::assertSame($means, TypedAmount::read($typed, Currency::of($currency))->decimal());
    }

    public function test_what_could_mean_two_things_or_carries_a_sign_asks(): void
    {
        foreach (['1.234', '1,234', '-5', '(5.00)', '5-', '−5', 'abc', '', '1.2.3', '1,23,456.00', '12,34.56', '1.234,567,8'] as $typed) {
            try {
                TypedAmount::read($typed, Currency::of('EUR'));
                self::fail("“{$typed}” was guessed.");
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
        // With three decimals a point before three figures is what Ajuste itself writes; a comma there may be either.
        self::assertSame(123_450, TypedAmount::read('123.450', Currency::of('KWD'))->minor);
        $this->expectExceptionMessage('can be read as 1.234 or as 1234');
        TypedAmount::read('1,234', Currency::of('KWD'));
    }

    /** Against brick/math's exact fractions, quoted either way, in currencies of 0, 2 and 3 decimals. */
    public function test_a_rate_converts_exactly(): void
    {
        mt_srand(9);
        for ($case = 0; $case < 500; $case++) {
            $code = ['JPY', 'GBP', 'KWD'][mt_rand(0, 2)];
            [$quote, $base] = [Quote::cases()[mt_rand(0, 1)], Currency::of(['EUR', 'KWD'][mt_rand(0, 1)])];
            $value = mt_rand(0, 9) === 0 ? '123456789012.123456789012' : mt_rand(1, 400).'.'.mt_rand(1, 999_999);
            $amount = Money::ofMinor(mt_rand(-9_000_000_000, 9_000_000_000), $code);
            $units = BigRational::of($amount->minor)->multipliedBy($base->minorPerUnit())->dividedBy($amount->currency->minorPerUnit());
            $exact = $quote === Quote::BasePerUnit ? $units->multipliedBy($value) : $units->dividedBy($value);
            $rounded = $exact->toScale(0, RoundingMode::HALF_UP);
            if ($rounded->abs()->isLessThan(PHP_INT_MAX)) {
                $rate = Rate::of($amount->currency, $value, $quote);
                self::assertSame((string) $rounded, (string) $rate->toBase($amount, $base)->minor, "{$value} {$code}");
            }
        }
    }
}
