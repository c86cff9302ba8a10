<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\MendCause;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** What can be done about a cause: a correcting voucher, or carrying it with a reason. */
final class RemediesTest extends BooksTestCase
{
    /** @return iterable<string, array{list<string>, list<string>, string}> items, ledger, the cause */
    public static function mendable(): iterable
    {
        yield 'digits' => [['A,invoice,C1,2026-10-01,2026-10-31,EUR,4512.00,4512.00,,,,'], ['E1,2026-10-01,1100,s,5412.00,,A,', 'E1,2026-10-01,4000,s,,5412.00,A,'], 'amount_transposed'];
        yield 'digits, entry named' => [['A,invoice,C1,2026-10-01,2026-10-31,EUR,4512.00,4512.00,,,E1,'], ['E1,2026-10-01,1100,s,5412.00,,A,', 'E1,2026-10-01,4000,s,,5412.00,A,'], 'amount_transposed'];
        yield 'wrong side' => [['N,credit_note,C1,2026-10-01,,EUR,183.00,183.00,,,E1,'], ['E1,2026-10-01,1100,s,183.00,,N,', 'E1,2026-10-01,4000,s,,183.00,N,'], 'sign_reversed'];
        yield 'posted twice' => [['R,receipt,C1,2026-10-01,,EUR,50.00,50.00,,,E1,'], ['E1,2026-10-01,1100,s,,50.00,R,', 'E2,2026-10-02,1100,s,,50.00,R,', 'E2,2026-10-02,1500,s,50.00,,R,'], 'duplicate_in_ledger'];
        yield 'another account' => [['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,E1,'], ['E1,2026-10-01,1190,s,70.00,,A,', 'E1,2026-10-01,4000,s,,70.00,A,'], 'wrong_account'];
        yield 'no posting' => [['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,'], ['E9,2026-10-01,1500,s,1.00,,,'], 'not_in_ledger'];
        yield 'no document' => [['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,'], ['E1,2026-10-01,1100,s,70.00,,A,', 'E7,2026-10-09,1100,clean-up,1250.00,,J-7,', 'E7,2026-10-09,4000,clean-up,,1250.00,J-7,'], 'not_in_subledger'];
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
        $mend = app(MendCause::class);
        $counter = $mend->counterAccount($line, $control) ?? $settings->accounts()->numbered('4000');
        foreach ([1, 2] as $click) {
            $mend->correct('k', $control, '2026-10-31', $line->key(), $counter, '2026-10-31');
        }
        $proof = $this->report('proof');
        self::assertSame(['0.00', [], '0.00'], [$proof['difference'], $proof['causes'], $proof['unexplained']]);
        self::assertSame(1, DB::table('vouchers')->count());
        $mend->reverseVoucher('r', 1, 'on second thoughts');
        self::assertSame([$cause], array_column($this->report('proof')['causes'], 'cause'));
        $this->assertBooksHold();
    }

    public function test_carrying_explains_a_cause_while_it_stays_what_it_was(): void
    {
        $this->importBasics(['items.csv' => self::items(['A,invoice,C1,2026-10-30,2026-11-30,EUR,70.00,70.00,,,,']), 'ledger.csv' => self::ledger(['E1,2026-11-02,1100,s,70.00,,A,'])]);
        $control = app(Settings::class)->controlAccount();
        $key = app(Reports::class)->proof($control, '2026-10-31')->lines[0]->key();
        app(MendCause::class)->carry('k', $control, '2026-10-31', $key, 'posted in November');
        self::assertSame(['0.00', '-70.00', 1], [$this->report('proof')['unexplained'], $this->report('proof')['difference'], count($this->report('proof')['causes'])]);
        $this->actingAs($this->person());
        $this->get('/proof')->assertOk()->assertSee('posted in November')->assertSee('carried');
        $this->get('/')->assertOk()->assertDontSee('Explain 1 cause');
        $this->post('/proof/carried/1/withdraw', ['key' => 'w'])->assertSessionHas('done');
        self::assertSame('70.00', $this->report('proof')['unexplained']);
        $this->post('/proof/carry', ['key' => 'b', 'line' => $key, 'reason' => ' '])->assertSessionHas('refusal');
        $this->post('/proof/carry', ['key' => 'c', 'line' => 'amount_differs-9-9', 'reason' => 'x'])->assertSessionHas('refusal');
        $this->assertBooksHold();
    }

    public function test_what_a_voucher_does_not_mend_and_where_it_must_not_go(): void
    {
        $this->importBasics(['items.csv' => self::items(['A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,', 'A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,', 'B,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,']), 'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,70.00,,A,', 'E2,2026-10-01,1100,s,9.00,,B,'])]);
        $this->actingAs($this->person());
        $lines = app(Reports::class)->proof(app(Settings::class)->controlAccount(), '2026-10-31')->lines;
        self::assertSame('duplicate_in_subledger', $lines[0]->cause->value);
        foreach ([[$lines[0]->key(), '4000', '2026-10-31', 'does not mend'], [$lines[1]->key(), '1100', '2026-10-31', 'control account itself'], [$lines[1]->key(), '4000', '2026-09-30', 'locked'], [$lines[1]->key(), '77', '2026-10-31', 'no account 77'], [$lines[1]->key(), '4000', 'soon', 'not a date']] as [$key, $counter, $date, $says]) {
            if ($date === '2026-09-30') {
                $this->lock('2026-09');
            }
            $this->post('/proof/correct', ['key' => bin2hex(random_bytes(4)), 'line' => $key, 'counter' => $counter, 'date' => $date])->assertSessionHas('refusal', static fn (string $message): bool => str_contains($message, $says));
        }
        self::assertSame(0, DB::table('vouchers')->count());
        $this->post('/proof/correct', ['key' => 'good', 'line' => $lines[1]->key(), 'counter' => '4000', 'date' => '2026-10-31'])->assertSessionHas('done');
        $this->get('/vouchers/1')->assertOk()->assertSee('Reverse AJ-00001');
        $this->post('/vouchers/1/reverse', ['key' => 'z', 'reason' => 'test'])->assertSessionHas('done');
        $this->get('/vouchers/1')->assertSee('Reversed by');
        $this->assertBooksHold();
    }
}
