<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlannedMatch;
use Ajuste\Core\Posting\PlannedVoucher;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\TrailEntry;
use Ajuste\Core\Posting\UndoneMatch;
use Ajuste\Core\Subledger\Movement;
use App\Models\AuditRecord;
use App\Models\Voucher;
use App\Queries\NumberSeries;
use App\Support\Actor;
use App\Support\AuditTrail;
use Generator;
use Illuminate\Support\Facades\DB;

/** Writes a plan into the books, in the transaction of the one action that posts plans. */
final readonly class Recorder
{
    /** Matches that are written together. */
    private const TOGETHER = 1_000;

    public function __construct(
        private Actor $actor,
        private AuditTrail $audit,
        private FactRecorder $facts,
        private NumberSeries $series,
    ) {}

    /** @return int the key of what the plan is about */
    public function record(PostingPlan $plan): int
    {
        $rows = new PostedRows($this->actor);
        $keys = new PlanKeys();
        foreach ($plan->undone as $undone) {
            $rows->reverseMatch($undone->matchId, $undone->date, $undone->reason);
        }
        $rows->refreshItemsOf(array_map(static fn (UndoneMatch $undone): int => $undone->matchId, $plan->undone));
        $keys->settlements = $rows->settlements($plan->settlements);
        $this->facts->begin($plan, $keys, $rows->recordedAt);
        foreach ($plan->vouchers as $voucher) {
            $keys->vouchers[] = $this->voucher($rows, $voucher, $keys);
        }
        foreach ($plan->items as $item) {
            $keys->items[] = $this->item($rows, $item, $keys);
        }
        $this->matches($rows, $plan->matches, $keys);
        $rows->settle();
        $this->facts->record($plan, $keys, $rows->recordedAt);
        $rows->flush();
        $this->audit->append(array_map(
            fn (TrailEntry $of): AuditRecord => $this->audit->entry(
                $of->what, "{$of->about->kind->value} {$keys->of($of->about)}", $of->why, $of->details,
            ),
            $plan->notes->trail,
        ));

        return $keys->of($plan->about);
    }

    /**
     * In a run one item is matched many times; what it has open is written for many matches together.
     *
     * @param list<PlannedMatch> $matches
     */
    private function matches(PostedRows $rows, array $matches, PlanKeys $keys): void
    {
        foreach (array_chunk($matches, self::TOGETHER) as $some) {
            $this->matchSome($rows, $some, $keys);
        }
    }

    /** @param  list<PlannedMatch>  $matches */
    private function matchSome(PostedRows $rows, array $matches, PlanKeys $keys): void
    {
        $moved = [];
        foreach ($matches as $match) {
            $settlement = $match->settlement === null ? null : $keys->settlements[$match->settlement];
            $of = new MatchedAmounts($match->amount, $match->debitBase, $match->creditBase);
            [$debit, $credit] = [$keys->item($match->debit), $keys->item($match->credit)];
            $rows->matchTogether($match->date, $debit, $credit, $of, MatchSource::settlement($settlement));
            $moved[$debit][] = new Movement($match->date, $match->amount->minor, $match->debitBase->minor);
            $moved[$credit][] = new Movement($match->date, $match->amount->minor, $match->creditBase->minor);
        }
        $rows->move($moved);
    }

    /** Writes a voucher: its lines first, then itself, so that the database sees that it balances. */
    private function voucher(PostedRows $rows, PlannedVoucher $planned, PlanKeys $keys): PostedVoucher
    {
        $id = 1 + (int) DB::table('vouchers')->max('id');
        $number = $this->series->number(Setting::SeriesVouchers, $planned->voucher->date, $id);
        $rows->postings($this->lines($planned, $id, $number));
        // A reversal belongs where the voucher belongs that it takes back.
        $reversed = $planned->reverses === null ? null : Voucher::query()->findOrFail($planned->reverses);
        $settlement = $planned->settlement === null ? null : $keys->settlements[$planned->settlement];
        DB::table('vouchers')->insert([
            'id' => $id,
            'number' => $number,
            'date' => $planned->voucher->date,
            'text' => $planned->voucher->text,
            'run_id' => $planned->run ?? ($reversed !== null ? $reversed->run_id : ($settlement === null ? $keys->run : null)),
            'settlement_id' => $reversed !== null ? $reversed->settlement_id : $settlement,
            'reverses_id' => $planned->mirrors === null ? $planned->reverses : $keys->vouchers[$planned->mirrors]->id,
            'who' => $this->actor->who,
            'recorded_at' => $rows->recordedAt,
        ]);

        return new PostedVoucher($id, $number);
    }

    /** @return Generator<int, PostingRow> */
    private function lines(PlannedVoucher $planned, int $id, string $number): Generator
    {
        $places = [];
        foreach ($planned->voucher->lines as $line) {
            $places[$line->account->id] = ($places[$line->account->id] ?? 0) + 1;
            $source = $line->source === '' ? 'ajuste' : $line->source;
            yield new PostingRow(
                $number,
                $places[$line->account->id],
                $planned->voucher->date,
                $line->account->id,
                $line->base->minor,
                new PostingText($line->description, $line->document, $line->customer, $line->reference, $source),
                RowSource::voucher($id),
                $line->original,
            );
        }
    }

    private function item(PostedRows $rows, NewItem $item, PlanKeys $keys): int
    {
        $voucher = $keys->vouchers[$item->voucher];
        [$head, $corrects] = [$item->head, $item->corrects];
        $occurrence = $rows->nextOccurrence($head->document, $head->kind, $head->account->customerId);

        return $rows->item(
            new ItemRow(
                $head,
                $item->amount,
                $item->base,
                $occurrence,
                RowSource::voucher($voucher->id),
                $item->entry !== '' ? $item->entry : $voucher->number,
                links: new ItemLinks($corrects === null ? null : $keys->item($corrects)),
            ),
        );
    }
}
