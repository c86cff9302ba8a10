<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Receipts\ReceiptRequest;
use App\Actions\Receipts\Way;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Batches and what would be posted for their receipts. */
final readonly class Batches
{
    public function __construct(private Settings $settings, private MoneyLines $lines, private ReceiptWorklist $worklist, private Positions $positions, private Proposals $proposals, private Drafts $drafts) {}

    /** @return list<Batch> open ones first, the latest first */
    public function all(): array
    {
        return array_values($this->rows()->orderByRaw('bp.recorded_at IS NOT NULL, b.id DESC')->limit(100)->get()->map($this->batch(...))->all());
    }

    /** @throws Refusal when there is no such batch */
    public function find(int $id): Batch
    {
        $row = $this->rows()->where('b.id', $id)->first();

        return $row instanceof stdClass ? $this->batch($row) : throw new Refusal('There is no such batch. Load the page again.');
    }

    /**
     * What posting the batch would ask for each of its receipts: the draft, else the proposal where it is certain, else the customer alone.
     *
     * @return list<ReceiptRequest>
     */
    public function requests(Batch $batch, Account $control): array
    {
        return array_map(fn (MoneyLine $line): ReceiptRequest => $this->drafts->of($line->id) ?? $this->certain($line, $control), $batch->lines);
    }

    private function certain(MoneyLine $line, Account $control): ReceiptRequest
    {
        $customerId = (int) $line->customerId;
        $proposal = $this->proposals->forItem($this->worklist->asCredit($line, $control), $this->positions->itemsToMatch($control->id, $customerId, $line->bookingDate));
        $guess = new LineGuess($line, [], true, $proposal);

        return LineGuess::requestFor($line, $customerId, $guess->isCertain() ? $proposal : null);
    }

    private function rows(): Builder
    {
        return DB::table('batches as b')->leftJoin('batch_postings as bp', 'bp.batch_id', '=', 'b.id')->select(['b.*', 'bp.recorded_at as posted_at']);
    }

    private function batch(stdClass $row): Batch
    {
        return new Batch(
            $row->id, $row->reference, Way::from($row->way), $this->settings->accounts()->withId($row->account_id), $row->date, Money::ofMinor($row->declared, $row->currency), (bool) $row->as_one, $row->who,
            $row->posted_at, $this->lines->ofBatch($row->id),
        );
    }
}
