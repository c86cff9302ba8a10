<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payer;
use App\Support\PlainText;
use Closure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Statement lines, receipts typed by hand, and where they were put. */
final class StatementLines
{
    /**
     * What has no place yet: money that came in, and what was taken back by the bank. Lines of a batch wait for the batch.
     *
     * @return list<StatementLine> oldest first
     */
    public function toPlace(string $asOf): array
    {
        return $this->get(
            $this->unplaced($asOf)
                ->where(static fn (Builder $query) => $query->where('l.amount', '>', 0)->orWhere('l.is_reversal', 1))
                ->whereNull('l.batch_id'),
        );
    }

    /** @return list<StatementLine> money that went out and was not taken back by the bank; some of it are refunds */
    public function paidOut(string $asOf): array
    {
        return $this->get($this->unplaced($asOf)->where('l.amount', '<', 0)->where('l.is_reversal', 0));
    }

    /** @return list<StatementLine> */
    public function ofBatch(int $batchId): array
    {
        return $this->get($this->lines()->where('l.batch_id', $batchId)->whereNull('l.divided_by'));
    }

    /** @return list<StatementLine> the parts into which a standing placement divided a line */
    public function partsOf(int $placementId): array
    {
        return $this->get($this->lines()->where('l.divided_by', $placementId));
    }

    /** @return list<StatementLine> the parts of a divided line that are placed */
    public function placedParts(int $placementId): array
    {
        return array_values(
            array_filter($this->partsOf($placementId), fn (StatementLine $part): bool => $this->standingPlacement($part->id) !== null),
        );
    }

    /**
     * What lines say, for lists.
     *
     * @param list<int> $ids
     * @return array<int, StatementLine> by line
     */
    public function titles(array $ids): array
    {
        return array_column(
            array_map(
                static fn (StatementLine $line): array => [$line->id, $line],
                $ids === [] ? [] : $this->get($this->lines()->whereIn('l.id', $ids)),
            ),
            1,
            0,
        );
    }

    /** The placement of a line that stands; null where it has no place. */
    public function standingPlacement(int $lineId): ?int
    {
        $id = DB::table('placements as p')->where('p.line_id', $lineId)->whereNotExists(self::reversed(...))->value('p.id');

        return is_int($id) ? $id : null;
    }

    /** Whether nothing is to be done with a line: it has a place, or counts as another one. */
    public function isSettled(int $lineId): bool
    {
        return $this->standingPlacement($lineId) !== null ||
            self::standing(DB::table('money_lines as l')->where('l.id', $lineId))->doesntExist();
    }

    /** How many lines up to the day went out and are no matter of receivables. */
    public function out(string $asOf): int
    {
        return $this->unplaced($asOf)->where('l.amount', '<', 0)->where('l.is_reversal', 0)->count();
    }

    /** @return array<string, int> how many stand placed, by kind */
    public function placed(string $asOf): array
    {
        return DB::table('placements as p')
            ->join('money_lines as l', 'l.id', '=', 'p.line_id')
            ->where('l.booking_date', '<=', $asOf)
            ->whereNotExists(self::reversed(...))
            ->groupBy('p.kind')
            ->selectRaw('p.kind, count(*) AS n')
            ->pluck('n', 'kind')
            ->all();
    }

    /**
     * The lines in one currency added up; others are left out.
     *
     * @param list<StatementLine> $lines
     */
    public static function sum(array $lines, Currency $currency): Money
    {
        $amounts = array_map(static fn (StatementLine $line): Money => $line->amount, $lines);

        return Money::sum(array_filter($amounts, static fn (Money $amount): bool => $amount->isIn($currency)), $currency);
    }

    /**
     * Lines by bank reference, cheque number, the payment's name or amount; each with the document that it became.
     *
     * @param ?int $amount minor units
     * @return list<array{StatementLine, ?int}> the latest first, with an item
     */
    public function named(string $asked, ?int $amount, int $most): array
    {
        return $this->found(
            $most,
            static fn (Builder $query) => $query
                ->where('l.reference', $asked)
                ->orWhere('l.end_to_end', $asked)
                ->when(
                    $amount !== null,
                    static fn (Builder $inner) => $inner->orWhere('l.amount', $amount)->orWhere('l.amount', -(int) $amount),
                ),
        );
    }

    /**
     * Lines by any part of a reference, of the payer or of what the payer wrote.
     *
     * @return list<array{StatementLine, ?int}> the latest first, with an item
     */
    public function saying(string $asked, int $most): array
    {
        $like = PlainText::within($asked);

        return $this->found(
            $most,
            static fn (Builder $query) => $query
                ->where('l.end_to_end', $asked)
                ->orWhereRaw("l.reference LIKE ? ESCAPE '\\'", [$like])
                ->orWhereRaw("plain_text(l.party) LIKE ? ESCAPE '\\'", [$like])
                ->orWhereRaw("plain_text(l.remittance) LIKE ? ESCAPE '\\'", [$like]),
        );
    }

    /**
     * @param Closure(Builder): Builder $which
     * @return list<array{StatementLine, ?int}>
     */
    private function found(int $most, Closure $which): array
    {
        $found = $this->get($this->lines()->where($which)->orderByDesc('l.booking_date')->limit($most));
        $items = DB::table('placements as p')
            ->whereIn('p.line_id', array_column($found, 'id'))
            ->whereNotNull('p.item_id')
            ->whereNotExists(self::reversed(...))
            ->pluck('p.item_id', 'p.line_id');

        return array_map(static fn (StatementLine $line): array => [$line, $items[$line->id] ?? null], $found);
    }

    /** @throws Refusal when there is no such line */
    public function find(int $id): StatementLine
    {
        $row = $this->lines()->where('l.id', $id)->first();

        return $row instanceof stdClass ? $this->line($row) : throw new Refusal('There is no such line. Load the page again.');
    }

    private function unplaced(string $asOf): Builder
    {
        return self::standing($this->lines())
            ->where('l.booking_date', '<=', $asOf)
            ->whereNotExists(
                static fn (Builder $query) => $query
                    ->from('placements as p')
                    ->whereColumn('p.line_id', 'l.id')
                    ->whereNotExists(self::reversed(...)),
            );
    }

    /** Lines that count: a part as long as its line stands divided, and none of which a person said that it is another one's. */
    public static function standing(Builder $lines): Builder
    {
        return $lines
            ->whereNotExists(
                static fn (Builder $query) => $query->from('placement_reversals as d')->whereColumn('d.placement_id', 'l.divided_by'),
            )
            ->whereRaw(
                "coalesce((SELECT a.answer FROM movement_answers a WHERE a.line_id = l.id ORDER BY a.id DESC LIMIT 1), '') <> 'same'",
            );
    }

    public static function reversed(Builder $query): void
    {
        $query->from('placement_reversals as r')->whereColumn('r.placement_id', 'p.id');
    }

    private function lines(): Builder
    {
        return DB::table('money_lines as l')
            ->leftJoin('placements as division', 'division.id', '=', 'l.divided_by')
            ->leftJoin('movement_questions as asked', 'asked.line_id', '=', 'l.id')
            ->select(['l.*', 'division.line_id as part_of'])
            ->selectRaw(
                'CASE WHEN EXISTS (SELECT 1 FROM movement_answers a WHERE a.line_id = l.id) THEN NULL ELSE asked.like_line_id END AS '
                    .'may_be',
            );
    }

    /** @return list<StatementLine> */
    private function get(Builder $query): array
    {
        return array_values($query->orderBy('l.booking_date')->orderBy('l.id')->get()->map($this->line(...))->all());
    }

    private function line(stdClass $row): StatementLine
    {
        return new StatementLine(
            $row->id,
            $row->account_id,
            new LineDates($row->booking_date, $row->value_date),
            Money::ofMinor($row->amount, $row->currency),
            Money::ofMinor($row->charges, $row->currency),
            $row->reference,
            new Payer($row->party, $row->party_account, $row->remittance),
            new LineOrigin(
                $row->way,
                $row->end_to_end,
                $row->batch_id,
                $row->customer_id,
                $row->part_of,
                (bool) $row->is_reversal,
                $row->may_be,
                $row->return_reason,
            ),
        );
    }
}
