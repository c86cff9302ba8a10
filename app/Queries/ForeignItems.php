<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Currency\ForeignItem;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Generator;
use Illuminate\Support\Facades\DB;

/** Open items in foreign currency with what they and the differences on them carry. */
final readonly class ForeignItems
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    /** @return Generator<int, ForeignItem> */
    public function of(Account $control, string $asOf): Generator
    {
        $base = $this->settings->base();
        $differences = [];
        foreach ($this->positions->standing($control->id, $asOf, null, null) as $row) {
            if ($row->source_item_id !== null) {
                $differences[$row->source_item_id] = ($differences[$row->source_item_id] ?? 0) + $row->carried();
            }
        }
        foreach ($this->positions->standing($control->id, $asOf, null, null) as $row) {
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
        $codes = DB::table('item_positions as p')
            ->join('items as i', 'i.id', '=', 'p.row_id')
            ->where('p.control_account_id', $control->id)
            ->where(static fn ($query) => $query->whereNull('p.settled_on')->orWhere('p.settled_on', '>', $asOf))
            ->where('i.date', '<=', $asOf)
            ->where('i.amount', '>', 0)
            ->where('i.currency', '<>', $this->settings->base()->code)
            ->distinct()
            ->orderBy('i.currency')
            ->pluck('i.currency');

        return array_values(array_map(strval(...), $codes->all()));
    }
}
