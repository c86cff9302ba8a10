<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtReader;
use Ajuste\Core\Exchange\Bank\Mt940Reader;
use Ajuste\Core\Exchange\Bank\StatementPage;
use Ajuste\Core\Exchange\Bank\StatementPages;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Throwable;

final class StatementTest extends TestCase
{
    private static function fixture(): string
    {
        return (string) file_get_contents(dirname(__DIR__, 3).'/fixtures/camt053-08.xml');
    }

    /** @return list<BankStatement> */
    private static function camt(string $xml): array
    {
        return self::whole(CamtReader::read($xml));
    }

    /** @return list<BankStatement> */
    private static function mt940(string $text): array
    {
        return self::whole(Mt940Reader::read($text));
    }

    /**
     * @param list<BankStatement|StatementPage> $read
     * @return list<BankStatement>
     */
    private static function whole(array $read): array
    {
        $pages = new StatementPages();

        return [...$pages->add($read), ...$pages->rest()];
    }

    /** The same statement as an earlier version of the message writes it. */
    private static function version(string $version): string
    {
        return (string) preg_replace(
            [
                '/camt\.053\.001\.08/',
                '~<Sts><Cd>(\w+)</Cd></Sts>~',
                '~<Dbtr><Pty>(.*?)</Pty></Dbtr>~',
                '/BICFI/',
                '~(</Refs>)<Amt Ccy="EUR">([\d.]+)</Amt><CdtDbtInd>CRDT</CdtDbtInd>~',
            ],
            [
                "camt.053.001.{$version}",
                '<Sts>$1</Sts>',
                '<Dbtr>$1</Dbtr>',
                'BIC',
                '$1<AmtDtls><TxAmt><Amt Ccy="EUR">$2</Amt></TxAmt></AmtDtls>',
            ],
            self::fixture(),
        );
    }

    /** @return array<int, array{number: string, opening: int, closing: int, entries: list<int>, references?: list<string>}> */
    private static function byOthers(string $path): array
    {
        $process = new Process(['node', dirname(__DIR__, 3).'/statements.mjs', $path], dirname(__DIR__, 4));
        $process->mustRun();
        /** @var array<int, array{number: string, opening: int, closing: int, entries: list<int>, references?: list<string>}> $read */
        $read = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);

        return $read;
    }

    /** @return iterable<string, array{string}> */
    public static function versions(): iterable
    {
        yield '08' => [self::fixture()];
        foreach (['02', '04', '06'] as $version) {
            yield $version => [self::version($version)];
        }
        yield 'with a prefix' => [(string) preg_replace(['~<(/?)(?=[A-Z])~', '/xmlns=/'], ['<$1c:', 'xmlns:c='], self::fixture())];
    }

    #[DataProvider('versions')]
    public function test_camt_053_in_every_version(string $xml): void
    {
        self::assertTrue(CamtReader::recognises(substr($xml, 0, 2000)));
        [$statement] = self::camt($xml);
        self::assertSame(
            ['ES9121000418450200051332', '2026-211', '10000.00', '13092.15'],
            [$statement->account, $statement->number, $statement->opening?->amount->decimal(), $statement->closing?->amount->decimal()],
        );
        self::assertSame(
            [
                '2026-10-30 2026-10-29 987.15 Almadraba Foods ES7921000813610123456789 20301, 20318, 20322 AF-5518',
                '2026-10-30 2026-10-30 1150.00 Tiendas Romeral  RF18539007547034 ',
                '2026-10-30 2026-10-30 1000.00 Obrador Nublares   E2',
                '2026-10-30 2026-10-30 -45.00   Returned payment ',
            ],
            array_map(
                static fn (
                    BankLine $line,
                ): string => "{$line->bookingDate} {$line->valueDate} {$line->amount->decimal()} {$line->payer->name}".
                    " {$line->payer->bankAccount} {$line->payer->remittance} {$line->references->endToEnd}",
                $statement->movements(),
            ),
        );
        self::assertSame(
            [false, false, false, true],
            array_map(static fn (BankLine $line): bool => $line->isReversal, $statement->movements()),
        );
    }

    /** Against iso20022.js, a parser of the npm registry. */
    public function test_camt_agrees_with_an_independent_parser(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'camt');
        file_put_contents($path, self::version('02'));
        $theirs = self::byOthers($path)[0];
        unlink($path);
        [$ours] = self::camt(self::version('02'));
        self::assertSame(
            [$theirs['number'], $theirs['opening'], $theirs['closing']],
            [$ours->number, $ours->opening?->amount->minor, $ours->closing?->amount->minor],
        );
        // That parser keeps a batch as one and lists what is only pending.
        self::assertSame([98715, 215000, -4500, 7700], $theirs['entries']);
        self::assertSame(array_sum($theirs['entries']) - 7700, $ours->sum()->minor);
    }

    /** Against mt940js and on the sample files within that package (Apache License 2.0). */
    public function test_mt940_agrees_with_an_independent_parser_on_its_own_samples(): void
    {
        foreach (['test1', 'testX'] as $name) {
            $path = dirname(__DIR__, 4)."/node_modules/mt940js/test/{$name}.mt940";
            $text = (string) file_get_contents($path);
            self::assertTrue(Mt940Reader::recognises(substr($text, 0, 2000)));
            $ours = self::mt940($text);
            $theirs = self::byOthers($path);
            self::assertCount(count($theirs), $ours);
            foreach ($theirs as $place => $statement) {
                self::assertSame($statement['opening'], $ours[$place]->opening?->amount->minor);
                self::assertSame($statement['closing'], $ours[$place]->closing?->amount->minor);
                self::assertSame(
                    $statement['entries'],
                    array_map(static fn (BankLine $line): int => $line->amount->minor, $ours[$place]->movements()),
                );
                self::assertSame(
                    $statement['references'] ?? [],
                    array_map(
                        static fn (BankLine $line): string => $line->references->bank ?: $line->references->endToEnd,
                        $ours[$place]->movements(),
                    ),
                );
            }
        }
    }

    public function test_mt940_with_sub_fields_and_dates_around_new_year(): void
    {
        [$statement] = self::mt940(
            ":20:X\n:25:10020030/1234567\n:28C:1/1\n:60F:D261231JPY1000,\n:61:2612310102RD500,NTRFNONREF\n".
                ":86:166?00GUTSCHRIFT?20SVWZ+RECHNUNG 20301?21 UND 20318?30VALDESM0XXX?31ES7921000813610123456789?32ALMADRABA?33 FOODS\n".
                ":62F:D270102JPY500,\n-",
        );
        $line = $statement->movements()[0];
        self::assertSame(
            [
                '1234567',
                '2027-01-02',
                '2026-12-31',
                '500',
                'ALMADRABA FOODS',
                'ES7921000813610123456789',
                "RECHNUNG 20301\n UND 20318",
                true,
            ],
            [
                $statement->account,
                $line->bookingDate,
                $line->valueDate,
                $line->amount->decimal(),
                $line->payer->name,
                $line->payer->bankAccount,
                $line->payer->remittance,
                $line->isReversal,
            ],
        );
    }

    public function test_a_statement_that_does_not_add_up_is_refused_with_the_three_figures(): void
    {
        $this->expectExceptionMessage('opening 10,000.00, entries 3,092.15, closing 13,092.16');
        self::camt(str_replace('13092.15', '13092.16', self::fixture()));
    }

    public function test_a_gap_between_two_statements_is_refused(): void
    {
        [$statement] = self::camt(self::fixture());
        $statement->refuseGap(null);
        $statement->refuseGap(Money::parse('10000.00', 'EUR'));
        $this->expectExceptionMessage('closed at 9,999.00: 1.00 is between them');
        $statement->refuseGap(Money::parse('9999.00', 'EUR'));
    }

    public function test_notifications_have_no_balances(): void
    {
        $xml = (string) preg_replace(
            ['/camt\.053/', '/BkToCstmrStmt/', '~<(/?)Stmt>~', '~\s*<Bal>.*?</Bal>~s'],
            ['camt.054', 'BkToCstmrDbtCdtNtfctn', '<$1Ntfctn>', ''],
            self::fixture(),
        );
        [$notification] = self::camt($xml);
        self::assertNull($notification->opening);
        self::assertCount(4, $notification->movements());
    }

    public function test_charges_kept_back_by_the_bank(): void
    {
        $xml = str_replace(
            '<AcctSvcrRef>VGM-1</AcctSvcrRef>',
            '<AcctSvcrRef>VGM-1</AcctSvcrRef><Chrgs><TtlChrgsAndTaxAmt Ccy="EUR">15.00</TtlChrgsAndTaxAmt></Chrgs>',
            self::fixture(),
        );
        self::assertSame('15.00', self::camt($xml)[0]->movements()[0]->charges?->decimal());
    }

    public function test_entities_and_document_types_are_never_opened(): void
    {
        foreach (
            [
                '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>',
                '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b '.'"&a;&a;&a;">]>',
            ] as $evil
        ) {
            try {
                self::camt(str_replace('<Document', "{$evil}<Document", self::fixture()));
                self::fail('A document type was taken.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString('document type', $refusal->getMessage());
            }
        }
    }

    /** A thousand mutations, twenty thousand in the long run: read or refused in words, never an error. */
    public function test_mutated_statements_are_read_or_refused(): void
    {
        mt_srand(1000);
        $samples = [
            self::fixture(),
            self::version('02'),
            (string) file_get_contents(dirname(__DIR__, 4).'/node_modules/mt940js/test/test1.mt940'),
        ];
        $refused = 0;
        $tries = getenv('LONG') === false ? 1_000 : 20_000;
        for ($try = 0; $try < $tries; $try++) {
            $text = $samples[$try % 3];
            for ($cut = 0; $cut < mt_rand(1, 3); $cut++) {
                $at = mt_rand(0, strlen($text) - 2);
                $text = match (mt_rand(0, 3)) {
                    0 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
                    1 => substr($text, 0, $at).substr($text, $at + mt_rand(1, 200)),
                    2 => substr($text, 0, $at).substr($text, (int) ($at / 2), mt_rand(1, 80)).substr($text, $at),
                    default => (string) preg_replace('/\d{4}/', (string) mt_rand(0, 99999), $text, 1),
                };
            }
            try {
                $read = $try % 3 === 2 ? self::mt940($text) : self::camt($text);
                self::assertContainsOnlyInstancesOf(BankStatement::class, $read);
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
                $refused++;
            } catch (Throwable $error) {
                self::fail("Mutation {$try}: ".$error::class." {$error->getMessage()}");
            }
        }
        self::assertGreaterThan($tries * 0.3, $refused);
    }
}
