<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Money\Money;
use App\Actions\Import\ImportReport;
use App\Actions\Receipts\PlaceElsewhere;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use Closure;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Money counts once (R16), whatever files bring it and in whatever order. */
final class BankFilesTest extends BooksTestCase
{
    private const IBAN = 'DE89370400440532013000';

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics();
    }

    /**
     * @param list<array{int, string, string}> $movements amount, text, reference of the bank
     * @param list<list<array{int, string}>> $details of each movement, amounts and texts
     */
    private static function camt(string $day, int $opening, array $movements, string $number = 'S', array $details = []): string
    {
        $closing = $opening + array_sum(array_column($movements, 0));
        $balance = static fn (string $code, int $minor): string => "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp>".
            self::amount($minor).
            "<Dt><Dt>{$day}</Dt></Dt></Bal>";

        return self::document(
            '053',
            'BkToCstmrStmt',
            'Stmt',
            $number,
            $balance('OPBD', $opening).$balance('CLBD', $closing).self::entries($day, $movements, $details),
        );
    }

    /**
     * @param list<array{int, string, string}> $movements
     * @param list<list<array{int, string}>> $details
     */
    private static function notification(string $day, array $movements, string $number = 'N', array $details = []): string
    {
        return self::document('054', 'BkToCstmrDbtCdtNtfctn', 'Ntfctn', $number, self::entries($day, $movements, $details));
    }

    private static function document(string $message, string $root, string $element, string $number, string $inside): string
    {
        return "<?xml version=\"1.0\"?><Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.{$message}.001.04\"><{$root}><{$element}>".
            "<Id>{$number}</Id><Acct><Id><IBAN>".
            self::IBAN.
            "</IBAN></Id><Ccy>EUR</Ccy></Acct>{$inside}</{$element}></{$root}></Document>";
    }

    private static function amount(int $minor): string
    {
        $side = $minor < 0 ? 'DBIT' : 'CRDT';

        return '<Amt Ccy="EUR">'.Money::ofMinor(abs($minor), 'EUR')->decimal()."</Amt><CdtDbtInd>{$side}</CdtDbtInd>";
    }

    /**
     * @param list<array{int, string, string}> $movements
     * @param list<list<array{int, string}>> $details
     */
    private static function entries(string $day, array $movements, array $details): string
    {
        $entries = '';
        foreach ($movements as $place => [$minor, $text, $reference]) {
            $transactions = '';
            foreach ($details[$place] ?? [[$minor, $text]] as [$part, $says]) {
                $transactions .=
                    '<TxDtls>'.self::amount($part).($says === '' ? '' : "<RmtInf><Ustrd>{$says}</Ustrd></RmtInf>").'</TxDtls>';
            }
            $entries .=
                '<Ntry>'.
                self::amount($minor).
                "<Sts>BOOK</Sts><BookgDt><Dt>{$day}</Dt></BookgDt>".
                ($reference === '' ? '' : "<AcctSvcrRef>{$reference}</AcctSvcrRef>").
                "<NtryDtls>{$transactions}</NtryDtls></Ntry>";
        }

        return $entries;
    }

    /** @param  list<array{int, string, string}>  $movements */
    private static function mt940(string $day, int $opening, array $movements, string $number = '7/1'): string
    {
        $date = str_replace('-', '', substr($day, 2));
        $say = static fn (int $minor): string => str_replace('.', ',', Money::ofMinor(abs($minor), 'EUR')->decimal());
        $side = static fn (int $minor): string => $minor < 0 ? 'D' : 'C';
        $text = ":20:X\n:25:37040044/532013000\n:28C:{$number}\n:60F:{$side($opening)}{$date}EUR{$say($opening)}\n";
        foreach ($movements as [$minor, $says, $reference]) {
            $text .= ":61:{$date}{$side($minor)}{$say($minor)}NTRFNONREF".($reference === '' ? '' : "//{$reference}")."\n:86:{$says}\n";
        }
        $closing = $opening + array_sum(array_column($movements, 0));

        return "{$text}:62F:{$side($closing)}{$date}EUR{$say($closing)}\n-\n";
    }

    /** @param  list<array{int, string, string}>  $movements */
    private static function list(string $day, array $movements): string
    {
        $rows = array_map(
            static fn (array $of): string => "{$day},".Money::ofMinor($of[0], 'EUR')->decimal().",\"{$of[1]}\",{$of[2]}\n",
            $movements,
        );

        return "date,amount,text,reference\n".implode('', $rows);
    }

    /** On books of their own, so that one case knows nothing of the other. */
    private function apart(Closure $case): void
    {
        DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
        $books = (string) file_get_contents("{$this->folder}/books.sqlite");
        $case();
        DB::disconnect();
        array_map(unlink(...), (array) glob("{$this->folder}/books.sqlite*"));
        file_put_contents("{$this->folder}/books.sqlite", $books);
        DB::reconnect();
        app()->forgetScopedInstances();
    }

    private function taken(string $name, string $content): ImportReport
    {
        $report = $this->import([$name => $content]);
        self::assertSame([], $report->refused, $name);

        return $report;
    }

    /** @return list<int> amounts that wait for a place, in order of size */
    private function waiting(): array
    {
        $lines = app(StatementLines::class);
        $amounts = array_map(static fn (StatementLine $line): int => $line->amount->minor, [
            ...$lines->toPlace('2026-12-31'),
            ...$lines->paidOut('2026-12-31'),
        ]);
        sort($amounts);

        return $amounts;
    }

    public function test_every_pair_of_formats_in_both_orders_counts_once(): void
    {
        $day = '2026-10-30';
        $movements = [
            [40_000, 'Invoice 20301', 'R1'],
            [15_000, 'Invoice 20318', 'R2'],
            [15_000, 'Invoice 20322', 'R3'],
            [-900, 'Fee', 'R4'],
        ];
        $bare = array_map(static fn (array $of): array => [$of[0], $of[1], ''], $movements);
        $files = [
            'statement.xml' => self::camt($day, 100_000, $movements),
            'other-number.xml' => self::camt($day, 100_000, $movements, 'T-9'),
            'statement.sta' => self::mt940($day, 100_000, $movements),
            'bare.sta' => self::mt940($day, 100_000, $bare, '9'),
            'notification.xml' => self::notification($day, $movements),
            'same-number.xml' => self::notification($day, $movements, 'S'),
            'bank.csv' => self::list($day, $movements),
        ];
        foreach ($files as $first => $one) {
            foreach ($files as $second => $other) {
                $this->apart(function () use ($first, $one, $second, $other): void {
                    $this->taken($first, $one);
                    self::assertSame([-900, 15_000, 15_000, 40_000], $this->waiting(), $first);
                    $this->taken($second, $other);
                    self::assertSame([-900, 15_000, 15_000, 40_000], $this->waiting(), "{$first}, then {$second}");
                    self::assertTrue($this->taken($second, $other)->changesNothing(), "{$second} again");
                });
            }
        }
    }

    public function test_a_statement_of_which_all_is_known_is_kept_and_does_not_block_the_next(): void
    {
        $movements = [[40_000, 'Invoice 20301', 'R1']];
        $this->taken('day0.xml', self::camt('2026-10-29', 90_000, [[10_000, 'x', 'R0']], 'S0'));
        $this->taken('n.xml', self::notification('2026-10-30', $movements, 'S1'));
        $this->taken('day1.xml', self::camt('2026-10-30', 100_000, $movements, 'S1'));
        $this->taken('day2.xml', self::camt('2026-10-31', 140_000, [[500, 'y', 'R2']], 'S2'));
        self::assertSame([500, 10_000, 40_000], $this->waiting());
        self::assertSame(
            [100_000, 140_000, 140_500],
            DB::table('bank_statements')->whereNotNull('closing')->orderBy('id')->pluck('closing')->all(),
        );
        $empty = $this->taken('empty.xml', self::camt('2026-11-01', 140_500, [], 'S3'));
        self::assertStringContainsString('is kept with its balances', $empty->files[0]->notices[0]);
    }

    public function test_details_and_their_sum_in_both_orders(): void
    {
        $day = '2026-10-30';
        $details = [[[25_000, 'Invoice 1'], [25_000, 'Invoice 1'], [10_000, 'Invoice 2']]];
        $sum = self::camt($day, 0, [[60_000, '', 'B1']]);
        $notification = self::notification($day, [[60_000, '', 'B1']], 'N', $details);
        $this->apart(function () use ($notification, $sum): void {
            $this->taken('n.xml', $notification);
            $this->taken('s.xml', $sum);
            self::assertSame([10_000, 25_000, 25_000], $this->waiting());
            self::assertTrue($this->taken('n.xml', $notification)->changesNothing());
        });
        $this->taken('s.xml', $sum);
        self::assertSame([60_000], $this->waiting());
        $this->taken('n.xml', $notification);
        self::assertSame([10_000, 25_000, 25_000], $this->waiting(), 'the details take the place of the sum');
        foreach ([$notification, $sum, self::mt940($day, 0, [[60_000, 'any', 'B1']])] as $again) {
            self::assertTrue($this->taken(str_starts_with($again, ':') ? 'a.sta' : 'a.xml', $again)->changesNothing());
        }
    }

    public function test_details_of_a_sum_that_was_placed_bring_nothing(): void
    {
        $this->taken('s.xml', self::camt('2026-10-30', 0, [[60_000, '', 'B1']]));
        $line = (int) DB::table('money_lines')->value('id');
        app(PlaceElsewhere::class)->setAside('k', $line, 'posted by the accounting system');
        $report = $this->taken('n.xml', self::notification('2026-10-30', [[60_000, '', 'B1']], 'N', [[[50_000, 'a'], [10_000, 'b']]]));
        self::assertTrue($report->changesNothing());
        self::assertSame([], $this->waiting());
    }

    public function test_two_lists_of_one_day_that_begin_and_end_alike(): void
    {
        $first = [[100, 'a', ''], [200, 'b', ''], [300, 'c', '']];
        $this->taken('one.csv', self::list('2026-10-30', $first));
        $this->taken('two.csv', self::list('2026-10-30', [[100, 'a', ''], [250, 'new', ''], [100, 'a', ''], [300, 'c', '']]));
        self::assertSame([100, 100, 200, 250, 300], $this->waiting());
    }

    public function test_what_cannot_be_told_apart_is_asked_and_not_posted_before_it_is_answered(): void
    {
        $this->taken('n.xml', self::notification('2026-10-30', [[40_000, 'Invoice 20301', '']]));
        $report = $this->taken('s.xml', self::camt('2026-10-30', 0, [[40_000, '', '']]));
        self::assertStringContainsString('may be known already', $report->files[0]->notices[0]);
        $line = (int) DB::table('movement_questions')->value('line_id');
        $this->refused('named this movement twice', fn () => app(PlaceElsewhere::class)->setAside('k', $line, 'x'));
        $this->actingAs($this->person());
        $this->get("/receipts?line={$line}")
            ->assertSee('named twice?')
            ->assertSee('count it once');
        $this->post("/receipts/{$line}/answer", ['key' => 'a', 'answer' => 'perhaps'])->assertSessionHas('refusal');
        $this->post("/receipts/{$line}/answer", ['key' => 'b', 'answer' => 'same'])->assertSessionHas('done');
        self::assertSame([40_000], $this->waiting());
        $this->get("/receipts?line={$line}")->assertSee('counts as another one');
        $this->post("/receipts/{$line}/answer", ['key' => 'c', 'answer' => 'another'])->assertSessionHas('done');
        self::assertSame([40_000, 40_000], $this->waiting());
        app(PlaceElsewhere::class)->setAside('d', $line, 'x');
        $this->post("/receipts/{$line}/answer", ['key' => 'e', 'answer' => 'same'])->assertSessionHas('refusal');
        $this->post('/receipts/99999/answer', ['key' => 'f', 'answer' => 'same'])->assertSessionHas('refusal');
    }

    /** @return array<string, mixed> what `./ajuste bank --json` says of the only account */
    private function bank(): array
    {
        self::assertSame(0, Artisan::call('ajuste:bank', ['--json' => true]));
        /** @var list<array<string, mixed>> $all */
        $all = json_decode(Artisan::output(), true, flags: JSON_THROW_ON_ERROR);
        [$of] = $all;
        $minor = static fn (string $amount): int => (int) str_replace('.', '', $amount);
        if ($of['closing'] !== null) {
            self::assertSame(
                $minor($of['closing']),
                $minor($of['book']) +
                    $minor($of['own_vouchers']) +
                    $minor($of['to_place']['sum']) +
                    $minor($of['undecided_out']['sum']) -
                    $minor($of['unconfirmed']['sum']) +
                    $minor($of['difference']),
            );
        }

        return $of;
    }

    public function test_bank_against_book_comes_to_nil_as_the_work_is_done(): void
    {
        self::assertSame([null, '', 0], [$this->bank()['closing'], $this->bank()['statement'], $this->bank()['to_place']['count']]);
        $this->actingAs($this->person());
        $this->get('/bank')->assertSee('has no statement yet');
        $this->import([
            'ledger.csv' => self::ledger([
                'B0,2026-09-30,1500,s,1000.00,,,',
                'B1,2026-10-30,1500,s,150.00,,R-77001,',
                'B2,2026-09-12,1500,s,60.00,,,',
            ]),
        ]);
        $movements = [[40_000, 'Invoice 20301', 'R1'], [15_000, 'pays R-77001', 'R2'], [-900, 'Fee', 'R4']];
        $this->taken('first.xml', self::camt('2026-10-01', 100_000, [], 'S0'));
        $this->taken('s.xml', self::camt('2026-10-30', 100_000, $movements));
        $of = $this->bank();
        self::assertSame(
            [
                '1541.00',
                '1210.00',
                ['count' => 1, 'sum' => '400.00'],
                ['count' => 1, 'sum' => '-9.00'],
                ['count' => 0, 'sum' => '0.00'],
                '-60.00',
            ],
            [$of['closing'], $of['book'], $of['to_place'], $of['undecided_out'], $of['unconfirmed'], $of['difference']],
            'what was posted before the first statement is in its opening balance, which lacks 60.00',
        );
        $line = (int) DB::table('money_lines')
            ->where('amount', -900)
            ->value('id');
        $this->get("/bank?line={$line}")->assertSee('No matter of receivables');
        $this->post("/bank/{$line}/decide", ['key' => 'a', 'bank' => '1500', 'reason' => 'account keeping'])->assertSessionHas('done');
        $this->get("/bank?line={$line}")->assertSee('account keeping');
        self::assertSame(1, $this->bank()['undecided_out']['count'], 'until the ledger has it');
        $this->import(['ledger.csv' => self::ledger(['B9,2026-11-02,1500,s,,9.00,,', 'B8,2026-10-30,1500,s,,9.00,,'])]);
        self::assertSame(0, $this->bank()['undecided_out']['count']);
        self::assertSame([], $this->import(['ledger.csv' => self::ledger(['B7,2026-10-20,1500,Receipt,400.00,,,'])])->refused);
        self::assertSame(['count' => 1, 'sum' => '400.00'], $this->bank()['unconfirmed'], 'ten days apart and nothing names it');
        $posting = (int) DB::table('postings')->where('entry', 'B7')->value('id');
        $this->get("/bank?posting={$posting}")->assertSee('It is the movement');
        $movement = (int) DB::table('money_lines')->where('amount', 40_000)->value('id');
        $pick = ['key' => 'p', 'bank' => '1500', 'line' => $movement, 'posting' => $posting];
        $this->post('/bank/pick', $pick)->assertSessionHas('done');
        $this->post('/bank/pick', $pick)->assertSessionHas('done');
        $of = $this->bank();
        self::assertSame([0, 0, 0], [$of['to_place']['count'], $of['undecided_out']['count'], $of['unconfirmed']['count']]);
        $this->get('/bank')->assertSee('Difference that nothing explains');
        $this->get("/receipts?line={$movement}")->assertSee('It confirms');
        $this->get('/receipts?line=99999')->assertSee('There is no such line any more');
    }

    public function test_an_account_in_another_currency_is_compared_in_its_own(): void
    {
        $this->import(['accounts.csv' => "account,name,type,role,currency,iban\n1510,Bank GBP,asset,bank,GBP,GB29NWBK60161331926819\n"]);
        $gbp = str_replace(
            ['"EUR"', '<Ccy>EUR', self::IBAN],
            ['"GBP"', '<Ccy>GBP', 'GB29NWBK60161331926819'],
            self::camt('2026-10-30', 0, [[10_000, 'x', 'R1']]),
        );
        $this->taken('s.xml', $gbp);
        $head = "entry,date,account,description,debit,credit,currency,currency_amount\n";
        $this->import(['ledger.csv' => "{$head}B1,2026-10-30,1510,s,116.00,,,\n"]);
        $all = fn (): array => array_column(
            (array) json_decode(
                (function (): string {
                    Artisan::call('ajuste:bank', ['--json' => true]);

                    return Artisan::output();
                })(),
                true,
            ),
            null,
            'account',
        )['1510'];
        self::assertNull($all()['book'], 'the ledger gives no amount in pounds');
        $this->actingAs($this->person());
        $this->get('/bank?bank=1510')->assertSee('cannot be compared in GBP');
        $this->import(['ledger.csv' => "{$head}B1,2026-10-30,1510,s,116.00,,GBP,100.00\n"]);
        self::assertSame(
            ['100.00', '100.00', 0, '0.00'],
            [$all()['closing'], $all()['book'], $all()['to_place']['count'], $all()['difference']],
        );
    }

    public function test_pending_is_shown_and_no_money(): void
    {
        $report = str_replace(
            'camt.053',
            'camt.052',
            str_replace(['BkToCstmrStmt', 'Stmt>'], ['BkToCstmrAcctRpt', 'Rpt>'], self::camt('2026-10-30', 0, [[40_000, 'soon', 'R1']])),
        );
        $taken = $this->taken('report.xml', $report);
        self::assertStringContainsString('1 pending', $taken->files[0]->notices[0]);
        self::assertSame([], $this->waiting());
        self::assertTrue($this->taken('report.xml', $report)->changesNothing());
        self::assertSame(1, DB::table('pending_movements')->count());
    }

    public function test_another_account_is_refused_where_the_books_know_their_own(): void
    {
        $this->import(['accounts.csv' => "account,name,type,role,currency,iban\n1010,Bank,asset,bank,EUR,ES9121000418450200051332\n"]);
        $report = $this->import(['s.xml' => self::camt('2026-10-30', 0, [[100, 'x', 'R1']])]);
        self::assertStringContainsString('kept at ES9121000418450200051332', $report->refused[0]->expected);
    }
}
