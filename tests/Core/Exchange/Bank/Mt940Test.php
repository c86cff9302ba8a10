<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\Mt940Details;
use Ajuste\Core\Exchange\Bank\Mt940Reader;
use Ajuste\Core\Exchange\Bank\StatementPages;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** MT940 and MT942 as banks write them. The shapes of field 86 are from memory of what SWIFT and the banking associations publish. */
final class Mt940Test extends TestCase
{
    /** @return list<BankStatement> */
    private static function read(string ...$texts): array
    {
        $pages = new StatementPages();
        $whole = [];
        foreach ($texts as $text) {
            array_push($whole, ...$pages->add(Mt940Reader::read($text)));
        }

        return [...$whole, ...$pages->rest()];
    }

    /** @return iterable<string, array{string, list<string>}> field 86; name, account, text, end-to-end reference */
    public static function details(): iterable
    {
        yield 'plain, broken by a line' => ["PAYMENT OF 203\n01 AND 20318", ['', '', "PAYMENT OF 203\n01 AND 20318", '']];
        yield 'sub-fields' => [
            "166?00GUTSCHRIFT?109075?20INVOICE 203?2101 THANKS?30VALDESM0XXX?31ES7921000813610123456789\n?32ALMADRABA FOODS?33 SL?34011",
            ['ALMADRABA FOODS SL', 'ES7921000813610123456789', "INVOICE 203\n01 THANKS", ''],
        ];
        yield 'sub-fields with words of SEPA' => [
            '166?00CREDIT?20EREF+E2E-55?2117 X?22SVWZ+INVOICE 20301?23 AND 20318?24ABWA+ROMERAL GROUP?311234567?32ROMERAL SHOP',
            ['ROMERAL GROUP', '1234567', "INVOICE 20301\n AND 20318", 'E2E-5517X'],
        ];
        yield 'another mark before the sub-fields' => [
            '051>00TRANSFER>20EREF+NOTPROVIDED>21SVWZ+20301>31987654>32OBRADOR',
            ['OBRADOR', '987654', '20301', 'NOTPROVIDED'],
        ];
        yield 'words before the sub-fields' => ['CREDIT ?20INVOICE 20301?32OBRADOR', ['OBRADOR', '', 'INVOICE 20301', '']];
        yield 'further text' => ['166?20ONE?29TWO?60THREE?63FOUR?64NOT', ['', '', "ONE\nTWO\nTHREE\nFOUR", '']];
        yield 'words of SEPA without sub-fields' => [
            'EREF+E7 KREF+K SVWZ+20301 20318 IBAN+ES79 2100 0813 6101 2345 6789 BIC+VALDESM0',
            ['', 'ES7921000813610123456789', '20301 20318', 'E7'],
        ];
        yield 'words between slashes' => [
            "/TRTP/SEPA OVERBOEKING/IBAN/NL91ABNA0417164300/BIC/ABNANL2A/NAME/TIENDAS ROME\nRAL/REMI/20301 AND 203\n18/EREF/E2E-9",
            ['TIENDAS ROMERAL', 'NL91ABNA0417164300', "20301 AND 203\n18", 'E2E-9'],
        ];
        yield 'the other side in one' => [
            '/EREF/E2E-9//CNTP/NL91ABNA0417164300/ABNANL2A/OBRADOR///REMI/USTD//20301/',
            ['OBRADOR', 'NL91ABNA0417164300', '20301', 'E2E-9'],
        ];
        yield 'structured remittance' => ['/NAME/X/REMI/STRD/CUR/RF18539007547034/', ['X', '', 'RF18539007547034', '']];
        yield 'text before the words' => ['THANKS /NAME/X/', ['X', '', 'THANKS', '']];
        yield 'nothing' => ['', ['', '', '', '']];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('details')]
    public function test_field_86(string $field, array $expected): void
    {
        $read = Mt940Details::read($field);
        self::assertSame($expected, [$read->payer->name, $read->payer->bankAccount, $read->payer->remittance, $read->endToEnd]);
        self::assertNull($read->returned);
    }

    public function test_a_return_is_told_by_its_word(): void
    {
        self::assertSame('AC04', Mt940Details::read('/RTRN/AC04/REMI/20301/')->returned);
    }

    private const HEAD = ":20:S\n:25:MILL-1\n";

    private static function entries(string ...$entries): string
    {
        return implode('', array_map(static fn (string $of): string => ":61:{$of}\n", $entries));
    }

    public function test_an_entry_and_its_references(): void
    {
        $text =
            self::HEAD.
            ":28C:7\n:60F:C261029EUR100,00\n".
            self::entries(
                "2610301030C987,15NTRFCUST-1//BANK-1\nextra words",
                '261030D12,NMSCNONREF',
                '261030RC5,00NRTINONREF//BANK-2',
                '261030RDR0,50NRTIX',
                '2610301031CR3,00NTRFNONREF',
            ).
            ":86:ignored\n:62F:C261030EUR1073,65\n";
        [$statement] = self::read($text);
        self::assertSame(
            [
                '2026-10-30 2026-10-30 987.15 BANK-1 CUST-1 extra words',
                '2026-10-30 2026-10-30 -12.00   ',
                '2026-10-30 2026-10-30 -5.00 BANK-2   back',
                '2026-10-30 2026-10-30 0.50  X  back',
                '2026-10-31 2026-10-30 3.00   ignored',
            ],
            array_map(
                static fn (BankLine $of): string => "{$of->bookingDate} {$of->valueDate} {$of->amount->decimal()} {$of->references->bank} ".
                    "{$of->references->endToEnd} {$of->payer->remittance}".
                    ($of->isReversal ? ' back' : ''),
                $statement->movements(),
            ),
        );
        self::assertSame(
            ['MILL-1', '7', '100.00', '2026-10-29', '1073.65', '2026-10-30'],
            [
                $statement->account,
                $statement->number,
                $statement->opening?->amount->decimal(),
                $statement->firstDay(),
                $statement->closing?->amount->decimal(),
                $statement->lastDay(),
            ],
        );
    }

    public function test_pages_are_joined_before_their_sums_are_looked_at(): void
    {
        $first = self::HEAD.":28C:5/1\n:60F:C261029EUR100,00\n".self::entries('261030C1,00NTRFX').":62M:C261030EUR101,00\n";
        $second = self::HEAD.":28C:5/2\n:60M:C261030EUR101,00\n".self::entries('261030C2,00NTRFY').":62F:C261030EUR103,00\n";
        foreach ([[$first.$second], [$first, $second], [$second, $first]] as $files) {
            [$statement] = self::read(...$files);
            self::assertSame(
                ['5', '100.00', '103.00'],
                [$statement->number, $statement->opening?->amount->decimal(), $statement->closing?->amount->decimal()],
            );
            self::assertSame([100, 200], array_map(static fn (BankLine $of): int => $of->amount->minor, $statement->movements()));
        }
        [$alone] = self::read($first);
        self::assertSame(['5/1', '101.00'], [$alone->number, $alone->closing?->amount->decimal()], 'a page adds up by itself');
        $third = str_replace(['5/2', '103,00', '101,00'], ['5/3', '105,00', '103,00'], $second);
        self::assertCount(2, self::read($first, $third), 'the second page is missing');
    }

    public function test_several_statements_empty_ones_and_encodings(): void
    {
        $empty = self::HEAD.":28C:1\n:60F:C261029EUR100,00\n:62F:C261029EUR100,00\n-\n";
        $next =
            self::HEAD.":28C:2\n:60F:C261029EUR100,00\n".self::entries('261030C1,00NTRFX').':86:CAFÉ '
                ."ÑU\n:62F:C261030EUR101,00\n-\n";
        $both = self::read($empty.$next);
        self::assertSame(['1', '2'], array_map(static fn (BankStatement $of): string => $of->number, $both));
        self::assertSame([[], 1], [$both[0]->movements(), count($both[1]->movements())]);
        $latin = (string) mb_convert_encoding($next, 'ISO-8859-1', 'UTF-8');
        foreach (["\xEF\xBB\xBF{$next}", $latin, str_replace("\n", "\r\n", $next), "{1:F01X}{2:I940X}{4:\n{$next}-}"] as $text) {
            self::assertTrue(Mt940Reader::recognises(substr($text, 0, 500)));
            self::assertSame('CAFÉ ÑU', self::read($text)[0]->movements()[0]->payer->remittance);
        }
    }

    public function test_an_interim_report_is_pending(): void
    {
        $report =
            ":20:R\n:25:MILL-1\n:28C:9\n:34F:EURD0,\n:13D:2610301200+0100\n".
            self::entries('261030C1,00NTRFX', '261030D2,00NTRFY').
            ":90D:1EUR2,00\n";
        self::assertTrue(Mt940Reader::recognises($report));
        [$read] = self::read($report);
        self::assertSame(
            [[], [100, -200]],
            [$read->movements(), array_map(static fn (BankLine $of): int => $of->amount->minor, $read->pending)],
        );
        self::assertFalse($read->isComplete());
        self::assertSame(['2026-10-30', '2026-10-30'], [$read->firstDay(), $read->lastDay()]);
    }

    public function test_what_is_no_such_message_is_refused_in_words(): void
    {
        $good = self::HEAD.":28C:1\n:60F:C261029EUR100,00\n".self::entries('261030C1,00NTRFX').":62F:C261030EUR101,00\n";
        foreach (
            [
                ['hello', 'holds no MT940 statement'],
                [
                    str_replace(':62F:', ':99Z:', $good),
                    'Statement 1 of MILL-1 has no opening balance (:60F:) or no closing balance (:62F:).',
                ],
                [
                    str_replace('C261029EUR100,00', 'Z261029EUR100,00 and more words than anybody reads', $good),
                    '“Z261029EUR100,00 and more words than any” is not a balance',
                ],
                [str_replace('261030C1,00NTRFX', '261030C1,00 and more', $good), '“261030C1,00 and more” is not an entry of MT940'],
                [str_replace('101,00', '101,01', $good), 'opening 100.00, entries 1.00, closing 101.01'],
                [":20:R\n:25:A\n:13D:2610301200+0100\n:28C:3\n", 'Report 3 names no currency'],
            ] as [$text, $words]
        ) {
            try {
                self::read($text);
                self::fail($words);
            } catch (Refusal $refusal) {
                self::assertStringContainsString($words, $refusal->getMessage());
            }
        }
        self::assertFalse(Mt940Reader::recognises('document,kind'));
        self::assertFalse(Mt940Reader::recognises(":20:X\nhello"));
        self::assertFalse(Mt940Reader::recognises('x :20: :60F:'));
    }

    /** The booking day has no year: the one nearest to the value date. */
    public function test_the_year_of_a_booking_day_around_new_year(): void
    {
        $days = [];
        foreach (['2612310102C1,00NTRFX', '2701021231C1,00NTRFY', '2610300630C1,00NTRFZ'] as $entry) {
            $text = self::HEAD.":28C:7\n:60F:C261029EUR100,00\n".self::entries($entry).":62F:C270131EUR101,00\n";
            $line = self::read($text)[0]->movements()[0];
            $days[] = "{$line->bookingDate} {$line->valueDate}";
        }
        self::assertSame(['2027-01-02 2026-12-31', '2026-12-31 2027-01-02', '2026-06-30 2026-10-30'], $days);
    }

    public function test_a_number_with_more_than_one_slash_and_each_sign_of_an_interim_report(): void
    {
        $body = self::entries('261030C1,00NTRFX');
        [$paged] = self::read(self::HEAD.":28C:7/1/9\n:60F:C261029EUR100,00\n{$body}:62F:C261030EUR101,00\n");
        self::assertSame('7', $paged->number);
        foreach ([":34F:EUR0,\n", ":13:2610301200\n:34F:EUR0,\n", ":13D:2610301200+0100\n:90C:1EUR1,00\n"] as $sign) {
            self::assertCount(1, self::read(":20:R\n:25:MILL-1\n:28C:9\n{$sign}{$body}")[0]->pending, $sign);
        }
    }

    public function test_a_statement_is_complete_with_both_of_its_balances(): void
    {
        $balance = new BankBalance('2026-10-30', Money::zero('EUR'));
        $of = static fn (?BankBalance $opening, ?BankBalance $closing): bool => (new BankStatement(
            'A',
            Currency::of('EUR'),
            '1',
            [],
            $opening,
            $closing,
        ))->isComplete();
        self::assertSame([true, false, false, false], [$of($balance, $balance), $of($balance, null), $of(null, $balance), $of(null, null)]);
        $this->expectExceptionMessage('“'.str_repeat('x', 60).'” is not an entry');
        self::read(self::HEAD.":28C:1\n:60F:C261029EUR100,00\n".self::entries(str_repeat('x', 70)).":62F:C261030EUR101,00\n");
    }
}
