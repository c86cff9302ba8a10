<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\CashAfter\CashAfter;
use Ajuste\Core\CashAfter\LaterReceipt;
use Ajuste\Core\CashAfter\PaidSince;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;

/** What was open on a day, and the receipts that have been matched with it since. */
final readonly class CashAfterDate
{
    private const CHUNK = 500;

    public function __construct(private Settings $settings, private Positions $positions) {}

    /** The last day of which the books have anything. */
    public function latest(): string
    {
        return (string) DB::table('items')->max('date');
    }

    /**
     * @param string $until the last day of which receipts count
     *
     * @throws Refusal when that is before the day
     */
    public function of(Account $account, string $asOf, string $until): CashAfter
    {
        if ($until < $asOf) {
            throw new Refusal("Receipts after {$asOf} through {$until} cannot be: name a later day.");
        }
        $open = [];
        foreach ($this->positions->open($account->id, $asOf) as [$customer, $item]) {
            if ($item->isDebit() && ! $item->kind->correctsBaseOnly()) {
                $open[$item->id] = [$customer, $item];
            }
        }
        $receipts = $this->receipts(array_keys($open), $asOf, $until);
        $lines = [];
        foreach ($open as $id => [$customer, $item]) {
            $lines["{$customer->number} {$item->dueDate} {$item->document} {$id}"] = new PaidSince(
                $customer, $item, $item->carried(), $receipts[$id] ?? [],
            );
        }
        ksort($lines, SORT_STRING);

        return new CashAfter($asOf, $until, array_values($lines), $this->settings->base());
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, list<LaterReceipt>> by document, the oldest first
     */
    private function receipts(array $itemIds, string $asOf, string $until): array
    {
        $receipts = [];
        foreach (array_chunk($itemIds, self::CHUNK) as $some) {
            $rows = Matches::standing()
                ->join('items as c', 'c.id', '=', 'm.credit_item_id')
                ->whereIn('m.debit_item_id', $some)
                ->where('c.kind', Kind::Receipt->value)
                ->where('m.amount', '>', 0)
                ->where('m.date', '>', $asOf)
                ->where('m.date', '<=', $until)
                ->where('c.date', '>', $asOf) // what was in by then, and only unapplied, is no later receipt
                ->orderBy('c.date')
                ->orderBy('m.id');
            foreach ($rows->get(['m.debit_item_id', 'c.date', 'c.document', 'm.debit_base']) as $row) {
                $base = Money::ofMinor((int) $row->debit_base, $this->settings->base());
                $receipts[(int) $row->debit_item_id][] = new LaterReceipt($row->date, $row->document, $base);
            }
        }

        return $receipts;
    }
}
