<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Posting\Fact\BatchPosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Receipt;
use App\Actions\Posting\PostPlan;
use App\Queries\Batch;
use App\Queries\Batches;
use App\Queries\Customers;
use App\Queries\StatementLines;
use App\Values\BatchPosting;
use App\Values\ReceiptRequest;
use Closure;

/** Posts every receipt of a batch, each with its draft or what is proposed for it, as one sum or one by one; all or none. */
final readonly class PostBatch
{
    public function __construct(
        private Batches $batches,
        private StatementLines $lines,
        private Customers $customers,
        private PlaceReceipt $receipts,
        private PostPlan $posting,
    ) {}

    /** @throws Refusal when something remains, or one of the receipts cannot be posted */
    public function post(string $key, int $batchId, Account $control): void
    {
        $this->posting->post($key, fn (): PostingPlan => $this->plan($batchId, $control));
    }

    private function plan(int $batchId, Account $control): PostingPlan
    {
        $batch = $this->batches->find($batchId);
        $batch->refusePosted();
        $remains = $batch->remaining();
        if (! $remains->isZero() || $batch->lines === []) {
            $left = "{$remains->grouped()} {$batch->declared->currency->code} of the declared {$batch->declared->grouped()}";
            throw new Refusal("{$left} remains. A batch is posted when nothing does.");
        }
        $plan = new PlanBuilder;
        $this->add($plan, $batch, $this->batches->requests($batch, $control), $control);
        $plan->fact(new BatchPosted($batchId));
        $about = Subject::of(SubjectKind::Batch, $batchId);
        $plan->trail('post batch', $about, '', [
            'reference' => $batch->reference, 'total' => $batch->declared->decimal(), 'receipts' => (string) count($batch->lines),
        ]);

        return $plan->build($about);
    }

    /**
     * One after the other, so that each sees what those before have taken.
     *
     * @param list<ReceiptRequest> $requests
     */
    private function add(PlanBuilder $plan, Batch $batch, array $requests, Account $control): void
    {
        $sum = $batch->posting === BatchPosting::AsOne ? $this->sum($plan, $batch, $requests, $control) : null;
        foreach ($requests as $request) {
            $this->naming($request->lineId, function () use ($plan, $request, $control, $sum): void {
                $receipt = $this->receipts->receipt($request, $control, $plan->asLeft(...));
                $receipt->refuseUnexplained();
                $rule = $this->receipts->plans($receipt);
                $rule->add($plan, $receipt, $sum ?? $plan->voucher($rule->voucher($receipt)));
            });
        }
    }

    /**
     * The voucher of all together.
     *
     * @param list<ReceiptRequest> $requests
     * @return int its place in the plan
     */
    private function sum(PlanBuilder $plan, Batch $batch, array $requests, Account $control): int
    {
        $receipts = array_map(fn (ReceiptRequest $request): Receipt => $this->naming(
            $request->lineId, fn (): Receipt => $this->receipts->receipt($request, $control),
        ), $requests);
        assert($receipts !== []);
        $head = new VoucherHead($batch->date, $batch->reference);

        return $plan->voucher($this->receipts->plans(...$receipts)->together($head, $batch->account, $receipts));
    }

    /**
     * A refusal of one receipt says which one it is.
     *
     * @template T
     *
     * @param Closure(): T $carryOut
     * @return T
     */
    private function naming(int $lineId, Closure $carryOut): mixed
    {
        try {
            return $carryOut();
        } catch (Refusal $refusal) {
            $line = $this->lines->find($lineId);
            $customer = $this->customers->find($line->origin->customerId ?? 0)->name;
            throw $refusal->behind("Nothing is posted. {$customer}, {$line->amount->grouped()}:");
        }
    }
}
