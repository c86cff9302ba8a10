<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Proof\Accrual;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\Proof;
use App\Actions\Proof\CorrectCause;
use App\Queries\CauseAccounts;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Values\CauseCorrection;
use App\Values\CorrectionWay;
use Database\Seeders\DemoFiles;
use Illuminate\Support\Facades\DB;

/** The month of the demo, with every fault that the proof can name, is worked to a difference of nil. */
final class OctoberTest extends BooksTestCase
{
    private const DAY = '2026-10-31';

    protected function setUp(): void
    {
        parent::setUp();
        self::assertNotNull($this->import((new DemoFiles)->handedOver())->importId);
        $this->import(['settings.csv' => "name,value\napproval_limit,1000000.00\n"]);
        $this->lock('2026-09');
    }

    private function proof(string $day = self::DAY): Proof
    {
        return app(Reports::class)->proof($this->control(), $day);
    }

    private function remedy(CauseLine $cause): void
    {
        $mend = app(CorrectCause::class);
        $key = "k{$cause->key()}";
        if ($cause->cause === Cause::CutOff) {
            self::assertTrue(Accrual::fits($cause));
            $mend->correct($key, $this->correction(CorrectionWay::Accrual, $cause));
        } elseif ($cause->cause === Cause::DuplicateInSubledger) {
            self::assertTrue(CustomerCorrection::fits($cause));
            $customer = $this->customerId($cause->customer());
            $mend->correct($key, $this->correction(CorrectionWay::Customer, $cause, null, $customer));
        } else {
            $known = app(CauseAccounts::class)->of($cause, $this->control()) !== [];
            $counter = $known ? null : app(Settings::class)->accounts()->numbered('4000');
            $mend->correct($key, $this->correction(CorrectionWay::Voucher, $cause, $counter?->number));
        }
    }

    private function correction(CorrectionWay $way, CauseLine $cause, ?string $counter = null, ?int $customer = null): CauseCorrection
    {
        return new CauseCorrection($way, $this->control()->id, self::DAY, $cause->key(), $counter, self::DAY, $customer);
    }

    private function workOff(): void
    {
        for ($turn = 0; $turn < 30 && ($cause = $this->proof()->lines[0] ?? null) !== null; $turn++) {
            $this->remedy($cause);
        }
    }

    public function test_every_cause_has_a_remedy_and_the_aged_list_ties(): void
    {
        self::assertSame('3804.89', $this->report('proof')['difference']);
        $this->workOff();
        $proof = $this->report('proof');
        self::assertSame(['0.00', [], '0.00'], [$proof['difference'], $proof['causes'], $proof['unexplained']]);
        self::assertSame(['0.00', $proof['control']], [$this->report('aged')['difference'], $this->report('aged')['totals']['total']]);
        // The late postings come in November: with the accruals and their mirrors they make no cause.
        self::assertSame([], $this->proof('2026-11-30')->lines);
        $this->assertBooksHold();
    }

    public function test_three_invoices_that_are_not_posted_are_posted_together(): void
    {
        $this->actingAs($this->person());
        $form = ['cause' => 'not_in_ledger', 'date' => self::DAY, 'counter' => '4000'];
        foreach ([1, 2] as $click) {
            $this->post('/proof/correct/voucher_for_each', ['key' => 'all', ...$form])->assertSessionHas('done');
        }
        self::assertSame(3, DB::table('vouchers')->count());
        self::assertSame([], array_filter($this->proof()->lines, static fn (CauseLine $of): bool => $of->cause === Cause::NotInLedger));
        $this->post('/proof/correct/voucher_for_each', ['key' => 'more', ...$form])->assertSessionHas('refusal');
        $this->post('/proof/correct/voucher_for_each', ['key' => 'odd', ...$form, 'cause' => 'x'])->assertSessionHas('refusal');
        $this->post('/proof/not-needed', ['key' => 'none'])->assertSessionHas('refusal');
        $late = array_values(array_filter($this->proof()->lines, static fn (CauseLine $of): bool => $of->cause === Cause::CutOff));
        $this->post('/proof/correct/accrual', ['key' => 'a', 'line' => $late[0]->key(), 'counter' => ''])->assertSessionHas('done');
        $this->get('/proof')->assertOk();
    }

    public function test_what_the_source_mends_too_is_named_as_no_longer_needed_and_reversed_by_one_key(): void
    {
        $this->workOff();
        $foreseen = $this->import((new DemoFiles)->mended(), rehearse: true)->needless;
        self::assertNotNull($this->import((new DemoFiles)->mended())->importId);
        self::assertCount($foreseen, $this->proof()->lines, 'the preview says so beforehand');
        $causes = array_map(static fn (CauseLine $line): string => "{$line->cause->value} {$line->document()}", $this->proof()->lines);
        self::assertSame([], array_values(array_filter(
            $causes, static fn (string $cause): bool => ! str_starts_with($cause, Cause::NotNeeded->value),
        )));
        self::assertNotSame([], $causes);
        app(CorrectCause::class)->reverseNotNeeded('n', $this->control(), self::DAY);
        self::assertSame([], $this->proof()->lines);
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame([], DB::select("SELECT 1 FROM vouchers WHERE date < '2026-10-01'"));
        $this->assertBooksHold();
    }
}
