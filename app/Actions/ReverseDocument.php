<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\Voucher as CoreVoucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DocumentReversal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;
use App\Queries\Dependents;
use App\Queries\RefundList;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/**
 * Takes a document back: its matches are undone first, so that what they settled is open again with its age; then all that it had posted, on the other
 * side. Receipts have ways back of their own (ReverseReceipt), and what a match made goes with its match.
 */
final readonly class ReverseDocument
{
    public function __construct(
        private Settings $settings, private ReverseSettlement $reverse, private VoucherReversal $vouchers, private RefundList $refunds, private Dependents $dependents, private Actor $actor, private AuditTrail $audit,
    ) {}

    /** Why it cannot be taken back by itself; null when it can. */
    public function refusal(Item $item): ?string
    {
        $reversed = DB::table('item_reversals')->where('item_id', $item->root_id)->value('date');
        $refund = DB::table('refunds')->where('item_id', $item->root_id)->first();

        return match (true) {
            $reversed !== null => "It was taken back on {$reversed} already.",
            DB::table('item_reversals')->where('by_item_id', $item->root_id)->exists() => 'It takes another document back. Post that one again if it was right.',
            $refund !== null && $this->refunds->isConfirmed($refund->voucher_id) && ! $this->refunds->hasComeBack($item->document) => 'The bank has paid it: the statement confirms it. When a statement brings it back, it can be taken back here, and that line then clears what is in transit.',
            in_array(Kind::from($item->kind), [Kind::Invoice, Kind::DebitNote, Kind::CreditNote, Kind::Refund, Kind::Charge], true) => null,
            Kind::from($item->kind) === Kind::Adjustment && $item->voucher_id !== null => null,
            default => ucfirst(Kind::from($item->kind)->words())." {$item->document} came with a match or a run, or was brought in from the ledger. It is taken back with that, or at its source.",
        };
    }

    /** Whether the books know what the document had posted; else a person chooses the account. */
    public function knowsItsPosting(Item $item): bool
    {
        return $item->voucher_id !== null || $this->entry($item) !== [] || $this->lines($item) !== [];
    }

    /**
     * @param string $account number of the account that takes it back, where the books do not know what it had posted
     * @param string $rate percent of the tax within it, likewise; blank: none
     * @param string $seen digest of what hung on it when the person looked; blank: whatever hangs on it
     *
     * @throws Refusal when it cannot be taken back on the day, or other things hang on it than the person saw
     */
    public function post(string $key, int $itemId, string $date, string $reason, string $account = '', string $rate = '', string $seen = ''): int
    {
        return (int) Once::for($key, function () use ($itemId, $date, $reason, $account, $rate, $seen): int {
            $item = Item::query()->where('root_id', $itemId)->whereNull('superseded_at')->first() ?? throw new Refusal('There is no such document. Load the page again.');
            $refusal = $this->refusal($item);
            if ($refusal !== null) {
                throw new Refusal($refusal);
            }
            $why = Reason::of($reason);
            $this->settings->locked()->refuse($date, 'The reversal');
            if ($date < $item->date) {
                throw new Refusal("{$item->document} is dated {$item->date}; it cannot be taken back on {$date}.");
            }
            if ($seen !== '' && $seen !== Dependents::digest($this->dependents->of($itemId))) {
                throw new Refusal('Other things hang on this document now than when you looked. Look at the list again and post if it is right.');
            }
            $record = new Recorder($this->actor);
            $this->reverse->undoAll($record, $itemId, $date, $why);
            $posted = $item->voucher_id !== null
                ? $this->vouchers->post($record, Voucher::query()->findOrFail($item->voucher_id), $date)
                : $record->voucher($this->voucher($item, $date, $account, $rate));
            $this->reverse->counter($record, (object) $item->toArray(), $posted, $date, $why);
            $record->flush();
            $this->audit->record('take back', "item {$itemId}", $why, ['document' => $item->document, 'date' => $date]);

            return $itemId;
        });
    }

    private function voucher(Item $item, string $date, string $account, string $rate): CoreVoucher
    {
        $accounts = $this->settings->accounts();
        $sign = Side::from($item->side)->sign();
        $reversal = new DocumentReversal(
            $accounts, $accounts->withId($item->control_account_id), Money::ofMinor($sign * $item->base, $this->settings->base()), Money::ofMinor($sign * $item->amount, $item->currency), $item->document,
            (string) DB::table('customers')->where('id', $item->customer_id)->value('customer'),
        );
        $entry = $this->entry($item);
        $lines = $this->lines($item);

        return match (true) {
            $entry !== [] => $reversal->byEntry($date, $entry),
            $lines !== [] => $reversal->byLines($date, $lines),
            $account === '' => throw new Refusal("The books do not know what {$item->document} had posted besides the control account. Choose the account that takes it back."),
            default => $reversal->byAccount($date, $accounts->numbered($account), $rate),
        };
    }

    /** @return list<VoucherLine> the document's own entry, where the ledger's file holds all of it and it carries nothing else */
    private function entry(Item $item): array
    {
        $entries = Posting::query()->where('account_id', $item->control_account_id)->whereNull('superseded_at')->where('base', Side::from($item->side)->sign() * $item->base)
            ->where(static fn ($query) => $query->where('document', $item->document)->when($item->entry !== '', static fn ($inner) => $inner->orWhere('entry', $item->entry)))->distinct()->pluck('entry');
        $postings = $entries->count() !== 1 ? collect() : Posting::query()->where('entry', $entries->firstOrFail())->whereNull('superseded_at')->orderBy('id')->get();
        if ($postings->count() < 2 || (int) $postings->sum('base') !== 0 || $postings->where('account_id', $item->control_account_id)->count() !== 1) {
            return [];
        }
        $base = $this->settings->base();

        return array_values($postings->map(fn (Posting $posting): VoucherLine => new VoucherLine(
            $this->settings->accounts()->withId($posting->account_id), Money::ofMinor($posting->base, $base), $posting->description, $item->document, $posting->customer,
            $posting->currency_amount === null ? null : Money::ofMinor($posting->currency_amount, $posting->currency),
        ))->all());
    }

    /** @return list<array{Account, int}> */
    private function lines(Item $item): array
    {
        $accounts = $this->settings->accounts();
        $lines = [];
        foreach (in_array($item->kind, [Kind::Invoice->value, Kind::DebitNote->value, Kind::CreditNote->value], true) ? DB::table('item_lines')->where('document', $item->document)->orderBy('id')->get() : [] as $line) {
            if ((int) $line->net < 0) {
                return []; // lines of both signs are not shared by proportion
            }
            $lines[] = [$line->account_id === null ? $accounts->withRole(AccountRole::Revenue) : $accounts->withId($line->account_id), (int) $line->net];
        }

        return $lines !== [] && array_sum(array_column($lines, 1)) <= $item->amount ? $lines : [];
    }
}
