<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Movements of money and where they were put. */
final class MoneyLines
{
    /**
     * What has no place yet: money that came in, and what was taken back by the bank. Lines of a batch wait for the batch.
     *
     * @return list<MoneyLine> oldest first
     */
    public function toPlace(string $asOf): array
    {
        return $this->get($this->unplaced($asOf)->where(static fn (Builder $query) => $query->where('l.amount', '>', 0)->orWhere('l.is_reversal', 1))->whereNull('l.batch_id'));
    }

    /** @return list<MoneyLine> money that went out and was not taken back by the bank; some of it are refunds */
    public function paidOut(string $asOf): array
    {
        return $this->get($this->unplaced($asOf)->where('l.amount', '<', 0)->where('l.is_reversal', 0));
    }

    /** @return list<MoneyLine> */
    public function ofBatch(int $batchId): array
    {
        return $this->get($this->lines()->where('l.batch_id', $batchId)->whereNull('l.divided_by'));
    }

    /** @return list<MoneyLine> the parts into which a standing placement divided a line */
    public function partsOf(int $placementId): array
    {
        return $this->get($this->lines()->where('l.divided_by', $placementId));
    }

    /** How many lines up to the day went out and are no matter of receivables. */
    public function out(string $asOf): int
    {
        return $this->unplaced($asOf)->where('l.amount', '<', 0)->where('l.is_reversal', 0)->count();
    }

    /** @return array<string, int> how many stand placed, by kind */
    public function placed(string $asOf): array
    {
        return DB::table('placements as p')->join('money_lines as l', 'l.id', '=', 'p.line_id')->where('l.booking_date', '<=', $asOf)->whereNotExists(self::reversed(...))
            ->groupBy('p.kind')->selectRaw('p.kind, count(*) AS n')->pluck('n', 'kind')->all();
    }

    /**
     * The lines in one currency added up; others are left out.
     *
     * @param list<MoneyLine> $lines
     */
    public static function sum(array $lines, Currency $currency): Money
    {
        return Money::ofMinor(array_sum(array_map(static fn (MoneyLine $line): int => $line->amount->currency->code === $currency->code ? $line->amount->minor : 0, $lines)), $currency);
    }

    /**
     * Lines by bank reference, cheque number, the payment's name or amount; each with the document that it became.
     *
     * @param ?int $amount minor units
     * @param bool $inWords also by any part of the payer or of what the payer wrote
     * @return list<array{MoneyLine, ?int}> the latest first, with an item
     */
    public function search(string $asked, ?int $amount, bool $inWords, int $most): array
    {
        $like = '%'.addcslashes($asked, '%_\\').'%';
        $found = $this->get($this->lines()->where(static fn (Builder $query) => $query->where('l.reference', $asked)->orWhere('l.end_to_end', $asked)
            ->when($inWords, static fn (Builder $inner) => $inner->orWhereRaw("l.reference LIKE ? ESCAPE '\\'", [$like])->orWhereRaw("l.party LIKE ? ESCAPE '\\'", [$like])->orWhereRaw("l.remittance LIKE ? ESCAPE '\\'", [$like]))
            ->when($amount !== null, static fn (Builder $inner) => $inner->orWhere('l.amount', $amount)->orWhere('l.amount', -(int) $amount)))->orderByDesc('l.booking_date')->limit($most));
        $items = DB::table('placements as p')->whereIn('p.line_id', array_column($found, 'id'))->whereNotNull('p.item_id')->whereNotExists(self::reversed(...))->pluck('p.item_id', 'p.line_id');

        return array_map(static fn (MoneyLine $line): array => [$line, $items[$line->id] ?? null], $found);
    }

    /** @throws Refusal when there is no such line */
    public function find(int $id): MoneyLine
    {
        $row = $this->lines()->where('l.id', $id)->first();

        return $row instanceof stdClass ? $this->line($row) : throw new Refusal('There is no such line. Load the page again.');
    }

    private function unplaced(string $asOf): Builder
    {
        return $this->lines()->where('l.booking_date', '<=', $asOf)
            ->whereNotExists(static fn (Builder $query) => $query->from('placements as p')->whereColumn('p.line_id', 'l.id')->whereNotExists(self::reversed(...)))
            // A part counts as long as the line stands divided.
            ->whereNotExists(static fn (Builder $query) => $query->from('placement_reversals as d')->whereColumn('d.placement_id', 'l.divided_by'));
    }

    public static function reversed(Builder $query): void
    {
        $query->from('placement_reversals as r')->whereColumn('r.placement_id', 'p.id');
    }

    private function lines(): Builder
    {
        return DB::table('money_lines as l')->leftJoin('placements as division', 'division.id', '=', 'l.divided_by')->select(['l.*', 'division.line_id as part_of']);
    }

    /** @return list<MoneyLine> */
    private function get(Builder $query): array
    {
        return array_values($query->orderBy('l.booking_date')->orderBy('l.id')->get()->map($this->line(...))->all());
    }

    private function line(stdClass $row): MoneyLine
    {
        return new MoneyLine(
            $row->id, $row->account_id, $row->booking_date, $row->value_date, Money::ofMinor($row->amount, $row->currency), Money::ofMinor($row->charges, $row->currency),
            $row->reference, $row->end_to_end, $row->party, $row->party_account, $row->remittance, $row->way, $row->batch_id, $row->customer_id, $row->part_of, (bool) $row->is_reversal,
        );
    }
}
