<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanNotes;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Subledger\BaseDifference;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ExchangeCover;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\UnappliedSums;
use LogicException;
use PHPUnit\Framework\TestCase;

/** What the small values of the subledger say of themselves, and what they refuse to be. */
final class ValuesTest extends TestCase
{
    private static function refuses(callable $make): void
    {
        try {
            $make();
        } catch (LogicException) {
            return;
        }
        self::fail('It was made.');
    }

    public function test_sides_and_kinds(): void
    {
        self::assertSame([Side::Credit, Side::Debit, Side::Debit], [Side::ofSign(-1), Side::ofSign(0), Side::ofSign(1)]);
        $invoices = array_filter(Kind::cases(), static fn (Kind $of): bool => $of->isInvoice());
        self::assertSame([Kind::Invoice, Kind::DebitNote], array_values($invoices));
        self::assertSame(['invoice', 'debit_note', 'charge'], Kind::values(static fn (Kind $of): bool => $of->isSale()));
        self::assertSame(['invoice', 'debit_note'], Kind::invoices());
        self::assertSame(['invoice', 'debit_note', 'credit_note'], Kind::salesDocuments());
        self::assertCount(count(Kind::cases()), Kind::values());
        $base = array_filter(Kind::cases(), static fn (Kind $of): bool => $of->correctsBaseOnly());
        self::assertSame([Kind::ExchangeDifference], array_values($base));
        self::assertSame(
            ['1 receipt', '2 receipts', '2 contra', '3 deposits matched'],
            [Kind::Receipt->counted(1), Kind::Receipt->counted(2), Kind::Contra->counted(2), Kind::DepositMatched->counted(3)],
        );
    }

    public function test_a_movement_that_takes_back(): void
    {
        $is = static fn (int $amount, int $base): bool => (new Movement('2026-10-01', $amount, $base))->isReversal();
        self::assertSame([false, false, true, true, true], [$is(1, 1), $is(0, 0), $is(-1, 0), $is(0, -1), $is(-1, -1)]);
    }

    public function test_positions(): void
    {
        self::assertEquals(Position::resting(0, 0), Position::untouched());
        foreach ([[-1, 0, 0, 0, 0], [2, 0, 1, 1, 0], [0, 0, 1, 2, 0], [0, 0, 0, -1, 0]] as $of) {
            self::refuses(static fn () => new Position(...$of));
        }
        self::assertSame(3, (new Position(1, 1, 3, 3, 3))->taken);
    }

    private static function head(Kind $kind = Kind::Invoice): ItemHead
    {
        return new ItemHead('D1', $kind, Side::Debit, new CustomerAccount(1, 1), '2026-10-01', '2026-10-31');
    }

    public function test_items_refuse_to_be_wrong(): void
    {
        $of = static fn (int $amount, int $base, int $taken = 0): OpenItem => OpenItem::of(
            7,
            self::head(),
            Money::ofMinor($amount, 'EUR'),
            Money::ofMinor($base, 'EUR'),
            Position::resting($taken, 0),
        );
        self::assertSame(0, $of(5, 5, 5)->open->minor);
        self::assertSame([1, 4], [$of(5, 5, 4)->open->minor, 5 - $of(5, 5, 4)->takeable->minor]);
        foreach ([[-1, 5, 0], [5, -1, 0], [5, 5, 6]] as $wrong) {
            self::refuses(static fn () => $of(...$wrong));
        }
        $new = static fn (int $amount, int $base, Kind $kind = Kind::Invoice): NewItem => new NewItem(
            self::head($kind),
            Money::ofMinor($amount, 'GBP'),
            Money::ofMinor($base, 'EUR'),
            0,
        );
        self::assertSame(7, $new(5, 7)->effect()->minor);
        self::assertSame(7, $new(0, 7, Kind::ExchangeDifference)->effect()->minor);
        foreach ([[-5, 7], [5, -7], [0, 7], [5, 7, Kind::ExchangeDifference]] as $wrong) {
            self::refuses(static fn () => $new(...$wrong));
        }
    }

    public function test_references_tell_rows_apart(): void
    {
        self::assertSame([7, -1, -3], [Ref::existing(7)->id, Ref::planned(0)->id, Ref::planned(2)->id]);
        self::assertSame([1, null, 2], [Ref::existing(1)->inBooks(), Ref::planned(2)->inBooks(), Ref::planned(2)->place()]);
        self::refuses(static fn () => Ref::existing(0));
        self::refuses(static fn () => Ref::existing(7)->place());
    }

    public function test_an_empty_plan_has_nothing_at_all(): void
    {
        $item = new NewItem(self::head(), Money::ofMinor(5, 'EUR'), Money::ofMinor(5, 'EUR'), 0);
        self::assertTrue((new PostingPlan(Subject::run(), [], [], [], [], [], [], new PlanNotes()))->isEmpty());
        self::refuses(static fn () => new PostingPlan(Subject::run(), [], [], [$item], [], [], [], new PlanNotes()));
    }

    public function test_sums_of_several_customers(): void
    {
        $one = new UnappliedSums(1, 10, 2, 30, 4, '2026-10-05', 'b', '1 receipt');
        $two = new UnappliedSums(2, 20, 3, 40, 5, '2026-09-05', 'a', '2 receipts');
        self::assertEquals(new UnappliedSums(3, 30, 5, 70, 9, '2026-09-05', 'b', ''), UnappliedSums::together([$one, $two]));
        self::assertEquals(new UnappliedSums(0, 0, 0, 0, 0, '', '', ''), UnappliedSums::together([]));
        $none = new UnappliedSums(0, 0, 0, 0, 0, '', '', '');
        self::assertSame('2026-10-05', UnappliedSums::together([$none, $one])->oldest);
        self::assertSame(8, $one->net());
    }

    public function test_differences_that_cover_a_gap(): void
    {
        $of = static fn (int $base, int $source, bool $ofTheDay = true): BaseDifference => new BaseDifference(
            $source,
            $source,
            $base,
            $ofTheDay,
        );
        $used = static fn (ExchangeCover $cover): array => [array_column($cover->used, 'base'), $cover->missing];
        self::assertSame([[5, 7], 0], $used(ExchangeCover::of(12, [$of(5, 1), $of(7, 2), $of(9, 3, false)], [])), 'the whole day');
        self::assertSame([[9], 0], $used(ExchangeCover::of(9, [$of(5, 1), $of(9, 3, false)], [3])), 'of what is settled');
        self::assertSame([[7], 0], $used(ExchangeCover::of(7, [$of(5, 1), $of(7, 2), $of(2, 3)], [])), 'the smallest set that adds up');
        self::assertSame([[5, 7], 0], $used(ExchangeCover::of(12, [$of(5, 1), $of(7, 2), $of(3, 3), $of(100, 4)], [])));
        self::assertSame([[100], 0], $used(ExchangeCover::of(100, [$of(40, 1), $of(60, 2), $of(3, 3), $of(100, 4)], [])), 'one before two');
        self::assertSame([[], 3], $used(ExchangeCover::of(15, [$of(5, 1), $of(7, 2)], [])));
        self::assertSame([[], 0], $used(ExchangeCover::of(0, [$of(5, 1)], [])));
        $many = array_map(static fn (int $n): BaseDifference => $of(1 << $n, $n + 1), range(0, 15));
        self::assertSame([[3 - 2, 2], 0], $used(ExchangeCover::of(3, $many, [])));
        $more = [...$many, $of(1 << 16, 17)];
        self::assertSame([[], 3 - ((1 << 17) - 1)], $used(ExchangeCover::of(3, $more, [])), 'among more no subset is sought');
    }

    /** R: half away from zero at the minor unit. */
    public function test_half_a_minor_unit_is_rounded_away_from_zero(): void
    {
        $rate = Rate::of(Currency::of('GBP'), '1.5');
        self::assertSame(
            [2, -2, 0],
            array_map(static fn (int $minor): int => $rate->toBase(Money::ofMinor($minor, 'GBP'), Currency::of('EUR'))->minor, [1, -1, 0]),
        );
        $per = Rate::of(Currency::of('JPY'), '200', Quote::UnitPerBase);
        self::assertSame(
            [1, 1, 2],
            array_map(static fn (int $minor): int => $per->toBase(Money::ofMinor($minor, 'JPY'), Currency::of('EUR'))->minor, [1, 2, 3]),
        );
        self::assertSame([2, -2, 1], [Rounding::proportion(3, 1, 2), Rounding::proportion(-3, 1, 2), Rounding::proportion(5, 1, 4)]);
        self::assertSame([-2, -1, 0], Rounding::split(-3, [1, 1, 0]));
        self::assertSame([0, 0], Rounding::split(0, [1, 1]));
        self::assertSame([2, 1], Rounding::split(3, [1, 1]));
    }
}
