<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtReader;
use Ajuste\Core\Exchange\Bank\CamtWriter;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Exchange\Bank\StatementPages;
use Ajuste\Core\Exchange\Mod97;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** camt.052, 053 and 054 in the shapes in which banks write them. */
final class CamtTest extends TestCase
{
    /** @return list<BankStatement> */
    private static function read(string ...$texts): array
    {
        $pages = new StatementPages();
        $whole = [];
        foreach ($texts as $text) {
            array_push($whole, ...$pages->add(CamtReader::read($text)));
        }

        return [...$whole, ...$pages->rest()];
    }

    private static function message(string $inside, string $root = 'BkToCstmrStmt', string $element = 'Stmt'): string
    {
        return "<?xml version=\"1.0\"?><Document><{$root}><{$element}><Id>S1</Id><Acct><Id><Othr><Id>A1</Id></Othr></Id><Ccy>EUR</Ccy>"
            .'</Acct>'.
            "{$inside}</{$element}></{$root}></Document>";
    }

    private static function balance(string $code, string $amount, string $side = 'CRDT'): string
    {
        return "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp><Amt Ccy=\"EUR\">{$amount}</Amt><CdtDbtInd>{$side}</CdtDbtInd>".
            '<Dt><Dt>2026-10-30</Dt></Dt></Bal>';
    }

    private static function entry(string $amount, string $inside = '', string $side = 'CRDT', string $status = '<Sts>BOOK</Sts>'): string
    {
        return "<Ntry><Amt Ccy=\"EUR\">{$amount}</Amt><CdtDbtInd>{$side}</CdtDbtInd>{$status}<BookgDt><Dt>2026-10-30</Dt>"
            ."</BookgDt>{$inside}".
            '</Ntry>';
    }

    /** One entry of a notification, which has no balances. */
    private static function only(string $entry): BankEntry
    {
        return self::read(self::message($entry, 'BkToCstmrDbtCdtNtfctn', 'Ntfctn'))[0]->entries[0];
    }

    /** @return list<string> amount and charges of each movement */
    private static function told(BankEntry $entry): array
    {
        return array_map(
            static fn (BankLine $of): string => trim("{$of->amount->decimal()} {$of->charges?->decimal()}"),
            $entry->movements(),
        );
    }

    /** @return iterable<string, array{string, list<string>}> what stands in an entry of 985.00; amounts and charges of its movements */
    public static function charges(): iterable
    {
        $record = static fn (string $amount, string $more = '', string $currency = 'EUR'): string => '<Rcrd><Amt Ccy="'.
            $currency.
            '">'.
            "{$amount}</Amt>{$more}</Rcrd>";
        $side = static fn (string $side): string => "<CdtDbtInd>{$side}</CdtDbtInd>";
        yield 'one record' => ['<Chrgs>'.$record('15.00').'</Chrgs>', ['985.00 15.00']];
        yield 'two records' => ['<Chrgs>'.$record('10.00').$record('5.00', $side('DBIT')).'</Chrgs>', ['985.00 15.00']];
        yield 'a total with the tax in it' => [
            '<Chrgs><TtlChrgsAndTaxAmt Ccy="EUR">18.15</TtlChrgsAndTaxAmt>'.$record('15.00').'</Chrgs>',
            ['985.00 18.15'],
        ];
        yield 'charged beside the amount' => ['<Chrgs>'.$record('15.00', '<ChrgInclInd>false</ChrgInclInd>').'</Chrgs>', ['985.00']];
        yield 'one included, one beside' => [
            '<Chrgs><TtlChrgsAndTaxAmt Ccy="EUR">20.00</TtlChrgsAndTaxAmt>'.
            $record('15.00', '<ChrgInclInd>true</ChrgInclInd>').
            $record('5.00', '<ChrgInclInd>0</ChrgInclInd>').
            '</Chrgs>',
            ['985.00 15.00'],
        ];
        yield 'one given back' => ['<Chrgs>'.$record('20.00').$record('5.00', $side('CRDT')).'</Chrgs>', ['985.00 15.00']];
        yield 'given back alone' => ['<Chrgs>'.$record('5.00', $side('CRDT')).'</Chrgs>', ['985.00']];
        yield 'another currency' => ['<Chrgs>'.$record('15.00').$record('9.00', '', 'USD').'</Chrgs>', ['985.00 15.00']];
        yield 'another currency alone' => ['<Chrgs>'.$record('9.00', '', 'USD').'</Chrgs>', ['985.00']];
        yield 'as version 02 writes it' => ['<Chrgs><Amt Ccy="EUR">15.00</Amt></Chrgs>', ['985.00 15.00']];
        yield 'twice, as version 02 writes it' => [
            '<Chrgs><Amt Ccy="EUR">10.00</Amt></Chrgs><Chrgs><TtlChrgsAndTaxAmt Ccy="EUR">5.00</TtlChrgsAndTaxAmt></Chrgs>',
            ['985.00 15.00'],
        ];
        $detail = static fn (string $amount, string $more = ''): string => "<TxDtls><Amt Ccy=\"EUR\">{$amount}</Amt>{$more}</TxDtls>";
        $batch = static fn (string ...$details): string => '<NtryDtls>'.implode('', $details).'</NtryDtls>';
        yield 'of its only payment' => [$batch($detail('1000.00', '<Chrgs>'.$record('15.00').'</Chrgs>')), ['985.00 15.00']];
        yield 'payments that make it' => [$batch($detail('585.00'), $detail('400.00')), ['585.00', '400.00']];
        yield 'payments of which the bank took a charge of the entry' => [
            '<Chrgs>'.$record('15.00').'</Chrgs>'.$batch($detail('600.00'), $detail('400.00')),
            ['591.00 9.00', '394.00 6.00'],
        ];
        yield 'a charge that does not part evenly' => [
            '<Chrgs>'.$record('15.00').'</Chrgs>'.$batch($detail('333.33'), $detail('333.33'), $detail('333.34')),
            ['328.33 5.00', '328.33 5.00', '328.34 5.00'],
        ];
        yield 'payments with charges of their own' => [
            $batch(
                $detail('600.00', '<Chrgs>'.$record('5.00').'</Chrgs>'),
                $detail('400.00', '<Chrgs>'.$record('10.00').'</Chrgs>'),
            ),
            ['595.00 5.00', '390.00 10.00'],
        ];
        yield 'payments given after their charges' => [
            $batch($detail('585.00', '<Chrgs>'.$record('5.00').'</Chrgs>'), $detail('400.00')),
            ['585.00 5.00', '400.00'],
        ];
        yield 'payments that do not make it' => [$batch($detail('600.00'), $detail('400.00')), ['985.00']];
        yield 'payments without amounts' => [$batch('<TxDtls/>', $detail('400.00')), ['985.00']];
        yield 'one of them the other way' => [
            $batch($detail('1000.00', $side('CRDT')), $detail('15.00', $side('DBIT'))),
            ['1000.00', '-15.00'],
        ];
        yield 'amounts among their details' => [
            $batch('<TxDtls><AmtDtls><TxAmt><Amt Ccy="EUR">585.00</Amt></TxAmt></AmtDtls></TxDtls>', $detail('400.00')),
            ['585.00', '400.00'],
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('charges')]
    public function test_charges_are_what_the_bank_took_off_the_amount(string $inside, array $expected): void
    {
        self::assertSame($expected, self::told(self::only(self::entry('985.00', $inside))));
    }

    public function test_payments_that_went_out_with_a_charge(): void
    {
        $entry = self::entry(
            '1015.00',
            '<Chrgs><Rcrd><Amt Ccy="EUR">15.00</Amt></Rcrd></Chrgs><NtryDtls><TxDtls><Amt Ccy="EUR">600.00</Amt></TxDtls><TxDtls>'.
                '<Amt Ccy="EUR">400.00</Amt></TxDtls></NtryDtls>',
            'DBIT',
        );
        self::assertSame(['-609.00 9.00', '-406.00 6.00'], self::told(self::only($entry)));
    }

    public function test_whose_and_what_for(): void
    {
        $detail =
            '<NtryDtls><TxDtls><Refs><AcctSvcrRef>T-1</AcctSvcrRef><EndToEndId>E-1</EndToEndId></Refs><RltdPties><UltmtDbtr><Nm>Group'.
            '</Nm></UltmtDbtr><Dbtr><Nm>Shop</Nm></Dbtr><DbtrAcct><Id><Othr><Id>77</Id></Othr></Id></DbtrAcct></RltdPties><RmtInf>'
                .'<Ustrd>203'.
            '</Ustrd><Ustrd>01</Ustrd><Strd><CdtrRefInf><Ref>RF18</Ref></CdtrRefInf></Strd></RmtInf></TxDtls></NtryDtls>';
        $line = self::only(self::entry('1.00', "<AcctSvcrRef>B-1</AcctSvcrRef>{$detail}"))->whole;
        self::assertSame(
            ['T-1', 'E-1', 'Group', '77', "203\n01\nRF18", false],
            [
                $line->references->bank,
                $line->references->endToEnd,
                $line->payer->name,
                $line->payer->bankAccount,
                $line->payer->remittance,
                $line->isReversal,
            ],
        );
        $out = self::only(self::entry('1.00', str_replace('Dbtr', 'Cdtr', $detail), 'DBIT'))->whole;
        self::assertSame('Group', $out->payer->name);
        $bare = self::only(self::entry('1.00', '<NtryRef>1</NtryRef><AddtlNtryInf>Fee</AddtlNtryInf><RvslInd>1</RvslInd>'))->whole;
        self::assertSame(
            ['', '', 'Fee', true],
            [$bare->references->bank, $bare->references->endToEnd, $bare->payer->remittance, $bare->isReversal],
            'the number of an entry within its statement is no reference of the bank',
        );
        $returned = self::only(self::entry('1.00', '<NtryDtls><TxDtls><RtrInf><Rsn/></RtrInf></TxDtls></NtryDtls>'));
        self::assertTrue($returned->whole->isReversal);
        self::assertFalse(self::only(self::entry('1.00', '<RvslInd>false</RvslInd>'))->whole->isReversal);
    }

    public function test_value_days_and_days_with_a_time(): void
    {
        $dated = str_replace(
            '<BookgDt><Dt>2026-10-30</Dt></BookgDt>',
            '<BookgDt><DtTm>2026-10-30T23:59:00Z</DtTm></BookgDt>'.'<ValDt><DtTm>2026-10-31T00:00:00Z</DtTm></ValDt>',
            self::entry('1.00'),
        );
        self::assertSame(['2026-10-30', '2026-10-31'], [self::only($dated)->whole->bookingDate, self::only($dated)->whole->valueDate]);
        $value = str_replace('BookgDt', 'ValDt', self::entry('1.00'));
        self::assertSame('2026-10-30', self::only($value)->whole->bookingDate, 'the value day where nothing else is given');
        self::assertSame('2026-10-30', self::only(self::entry('1.00'))->whole->valueDate);
    }

    public function test_what_is_pending_is_no_money(): void
    {
        $balances = self::balance('OPBD', '10.00').self::balance('CLBD', '11.00');
        $pending = self::entry('5.00', '', 'CRDT', '<Sts><Cd>PDNG</Cd></Sts>');
        $told = self::entry('7.00', '', 'CRDT', '<Sts>INFO</Sts>');
        [$statement] = self::read(self::message($balances.self::entry('1.00').$pending.$told));
        self::assertSame('1.00', $statement->sum()->decimal());
        [$report] = self::read(self::message(self::entry('1.00').$pending.$told, 'BkToCstmrAcctRpt', 'Rpt'));
        self::assertSame(
            [[], ['1.00', '5.00']],
            [$report->movements(), array_map(static fn (BankLine $of): string => $of->amount->decimal(), $report->pending)],
        );
        $notification = static fn (string $inside): string => self::message($inside, 'BkToCstmrDbtCdtNtfctn', 'Ntfctn');
        self::assertCount(1, self::read($notification(self::entry('1.00').$pending))[0]->entries);
        foreach (
            [
                [$notification($pending), 'Notification S1 of A1 holds pending entries only'],
                [$notification(self::entry('5.00', '', 'CRDT', '<Sts><Prtry>HELD</Prtry></Sts>')), 'has the status “HELD”'],
                [self::message(self::entry('1.00')), 'has no opening booked balance'],
                [self::message(self::balance('OPBD', '1.00')), 'has no closing booked balance'],
                [self::message($balances.self::entry('2.00')), 'opening 10.00, entries 2.00, closing 11.00'],
                [self::message($balances.self::entry('1.00', '', 'BOTH')), 'does not say CRDT or DBIT'],
                [self::message($balances.'<Ntry><CdtDbtInd>CRDT</CdtDbtInd></Ntry>'), 'has no amount'],
                [$notification(str_replace('<BookgDt><Dt>2026-10-30</Dt></BookgDt>', '', self::entry('1.00'))), 'has no date'],
                ['<Document/>', 'holds no statement'],
                ['', 'not well-formed'],
                [str_replace('<Ccy>EUR</Ccy>', '', $notification('')), 'names no currency'],
            ] as [$text, $words]
        ) {
            try {
                self::read($text);
                self::fail($words);
            } catch (Refusal $refusal) {
                self::assertStringContainsString($words, $refusal->getMessage());
            }
        }
    }

    public function test_pages_are_joined_in_one_file_and_across_files(): void
    {
        $page = static fn (int $number, string $inside): string => self::message(
            "<StmtPgntn><PgNb>{$number}</PgNb><LastPgInd>false</LastPgInd></StmtPgntn>{$inside}",
        );
        $first = $page(1, self::balance('OPBD', '10.00').self::entry('1.00'));
        $second = $page(2, self::entry('2.00').self::balance('CLBD', '13.00'));
        foreach ([[$first, $second], [$second, $first]] as $files) {
            [$statement] = self::read(...$files);
            self::assertSame([100, 200], array_map(static fn (BankLine $of): int => $of->amount->minor, $statement->movements()));
        }
        $between = self::read(
            $page(1, self::balance('OPBD', '10.00').self::entry('1.00').self::balance('ITBD', '11.00')),
            $page(2, self::balance('ITBD', '11.00').self::entry('2.00').self::balance('CLBD', '13.00')),
        );
        self::assertSame(['10.00', '13.00'], [$between[0]->opening?->amount->decimal(), $between[0]->closing?->amount->decimal()]);
        self::assertCount(1, $between);
        $this->expectExceptionMessage('hand in all of them together');
        self::read($first);
    }

    public function test_document_types_are_refused_in_every_encoding(): void
    {
        $evil = '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE Document [<!ENTITY e "x">]><Document>&e;</Document>';
        foreach ([mb_convert_encoding($evil, 'UTF-16', 'UTF-8'), "\xFF\xFE".mb_convert_encoding($evil, 'UTF-16LE', 'UTF-8')] as $text) {
            try {
                self::read((string) $text);
                self::fail('A document type was taken.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString('document type', $refusal->getMessage());
            }
        }
    }

    public function test_what_is_written_is_read_again(): void
    {
        $line = static fn (int $amount, string $name, bool $back = false, ?int $charges = null): BankLine => new BankLine(
            '2026-10-30',
            '2026-10-31',
            Money::ofMinor($amount, 'EUR'),
            new BankReferences("R{$amount}", $name === '' ? '' : 'E-1'),
            new Payer($name, $name === '' ? '' : 'DE89370400440532013000', "one & <two>\nthree"),
            $charges === null ? null : Money::ofMinor($charges, 'EUR'),
            $back,
        );
        $entries = [
            new BankEntry($line(98_500, 'Café “Ñ”', false, 1_500)),
            new BankEntry($line(-300, '')),
            new BankEntry($line(-5_000, 'Shop', true)),
        ];
        $statement = new BankStatement(
            'ES9121000418450200051332',
            Currency::of('EUR'),
            'S-7',
            $entries,
            new BankBalance('2026-10-29', Money::ofMinor(-100, 'EUR')),
            new BankBalance('2026-10-30', Money::ofMinor(93_100, 'EUR')),
        );
        $written = CamtWriter::statement($statement);
        [$read] = self::read($written);
        self::assertEquals($statement->movements(), $read->movements());
        self::assertSame([$statement->account, 'S-7'], [$read->account, $read->number]);
        self::assertEquals([$statement->opening, $statement->closing], [$read->opening, $read->closing]);
        foreach (['<Cd>RCDT</Cd><SubFmlyCd>ESCT', '<Cd>MDOP</Cd><SubFmlyCd>CHRG', '<Cd>RCDT</Cd><SubFmlyCd>RRTN'] as $code) {
            self::assertStringContainsString($code, $written);
        }
        self::assertStringContainsString('<IBAN>ES9121000418450200051332</IBAN>', $written);
        self::assertDoesNotMatchRegularExpression('/[<>]=/', $written);
    }

    /** The registry of ISO 13616 as ibantools of the npm registry carries it. */
    public function test_the_length_of_an_iban_is_its_countrys(): void
    {
        $script =
            'const i = require("ibantools"); const all = i.getCountrySpecifications(); const out = {}; for (const c of Object.keys(all))'.
            ' if (all[c].IBANRegistry) out[c] = all[c].chars; console.log(JSON.stringify(out));';
        $process = new Process(['node', '-e', $script], dirname(__DIR__, 4));
        $process->mustRun();
        /** @var array<string, int> $theirs */
        $theirs = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        self::assertEquals($theirs, array_intersect_key(Iban::lengths(), $theirs));
        self::assertGreaterThan(80, count($theirs));
        self::assertTrue(Iban::isValid('GB29 NWBK 6016 1331 9268 19'));
        // Check digits that hold do not make up for a length that is not the country's.
        for ($check = 2; $check < 98; $check++) {
            $short = sprintf('DE%02d%s', $check, '3704004405320130');
            self::assertFalse(Iban::isValid($short), Mod97::holds($short) ? 'its digits hold' : 'nothing holds');
        }
        self::assertFalse(Iban::isValid('XX89370400440532013000'));
    }

    /** From memory of the registry of ISO 13616: newer countries, and territories, whose numbers are of the country they belong to. */
    public function test_lengths_that_the_library_lacks(): void
    {
        $lengths = Iban::lengths();
        foreach (['BI' => 27, 'DJ' => 27, 'FK' => 18, 'HN' => 28] as $country => $length) {
            self::assertSame($length, $lengths[$country] ?? null, $country);
        }
        self::assertSame($lengths['FI'], $lengths['AX']);
        foreach (['BL', 'GF', 'GP', 'MF', 'MQ', 'NC', 'PF', 'PM', 'RE', 'TF', 'WF', 'YT'] as $territory) {
            self::assertSame($lengths['FR'], $lengths[$territory], $territory);
        }
    }
}
