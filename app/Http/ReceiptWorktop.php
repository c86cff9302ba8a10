<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\RemittanceAdvice;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Receipts\DeductionEntry;
use App\Actions\Receipts\ReceiptRequest;
use App\Models\Customer;
use App\Queries\Contested;
use App\Queries\DeductionReasons;
use App\Queries\Drafts;
use App\Queries\InvoiceLines;
use App\Queries\LineGuess;
use App\Queries\MoneyLine;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\ReceiptWorklist;
use Illuminate\Http\Request;

/** What the worktop of one line of money shows, and how its form is filled to begin with. */
final readonly class ReceiptWorktop
{
    public function __construct(private Positions $positions, private Proposals $proposals, private ReceiptWorklist $worklist, private DeductionReasons $reasons, private Drafts $drafts, private Contested $contested, private InvoiceLines $invoiceLines) {}

    /** @return array<string, mixed> */
    public function of(Request $request, ViewPoint $at, MoneyLine $line, ?Customer $payer, string $pasted = ''): array
    {
        if ($payer === null) {
            return ['proposal' => null, 'others' => [], 'filled' => null, 'items' => [], 'discounts' => [], 'offers' => [], 'decisions' => [], 'reasons' => [], 'contested' => [], 'currencies' => [], 'draft' => false];
        }
        $open = $this->positions->itemsToMatch($at->account->id, $payer->id, max($at->asOf, $line->bookingDate));
        $credit = $this->worklist->asCredit($line, $at->account);
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
        $refused = $request->old('customer') !== null && (int) $request->old('money_line') === $line->id && (int) $request->old('customer') === $payer->id;
        $filled = match (true) {
            $pasted !== '' => $this->pasted($pasted, $line, $payer->id, $credit, $open),
            $refused => ReceiptForm::read((array) $request->old(), $line->id),
            $draft !== null && $draft->customerId === $payer->id && $order === null && $way === 0 => $draft,
            $request->filled('currency') => new ReceiptRequest($line->id, $payer->id, rest: RestPlace::Unapplied, currency: $request->string('currency')->toString()),
            default => LineGuess::requestFor($line, $payer->id, $chosen),
        };
        $currency = $filled->currency !== '' ? $filled->currency : $credit->open->currency->code;
        $items = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->open->currency->code === $currency));
        usort($items, static fn (OpenItem $one, OpenItem $other): int => isset($filled->typed[$other->id]) <=> isset($filled->typed[$one->id]));

        return [
            'proposal' => $chosen, 'others' => $others, 'way' => $way, 'order' => $order, 'filled' => $filled, 'draft' => $draft !== null, 'items' => $items, 'reasons' => $this->reasons->all(),
            'discounts' => $this->proposals->discounts($items, $line->valueDate), 'decisions' => $this->proposals->decisions($items),
            'offers' => array_filter(array_column(array_map(fn (OpenItem $item): array => [$item->id, $this->proposals->offerOf($item)], $items), 1, 0)),
            'contested' => $this->contested->of($items, $at->asOf),
            'itemLines' => $request->boolean('with_lines') ? $this->invoiceLines->described($items) : null,
            'currencies' => array_values(array_unique(array_map(static fn (OpenItem $item): string => $item->open->currency->code, $open))),
        ];
    }

    /**
     * What a pasted remittance ticks: documents with their amounts, what was kept back as reasons to confirm.
     *
     * @param list<OpenItem> $open
     */
    private function pasted(string $text, MoneyLine $line, int $customerId, OpenItem $credit, array $open): ReceiptRequest
    {
        $advice = RemittanceAdvice::read($text, $this->proposals->candidates($credit, $open), $this->reasons->all(), $credit->open->currency);
        $items = array_column(array_map(static fn (OpenItem $item): array => [$item->id, $item], $open), 1, 0);
        $typed = $deductions = [];
        $decimal = static fn (?int $minor): string => $minor === null ? '' : Money::ofMinor($minor, $credit->open->currency)->decimal();
        foreach ($advice->lines as $said) {
            if ($said->keptBack) {
                $deductions[] = new DeductionEntry($said->reason, $said->item ?? 0, $decimal($said->amount));
            }
            if ($said->item !== null && ! ($said->keptBack && isset($typed[$said->item]))) {
                $typed[$said->item] = $said->keptBack || $said->amount === $items[$said->item]->open->minor ? '' : $decimal($said->amount);
            }
        }

        return new ReceiptRequest($line->id, $customerId, $typed, [], $deductions, rest: RestPlace::Unapplied);
    }
}
