<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\CarriedCause;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Refusal;
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

    public function test_the_ledger_is_corrected_by_a_voucher(): void
    {
        $rule = new LedgerCorrection(new LockedDays('2026-09-30'), Currency::of('EUR'));
        $control = new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl);
        $counter = new Account(2, '4000', 'Sales');
        $cause = self::cause(Cause::AmountDiffers, 100_00, 130_00);
        $plan = $rule->plan($cause, $control, $counter, '2026-10-31');
        self::assertSame(['1100 30.00 I-9 C1', '4000 -30.00 I-9 C1'], self::said($plan->vouchers()[0]->lines));
        self::assertSame('2026-10-31', $plan->vouchers()[0]->date);
        self::assertStringContainsString(
            'Choose the account on the other side',
            self::refusal(static fn () => $rule->voucher($cause, $control, $control, '2026-10-31')),
        );
        self::assertStringContainsString(
            'locked',
            self::refusal(static fn () => $rule->voucher($cause, $control, $counter, '2026-09-30')),
        );
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
