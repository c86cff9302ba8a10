<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Models\Customer;
use App\Queries\ReceiptPaper;
use App\StandIn\Outbox;

/** Sends the payer the document of a receipt: what it settled and what remains. */
final readonly class SendReceipt
{
    public function __construct(private ReceiptPaper $paper, private Outbox $outbox) {}

    /** @throws Refusal when the customer has no e-mail address */
    public function post(string $key, int $itemId, string $asOf): void
    {
        Once::for($key, function () use ($itemId, $asOf): int {
            $of = $this->paper->of($itemId, $asOf);
            $customer = Customer::query()
                ->whereKey($of->item->head->account->customerId)
                ->firstOrFail();
            if ($customer->email === '') {
                throw new Refusal("{$customer->name} has no e-mail address in customers.csv. Print the document, or hand in the address.");
            }

            $money = "{$of->item->amount->grouped()} {$of->item->amount->currency->code}";

            return $this->outbox->keep(
                $customer->email,
                "Receipt {$of->item->document}, {$money}",
                "Dear {$customer->name},\n\nwe thank you for your payment of {$money}. The document attached lists what it settled and "
                    ."what remains.\n",
                "item {$itemId}",
                $this->paper->pdf($of),
                "receipt-{$of->item->document}.pdf",
            );
        });
    }
}
