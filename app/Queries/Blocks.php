<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Subledger\Customer;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Customers whom a closing run leaves alone. */
final class Blocks
{
    /** @return array<int, string> reason by customer */
    public function of(RunKind $kind): array
    {
        $reasons = [];
        foreach ($this->standing($kind) as $block) {
            $reasons[$block->customer->id] = $block->reason;
        }

        return $reasons;
    }

    /** @return array<int, Block> by its number, by customer */
    public function standing(RunKind $kind): array
    {
        return DB::table('customer_blocks as b')
            ->join('customers as c', 'c.id', '=', 'b.customer_id')
            ->where('b.kind', $kind->value)
            ->whereNotIn('b.id', DB::table('customer_blocks_lifted')->select('block_id'))
            ->orderBy('c.customer')
            ->get(['b.id', 'b.customer_id', 'c.customer', 'c.name', 'b.reason', 'b.who', 'b.recorded_at'])
            ->keyBy('id')
            ->map(static fn (stdClass $row): Block => new Block(
                $row->id, new Customer($row->customer_id, $row->customer, $row->name), $row->reason, $row->who, $row->recorded_at,
            ))
            ->all();
    }
}
