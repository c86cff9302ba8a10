<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Settlement\PlacementKind;
use App\Values\BatchPosting;
use App\Values\ReceiptRequest;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Batches and what would be posted for their receipts. */
final readonly class Batches
{
    public function __construct(
        private Settings $settings,
        private StatementLines $lines,
        private Positions $positions,
        private Proposals $proposals,
        private Drafts $drafts,
    ) {}

    /** @return list<Batch> open ones first, the latest first */
    public function all(): array
    {
        return array_values(
            $this->rows()->orderByRaw('bp.recorded_at IS NOT NULL, b.id DESC')->limit(100)->get()->map($this->batch(...))->all(),
        );
    }

    /** @throws Refusal when there is no such batch */
    public function find(int $id): Batch
    {
        $row = $this->rows()->where('b.id', $id)->first();

        return $row instanceof stdClass ? $this->batch($row) : throw Refusal::notFound('There is no such batch. Load the page again.');
    }

    /**
     * What posting the batch would ask for each of its receipts: the draft, else the proposal where it is certain, else the customer alone.
     *
     * @return list<ReceiptRequest>
     */
    public function requests(Batch $batch, Account $control): array
    {
        return array_map(
            fn (StatementLine $line): ReceiptRequest => $this->drafts->of($line->id) ?? $this->certain($line, $control),
            $batch->lines,
        );
    }

    private function certain(StatementLine $line, Account $control): ReceiptRequest
    {
        $customerId = (int) $line->origin->customerId;
        $credit = LineGuess::asCredit($line, $control, $this->settings->base());
        $proposal = $this->proposals->forItem($credit, $this->positions->takeableOf($control->id, $customerId, $line->dates->booking));
        $guess = new LineGuess($line, [], $proposal);

        return LineGuess::requestFor($line, $customerId, $guess->isCertain() ? $proposal : null);
    }

    private function rows(): Builder
    {
        return DB::table('batches as b')
            ->leftJoin('batch_postings as bp', 'bp.batch_id', '=', 'b.id')
            ->select(['b.*', 'bp.recorded_at as posted_at']);
    }

    private function batch(stdClass $row): Batch
    {
        $head = new BatchHead(
            $row->reference,
            PaymentWay::from($row->way),
            $this->settings->accounts()->withId($row->account_id),
            $row->date,
        );

        return new Batch(
            $row->id,
            $head,
            Money::ofMinor($row->declared, $row->currency),
            BatchPosting::from($row->as_one),
            $row->who,
            $row->posted_at,
            $this->lines->ofBatch($row->id),
        );
    }

    /** @return array<int, PlacedReceipt> by line; of a batch that is not posted none */
    public function placed(Batch $batch): array
    {
        $receipts = DB::table('placements as p')
            ->join('items as i', 'i.id', '=', 'p.item_id')
            ->join('vouchers as v', 'v.id', '=', 'i.voucher_id')
            ->whereIn('p.line_id', array_map(static fn (StatementLine $line): int => $line->id, $batch->lines))
            ->where('p.kind', PlacementKind::Receipt->value)
            ->orderBy('p.id')
            ->get(['p.line_id', 'i.root_id', 'v.number']);
        $settled = Matches::standing()
            ->join('items as d', static function ($join): void {
                $join->on('d.root_id', '=', 'm.debit_item_id')->whereNull('d.superseded_at');
            })
            ->whereIn('credit_item_id', $receipts->pluck('root_id'))
            ->where('m.amount', '>', 0)
            ->orderBy('m.id')
            ->get(['credit_item_id', 'd.document'])
            ->groupBy('credit_item_id');
        $placed = [];
        foreach ($receipts as $receipt) {
            $documents = ($settled[$receipt->root_id] ?? collect())->pluck('document')->unique();
            $placed[$receipt->line_id] = new PlacedReceipt($receipt->number, array_map(strval(...), array_values($documents->all())));
        }

        return $placed;
    }
}
