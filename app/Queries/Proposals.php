<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\ProposalPolicy;
use Ajuste\Core\Proposal\Proposer;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Generator;
use Illuminate\Support\Facades\DB;

/** What loose receipts and credits could settle (R6). */
final readonly class Proposals
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    /**
     * A proposal for every receipt with a loose part, customer by customer.
     *
     * @return Generator<int, ReceiptProposal>
     */
    public function forReceipts(Account $account, string $asOf): Generator
    {
        $customers = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->where('p.control_account_id', $account->id)->where('i.kind', Kind::Receipt->value)->where('i.date', '<=', $asOf)
            ->where(static fn ($query) => $query->whereNull('p.settled_on')->orWhere('p.settled_on', '>', $asOf))
            ->orderBy('c.customer')->distinct()->pluck('c.customer', 'c.id');
        foreach ($customers as $customerId => $customer) {
            $open = $this->positions->openItems($account->id, (int) $customerId, $asOf);
            foreach ($open as $receipt) {
                if ($receipt->kind === Kind::Receipt) {
                    yield new ReceiptProposal((string) $customer, $receipt, $this->forItem($receipt, $open));
                }
            }
        }
    }

    /**
     * What one loose credit of a customer could settle.
     *
     * @param list<OpenItem> $open the customer's open items
     */
    public function forItem(OpenItem $credit, array $open): Proposal
    {
        $others = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->id !== $credit->id && $item->open->currency->code === $credit->open->currency->code));

        return (new Proposer($this->policy($credit->open->currency)))->propose($credit->open->minor, $credit->date, $credit->reference, $this->candidates($others, $credit->date));
    }

    private function policy(Currency $currency): ProposalPolicy
    {
        // The tolerance is a number of units of whatever currency the receipt is in.
        $units = BigDecimal::of($this->settings->text(Setting::ReceiptToleranceAmount));

        return new ProposalPolicy(
            $units->multipliedBy($currency->minorPerUnit())->toScale(0, RoundingMode::DOWN)->toInt(),
            $this->settings->text(Setting::ReceiptTolerancePercent),
            $this->settings->whole(Setting::CombinationItems),
            FillOrder::from($this->settings->text(Setting::Order)),
        );
    }

    /**
     * @param list<OpenItem> $items
     * @return list<Candidate>
     */
    private function candidates(array $items, string $valueDate): array
    {
        $discounts = $this->discounts($items, $valueDate);

        return array_map(static fn (OpenItem $item): Candidate => new Candidate(
            $item->id, $item->document, $item->side, $item->date, $item->dueDate, $item->open->minor, $discounts[$item->id] ?? 0, $item->side === Side::Debit ? $item->reference : '',
        ), $items);
    }

    /**
     * The discount that each invoice still offers on the value date.
     *
     * @param list<OpenItem> $items
     * @return array<int, int> minor units, by item id
     */
    public function discounts(array $items, string $valueDate): array
    {
        $offers = [];
        foreach ($items as $item) {
            $offer = in_array($item->kind, [Kind::Invoice, Kind::DebitNote], true) ? $this->offer($item) : null;
            if ($offer !== null && $offer->holdsOn($valueDate)) {
                $offers[$item->id] = [$item, $offer];
            }
        }
        if ($offers === []) {
            return [];
        }
        $taken = [];
        $rows = DB::table('matches as m')->join('items as c', 'c.id', '=', 'm.credit_item_id')->whereIn('m.debit_item_id', array_keys($offers))
            ->whereNotIn('m.id', DB::table('match_reversals')->select('match_id'))->groupBy('m.debit_item_id', 'c.kind')->selectRaw('m.debit_item_id AS item, c.kind, sum(m.amount) AS amount')->get();
        foreach ($rows as $row) {
            $as = in_array($row->kind, [Kind::CreditNote->value, Kind::Deduction->value], true) ? 'less' : 'paid';
            $taken[(int) $row->item][$as] = ($taken[(int) $row->item][$as] ?? 0) + (int) $row->amount;
        }
        $discounts = [];
        foreach ($offers as $id => [$item, $offer]) {
            $discounts[$id] = $offer->onTheRest(
                $item->open->minor, $item->amount->minor - ($taken[$id]['less'] ?? 0), $taken[$id]['paid'] ?? 0, $valueDate,
                $this->settings->text(Setting::DiscountPartPayments) === 'yes',
            );
        }

        return $discounts;
    }

    private function offer(OpenItem $item): ?EarlyPaymentDiscount
    {
        try {
            return $item->terms === '' ? null : EarlyPaymentDiscount::of(Terms::parse($item->terms), $item->date, $this->settings->whole(Setting::DiscountGraceDays));
        } catch (Refusal) {
            return null;
        }
    }
}
