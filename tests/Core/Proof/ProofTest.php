<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\DayChart;
use Ajuste\Core\Proof\HandPairs;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\Proof;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ProofTest extends TestCase
{
    public function test_books_that_agree_have_no_cause(): void
    {
        $proof = (new Lines())
            ->posting(100, 'A')
            ->item(100, 'A')
            ->posting(-40, 'R')
            ->item(-40, 'R')
            ->proof();
        self::assertSame(
            [60, 60, 0, [], 0],
            [$proof->control, $proof->customers, $proof->difference, $proof->lines, $proof->unexplained()],
        );
    }

    public function test_own_vouchers_are_shown_apart_and_counted(): void
    {
        $proof = (new Lines())
            ->posting(100, 'A')
            ->item(100, 'A')
            ->posting(56, 'A', 'AJ-00001', own: true)
            ->item(56, 'A', 'AJ-00001', kind: 'exchange_difference')
            ->proof();
        self::assertSame([100, 56, 156, 0], [$proof->ledgerAsImported, $proof->ownVouchers, $proof->control, $proof->difference]);
    }

    /** A known proof and that of further lines that agree with each other come to the proof of all of them. */
    public function test_agreeing_lines_are_added_to_a_known_proof(): void
    {
        $known = static fn (): Lines => (new Lines())
            ->posting(100, 'A')
            ->item(90, 'A')
            ->posting(-40, 'B')
            ->item(-40, 'B');
        $added = static fn (Lines $lines): Lines => $lines
            ->posting(56, 'C', 'AJ-1', own: true)
            ->item(56, 'C', 'AJ-1')
            ->posting(7, 'D')
            ->item(7, 'D');
        $sum = $known()->proof()->plus($added(new Lines())->proof());
        $all = $added($known())->proof();
        $says = static fn (Proof $of): array => [
            $of->ledgerAsImported,
            $of->ownVouchers,
            $of->control,
            $of->customers,
            $of->difference,
            $of->totals->postings,
            $of->totals->items,
            $of->pairs,
        ];
        self::assertSame($says($all), $says($sum));
        self::assertSame([67, 56, 123, 113, 10, 4, 4], array_slice($says($sum), 0, 7));
        $this->expectException(LogicException::class);
        $known()
            ->proof()
            ->plus((new Lines())->posting(5, 'E')->proof());
    }

    /** What a person may mend on which side (R12). */
    public function test_which_causes_an_entry_on_either_side_mends(): void
    {
        $fits = static fn (Lines $lines): array => array_map(
            static fn (CauseLine $of): array => [$of->cause->value, LedgerCorrection::fits($of), CustomerCorrection::fits($of)],
            $lines->proof()->lines,
        );
        self::assertSame([['amount_differs', true, true]], $fits((new Lines())->posting(105, 'A')->item(90, 'A')));
        self::assertSame([['not_in_subledger', true, true]], $fits((new Lines())->posting(105, 'A')));
        self::assertSame([['not_in_ledger', true, true]], $fits((new Lines())->item(105, 'A')));
        self::assertSame([['cut_off', false, false]], $fits((new Lines())->posting(90, 'A', date: '2026-11-02')->item(90, 'A')));
        self::assertSame(
            [['duplicate_in_ledger', true, false]],
            $fits((new Lines())->posting(90, 'A', 'E1')->posting(90, 'A', 'E2')->item(90, 'A', 'E2')),
        );
        self::assertSame([['not_in_subledger', false, true]], $fits((new Lines())->posting(105)));
    }

    /** @return iterable<string, array{Lines, list<string>}> */
    public static function causes(): iterable
    {
        yield 'opening' => [
            (new Lines())->posting(4500, source: 'opening')->item(3000, 'B1', kind: 'opening')->item(1600, 'B2', kind: 'opening'),
            ['opening_difference  100'],
        ];
        yield 'opening agrees' => [
            (new Lines())->posting(4600, source: 'opening')->item(3000, 'B1', kind: 'opening')->item(1600, 'B2', kind: 'opening'),
            [],
        ];
        yield 'twice in the ledger, the partner names its entry' => [
            (new Lines())->posting(100, 'A', 'E1')->posting(100, 'A', 'E2')->item(100, 'A', 'E2'),
            ['duplicate_in_ledger A -100'],
        ];
        yield 'twice in the ledger, else the later' => [
            (new Lines())->posting(100, 'A', 'E1', '2026-10-02')->posting(100, 'A', 'E2', '2026-10-01')->item(100, 'A'),
            ['duplicate_in_ledger A -100'],
        ];
        yield 'three times in the ledger' => [
            (new Lines())->posting(100, 'A')->posting(100, 'A')->posting(100, 'A')->item(100, 'A'),
            ['duplicate_in_ledger A -100', 'duplicate_in_ledger A -100'],
        ];
        yield 'twice with the customer' => [
            (new Lines())->posting(100, 'A')->item(100, 'A')->item(100, 'A'),
            ['duplicate_in_subledger A 100'],
        ];
        yield 'twice on both sides is no difference' => [
            (new Lines())->posting(100, 'A')->posting(100, 'A')->item(100, 'A')->item(100, 'A'),
            [],
        ];
        yield 'twice in the ledger and nothing with the customer' => [
            (new Lines())->posting(100, 'A')->posting(100, 'A'),
            ['duplicate_in_ledger A -100', 'not_in_subledger A -100'],
        ];
        yield 'on another account, by entry' => [
            (new Lines())->item(100, 'A', 'E1')->onAnotherAccount(100, '', 'E1'),
            ['wrong_account A 100'],
        ];
        yield 'on another account, by document' => [
            (new Lines())->item(100, 'A')->onAnotherAccount(100, 'A', 'E1'),
            ['wrong_account A 100'],
        ];
        yield 'the other side of an entry is no posting on another account' => [
            (new Lines())->item(100, 'A', 'E1')->onAnotherAccount(-100, 'A', 'E1'),
            ['not_in_ledger A 100'],
        ];
        yield 'other period, with the customer first' => [
            (new Lines())->posting(100, 'A', date: '2026-11-02')->item(100, 'A'),
            ['cut_off A 100'],
        ];
        yield 'other period, in the ledger first' => [
            (new Lines())->posting(-100, 'A')->item(-100, 'A', date: '2026-11-02'),
            ['cut_off A 100'],
        ];
        yield 'both sides after the day' => [(new Lines())->posting(100, 'A', date: '2026-11-02')->item(130, 'A', date: '2026-11-03'), []];
        yield 'wrong side' => [(new Lines())->posting(100, 'A')->item(-100, 'A', kind: 'credit_note'), ['sign_reversed A -200']];
        yield 'two digits exchanged' => [(new Lines())->posting(541200, 'A')->item(451200, 'A'), ['amount_transposed A -90000']];
        yield 'two digits exchanged in a credit' => [(new Lines())->posting(-1243, 'A')->item(-1234, 'A'), ['amount_transposed A 9']];
        yield 'digits that are not neighbours' => [(new Lines())->posting(3214, 'A')->item(1234, 'A'), ['amount_differs A -1980']];
        yield 'decimal point shifted' => [(new Lines())->posting(18420, 'A')->item(1842, 'A'), ['amount_shifted A -16578']];
        yield 'shifted by three' => [(new Lines())->posting(12, 'A')->item(12000, 'A'), ['amount_shifted A 11988']];
        yield 'just different' => [(new Lines())->posting(1000, 'A')->item(1017, 'A'), ['amount_differs A 17']];
        yield 'entry binds before document' => [
            (new Lines())->posting(100, 'A', 'E1')->item(100, 'A')->item(90, 'B', 'E1'),
            ['amount_differs B -10', 'not_in_ledger A 100'],
        ];
        yield 'document and customer bind before document' => [
            (new Lines())->posting(100, 'A', customer: 'C2')->posting(70, 'A', customer: 'C1')->item(75, 'A', customer: 'C1'),
            ['amount_differs A 5', 'not_in_subledger A -100'],
        ];
        yield 'a batch against its items' => [
            (new Lines())
                ->posting(-300, batch: 'B')
                ->item(-100, 'R1', batch: 'B')
                ->item(-200, 'R2', batch: 'B'),
            [],
        ];
        yield 'a batch that differs' => [
            (new Lines())
                ->posting(-350, batch: 'B')
                ->item(-100, 'R1', batch: 'B')
                ->item(-200, 'R2', batch: 'B'),
            ['amount_differs R1 50'],
        ];
        yield 'a batch posted twice' => [
            (new Lines())
                ->posting(-300, batch: 'B')
                ->posting(-300, batch: 'B', date: '2026-10-11')
                ->item(-100, 'R1', batch: 'B')
                ->item(-200, 'R2', batch: 'B'),
            ['duplicate_in_ledger  300'],
        ];
        yield 'a batch of another period' => [
            (new Lines())
                ->posting(-300, batch: 'B', date: '2026-11-01')
                ->item(-100, 'R1', batch: 'B')
                ->item(-200, 'R2', batch: 'B'),
            ['cut_off R1 -300'],
        ];
        yield 'an extra item does not hide in a sum' => [
            (new Lines())
                ->posting(-300)
                ->item(-100, 'R1')
                ->item(-200, 'R2')
                ->item(-200, 'R2'),
            ['duplicate_in_subledger R2 -200'],
        ];
        yield 'one posting for the day and kind' => [(new Lines())->posting(300)->item(100, 'A')->item(200, 'B'), []];
        yield 'a sum that two postings could be' => [
            (new Lines())->posting(300)->posting(300)->item(100, 'A')->item(200, 'B'),
            ['not_in_ledger A 100', 'not_in_ledger B 200', 'not_in_subledger  -300', 'not_in_subledger  -300'],
        ];
        yield 'amount within the window' => [(new Lines())->posting(77, 'X', date: '2026-10-05')->item(77, 'Y', date: '2026-10-10'), []];
        yield 'amount outside the window' => [
            (new Lines())->posting(77, 'X', date: '2026-10-04')->item(77, 'Y', date: '2026-10-10'),
            ['not_in_ledger Y 77', 'not_in_subledger X -77'],
        ];
        yield 'amount within the window, not unique' => [
            (new Lines())->posting(77)->item(77, 'Y')->item(77, 'Z', kind: 'charge', date: '2026-10-12'),
            ['not_in_ledger Y 77', 'not_in_ledger Z 77', 'not_in_subledger  -77'],
        ];
        yield 'taken back under the same document' => [
            (new Lines())->posting(100, 'A', date: '2026-10-02')->posting(-100, 'A', date: '2026-10-03'),
            [],
        ];
        yield 'put right by a second posting' => [
            (new Lines())
                ->posting(183, 'A', 'E1')
                ->posting(-366, 'A', 'E2')
                ->item(-183, 'A', 'E1', kind: 'credit_note'),
            [],
        ];
        yield 'a correction that was taken back' => [
            (new Lines())
                ->posting(541200, 'A', 'E1')
                ->posting(-90000, 'A', 'V1')
                ->posting(90000, 'A', 'V2')
                ->item(451200, 'A', 'E1'),
            ['amount_transposed A -90000'],
        ];
        yield 'a known reversal comes first' => [
            (new Lines())
                ->posting(70, 'A', 'V1')
                ->posting(-70, 'A', 'V2', reverses: 'V1')
                ->item(70, 'A'),
            ['not_in_ledger A 70'],
        ];
        yield 'taken back while the document stands' => [
            (new Lines())
                ->posting(100, 'A')
                ->posting(-100, 'A')
                ->item(130, 'A'),
            ['not_in_ledger A 130'],
        ];
        yield 'several lines of one entry' => [
            (new Lines())->posting(100, 'A', 'E')->posting(200, '', 'E')->item(100, 'A', 'E')->item(200, 'B', 'E'),
            [],
        ];
        yield 'one line of an entry for several items' => [
            (new Lines())->posting(300, '', 'E')->item(100, 'A', 'E')->item(200, 'B', 'E'),
            [],
        ];
        yield 'no counterpart at all' => [
            (new Lines())->posting(1250, 'J')->item(333, 'A'),
            ['not_in_ledger A 333', 'not_in_subledger J -1250'],
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('causes')]
    public function test_each_cause_is_named_and_no_innocent_line_accused(Lines $lines, array $expected): void
    {
        self::assertSame($expected, $lines->causes());
    }

    public function test_a_cut_off_whose_amounts_differ_says_what_is_still_to_come(): void
    {
        $line = (new Lines())->posting(100_00, 'A', date: '2026-11-02')->item(110_00, 'A')->proof()->lines[0];
        self::assertSame([11000, 0, 11000], [$line->amount, $line->ledger, $line->subledger]);
        self::assertStringContainsString('10.00 Dr is still to come', $line->note);
    }

    public function test_the_tax_is_recognised(): void
    {
        $line = (new Lines())->posting(100_00, 'A')->item(121_00, 'A', tax: 21_00)->proof()->lines[0];
        self::assertStringContainsString('which is the tax', $line->note);
    }

    /** A transposition always differs by a multiple of nine (arithmetic; its use as a test is common practice). */
    public function test_transpositions_are_multiples_of_nine(): void
    {
        mt_srand(9);
        $named = 0;
        for ($try = 0; $try < 400; $try++) {
            $digits = str_split((string) mt_rand(1000, 9_999_999));
            $place = mt_rand(0, count($digits) - 2);
            if ($digits[$place] === $digits[$place + 1] || ($place === 0 && $digits[1] === '0')) {
                continue;
            }
            $right = (int) implode('', $digits);
            [$digits[$place], $digits[$place + 1]] = [$digits[$place + 1], $digits[$place]];
            $wrong = (int) implode('', $digits);
            $line = (new Lines())->posting($wrong, 'A')->item($right, 'A')->proof()->lines[0];
            self::assertSame('amount_transposed', $line->cause->value, "{$wrong} for {$right}");
            self::assertSame(0, $line->amount % 9);
            $named++;
        }
        self::assertGreaterThan(200, $named);
    }

    public function test_the_sentence_carries_the_figures(): void
    {
        $note = (new Lines())->posting(5412_00, '20318')->item(4512_00, '20318')->proof()->lines[0]->note;
        self::assertSame(
            'Posted as 5,412.00 Dr, document 20318 says 4,512.00 Dr: the digits 4 and 5 are exchanged; 900.00 is 9 × 100.00.',
            $note,
        );
    }

    public function test_the_day_decides_what_counts_and_not_what_pairs(): void
    {
        $lines = (new Lines())->posting(100, 'A', date: '2026-10-05')->item(110, 'A', date: '2026-10-07');
        self::assertSame([], $lines->causes('2026-10-04'));
        self::assertSame(['cut_off A -100'], $lines->causes('2026-10-06'));
        self::assertSame(['amount_differs A 10'], $lines->causes('2026-10-07'));
    }

    /** control + Σ causes = customers on any books and any day, also on garbage; the proof itself refuses to exist otherwise. */
    public function test_additivity_on_random_books(): void
    {
        mt_srand(20261031);
        for ($seed = 0; $seed < 250; $seed++) {
            $lines = new Lines();
            for ($n = 0; $n < mt_rand(1, 60); $n++) {
                $document = ['', 'D'.mt_rand(1, 15)][mt_rand(0, 9) > 1 ? 1 : 0];
                $amount = [mt_rand(-5, 5) * 100, mt_rand(-9999, 9999)][mt_rand(0, 1)] ?: 1;
                $date = sprintf('2026-%02d-%02d', mt_rand(9, 11), mt_rand(1, 28));
                $entry = mt_rand(0, 2) === 0 ? 'E'.mt_rand(1, 10) : '';
                $batch = mt_rand(0, 5) === 0 ? 'B'.mt_rand(1, 3) : '';
                mt_rand(0, 1) === 0
                    ? $lines->posting($amount, $document, $entry, $date, 'C'.mt_rand(1, 3), $batch, mt_rand(0, 20) === 0 ? 'opening' : '')
                    : $lines->item($amount, $document, $entry, $date, 'C'.mt_rand(1, 3), $batch, mt_rand(0, 20) === 0 ? 'opening' : '');
            }
            foreach (['2026-08-31', '2026-09-30', '2026-10-15', '2026-12-31'] as $day) {
                $proof = $lines->proof($day);
                self::assertSame(
                    $proof->customers,
                    $proof->control + array_sum(array_map(static fn ($line): int => $line->amount, $proof->lines)),
                );
                self::assertSame($proof->unexplained(), array_sum(array_map(static fn ($line): int => abs($line->amount), $proof->lines)));
            }
        }
    }

    /** On books that agree but for one planted fault, that fault and nothing else is named. */
    public function test_a_planted_fault_is_the_only_one_found(): void
    {
        mt_srand(12);
        for ($seed = 0; $seed < 120; $seed++) {
            $fault = [
                'duplicate_in_ledger',
                'duplicate_in_subledger',
                'wrong_account',
                'cut_off',
                'sign_reversed',
                'amount_shifted',
                'not_in_ledger',
                'not_in_subledger',
                'none',
            ][$seed % 9];
            $entries = mt_rand(0, 1) === 1;
            $at = mt_rand(0, 39);
            $lines = new Lines();
            for ($n = 0; $n < 40; $n++) {
                $amount = (mt_rand(0, 3) > 0 ? 1 : -1) * mt_rand(1000, 999_999);
                $date = sprintf('2026-10-%02d', mt_rand(1, 31));
                [$document, $entry] = ["D{$n}", "E{$n}"];
                $named = $entries ? $entry : '';
                $is = $n === $at ? $fault : 'none';
                if ($is === 'wrong_account') {
                    $lines->onAnotherAccount($amount, $document, $entry, date: $date);
                } elseif ($is !== 'not_in_ledger') {
                    $lines->posting(
                        match ($is) {
                            'sign_reversed' => -$amount,
                            'amount_shifted' => $amount * 100,
                            default => $amount,
                        },
                        $document,
                        $entry,
                        $is === 'cut_off' ? '2026-11-05' : $date,
                    );
                }
                if ($is === 'duplicate_in_ledger') {
                    $lines->posting($amount, $document, 'EX', $date);
                }
                foreach (range(1, $is === 'duplicate_in_subledger' ? 2 : ($is === 'not_in_subledger' ? 0 : 1)) as $time) {
                    if ($is !== 'not_in_subledger') {
                        $lines->item($amount, $document, $time === 1 ? $named : '', $date);
                    }
                }
            }
            $found = array_map(
                static fn (string $cause): string => explode(' ', $cause)[0].' '.explode(' ', $cause)[1],
                $lines->causes(),
            );
            self::assertSame($fault === 'none' ? [] : ["{$fault} D{$at}"], $found, "seed {$seed}");
        }
    }

    public function test_the_day_chart_shows_where_the_difference_began(): void
    {
        $chart = DayChart::of('2026-10-01', '2026-10-04', 500, 500, [
            '2026-10-02' => [100, 100],
            '2026-10-03' => [70, 0],
            '2026-10-04' => [0, 70],
        ]);
        self::assertSame([0, 0, 70, 0], array_map(static fn ($day): int => $day->difference(), $chart->days));
        self::assertSame(
            ['2026-10-03' => 70, '2026-10-04' => -70],
            array_column(array_map(static fn ($day): array => [$day->day, $day->step], $chart->steps()), 1, 0),
        );
    }

    public function test_what_persons_said_stands_above_the_tests(): void
    {
        $lines = static fn (): Lines => (new Lines())->posting(40000, 'J7')->item(38000, 'F1')->posting(5000, 'F2')->item(5000, 'F2');
        self::assertSame(['not_in_ledger F1 38000', 'not_in_subledger J7 -40000'], $lines()->causes());
        $together = $lines()->said(new HandPairs(['ledger 1' => 1, 'subledger 2' => 1]));
        self::assertSame(['amount_differs F1 -2000'], $together->causes());
        self::assertSame(1, $together->proof()->pairs['hand']);
        $apart = $lines()->said(new HandPairs([], ['ledger 3' => true, 'subledger 4' => true]));
        self::assertSame(
            ['not_in_ledger F1 38000', 'not_in_ledger F2 5000', 'not_in_subledger J7 -40000', 'not_in_subledger F2 -5000'],
            $apart->causes(),
        );
    }
}
