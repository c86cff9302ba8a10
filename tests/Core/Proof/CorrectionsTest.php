<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Accrual;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\CarriedCause;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CounterLine;
use Ajuste\Core\Proof\CounterLines;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

/** What mends a cause, on one side or the other, and how long a carried one holds (R12). */
final class CorrectionsTest extends TestCase
{
    private static function cause(Cause $cause, int $ledger, int $subledger, string $document = 'I-9', int $postings = 1): CauseLine
    {
        $line = static fn (Book $book, int $id, int $amount): ProofLine => new ProofLine(
            $book,
            $id,
            '2026-10-10',
            $amount,
            new ProofNames($document, 'C1', 'E-5', ''),
            'invoice',
        );

        return new CauseLine(
            $cause,
            array_map(static fn (int $id): ProofLine => $line(Book::Ledger, $id, $ledger), range(1, $postings)),
            [$line(Book::Subledger, 9, $subledger)],
            $ledger,
            $subledger,
            'note',
        );
    }

    public function test_a_difference_arises_on_the_first_day_of_its_lines(): void
    {
        $line = static fn (Book $book, int $id, string $date): ProofLine => new ProofLine(
            $book, $id, $date, 100, new ProofNames('D', 'C1', 'E-5', ''), 'invoice',
        );
        $of = new CauseLine(
            Cause::AmountDiffers,
            [$line(Book::Ledger, 1, '2026-10-12'), $line(Book::Ledger, 2, '2026-10-09')],
            [$line(Book::Subledger, 9, '2026-10-10')],
            200,
            100,
            'note',
        );
        self::assertSame('2026-10-09', $of->date());
    }

    /**
     * @param list<VoucherLine> $lines
     * @return list<string>
     */
    private static function said(array $lines): array
    {
        return array_map(
            static fn (VoucherLine $of): string => "{$of->account->number} {$of->base->decimal()} {$of->document} {$of->customer}",
            $lines,
        );
    }

    private static function refusal(callable $act): string
    {
        try {
            $act();
        } catch (Refusal $refusal) {
            return $refusal->getMessage();
        }

        return 'not refused';
    }

    private static function counter(Account $account, int $minor): CounterLine
    {
        return new CounterLine($account, Money::ofMinor($minor, 'EUR'));
    }

    public function test_what_is_late_is_accrued_and_taken_back_on_the_day_after(): void
    {
        $rule = new Accrual(new LockedDays('2026-09-30'), Currency::of('EUR'));
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $against = [self::counter(new Account(2, '4000', 'Sales'), 30_00)];
        $late = self::cause(Cause::CutOff, 0, -30_00);
        [$accrual, $mirror] = $rule->plan($late, $control, $against, '2026-10-31')->vouchers;
        self::assertSame(['1100 -30.00 I-9 C1', '4000 30.00 I-9 C1'], self::said($accrual->voucher->lines));
        self::assertSame(['1100 30.00 I-9 C1', '4000 -30.00 I-9 C1'], self::said($mirror->voucher->lines));
        self::assertSame(
            ['2026-10-31', '2026-11-01', 0, null],
            [$accrual->voucher->date, $mirror->voucher->date, $mirror->mirrors, $accrual->mirrors],
        );
        self::assertStringContainsString('locked', self::refusal(static fn () => $rule->plan($late, $control, $against, '2026-09-30')));
        foreach ([self::cause(Cause::SignReversed, 1, 2), self::cause(Cause::CutOff, 1, 2, '')] as $other) {
            self::assertFalse(Accrual::fits($other));
            self::assertStringContainsString(
                'An accrual is for',
                self::refusal(static fn () => $rule->plan($other, $control, $against, '2026-10-31')),
            );
        }
    }

    /** @return iterable<string, array{int, array<int, int>, ?array<int, int>, array<int, int>}> amount, entry, document; lines */
    public static function counterLines(): iterable
    {
        yield 'digits transposed: each account by what its line lacks' => [
            -900_00,
            [10 => -2_940_24, 11 => -294_02],
            [10 => -2_122_05, 11 => -212_21],
            [10 => 818_19, 11 => 81_81],
        ];
        yield 'one account was right already' => [
            -900_00, [10 => -2_122_05, 11 => -212_21, 19 => -900_00], [10 => -2_122_05, 11 => -212_21], [19 => 900_00],
        ];
        yield 'posted twice: the entry is turned' => [50_00, [10 => 45_00, 11 => 5_00], [], [10 => -45_00, 11 => -5_00]];
        yield 'not posted: as the document says' => [121_00, [], [10 => -100_00, 11 => -21_00], [10 => -100_00, 11 => -21_00]];
        yield 'lines not known: in the mix of the entry' => [12_10, [10 => -100_00, 11 => -21_00], null, [10 => -10_00, 11 => -2_10]];
        yield 'the entry holds more than the cause' => [10_00, [10 => -300_00], [10 => -100_00], [10 => -10_00]];
        yield 'a cent on the other side is a side too' => [10_00, [10 => -300_00, 11 => 1], null, []];
        yield 'lines on both sides: nobody knows' => [10_00, [10 => -300_00, 11 => 200_00], null, []];
        yield 'no entry and no lines' => [10_00, [], null, []];
    }

    /**
     * @param array<int, int> $entry
     * @param ?array<int, int> $document
     * @param array<int, int> $lines
     */
    #[DataProvider('counterLines')]
    public function test_the_other_accounts_are_what_the_document_says_less_what_the_entry_has(
        int $amount,
        array $entry,
        ?array $document,
        array $lines,
    ): void {
        self::assertEquals($lines, CounterLines::of($amount, $entry, $document));
        self::assertSame($lines === [] ? 0 : -$amount, array_sum(CounterLines::of($amount, $entry, $document)));
    }

    public function test_the_ledger_is_corrected_by_a_voucher(): void
    {
        $rule = new LedgerCorrection(new LockedDays('2026-09-30'), Currency::of('EUR'));
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $sales = new Account(2, '4000', 'Sales');
        $tax = new Account(3, '2300', 'Tax');
        $cause = self::cause(Cause::AmountDiffers, 100_00, 130_00);
        $counter = [self::counter($sales, -25_00), self::counter($tax, -5_00)];
        $plan = $rule->plan($cause, $control, $counter, '2026-10-31');
        self::assertSame(['1100 30.00 I-9 C1', '4000 -25.00 I-9 C1', '2300 -5.00 I-9 C1'], self::said($plan->vouchers()[0]->lines));
        self::assertSame('2026-10-31', $plan->vouchers()[0]->date);
        $sources = static fn (Cause $of): array => array_unique(array_column(
            $rule->voucher(self::cause($of, 100_00, 130_00), $control, $counter, '2026-10-31')->lines, 'source',
        ));
        self::assertSame([''], $sources(Cause::AmountDiffers));
        self::assertSame(['opening'], $sources(Cause::OpeningDifference), 'brought forward');
        self::assertStringContainsString(
            'Choose the account on the other side',
            self::refusal(static fn () => $rule->voucher($cause, $control, [self::counter($control, -30_00)], '2026-10-31')),
        );
        self::assertStringContainsString(
            'locked',
            self::refusal(static fn () => $rule->voucher($cause, $control, $counter, '2026-09-30')),
        );
        foreach ([[], [self::counter($sales, -29_99)]] as $short) {
            self::assertStringContainsString(
                '30.00 belongs there',
                self::refusal(static fn () => $rule->voucher($cause, $control, $short, '2026-10-31')),
            );
        }
        foreach ([self::cause(Cause::CutOff, 1, 2), self::cause(Cause::AmountDiffers, 1, 2, '')] as $other) {
            self::assertFalse(LedgerCorrection::fits($other));
            self::assertStringContainsString(
                'A voucher does not mend this cause',
                self::refusal(static fn () => $rule->voucher($other, $control, $counter, '2026-10-31')),
            );
        }
    }

    public function test_the_customers_side_is_corrected_by_an_entry_under_the_causes_document(): void
    {
        $rule = new CustomerCorrection(new LockedDays('2026-09-30'), Currency::of('EUR'));
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $plan = $rule->plan(self::cause(Cause::AmountDiffers, 100_00, 130_00), $control, Sample::customer(), '2026-10-31');
        self::assertSame(['1100 -30.00 I-9 C1', '1100 30.00 I-9 '], self::said($plan->vouchers()[0]->lines));
        self::assertSame(
            ['I-9 -3000 '],
            array_map(static fn ($of): string => "{$of->head->document} {$of->effect()->minor} {$of->entry}", $plan->items),
        );
        $unnamed = $rule->plan(self::cause(Cause::NotInSubledger, 50_00, 0, ''), $control, Sample::customer(), '2026-10-31');
        self::assertSame(
            ['E-5 5000 E-5'],
            array_map(static fn ($of): string => "{$of->head->document} {$of->effect()->minor} {$of->entry}", $unnamed->items),
            'without a document it answers the entry',
        );
        self::assertStringContainsString(
            'locked',
            self::refusal(static fn () => $rule->voucher(self::cause(Cause::AmountDiffers, 1, 2), $control, '2026-09-30', 'C1')),
        );
        foreach ([self::cause(Cause::WrongAccount, 1, 2), self::cause(Cause::AmountDiffers, 1, 2, 'I-9', 2)] as $other) {
            self::assertFalse(CustomerCorrection::fits($other));
            self::assertStringContainsString(
                'does not mend this cause',
                self::refusal(static fn () => $rule->voucher($other, $control, '2026-10-31', 'C1')),
            );
        }
    }

    public function test_a_carried_cause_holds_through_its_period_while_it_is_the_same(): void
    {
        $cause = self::cause(Cause::AmountDiffers, 100_00, 130_00);
        $carried = new CarriedCause(1, $cause->key(), 30_00, 'awaited', 'ana', '2026-10-31', '2026-10-31');
        self::assertTrue($carried->explains($cause, '2026-10-31'));
        self::assertFalse($carried->explains($cause, '2026-11-01'));
        self::assertTrue($carried->isOf($cause));
        self::assertFalse($carried->isOf(self::cause(Cause::AmountDiffers, 100_00, 131_00)));
        self::assertFalse($carried->isOf(self::cause(Cause::SignReversed, 100_00, 130_00)));
    }
}
