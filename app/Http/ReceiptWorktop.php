<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\RemittanceAdvice;
use Ajuste\Core\Settlement\DiscountOffer;
use Ajuste\Core\Subledger\OpenItem;
use App\Models\Customer;
use App\Queries\DeductionReasons;
use App\Queries\DiscountOffers;
use App\Queries\Drafts;
use App\Queries\LineGuess;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Queries\StatementLine;
use App\Values\DeductionEntry;
use App\Values\ReceiptRequest;
use App\Values\Reductions;
use Illuminate\Http\Request;

/** What the worktop of one statement line shows, and how its form is filled to begin with. */
final readonly class ReceiptWorktop
{
    private const NOTHING = [
        'proposal' => null,
        'others' => [],
        'filled' => null,
        'items' => [],
        'discounts' => [],
        'offers' => [],
        'decisions' => [],
        'reasons' => [],
        'contested' => [],
        'currencies' => [],
        'draft' => false,
        'advised' => null,
    ];

    public function __construct(
        private Positions $positions,
        private Proposals $proposals,
        private DiscountOffers $offers,
        private DeductionReasons $reasons,
        private Drafts $drafts,
        private ItemMarks $marks,
        private Settings $settings,
    ) {}

    /** @return array<string, mixed> */
    public function of(Request $request, ViewPoint $at, StatementLine $line, ?Customer $payer, string $pasted = ''): array
    {
        if ($payer === null) {
            return self::NOTHING;
        }
        $open = $this->positions->takeableOf($at->account->id, $payer->id, max($at->asOf, $line->dates->booking));
        $credit = LineGuess::asCredit($line, $at->account, $this->settings->base());
        $proposal = $this->proposals->forItem($credit, $open);
        $others = $this->proposals->alternatives($credit, $open, $proposal);
        $order = FillOrder::tryFrom($request->string('order')->toString());
        $way = $request->integer('way');
        $chosen = match (true) {
            $order !== null => $this->proposals->inOrder($order, $credit, $open),
            $way > 0 && $others !== [] => [$proposal, ...$others][$way % (count($others) + 1)],
            default => $proposal,
        };
        $draft = $this->drafts->of($line->id);
        [$advised, $sum] = $pasted === '' ? [null, null] : $this->pasted($pasted, $line, $payer->id, $credit, $open);
        $filled =
            $advised !== null
                ? FilledForm::ofReceipt($advised)
                : $this->filled($request, $line, $payer->id, $chosen, $order === null && $way === 0 ? $draft : null);

        return [
            'proposal' => $chosen,
            'others' => $others,
            'way' => $way,
            'order' => $order,
            'filled' => $filled,
            'draft' => $draft !== null,
            'advised' => $sum,
            ...$this->items($request, $at, $line, $open, $filled),
        ];
    }

    /**
     * The form as it was refused, kept as a draft, or is proposed.
     *
     * @param ?ReceiptRequest $draft where it is to be shown
     */
    private function filled(Request $request, StatementLine $line, int $payerId, Proposal $proposal, ?ReceiptRequest $draft): FilledForm
    {
        $refused =
            $request->old('customer') !== null &&
            (int) $request->old('money_line') === $line->id &&
            (int) $request->old('customer') === $payerId;
        $currency = $request->string('currency')->toString();

        return match (true) {
            $refused => FilledForm::ofInput((array) $request->old()),
            $draft !== null && $draft->customerId === $payerId => FilledForm::ofReceipt($draft),
            $currency !== '' => FilledForm::ofReceipt(new ReceiptRequest($line->id, $payerId, worth: Money::zero(Currency::of($currency)))),
            default => FilledForm::ofReceipt(LineGuess::requestFor($line, $payerId, $proposal)),
        };
    }

    /**
     * The items that can be ticked, with what is to be known of each.
     *
     * @param list<OpenItem> $open
     * @return array<string, mixed>
     */
    private function items(Request $request, ViewPoint $at, StatementLine $line, array $open, FilledForm $filled): array
    {
        $currency = $filled->currency !== '' ? $filled->currency : $line->amount->currency->code;
        $items = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->takeable->currency->code === $currency));
        $ticked = static fn (OpenItem $item): bool => isset($filled->typed[$item->id]);
        usort($items, static fn (OpenItem $one, OpenItem $other): int => $ticked($other) <=> $ticked($one));
        $offers = $this->offers->of($items);

        return [
            'items' => $items,
            ...$request->boolean('with_lines') ? $this->marks->withLines($items, $at->asOf) : $this->marks->of($items, $at->asOf),
            'discounts' => array_map(static fn (DiscountOffer $offer): Money => $offer->onTheRest($line->dates->value), $offers),
            'offers' => $offers,
            'currencies' => array_values(
                array_unique(array_map(static fn (OpenItem $item): string => $item->takeable->currency->code, $open)),
            ),
        ];
    }

    /**
     * What a pasted remittance ticks: documents with their amounts, what was deducted as reasons to confirm.
     *
     * @param list<OpenItem> $open
     * @return array{ReceiptRequest, Money} and what the remittance comes to
     */
    private function pasted(string $text, StatementLine $line, int $customerId, OpenItem $credit, array $open): array
    {
        $currency = $credit->takeable->currency;
        $candidates = $this->proposals->candidates($credit, $open);
        $advice = RemittanceAdvice::read(
            $text,
            $candidates,
            $this->reasons->all(),
            $currency,
            $credit->takeable->minor,
        );
        $items = array_column($open, null, 'id');
        $takes = $deductions = [];
        foreach ($advice->lines as $said) {
            $amount = $said->amount === null ? null : Money::ofMinor($said->amount, $currency);
            if ($said->keptBack) {
                $deductions[] = new DeductionEntry($said->reason, $said->item ?? 0, $amount);
            }
            if ($said->item !== null && ! ($said->keptBack && array_key_exists($said->item, $takes))) {
                $takes[$said->item] =
                    $said->keptBack || ($amount !== null && $amount->equals($items[$said->item]->takeable)) ? null : $amount;
            }
        }

        $advised = new ReceiptRequest($line->id, $customerId, $takes, new Reductions([], $deductions));

        return [$advised, Money::ofMinor($advice->paid($candidates), $currency)];
    }
}
