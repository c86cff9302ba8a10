<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Settlement\Quantity;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Models\Item;
use App\Models\Posting;
use Illuminate\Support\Facades\DB;

/** Documents of the books, what the ledger knows of each, and whether one can be taken back by itself. */
final readonly class PostedDocuments
{
    private const OWN_WAY_BACK = [Kind::Invoice, Kind::DebitNote, Kind::CreditNote, Kind::Refund, Kind::Charge];

    public function __construct(private Settings $settings, private Standing $standing, private RefundList $refunds) {}

    /** @throws Refusal when there is no such document */
    public function find(int $itemId): Item
    {
        return Item::query()->where('root_id', $itemId)->whereNull('superseded_at')->first() ??
            throw Refusal::notFound('There is no such document. Load the page again.');
    }

    /** Why it cannot be taken back by itself; null when it can. */
    public function refusal(Item $item): ?string
    {
        $kind = Kind::from($item->kind);
        $reversed = DB::table('item_reversals')->where('item_id', $item->root_id)->value('date');
        $refund = DB::table('refunds')->where('item_id', $item->root_id)->first();
        $paid = $refund !== null && $this->refunds->isConfirmed($refund->voucher_id) && ! $this->refunds->hasComeBack($item->document);

        return match (true) {
            $reversed !== null => "It was taken back on {$reversed} already.",
            DB::table('item_reversals')->where('by_item_id', $item->root_id)->exists() => 'It takes another document back. Post that one '
                .'again if it was right.',
            $paid => 'The bank has paid it: the statement confirms it. When a statement brings it back, it can be taken back here, and '
                .'that line then '.
                'clears what is in transit.',
            in_array($kind, self::OWN_WAY_BACK, true) => null,
            $kind === Kind::Adjustment && $item->voucher_id !== null => null,
            default => ucfirst($kind->words()).
                " {$item->document} came with a match or a run, or was brought in from the ledger. It is taken back with that, ".
                'or at its source.',
        };
    }

    /** Whether the books know what the document had posted; else a person chooses the account. */
    public function knowsItsPosting(Item $item): bool
    {
        return $item->voucher_id !== null || $this->entry($item) !== [] || $this->lines($item) !== [];
    }

    /** @return list<VoucherLine> the document's own entry, where the ledger's file holds all of it and it carries nothing else */
    public function entry(Item $item): array
    {
        $signed = Side::from($item->side)->sign() * $item->base;
        $entries = Posting::query()
            ->where('account_id', $item->control_account_id)
            ->whereNull('superseded_at')
            ->where('base', $signed)
            ->where(
                static fn ($query) => $query
                    ->where('document', $item->document)
                    ->when($item->entry !== '', static fn ($inner) => $inner->orWhere('entry', $item->entry)),
            )
            ->distinct()
            ->pluck('entry');
        $postings =
            $entries->count() !== 1
                ? collect()
                : Posting::query()->where('entry', $entries->firstOrFail())->whereNull('superseded_at')->orderBy('id')->get();
        $carriesOthers = $postings->where('account_id', $item->control_account_id)->count() !== 1;
        if ($postings->count() < 2 || (int) $postings->sum('base') !== 0 || $carriesOthers) {
            return [];
        }

        return array_map(
            static fn (VoucherLine $line): VoucherLine => new VoucherLine(
                $line->account,
                $line->base,
                $line->description,
                $item->document,
                $line->customer,
                $line->original,
            ),
            $this->standing->lines($postings->all()),
        );
    }

    /** @return list<InvoiceLine> those of the document, where they can be shared by proportion */
    public function lines(Item $item): array
    {
        $accounts = $this->settings->accounts();
        $lines = [];
        $hasLines = in_array(Kind::from($item->kind), [Kind::Invoice, Kind::DebitNote, Kind::CreditNote], true);
        foreach ($hasLines ? DB::table('item_lines')->where('document', $item->document)->orderBy('id')->get() : [] as $line) {
            if ((int) $line->net < 0) {
                return []; // lines of both signs are not shared by proportion
            }
            $account = $line->account_id === null ? $accounts->withRole(AccountRole::Revenue) : $accounts->withId($line->account_id);
            $lines[] = new InvoiceLine(
                $item->document,
                $line->line,
                $line->description,
                $account,
                '0',
                (int) $line->net,
                0,
                new Quantity($line->quantity, $line->unit_price),
            );
        }

        return $lines !== [] && array_sum(array_column($lines, 'net')) <= $item->amount ? $lines : [];
    }
}
