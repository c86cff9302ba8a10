<?php

declare(strict_types=1);

namespace App\Actions\DirectDebits;

use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\PaymentWay;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\PostBatch;
use App\Queries\CollectedDebit;
use App\Queries\DebitCollection;
use App\Values\Alike;
use App\Values\BatchPosting;
use App\Values\ReceiptRequest;
use App\Values\Reductions;
use App\Values\TypedReceipt;
use Illuminate\Support\Facades\DB;

/** Makes receipts of the debits that the bank took, as a batch that settles just what they ask for. */
final readonly class PostCollected
{
    public function __construct(private KeepBatch $batches, private Decide $drafts, private PostBatch $posting) {}

    /**
     * @param string $reference of the batch, by which the bank's credit names it
     * @param non-empty-list<CollectedDebit> $taken that the bank credits as one sum
     */
    public function post(string $key, string $reference, DebitCollection $collection, array $taken, Account $control): void
    {
        $sum = Money::sum(
            array_map(static fn (CollectedDebit $debit): Money => $debit->amount(), $taken),
            Currency::of(DirectDebits::CURRENCY),
        );
        $way = PaymentWay::Transfer;
        $batch = $this->batches->open(
            "{$key}-batch", $reference, $way, $collection->account, $collection->day, $sum, BatchPosting::AsOne,
        );
        foreach ($taken as $debit) {
            $customer = $debit->of->customer->id;
            $typed = new TypedReceipt(
                $way, $collection->account, $collection->day, $customer, $debit->amount(), $debit->endToEnd, $debit->text(), Alike::Keep,
            );
            $line = $this->batches->type("{$key}-{$debit->id}", $batch, $typed);
            $this->drafts->keepDraft(self::settling($line, $customer, $debit));
            DB::table('collection_answers')->insert(['debit_id' => $debit->id, 'line_id' => $line, 'why' => '']);
        }
        $this->posting->post("{$key}-post", $batch, $control);
    }

    private static function settling(int $line, int $customerId, CollectedDebit $debit): ReceiptRequest
    {
        $takes = $discounts = [];
        foreach ($debit->items as $item) {
            // What comes with its discount is settled whole; of what is contested in part, the rest.
            $takes[$item->itemId] = $item->discount->isPositive() ? null : $item->amount;
            if ($item->discount->isPositive()) {
                $discounts[] = $item->itemId;
            }
        }

        return new ReceiptRequest($line, $customerId, $takes, new Reductions($discounts), rest: null);
    }
}
