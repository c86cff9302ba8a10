<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\RemittanceAdvice;
use Ajuste\Core\Proposal\RemittanceHeading;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RemittanceAdviceTest extends TestCase
{
    /** @return list<string> item, amount, whether kept back, reason */
    private static function read(string $text, string $currency = 'EUR', int $receipt = 0): array
    {
        $items = [
            new Candidate(1, 'F20301', Side::Debit, '2026-09-01', '2026-09-12', 41230),
            new Candidate(2, 'F20318', Side::Debit, '2026-09-01', '2026-09-18', 38800),
            new Candidate(3, 'F20322', Side::Debit, '2026-09-01', '2026-09-23', 25175),
            new Candidate(4, 'CN881', Side::Credit, '2026-09-01', '2026-09-23', 12000),
        ];
        $reasons = [
            new DeductionReason('SHORT', 'Shortage', new Account(1, '4085', 'Short deliveries')),
            new DeductionReason('PROMO', 'Shop promotion', new Account(2, '6215', 'Promotions')),
        ];

        return array_map(
            static fn ($line): string => trim(
                ($line->item ?? '-').' '.($line->amount ?? '-').($line->keptBack ? " kept {$line->reason}" : ''),
            ),
            RemittanceAdvice::read($text, $items, $reasons, Currency::of($currency), $receipt)->lines,
        );
    }

    /** @return array<string, array{string, list<string>}> */
    public static function texts(): array
    {
        return [
            'a mail' => [
                "Dear all,\nwe paid today 987,15:\nInvoice F20301 412,30\nInvoice F20318 388,00 \nF20322 - 251,75\nless shortage on ".
                "20318: 31,40\npromotion October 33,50\nKind regards",
                ['1 41230', '2 38800', '3 25175', '2 3140 kept SHORT', '- 3350 kept PROMO'],
            ],
            'cells of a sheet' => [
                "Document\tGross\tLess\tPaid\nF20301\t412.30\t0.00\t412.30\n20318\t388.00\t-31.40\t356.60\n",
                ['1 41230', '2 38800', '2 3140 kept'],
            ],
            'a credit note with a minus' => ["CN881 -120.00\nF20301 412.30", ['4 12000', '1 41230']],
            'brackets' => ['F20318 (31.40)', ['2 3140 kept']],
            'documents only' => ['we settle F20301, F20322', ['1 -', '3 -']],
            'thousands and dates' => ["F20301 of 12.09.2026 1.412,30\nF20318 12/10/2026 1,388.00", ['1 141230', '2 138800']],
            'a word of four letters names a reason' => ['shop campaign 33,50', ['- 3350 kept PROMO']],
            'unknown minus' => ['freight -8.00', ['- 800 kept']],
            'what is paid, and less' => ['F20318 388.00 -31.40 short', ['2 38800', '2 3140 kept SHORT']],
            'a row of nothing kept back' => ["F20301\t412.30\t0.00\t412.30", ['1 41230']],
            'a row whose rest is what was kept back' => ["F20318\t388.00\t194.00\t194.00", ['2 38800', '2 19400 kept']],
            'two amounts of which one is half' => ['F20318 388.00 194.00', ['2 38800']],
            'two amounts, the larger settles' => ['F20318 194.00 388.00', ['2 38800']],
            'three amounts that do not belong together' => ['F20318 388.00 10.00 20.00', ['2 38800']],
            'a zero is no minus' => ['F20318 0.00', ['2 0']],
            'a code of a reason' => ['F20318 SHORT 31.40', ['2 3140 kept SHORT']],
            'nothing' => ['Have a good day, total 987.15', []],
            'hostile' => [str_repeat('(', 5000)."F20301 999999999999999999999.00\n\x80\xff", ['1 -']],
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('texts')]
    public function test_what_is_pasted_is_read_line_by_line(string $text, array $expected): void
    {
        self::assertSame($expected, self::read($text));
    }

    /** @return iterable<string, array{string, int, list<string>}> what is pasted, what was paid, what it says */
    public static function tables(): iterable
    {
        $kept = ['1 41230', '2 38800', '2 3140 kept SHORT', '3 25175'];
        yield 'amounts before what was kept back' => [
            "Invoice\tAmount\tDeduction\tReason\nF20301\t412.30\t\t\nF20318\t388.00\t31.40\tshortage of 3 boxes\nF20322\t251.75\t0.00\t\n".
            "Total\t1,052.05\t31.40\t\n",
            102_065,
            $kept,
        ];
        yield 'amounts after what was kept back' => [
            "Rechnung;Betrag;Abzug;Grund\nF20301;412,30;;\nF20318;356,60;31,40;shortage\nF20322;251,75;;\nSumme;1.020,65;31,40;\n",
            102_065,
            $kept,
        ];
        yield 'paid and kept back' => [
            "Invoice no | Paid | Less | Remark\nF20301 | 412.30 | | \nF20318 | 356.60 | -31.40 | SHORT\nF20322 | 251.75 | |\n",
            102_065,
            $kept,
        ];
        yield 'columns of blanks' => ["Invoice   Amount    Deduction\nF20318    388.00    31.40\n", 35_660, ['2 38800', '2 3140 kept']];
        yield 'a credit note' => ["Document\tAmount\nCN881\t-120.00\nF20301\t412.30\n", 29_230, ['4 12000', '1 41230']];
        yield 'documents without amounts' => ["Invoice\tPaid\nF20301\t\nF9\t5.00\n", 0, ['1 -']];
        yield 'a mail around it' => [
            "We pay:\nInvoice;Amount\nF20301;412,30\n\nPromotion 33,50\n",
            37_880,
            ['1 41230', '- 3350 kept PROMO'],
        ];
        yield 'two documents in one cell' => ["Invoice;Amount\nF20301 F20318;800,30\n", 0, []];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('tables')]
    public function test_headings_say_what_each_column_is(string $text, int $receipt, array $expected): void
    {
        self::assertSame($expected, self::read($text, receipt: $receipt));
    }

    public function test_what_the_lines_come_to(): void
    {
        $items = [
            new Candidate(1, 'F20301', Side::Debit, '2026-09-01', '2026-09-12', 41_230),
            new Candidate(4, 'CN881', Side::Credit, '2026-09-01', '2026-09-23', 12_000),
        ];
        $paid = static fn (string $text): int => RemittanceAdvice::read($text, $items, [], Currency::of('EUR'), 0)->paid($items);
        self::assertSame(41_230, $paid('F20301'));
        self::assertSame(40_000, $paid('F20301 400.00'));
        self::assertSame(28_000, $paid("F20301 400.00\nCN881"));
        self::assertSame(39_200, $paid("F20301 400.00\nfreight -8.00"));
        self::assertSame(0, $paid('nothing'));
    }

    public function test_the_currency_says_what_three_figures_after_the_mark_are(): void
    {
        self::assertSame(['1 1412'], self::read('F20301 1.412', 'JPY'));
        self::assertSame(['1 1412'], self::read('F20301 1.412', 'KWD'));
        self::assertSame(['1 141200'], self::read('F20301 1.412', 'EUR'));
    }

    public function test_what_is_a_heading(): void
    {
        self::assertNotNull(RemittanceHeading::of('Invoice;Paid'));
        self::assertNotNull(RemittanceHeading::of('Invoice  Less'));
        foreach (['Invoice Paid', 'Invoice 1;Paid', 'Invoice;Colour', 'Paid;Less', 'Dear all'] as $line) {
            self::assertNull(RemittanceHeading::of($line), $line);
        }
        self::assertNull(RemittanceHeading::of('Invoice;Paid')?->row('F20301'));
        self::assertSame(['document' => 'F20301', 'paid' => ''], RemittanceHeading::of('Invoice;x;Paid')?->row('F20301; 5'));
    }

    /** A row without an amount is nothing in the sum that says whether the amounts are before or after what was kept back. */
    public function test_a_row_without_an_amount_counts_as_nothing(): void
    {
        self::assertSame(
            ['1 42230', '1 1000 kept', '2 -'],
            self::read("Invoice;Amount;Deduction\nF20301;412.30;10.00\nF20318;;\n", receipt: 41_230),
        );
    }

    public function test_a_reasons_code_is_a_word_of_its_own(): void
    {
        $items = [new Candidate(2, 'F20318', Side::Debit, '2026-09-01', '2026-09-18', 38_800)];
        $reasons = [new DeductionReason('10', 'Ten', new Account(1, '4085', 'x'))];
        $reason = static fn (string $text): string => RemittanceAdvice::read($text, $items, $reasons, Currency::of('EUR'), 0)->lines[0]
            ->reason;
        self::assertSame(['10', ''], [$reason('F20318 10 -31.40'), $reason('F20318 010 -31.40')]);
    }
}
