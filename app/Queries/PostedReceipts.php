<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PlacementKind;
use Ajuste\Core\Settlement\PostedReceipt;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Receipts and deposits of the books, with what was booked with them and what they settled. */
final readonly class PostedReceipts
{
    private const KINDS = [Kind::Receipt->value, Kind::Deposit->value];

    public function __construct(private Settings $settings, private Standing $standing) {}

    /**
     * All that one statement line became: a receipt, a deposit, or both, which go back together.
     *
     * @return non-empty-list<PostedReceipt>
     *
     * @throws Refusal when there is no such receipt, or it was taken back already
     */
    public function madeWith(int $itemId): array
    {
        $item = $this->row($itemId);
        $rows =
            $item->voucher_id === null
                ? collect()
                : DB::table('items')
                    ->where('voucher_id', $item->voucher_id)
                    ->where('document', $item->document)
                    ->whereIn('kind', self::KINDS)
                    ->where('customer_id', $item->customer_id)
                    ->orderBy('id')
                    ->get();
        $known = [];
        $all = $rows->isEmpty() ? [$item] : $rows->all();
        $charges = $this->charges($all[0]);
        $made = [];
        foreach ($all as $row) {
            $made[] = $this->posted($row, $made === [] ? $charges : Money::zero($charges->currency), $known);
        }
        assert($made !== []);

        return $made;
    }

    /** Why it cannot be taken back; null when it can. */
    public function refusal(int $itemId): ?string
    {
        $on = DB::table('item_reversals')->where('item_id', $itemId)->value('date');

        return $on === null ? null : "It was taken back on {$on} already.";
    }

    /** The standing placement by which a statement line became the receipt; null where it was not placed here. */
    public function placement(int $itemId): ?stdClass
    {
        $row = DB::table('placements as p')
            ->where('p.item_id', $itemId)
            ->where('p.kind', PlacementKind::Receipt->value)
            ->whereNotExists(StatementLines::reversed(...))
            ->first();

        return $row instanceof stdClass ? $row : null;
    }

    /** Where the receipt went: the other side of its voucher or entry, else the first bank account. */
    public function moneyAccount(int $itemId): Account
    {
        $accounts = $this->settings->accounts();
        $roles = [AccountRole::Bank, AccountRole::Till, AccountRole::ReceiptsInTransit];
        $money = array_merge(
            ...array_map(static fn (AccountRole $role): array => array_column($accounts->allWithRole($role), 'id'), $roles),
        );
        $entry = $this->row($itemId)->entry;
        $found =
            $entry === ''
                ? null
                : DB::table('postings')
                    ->where('entry', $entry)
                    ->whereIn('account_id', $money)
                    ->whereNull('superseded_at')
                    ->value('account_id');

        return is_int($found) ? $accounts->withId($found) : $accounts->withRole(AccountRole::Bank);
    }

    /** @throws Refusal when there is no such receipt, or it was taken back already */
    private function row(int $itemId): stdClass
    {
        $row = DB::table('items')->where('root_id', $itemId)->whereNull('superseded_at')->whereIn('kind', self::KINDS)->first();
        if (! ($row instanceof stdClass)) {
            throw Refusal::notFound('There is no such receipt. Load the page again.');
        }

        return $this->refusal($itemId) === null ? $row : throw Refusal::done("{$row->document} is taken back already.");
    }

    /**
     * What a bank deducted of the receipt, base currency: booked when its line was placed, also where the receipt moved to another customer
     * since.
     */
    private function charges(stdClass $item): Money
    {
        $account = $this->settings->accounts()->allWithRole(AccountRole::BankCharges)[0] ?? null;
        $placement = $this->placement($item->root_id);
        $voucher =
            $placement === null
                ? $item->voucher_id
                : DB::table('placements')
                    ->where('line_id', $placement->line_id)
                    ->where('id', '<=', $placement->id)
                    ->whereNotNull('voucher_id')
                    ->orderByDesc('id')
                    ->value('voucher_id');
        $charges =
            $voucher === null || $account === null
                ? 0
                : (int) DB::table('postings')
                    ->where('voucher_id', $voucher)
                    ->where('document', $item->document)
                    ->where('account_id', $account->id)
                    ->sum('base');

        return Money::ofMinor($charges, $this->settings->base());
    }

    /** @param  array<int, true>  $known settlements that are on the list already */
    private function posted(stdClass $row, Money $charges, array &$known): PostedReceipt
    {
        $tax = DB::table('deposit_taxes')->where('item_id', $row->root_id)->first();
        [$settlements, $matches] = $this->standing->ofItem($row->root_id, $known);

        return new PostedReceipt(
            $this->standing->item($row),
            $this->settings->accounts()->withId($row->control_account_id),
            Money::ofMinor((int) ($tax->tax ?? 0), $charges->currency),
            (string) ($tax->rate ?? ''),
            $charges,
            $settlements,
            $matches,
        );
    }
}
