<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\ProposalPolicy;
use Ajuste\Core\Proposal\Proposer;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenInstalment;
use Ajuste\Core\Subledger\OpenItem;
use Generator;
use Illuminate\Support\Facades\DB;

/** What unapplied receipts and credits could settle (R6). */
final readonly class Proposals
{
    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private DiscountOffers $offers,
        private InstalmentPlans $plans,
    ) {}

    /**
     * A proposal for every receipt with an unapplied part, customer by customer.
     *
     * @return Generator<int, ReceiptProposal>
     */
    public function forReceipts(Account $account, string $asOf): Generator
    {
        $customers = DB::table('item_positions as p')
            ->join('items as i', 'i.id', '=', 'p.row_id')
            ->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->where('p.control_account_id', $account->id)
            ->where('i.kind', Kind::Receipt->value)
            ->where('i.date', '<=', $asOf)
            ->where(static fn ($query) => $query->whereNull('p.settled_on')->orWhere('p.settled_on', '>', $asOf))
            ->orderBy('c.customer')
            ->distinct()
            ->pluck('c.customer', 'c.id');
        foreach ($customers as $customerId => $customer) {
            $items = $this->positions->openOf($account->id, (int) $customerId, $asOf);
            $open = array_map(static fn (OpenItem $item): OpenItem => $item->atDaysEnd(), $items);
            foreach ($open as $receipt) {
                if ($receipt->kind === Kind::Receipt) {
                    yield new ReceiptProposal((string) $customer, $receipt, $this->forItem($receipt, $open));
                }
            }
        }
    }

    /**
     * What one unapplied credit of a customer could settle.
     *
     * @param list<OpenItem> $open the customer's open items
     * @param ?string $day documents dated after it are left out; null: the credit's own
     */
    public function forItem(OpenItem $credit, array $open, ?string $day = null): Proposal
    {
        return $this->proposer($credit)->propose(
            $credit->takeable->minor,
            $day ?? $credit->date,
            $credit->head->reference,
            $this->candidates($credit, $open),
        );
    }

    /**
     * What else it could settle.
     *
     * @param list<OpenItem> $open
     * @return list<Proposal>
     */
    public function alternatives(OpenItem $credit, array $open, Proposal $proposal): array
    {
        $candidates = $this->candidates($credit, $open);

        return $this->proposer($credit)->alternatives(
            $credit->takeable->minor,
            $credit->date,
            $credit->head->reference,
            $candidates,
            $proposal,
        );
    }

    /**
     * Open items filled in an order that a person asks for.
     *
     * @param list<OpenItem> $open
     */
    public function inOrder(FillOrder $order, OpenItem $credit, array $open): Proposal
    {
        return $this->proposer($credit)->inOrder($order, $credit->takeable->minor, $credit->date, $this->candidates($credit, $open));
    }

    /**
     * The customer's other items in the credit's currency, as proposals look at them.
     *
     * @param list<OpenItem> $open
     * @return list<Candidate>
     */
    public function candidates(OpenItem $credit, array $open): array
    {
        $others = array_values(
            array_filter(
                $open,
                static fn (OpenItem $item): bool => $item->id !== $credit->id && $item->takeable->isIn($credit->takeable->currency),
            ),
        );
        $discounts = $this->offers->onTheRest($others, $this->offers->valueDates([$credit])[$credit->id]);

        $plans = $this->plans->ofItems(array_map(static fn (OpenItem $item): int => $item->id, $others));
        $candidates = [];
        foreach ($others as $item) {
            $parts = isset($plans[$item->id]) ? $plans[$item->id]->open($item->position->taken, 0, 0) : [];
            $candidates = count($parts) > 1
                ? [...$candidates, ...array_map(static fn (OpenInstalment $part): Candidate => Candidate::instalment($item, $part), $parts)]
                : [...$candidates, Candidate::of($item, $discounts[$item->id] ?? null)];
        }

        return $candidates;
    }

    /**
     * @param list<OpenItem> $open
     * @return list<string> numbers in a text that name nothing open
     */
    public function unknown(string $text, array $open): array
    {
        return (new ReferenceReader(array_map(static fn (OpenItem $item): Candidate => Candidate::of($item, null), $open)))->unknown($text);
    }

    private function proposer(OpenItem $credit): Proposer
    {
        return new Proposer($this->policy($credit->takeable->currency));
    }

    private function policy(Currency $currency): ProposalPolicy
    {
        $inForce = $this->settings->now();

        return ProposalPolicy::in(
            $currency,
            $inForce->text(Setting::ReceiptToleranceAmount),
            $inForce->text(Setting::ReceiptTolerancePercent),
            $inForce->whole(Setting::CombinationItems),
            FillOrder::from($inForce->text(Setting::Order)),
        );
    }
}
