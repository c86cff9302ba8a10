<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\RemittanceAdvice;
use Ajuste\Core\Settlement\DeductionReason;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RemittanceAdviceTest extends TestCase
{
    /** @return list<string> item, amount, whether kept back, reason */
    private static function read(string $text, string $currency = 'EUR'): array
    {
        $items = [
            new Candidate(1, 'F20301', Side::Debit, '2026-09-01', '2026-09-12', 41230), new Candidate(2, 'F20318', Side::Debit, '2026-09-01', '2026-09-18', 38800),
            new Candidate(3, 'F20322', Side::Debit, '2026-09-01', '2026-09-23', 25175), new Candidate(4, 'CN881', Side::Credit, '2026-09-01', '2026-09-23', 12000),
        ];
        $reasons = [new DeductionReason('SHORT', 'Shortage', new Account(1, '4085', 'Short deliveries')), new DeductionReason('PROMO', 'Shop promotion', new Account(2, '6215', 'Promotions'))];

        return array_map(
            static fn ($line): string => trim(($line->item ?? '-').' '.($line->amount ?? '-').($line->keptBack ? " kept {$line->reason}" : '')),
            RemittanceAdvice::read($text, $items, $reasons, Currency::of($currency))->lines,
        );
    }

    /** @return array<string, array{string, list<string>}> */
    public static function texts(): array
    {
        return [
            'a mail' => ["Dear all,\nwe paid today 987,15:\nInvoice F20301 412,30\nInvoice F20318 388,00 \nF20322 - 251,75\nless shortage on 20318: 31,40\npromotion October 33,50\nKind regards", ['1 41230', '2 38800', '3 25175', '2 3140 kept SHORT', '- 3350 kept PROMO']],
            'cells of a sheet' => ["Document\tGross\tLess\tPaid\nF20301\t412.30\t0.00\t412.30\n20318\t388.00\t-31.40\t356.60\n", ['1 41230', '2 38800', '2 3140 kept']],
            'a credit note with a minus' => ["CN881 -120.00\nF20301 412.30", ['4 12000', '1 41230']],
            'brackets' => ['F20318 (31.40)', ['2 3140 kept']],
            'documents only' => ['we settle F20301, F20322', ['1 -', '3 -']],
            'thousands and dates' => ["F20301 of 12.09.2026 1.412,30\nF20318 12/10/2026 1,388.00", ['1 141230', '2 138800']],
            'unknown minus' => ['freight -8.00', ['- 800 kept']],
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

    public function test_the_currency_says_what_three_figures_after_the_mark_are(): void
    {
        self::assertSame(['1 1412'], self::read('F20301 1.412', 'JPY'));
        self::assertSame(['1 1412'], self::read('F20301 1.412', 'KWD'));
        self::assertSame(['1 141200'], self::read('F20301 1.412', 'EUR'));
    }
}
