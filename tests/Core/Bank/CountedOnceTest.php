<?php

declare(strict_types=1);

namespace Tests\Core\Bank;

use Ajuste\Core\Bank\AccountNumber;
use Ajuste\Core\Bank\Arrivals;
use Ajuste\Core\Bank\CountedOnce;
use Ajuste\Core\Bank\KnownMovement;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;
use PHPUnit\Framework\TestCase;

/** R16: a movement counts once, whatever brings it. */
final class CountedOnceTest extends TestCase
{
    private int $ids = 0;

    private static function line(
        int $amount,
        string $text = '',
        string $reference = '',
        string $endToEnd = '',
        string $day = '2026-10-30',
        ?string $value = null,
    ): BankLine {
        $references = new BankReferences($reference, $endToEnd);

        return new BankLine($day, $value ?? $day, Money::ofMinor($amount, 'EUR'), $references, new Payer('', '', $text));
    }

    private function known(BankLine $line, string $entry = '', string $entryReference = '', bool $ofStatement = false): KnownMovement
    {
        $id = ++$this->ids;

        return new KnownMovement($id, $line, $entry !== '' ? $entry : "e{$id}", $entryReference, $ofStatement);
    }

    /** @param  list<BankEntry|BankLine>  $entries */
    private static function statement(array $entries, bool $withBalances = false): BankStatement
    {
        $entries = array_map(static fn (BankEntry|BankLine $of): BankEntry => $of instanceof BankLine ? new BankEntry($of) : $of, $entries);
        $sum = array_sum(array_map(static fn (BankEntry $of): int => $of->whole->amount->minor, $entries));
        $balance = static fn (int $amount): ?BankBalance => $withBalances
            ? new BankBalance('2026-10-30', Money::ofMinor($amount, 'EUR'))
            : null;

        return new BankStatement('A', Currency::of('EUR'), '1', $entries, $balance(0), $balance($sum));
    }

    /**
     * @param list<BankEntry|BankLine> $entries
     * @param list<KnownMovement> $known
     */
    private static function compare(array $entries, array $known, bool $withBalances = false): string
    {
        return self::told(CountedOnce::compare(self::statement($entries, $withBalances), $known));
    }

    private static function told(Arrivals $arrivals): string
    {
        $new = array_merge(...array_map(static fn (array $of): array => $of[1], $arrivals->new));
        $amounts = static fn (array $lines): string => implode('+', array_map(static fn (BankLine $of): int => $of->amount->minor, $lines));
        $said = ["same {$arrivals->same}"];
        $new === [] || ($said[] = 'new '.$amounts($new));
        foreach ($arrivals->details as $id => $lines) {
            $said[] = "details of {$id}: ".$amounts($lines);
        }
        foreach ($arrivals->asked as [, $line, $like]) {
            $said[] = "asked {$line->amount->minor} like {$like}";
        }
        self::assertSame($arrivals->bringNothing(), count($said) === 1);

        return implode(', ', $said);
    }

    public function test_by_the_banks_own_reference(): void
    {
        $known = $this->known(self::line(500, 'old text', 'R1'));
        self::assertSame('same 1', self::compare([self::line(500, 'another text', 'R1')], [$known]));
        self::assertSame('same 0, new 501', self::compare([self::line(501, 'old text', 'R1')], [$known]), 'another amount');
        self::assertSame('same 0, new 500', self::compare([self::line(500, 'old text', 'R2')], [$known]), 'another reference');
        self::assertSame('same 0, new -500', self::compare([self::line(-500, 'old text', 'R1')], [$known]), 'the other way');
        $later = self::line(500, 'old text', 'R1', day: '2026-10-31', value: '2026-10-30');
        self::assertSame('same 1', self::compare([$later], [$known]), 'announced, and booked a day later on the same value day');
        $again = self::line(500, 'old text', 'R1', day: '2026-11-02');
        self::assertSame('same 0, new 500', self::compare([$again], [$known]), 'a reference that comes back');
    }

    public function test_two_payments_alike_in_everything_are_two(): void
    {
        $twice = [self::line(500, 'x', 'R1'), self::line(500, 'x', 'R1')];
        self::assertSame('same 1, new 500', self::compare($twice, [$this->known($twice[0])]));
        self::assertSame('same 2', self::compare($twice, [$this->known($twice[0]), $this->known($twice[1])]));
        $plain = [self::line(500, 'x'), self::line(500, 'x'), self::line(500, 'x')];
        self::assertSame('same 2, new 500', self::compare($plain, [$this->known($plain[0]), $this->known($plain[1])]));
        self::assertSame('same 0, new 500+500', self::compare([self::line(500, 'x'), self::line(500, 'x')], []));
    }

    public function test_by_what_it_says_where_a_side_has_no_reference(): void
    {
        $known = $this->known(self::line(500, 'Invoice 20301', 'R1', 'E2E-1'));
        self::assertSame('same 1', self::compare([self::line(500, 'INVOICE  20301', '', 'E2E-1')], [$known]));
        self::assertSame('same 1', self::compare([self::line(500, 'Invoice 20301')], [$known]), 'the end-to-end reference is missing');
        self::assertSame('same 1', self::compare([self::line(500, '', '', 'E2E-1')], [$known]), 'the text is missing');
        self::assertSame('same 1', self::compare([self::line(500, 'Invoice 203', '', 'E2E-1')], [$known]), 'the text is cut');
        self::assertSame('same 1', self::compare([self::line(500, 'Invoice 20301 and 2', '', 'E2E-1')], [$known]), 'or was before');
        self::assertSame('same 0, new 500', self::compare([self::line(500, 'Invoice 20301', '', 'E2E-2')], [$known]));
        self::assertSame('same 0, new 500', self::compare([self::line(500, 'Invoice 20302')], [$known]));
        self::assertSame('same 0, new 500', self::compare([self::line(500, 'Other text', '', 'E2E-1')], [$known]));
        self::assertSame('same 0, new 500', self::compare([self::line(500, 'Invoice 20301', day: '2026-10-29')], [$known]));
    }

    public function test_what_cannot_be_told_apart_is_asked(): void
    {
        $known = $this->known(self::line(500, 'Invoice 20301'));
        self::assertSame('same 0, asked 500 like 1', self::compare([self::line(500)], [$known]));
        self::assertSame('same 0, new 500, asked 500 like 1', self::compare([self::line(500), self::line(500)], [$known]));
        $bare = $this->known(self::line(700));
        self::assertSame('same 1', self::compare([self::line(700)], [$bare]), 'alike in everything');
        self::assertSame('same 0, asked 700 like 2', self::compare([self::line(700, 'some text')], [$bare]));
        // A statement holds every movement of its days: one of a list with another text may be one of its own.
        self::assertSame('same 0, asked 500 like 1', self::compare([self::line(500, 'Another text')], [$known], true));
        $stated = $this->known(self::line(900, 'Text'), ofStatement: true);
        self::assertSame('same 0, asked 900 like 3', self::compare([self::line(900, 'Another text')], [$stated]));
        self::assertSame('same 0, new 900', self::compare([self::line(900, 'Another text')], [$stated], true), 'statements do not overlap');
    }

    public function test_details_take_the_place_of_their_sum_whichever_comes_first(): void
    {
        $batch = new BankEntry(self::line(900, 'batch', 'B1'), [self::line(400, 'I1', 'B1'), self::line(500, 'I2', 'B1')]);
        $sum = $this->known(self::line(900, 'batch', 'B1'), entryReference: 'B1');
        self::assertSame('same 0, details of 1: 400+500', self::compare([$batch], [$sum]));
        $details = [$this->known(self::line(400, 'I1', 'B1'), 'one', 'B1'), $this->known(self::line(500, 'I2', 'B1'), 'one', 'B1')];
        self::assertSame('same 1', self::compare([self::line(900, 'batch', 'B1')], $details), 'the sum brings nothing');
        self::assertSame('same 2', self::compare([$batch], $details));
        $own = [$this->known(self::line(400, 'I1', 'T1'), 'two', 'B1'), $this->known(self::line(500, 'I2', 'T2'), 'two', 'B1')];
        self::assertSame('same 1', self::compare([self::line(900, 'batch', 'B1')], $own), 'with references of their own');
        self::assertSame('same 2', self::compare([self::line(400, 'x', 'T1'), self::line(500, 'y', 'T2')], $own));
        $apart = [$this->known(self::line(400, 'I1', 'B1')), $this->known(self::line(500, 'I2', 'B1'))];
        self::assertSame('same 1', self::compare([self::line(900, '', 'B1')], $apart), 'in entries of their own');
        self::assertSame(
            'same 0, details of 1: 400+500',
            self::compare([self::line(400, 'I1', 'B1'), self::line(500, 'I2', 'B1')], [$sum]),
        );
        self::assertSame('same 0, new 400+501', self::compare([self::line(400, 'I1', 'B1'), self::line(501, 'I2', 'B1')], [$sum]));
    }

    public function test_two_equal_payments_of_one_batch_reference(): void
    {
        $details = [self::line(400, 'I1', 'B1'), self::line(400, 'I1', 'B1')];
        $batch = new BankEntry(self::line(800, '', 'B1'), $details);
        self::assertSame('same 0, new 400+400', self::compare([$batch], []));
        $known = [$this->known($details[0], 'one', 'B1'), $this->known($details[1], 'one', 'B1')];
        self::assertSame('same 2', self::compare([$batch], $known));
        self::assertSame('same 2', self::compare($details, $known));
    }

    public function test_the_same_statement_again_is_paired_in_order_by_amount(): void
    {
        $again = static fn (array $entries, array $known): string => self::told(
            CountedOnce::again(self::statement($entries, true), $known),
        );
        $known = [$this->known(self::line(400, 'a', 'R1')), $this->known(self::line(-50, 'b', 'R2'))];
        self::assertSame('same 2', $again([self::line(-50, 'other'), self::line(400, 'words')], $known));
        $batch = new BankEntry(self::line(400, '', 'R1'), [self::line(150, 'I1'), self::line(250, 'I2')]);
        self::assertSame('same 1, details of 1: 150+250', $again([$batch, self::line(-50)], $known));
        $each = [$this->known(self::line(150)), $this->known(self::line(250)), $this->known(self::line(-50))];
        self::assertSame('same 3', $again([$batch, self::line(-50)], $each));
        self::assertSame('same 2', $again([self::line(400), self::line(-50)], $each), 'their sum brings nothing');
    }

    /** What is kept equals the distinct movements, whatever overlaps, whatever comes first, and with references of the bank or without. */
    public function test_random_overlaps_keep_each_movement_once(): void
    {
        mt_srand(16);
        for ($try = 0; $try < 300; $try++) {
            $movements = array_map(
                static fn (int $n): array => [
                    mt_rand(1, 3) * 100,
                    'text '.mt_rand(1, 4),
                    "R{$n}",
                    mt_rand(0, 1) === 0 ? '' : 'E'.mt_rand(1, 2),
                ],
                range(1, mt_rand(3, 12)),
            );
            $known = [];
            foreach (range(1, 4) as $file) {
                $from = $file === 4 ? 0 : mt_rand(0, count($movements) - 1);
                $named = mt_rand(0, 1) === 0;
                $some = array_map(
                    static fn (array $of): BankLine => self::line($of[0], $of[1], $named ? $of[2] : '', $of[3]),
                    array_slice($movements, $from, $file === 4 ? null : mt_rand(1, 8)),
                );
                $arrivals = CountedOnce::compare(self::statement($some), $known);
                foreach (array_merge(...array_map(static fn (array $of): array => $of[1], $arrivals->new)) as $line) {
                    $known[] = $this->known($line);
                }
                self::assertSame([], $arrivals->asked);
            }
            $kept = array_map(
                static fn (KnownMovement $of): string => implode(' ', [
                    $of->line->amount->minor,
                    $of->line->payer->remittance,
                    $of->line->references->endToEnd,
                ]),
                $known,
            );
            $all = array_map(static fn (array $of): string => "{$of[0]} {$of[1]} {$of[3]}", $movements);
            sort($kept);
            sort($all);
            self::assertSame($all, $kept, "try {$try}");
        }
    }

    public function test_one_account_under_several_numbers(): void
    {
        $iban = 'DE89370400440532013000';
        foreach (['DE89 3704 0044 0532 0130 00', '37040044/532013000', '0532013000', "{$iban}EUR", strtolower($iban)] as $number) {
            self::assertTrue(AccountNumber::isSame($iban, $number), $number);
            self::assertTrue(AccountNumber::isSame($number, $iban), $number);
        }
        foreach (['3000', '0532013001', 'DE89370400440532013001', ''] as $number) {
            self::assertFalse(AccountNumber::isSame($iban, $number), $number);
        }
        self::assertFalse(AccountNumber::isSame('99532013000', '532013000'), 'neither is an IBAN');
        self::assertTrue(AccountNumber::isSame('MILL-1', 'mill 1'));
    }

    public function test_how_much_of_an_account_number_names_it(): void
    {
        $iban = 'ES7921000813610123456789';
        self::assertTrue(AccountNumber::isSame($iban, '56789'));
        self::assertFalse(AccountNumber::isSame($iban, '6789'), 'too short');
        self::assertTrue(AccountNumber::isSame('0000123456789', $iban));
        self::assertTrue(AccountNumber::isSame($iban, "{$iban}EUR"));
        self::assertFalse(AccountNumber::isSame('12345678', '45678'), 'no IBAN');
        self::assertTrue(AccountNumber::isSame('X/6789', '6789'));
        self::assertSame(['12345678', '12345ABC', $iban], array_map(AccountNumber::plain(...), ['12345678', '12345-abc', "{$iban}EUR"]));
        self::assertSame($iban, AccountNumber::plain($iban));
    }

    /** References are names: 010 is not 10, and 1e1 is neither. */
    public function test_references_that_are_alike_as_numbers_are_others(): void
    {
        foreach (['010', '1e1'] as $reference) {
            $arrivals = CountedOnce::compare(
                self::statement([self::line(100, 'b', $reference)]),
                [$this->known(self::line(100, 'a', '10'))],
            );
            self::assertSame([0, 1], [$arrivals->same, count($arrivals->new)]);
        }
    }
}
