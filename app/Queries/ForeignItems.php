<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Currency\ForeignItem;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Open items in foreign currency with what they and the differences on them carry. */
final readonly class ForeignItems
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    /** @return Generator<int, ForeignItem> */
    public function of(Account $control, string $asOf): Generator
    {
        $base = $this->settings->base();
        $differences = [];
        $customers = $this->customers($control);
        if ($customers === []) {
            return;
        }
        foreach ($this->positions->standing($control->id, $asOf, null, $customers, WhichItems::Corrections) as $row) {
            $differences[$row->source_item_id] = ($differences[$row->source_item_id] ?? 0) + $row->carried();
        }
        foreach ($this->positions->standing($control->id, $asOf, null, $customers) as $row) {
            if ($row->currency !== $base->code && $row->open() !== 0) {
                yield new ForeignItem(
                    new Customer($row->customer_id, $row->customer, $row->name),
                    $row->item($base),
                    Money::ofMinor($row->carried() + ($differences[$row->item_id] ?? 0), $base),
                    $row->last_moved_on,
                );
            }
        }
    }

    /** @return list<string> codes of the foreign currencies in which anything is open */
    public function currencies(Account $control, string $asOf): array
    {
        return array_values(array_filter($this->codes($control), static fn (string $code): bool => DB::table('items as i')
            ->join('item_positions as p', static fn ($join) => $join->on('p.item_id', '=', 'i.root_id')->on('p.row_id', '=', 'i.id'))
            ->where(['i.control_account_id' => $control->id, 'i.currency' => $code])
            ->where(static fn ($query) => $query->whereNull('p.settled_on')->orWhere('p.settled_on', '>', $asOf))
            ->whereRaw('+i.date <= ?', [$asOf]) // so that the index of currencies is taken
            ->where('i.amount', '>', 0)
            ->exists()));
    }

    /** @return list<int> customers who ever had an item in another currency than the books' */
    private function customers(Account $control): array
    {
        $customers = DB::table('items')
            ->where('control_account_id', $control->id)
            ->whereIn('currency', $this->codes($control))
            ->distinct()
            ->pluck('customer_id');

        return array_values($customers->map(static fn ($id): int => (int) $id)->all());
    }

    /** @return list<string> other currencies than the books', each found from the one before, so that books without them cost nothing */
    private function codes(Account $control): array
    {
        $rows = DB::select(
            'WITH RECURSIVE codes (code) AS (
                SELECT min(currency) FROM items WHERE control_account_id = :a
                UNION ALL SELECT (SELECT min(currency) FROM items WHERE control_account_id = :b AND currency > code) FROM codes
                    WHERE code IS NOT NULL)
             SELECT code FROM codes WHERE code IS NOT NULL AND code <> :c',
            ['a' => $control->id, 'b' => $control->id, 'c' => $this->settings->base()->code],
        );

        return array_values(array_map(static fn (stdClass $row): string => $row->code, $rows));
    }
}
