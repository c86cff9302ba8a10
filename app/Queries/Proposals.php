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
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\DiscountDecision;
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
     * @param ?string $day documents dated after it are left out; null: the credit's own
     */
    public function forItem(OpenItem $credit, array $open, ?string $day = null): Proposal
    {
        return $this->proposer($credit)->propose($credit->open->minor, $day ?? $credit->date, $credit->reference, $this->candidates($credit, $open));
    }

    /**
     * What else it could settle.
     *
     * @param list<OpenItem> $open
     * @return list<Proposal>
     */
    public function alternatives(OpenItem $credit, array $open, Proposal $proposal): array
    {
        return $this->proposer($credit)->alternatives($credit->open->minor, $credit->date, $credit->reference, $this->candidates($credit, $open), $proposal);
    }

    /**
     * Open items filled in an order that a person asks for.
     *
     * @param list<OpenItem> $open
     */
    public function inOrder(FillOrder $order, OpenItem $credit, array $open): Proposal
    {
        return $this->proposer($credit)->inOrder($order, $credit->open->minor, $credit->date, $this->candidates($credit, $open));
    }

    /** The day by which a discount is measured: the bank's value date, never the day of the match (R4). */
    public function valueDate(OpenItem $credit): string
    {
        return (string) (DB::table('placements as p')->join('money_lines as m', 'm.id', '=', 'p.line_id')->where('p.item_id', $credit->id)->where('p.kind', 'receipt')->value('m.value_date') ?? $credit->date);
    }

    private function proposer(OpenItem $credit): Proposer
    {
        return new Proposer($this->policy($credit->open->currency));
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
     * The customer's other items in the credit's currency, as proposals look at them.
     *
     * @param list<OpenItem> $open
     * @return list<Candidate>
     */
    public function candidates(OpenItem $credit, array $open): array
    {
        $others = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->id !== $credit->id && $item->open->currency->code === $credit->open->currency->code));
        $discounts = $this->discounts($others, $this->valueDate($credit));

        return array_map(static fn (OpenItem $item): Candidate => new Candidate(
            $item->id, $item->document, $item->side, $item->date, $item->dueDate, $item->open->minor, $discounts[$item->id] ?? 0, $item->side === Side::Debit ? $item->reference : '',
        ), $others);
    }

    /**
     * The discount that each invoice still offers on the value date.
     *
     * @param list<OpenItem> $items
     * @param array<int, int> $parts minor units, by item id: how much of it is to be settled; else all that is open
     * @return array<int, int> minor units, by item id
     */
    public function discounts(array $items, string $valueDate, array $parts = []): array
    {
        $decided = $this->decisions($items);
        $offers = [];
        foreach ($items as $item) {
            $offer = in_array($item->kind, [Kind::Invoice, Kind::DebitNote], true) ? $this->offer($item, $decided[$item->id] ?? null) : null;
            if ($offer !== null && $offer->holdsOn($valueDate)) {
                $offers[$item->id] = [$item, $offer];
            }
        }
        if ($offers === []) {
            return [];
        }
        $taken = [];
        $rows = DB::table('matches as m')->join('items as c', 'c.id', '=', 'm.credit_item_id')->whereIn('m.debit_item_id', array_keys($offers))
            ->whereNotExists(Matches::reversed(...))->groupBy('m.debit_item_id', 'c.kind')->selectRaw('m.debit_item_id AS item, c.kind, sum(m.amount) AS amount')->get();
        foreach ($rows as $row) {
            $as = in_array($row->kind, [Kind::CreditNote->value, Kind::Deduction->value], true) ? 'less' : 'paid';
            $taken[(int) $row->item][$as] = ($taken[(int) $row->item][$as] ?? 0) + (int) $row->amount;
        }
        $partPayments = $this->settings->text(Setting::DiscountPartPayments) === 'yes';
        $discounts = [];
        foreach ($offers as $id => [$item, $offer]) {
            $basis = $item->amount->minor - ($taken[$id]['less'] ?? 0);
            $paid = $taken[$id]['paid'] ?? 0;
            $part = $parts[$id] ?? $item->open->minor;
            $discounts[$id] = $part < $item->open->minor ? ($partPayments ? $offer->onPart($part, $basis, $paid) : 0) : $offer->onTheRest($item->open->minor, $basis, $paid, $valueDate, $partPayments);
        }

        return $discounts;
    }

    /** The discount that an invoice's terms and a person's decision offer; null where there is none. */
    public function offerOf(OpenItem $item): ?EarlyPaymentDiscount
    {
        return $this->offer($item, $this->decisions([$item])[$item->id] ?? null);
    }

    /**
     * What persons decided about discounts; the last decision holds.
     *
     * @param list<OpenItem> $items
     * @return array<int, DiscountDecision> by item id
     */
    public function decisions(array $items): array
    {
        $decided = [];
        foreach (array_chunk(array_map(static fn (OpenItem $item): int => $item->id, $items), 500) as $some) {
            foreach (DB::table('discount_decisions')->whereIn('item_id', $some)->orderBy('id')->get() as $row) {
                $decided[(int) $row->item_id] = new DiscountDecision(DiscountChoice::from($row->choice), $row->until, $row->reason);
            }
        }

        return $decided;
    }

    private function offer(OpenItem $item, ?DiscountDecision $decision): ?EarlyPaymentDiscount
    {
        try {
            return $item->terms === '' ? null : EarlyPaymentDiscount::of(Terms::parse($item->terms), $item->date, $this->settings->whole(Setting::DiscountGraceDays), $decision);
        } catch (Refusal) {
            return null;
        }
    }
}
