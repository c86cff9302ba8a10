<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Proof\CustomerCorrection;
use App\Actions\Proof\CarryCause;
use App\Actions\Proof\CorrectCause;
use App\Queries\CauseAccounts;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Values\CauseCorrection;
use App\Values\CorrectionWay;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** What can be done about a cause: a correcting voucher, or carrying it with a reason. */
final class RemediesTest extends BooksTestCase
{
    /** @return iterable<string, array{list<string>, list<string>, string}> items, ledger, the cause */
    public static function mendable(): iterable
    {
        yield 'digits' => [
            ['A,invoice,C1,2026-10-01,2026-10-31,EUR,4512.00,4512.00,,,,'],
            ['E1,2026-10-01,1100,s,5412.00,,A,', 'E1,2026-10-01,4000,s,,5412.00,A,'],
            'amount_transposed',
        ];
        yield 'digits, entry named' => [
            ['A,invoice,C1,2026-10-01,2026-10-31,EUR,4512.00,4512.00,,,E1,'],
            ['E1,2026-10-01,1100,s,5412.00,,A,', 'E1,2026-10-01,4000,s,,5412.00,A,'],
            'amount_transposed',
        ];
        yield 'wrong side' => [
            ['N,credit_note,C1,2026-10-01,,EUR,183.00,183.00,,,E1,'],
            ['E1,2026-10-01,1100,s,183.00,,N,', 'E1,2026-10-01,4000,s,,183.00,N,'],
            'sign_reversed',
        ];
        yield 'posted twice' => [
            ['R,receipt,C1,2026-10-01,,EUR,50.00,50.00,,,E1,'],
            ['E1,2026-10-01,1100,s,,50.00,R,', 'E2,2026-10-02,1100,s,,50.00,R,', 'E2,2026-10-02,1500,s,50.00,,R,'],
            'duplicate_in_ledger',
        ];
        yield 'another account' => [
            ['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,E1,'],
            ['E1,2026-10-01,1190,s,70.00,,A,', 'E1,2026-10-01,4000,s,,70.00,A,'],
            'wrong_account',
        ];
        yield 'no posting' => [
            ['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,'],
            ['E9,2026-10-01,1500,s,1.00,,,'],
            'not_in_ledger',
        ];
        yield 'no document' => [
            ['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,'],
            ['E1,2026-10-01,1100,s,70.00,,A,', 'E7,2026-10-09,1100,clean-up,1250.00,,J-7,', 'E7,2026-10-09,4000,clean-up,,1250.00,J-7,'],
            'not_in_subledger',
        ];
    }

    private static function correction(
        CorrectionWay $way,
        int $control,
        string $cause,
        ?string $counter,
        ?int $customer = null,
    ): CauseCorrection {
        return new CauseCorrection($way, $control, '2026-10-31', $cause, $counter, '2026-10-31', $customer);
    }

    /**
     * @param list<string> $items
     * @param list<string> $ledger
     */
    #[DataProvider('mendable')]
    public function test_a_correcting_voucher_mends_the_cause_and_is_reversible(array $items, array $ledger, string $cause): void
    {
        $this->importBasics(['items.csv' => self::items($items), 'ledger.csv' => self::ledger($ledger)]);
        $settings = app(Settings::class);
        $control = $settings->controlAccount();
        $line = app(Reports::class)->proof($control, '2026-10-31')->lines[0];
        self::assertSame($cause, $line->cause->value);
        $mend = app(CorrectCause::class);
        $known = app(CauseAccounts::class)->of($line, $control) !== [];
        $counter = $known ? null : $settings->accounts()->numbered('4000');
        foreach ([1, 2] as $click) {
            $mend->correct('k', self::correction(CorrectionWay::Voucher, $control->id, $line->key(), $counter?->number));
        }
        $proof = $this->report('proof');
        self::assertSame(['0.00', [], '0.00'], [$proof['difference'], $proof['causes'], $proof['unexplained']]);
        self::assertSame(1, DB::table('vouchers')->count());
        $mend->reverseVoucher('r', 1, 'on second thoughts');
        self::assertSame([$cause], array_column($this->report('proof')['causes'], 'cause'));
        $this->assertBooksHold();
    }

    /**
     * @param list<string> $items
     * @param list<string> $ledger
     */
    #[DataProvider('mendable')]
    public function test_an_entry_on_the_customers_side_mends_what_is_wrong_there_and_is_reversible(
        array $items,
        array $ledger,
        string $cause,
    ): void {
        $this->importBasics(['items.csv' => self::items($items), 'ledger.csv' => self::ledger($ledger)]);
        $control = $this->control();
        $line = app(Reports::class)->proof($control, '2026-10-31')->lines[0];
        $before = $this->report('proof');
        $mend = app(CorrectCause::class);
        if (in_array($cause, ['duplicate_in_ledger', 'wrong_account'], true)) {
            self::assertFalse(CustomerCorrection::fits($line));

            return;
        }
        foreach ([1, 2] as $click) {
            $mend->correct('k', self::correction(CorrectionWay::Customer, $control->id, $line->key(), null, $this->customerId('C1')));
        }
        $proof = $this->report('proof');
        self::assertSame([$before['control'], '0.00', []], [$proof['control'], $proof['difference'], $proof['causes']]);
        self::assertSame(1, DB::table('vouchers')->count());
        $this->assertBooksHold();
        $mend->reverseVoucher('r', 1, 'the ledger was wrong after all');
        self::assertSame(
            [$cause, $before['difference']],
            [$this->report('proof')['causes'][0]['cause'], $this->report('proof')['difference']],
        );
        $this->assertBooksHold();
    }

    public function test_what_is_asked_at_the_source_is_ticked_off_when_an_import_shows_it_done(): void
    {
        $items = ['A,invoice,C1,2026-10-01,2026-10-31,EUR,4512.00,4512.00,,,,'];
        $this->importBasics(['items.csv' => self::items($items), 'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,5412.00,,A,'])]);
        $this->actingAs($this->person());
        $key = app(Reports::class)->proof($this->control(), '2026-10-31')->lines[0]->key();
        $this->post('/proof/ask', ['key' => 'a', 'line' => $key, 'request' => ' '])->assertSessionHas('refusal');
        $this->post('/proof/ask', ['key' => 'a', 'line' => $key, 'request' => 'Entry E1: 4,512.00 instead of 5,412.00'])->assertSessionHas(
            'done',
        );
        $this->get('/proof')->assertSee('asked at the source');
        $this->get('/proof/source')->assertSee('Entry E1: 4,512.00')->assertSee('asked')->assertDontSee('>done<', false);
        // Asking explains nothing yet: only the import does.
        self::assertSame('900.00', $this->report('proof')['unexplained']);
        $this->import(['ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,4512.00,,A,'])]);
        self::assertSame('0.00', $this->report('proof')['unexplained']);
        $this->get('/proof/source')->assertSee('>done<', false);
    }

    /**
     * A posting without a document and an item without a posting, put together by a person; a later version of the posting keeps its pair.
     */
    public function test_lines_are_paired_by_hand_and_parted(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-20,2026-10-31,EUR,70.00,70.00,,,,',
                'B,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E1,2026-10-01,1100,collective,72.00,,,', 'E2,2026-10-01,1100,s,5.00,,B,']),
        ]);
        $this->actingAs($this->person());
        $proof = fn () => app(Reports::class)->proof($this->control(), '2026-10-31');
        [$item, $posting] = $proof()->lines;
        self::assertSame(['not_in_ledger', 'not_in_subledger'], [$item->cause->value, $posting->cause->value]);
        $this->get('/proof?line='.$item->key())->assertSee('It belongs to other lines');
        $this->post('/proof/pair', [
            'key' => 'p',
            'line' => $item->key(),
            'others' => [$posting->key()],
            'reason' => 'collective entry of the shop',
        ])->assertSessionHas('done');
        self::assertSame(
            ['amount_differs -2.00'],
            array_map(static fn (array $cause): string => "{$cause['cause']} {$cause['amount']}", $this->report('proof')['causes']),
        );
        $this->import(['ledger.csv' => self::ledger(['E1,2026-10-01,1100,collective,70.00,,,', 'E2,2026-10-01,1100,s,5.00,,B,'])]);
        self::assertSame([], $this->report('proof')['causes']);
        $this->get('/proof')->assertSee('collective entry of the shop');
        $this->post('/proof/pairs/1/withdraw', ['key' => 'w'])->assertSessionHas('done');
        self::assertSame(['not_in_ledger', 'not_in_subledger'], array_column($this->report('proof')['causes'], 'cause'));
        $this->post('/proof/pair', ['key' => 'q', 'line' => $proof()->lines[0]->key(), 'reason' => 'alone'])->assertSessionHas('refusal');
        // A pair without a difference is looked at and parted, too.
        preg_match(
            '/name="line" value="(pair-\d+-\d+)"/',
            (string) $this->get('/proof/pairs?by=document_and_amount')->assertOk()->getContent(),
            $named,
        );
        $this->post('/proof/pair', ['key' => 'r', 'line' => $named[1], 'reason' => 'not the same goods'])->assertSessionHas('done');
        self::assertSame(4, array_sum(array_column($this->report('proof')['causes'], 'count')));
        $this->assertBooksHold();
    }

    /** R12: many postings against one item, and one posting against many, also by hand. */
    public function test_one_posting_is_paired_with_several_items_and_one_item_with_several_postings(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-20,2026-10-31,EUR,40.00,40.00,,,,', 'B,invoice,C2,2026-10-12,2026-10-31,EUR,32.00,32.00,,,,',
                'C,invoice,C1,2026-10-02,2026-10-31,EUR,9.00,9.00,,,,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,collective,72.00,,,', 'E2,2026-10-09,1100,part,4.00,,,', 'E3,2026-10-28,1100,part,5.50,,,',
            ]),
        ]);
        $this->actingAs($this->person());
        $lines = [];
        foreach (app(Reports::class)->proof($this->control(), '2026-10-31')->lines as $line) {
            $lines[$line->document() ?: $line->entry()] = $line->key();
        }
        $pair = fn (string $key, string $line, array $others) => $this->post('/proof/pair', [
            'key' => $key, 'line' => $lines[$line], 'others' => array_map(static fn (string $of): string => $lines[$of], $others),
            'reason' => 'one delivery',
        ])->assertSessionHas('done');
        $pair('p', 'E1', ['A', 'B']);
        $pair('q', 'C', ['E2', 'E3']);
        self::assertSame(
            ['amount_differs -0.50'],
            array_map(static fn (array $cause): string => "{$cause['cause']} {$cause['amount']}", $this->report('proof')['causes']),
        );
        $this->post('/proof/pairs/1/withdraw', ['key' => 'w'])->assertSessionHas('done');
        self::assertSame(4, array_sum(array_column($this->report('proof')['causes'], 'count')));
        $this->assertBooksHold();
    }

    public function test_find_this_amount_the_pair_check_and_the_pages_around_the_proof(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-20,2026-10-31,EUR,70.00,70.00,,,,',
                'B,invoice,C1,2026-10-01,2026-10-31,EUR,55.00,55.00,,,,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-20,1100,s,70.00,,A,',
                'E2,2026-10-01,1100,s,50.00,,B,',
                'E3,2026-10-04,1100,journal,15.00,,J,',
            ]),
        ]);
        $this->actingAs($this->person('reader'));
        $this->get('/find?amount=5,00')->assertOk()->assertSee('1 cause of the proof is exactly that');
        $this->get('/find?amount=65.00')->assertOk()->assertSee('Two entries together')->assertSee('a cause of the proof');
        $this->get('/find?amount=x')->assertOk()->assertSee('is not an amount');
        $list = "Invoice\tCharged\tPaid\nA\t70,00\t\nA\t\t70,00\nB\t55,00\t\nB\t55,00\t\n";
        $this->post('/pair-check', ['list' => $list, 'columns' => ['0'], 'charged' => '1', 'paid' => '2'])
            ->assertOk()
            ->assertSee('2 has its counterpart, 1 without a counterpart, 1 there twice');
        $this->post('/pair-check', [
            'list' => "Doc;Amount\nA;70.00\nA;-70.00\nC;soon\n",
            'columns' => ['0'],
            'charged' => '1',
            'paid' => '-1',
        ])
            ->assertOk()
            ->assertSee('2 has its counterpart')
            ->assertSee('Row 4: “soon” is not an amount.', false);
        $this->get('/trial-balance')->assertOk()->assertSee('135.00')->assertSee('10.00 Dr apart');
        self::assertStringStartsWith('%PDF-', (string) $this->get('/proof/statement.pdf')->assertOk()->getContent());
    }

    public function test_carrying_explains_a_cause_while_it_stays_what_it_was(): void
    {
        $this->importBasics([
            'items.csv' => self::items(['A,invoice,C1,2026-10-30,2026-11-30,EUR,70.00,70.00,,,,']),
            'ledger.csv' => self::ledger(['E1,2026-11-02,1100,s,70.00,,A,']),
        ]);
        $control = $this->control();
        $key = app(Reports::class)->proof($control, '2026-10-31')->lines[0]->key();
        app(CarryCause::class)->post('k', $control, '2026-10-31', $key, 'posted in November');
        self::assertSame(
            ['0.00', '-70.00', 1],
            [$this->report('proof')['unexplained'], $this->report('proof')['difference'], count($this->report('proof')['causes'])],
        );
        $this->actingAs($this->person());
        $this->get('/proof')->assertOk()->assertSee('posted in November')->assertSee('carried');
        $this->get('/')->assertOk()->assertDontSee('Explain 1 cause');
        $this->post('/proof/carried/1/withdraw', ['key' => 'w'])->assertSessionHas('done');
        self::assertSame('70.00', $this->report('proof')['unexplained']);
        $this->post('/proof/carry', ['key' => 'b', 'line' => $key, 'reason' => ' '])->assertSessionHas('refusal');
        $this->post('/proof/carry', ['key' => 'c', 'line' => 'amount_differs-9-9', 'reason' => 'x'])->assertSessionHas('refusal');
        $this->assertBooksHold();
    }

    public function test_a_carried_cause_comes_back_in_the_next_period(): void
    {
        $this->importBasics([
            'items.csv' => self::items(['A,invoice,C1,2026-10-20,2026-11-30,EUR,70.00,70.00,,,,']),
            'ledger.csv' => self::ledger(['E9,2026-10-01,1500,s,1.00,,,']),
        ]);
        $control = $this->control();
        app(CarryCause::class)->post(
            'k',
            $control,
            '2026-10-31',
            app(Reports::class)->proof($control, '2026-10-31')->lines[0]->key(),
            'the shop posts it next month',
        );
        self::assertSame(
            ['0.00', '70.00'],
            [$this->report('proof')['unexplained'], $this->report('proof', ['--as-of' => '2026-11-30'])['unexplained']],
        );
        $this->actingAs($this->person());
        $this->get('/proof?as_of=2026-11-30')
            ->assertOk()
            ->assertSee('Brought over from the period to 31 Oct 2026')
            ->assertSee('the shop posts it next month');
        self::assertStringContainsString('the shop posts it next month', (string) $this->get('/proof.csv?as_of=2026-10-31')->getContent());
    }

    public function test_what_a_voucher_does_not_mend_and_where_it_must_not_go(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,',
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,',
                'B,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,70.00,,A,', 'E2,2026-10-01,1100,s,9.00,,B,']),
        ]);
        $this->actingAs($this->person());
        $lines = app(Reports::class)->proof($this->control(), '2026-10-31')->lines;
        self::assertSame('duplicate_in_subledger', $lines[0]->cause->value);
        foreach (
            [
                [$lines[0]->key(), '4000', '2026-10-31', 'does not mend'],
                [$lines[1]->key(), '1100', '2026-10-31', 'control account itself'],
                [$lines[1]->key(), '4000', '2026-09-30', 'locked'],
                [$lines[1]->key(), '77', '2026-10-31', 'no account 77'],
                [$lines[1]->key(), '4000', 'soon', 'not a date'],
            ] as [$key, $counter, $date, $says]
        ) {
            if ($date === '2026-09-30') {
                $this->lock('2026-09');
            }
            $this->post('/proof/correct/voucher', [
                'key' => bin2hex(random_bytes(4)),
                'line' => $key,
                'counter' => $counter,
                'date' => $date,
            ])->assertSessionHas('refusal', static fn (string $message): bool => str_contains($message, $says));
        }
        self::assertSame(0, DB::table('vouchers')->count());
        $this->post('/proof/correct/voucher', [
            'key' => 'good',
            'line' => $lines[1]->key(),
            'counter' => '4000',
            'date' => '2026-10-31',
        ])->assertSessionHas('done');
        $this->get('/vouchers/1')->assertOk()->assertSee('Reverse AJ-00001');
        $this->post('/vouchers/1/reverse', ['key' => 'z', 'reason' => 'test'])->assertSessionHas('done');
        $this->get('/vouchers/1')->assertSee('Reversed by');
        $this->assertBooksHold();
    }
}
