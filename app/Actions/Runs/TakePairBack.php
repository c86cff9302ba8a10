<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Contra\PairReversal;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Voucher;
use App\Queries\PostedDocuments;
use App\Queries\Settings;
use App\Queries\Standing;
use Illuminate\Support\Facades\DB;

/** Takes one pair out of a posted contra run: what it settled on both sides is open again, the rest of the run stays. */
final readonly class TakePairBack
{
    public function __construct(
        private Settings $settings,
        private Standing $standing,
        private PostedDocuments $documents,
        private PostPlan $posting,
    ) {}

    /**
     * As of its own day, or the first open one after it.
     *
     * @throws Refusal when it is no contra of a run, or was taken back already
     */
    public function post(string $key, int $itemId, string $reason): void
    {
        $this->posting->post($key, function () use ($itemId, $reason): PostingPlan {
            $item = $this->documents->find($itemId);
            if (! DB::table('supplier_contras')->where('item_id', $itemId)->exists()) {
                throw new Refusal("{$item->document} is no contra of Ajuste. Take it back where it was posted.");
            }
            if (DB::table('item_reversals')->where('item_id', $itemId)->exists()) {
                throw Refusal::done("{$item->document} is taken back already.");
            }
            $why = Reason::of($reason);
            $day = $this->settings->locked()->firstOpenFrom($item->date);
            $plan = new PlanBuilder;
            $reversal = new Reversal($this->settings->locked());
            [$settlements, $matches] = $this->standing->undoneWith($itemId);
            $reversal->settlements($plan, $settlements, $day, $why);
            $reversal->matches($plan, $matches, $day, $why);
            $posted = Voucher::query()->findOrFail($item->voucher_id);
            // Where each pair has a voucher of its own it hangs on the settlement, and has gone back with it.
            if ($posted->run_id !== null) {
                $rule = new PairReversal($this->settings->accounts());
                $voucher = $rule->voucher($this->standing->posted($posted), $item->document, $day);
                $place = $plan->voucherOfRun($voucher, $posted->run_id);
                $reversal->counter($plan, $this->standing->item((object) $item->getAttributes()), $place, $day, $why);
            }
            $about = Subject::of(SubjectKind::Item, $itemId);
            $plan->trail('take a pair back', $about, $why, ['document' => $item->document, 'date' => $day]);

            return $plan->build($about);
        });
    }
}
