<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher as CoreVoucher;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DocumentReversal;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Item;
use App\Models\Voucher;
use App\Queries\Customers;
use App\Queries\Dependents;
use App\Queries\PostedDocuments;
use App\Queries\Settings;
use App\Queries\Standing;
use App\Values\ContraAccount;

/**
 * Takes a document back: its matches are undone first, so that what they settled is open again with its age; then all that it had
 * posted, on the other side. Receipts have ways back of their own (ReverseReceipt), and what a match made goes with its match.
 */
final readonly class ReverseDocument
{
    public function __construct(
        private Settings $settings,
        private Standing $standing,
        private PostedDocuments $documents,
        private Dependents $dependents,
        private Customers $customers,
        private PostPlan $posting,
    ) {}

    /**
     * @param ?ContraAccount $against what takes it back, where the books do not know what it had posted
     * @param string $seen digest of what hung on it when the person looked; blank: whatever hangs on it
     *
     * @throws Refusal when it cannot be taken back on the day, or other things hang on it than the person saw
     */
    public function post(string $key, int $itemId, string $date, string $reason, ?ContraAccount $against = null, string $seen = ''): int
    {
        return $this->posting->post($key, function () use ($itemId, $date, $reason, $against, $seen): PostingPlan {
            $item = $this->documents->find($itemId);
            $refusal = $this->documents->refusal($item);
            if ($refusal !== null) {
                throw new Refusal($refusal);
            }
            $why = Reason::of($reason);
            $this->settings->locked()->refuse($date, 'The reversal');
            if ($date < $item->date) {
                throw new Refusal("{$item->document} is dated {$item->date}; it cannot be taken back on {$date}.");
            }
            if ($seen !== '' && $seen !== Dependents::digest($this->dependents->of($itemId))) {
                throw Refusal::changed(
                    'Other things hang on this document now than when you looked. Look at the list again and post if it is right.',
                );
            }

            return $this->plan($item, $date, $why, $against);
        });
    }

    private function plan(Item $item, string $date, string $why, ?ContraAccount $against): PostingPlan
    {
        $plan = new PlanBuilder();
        $reversal = new Reversal($this->settings->locked());
        [$settlements, $matches] = $this->standing->undoneWith($item->root_id);
        $reversal->settlements($plan, $settlements, $date, $why);
        $reversal->matches($plan, $matches, $date, $why);
        $standing = $this->standing->item((object) $item->getAttributes());
        $voucher =
            $item->voucher_id !== null
                ? $plan->mirror($this->standing->voucher(Voucher::query()->findOrFail($item->voucher_id)), $date)
                : $plan->voucher($this->voucher($item, $standing, $date, $against));
        $reversal->counter($plan, $standing, $voucher, $date, $why);
        $about = Subject::of(SubjectKind::Item, $item->root_id);
        $plan->trail('take back', $about, $why, ['document' => $item->document, 'date' => $date]);

        return $plan->build($about);
    }

    private function voucher(Item $item, StandingItem $standing, string $date, ?ContraAccount $against): CoreVoucher
    {
        $accounts = $this->settings->accounts();
        $number = $this->customers->find($item->customer_id)->number;
        $rule = new DocumentReversal($accounts, $accounts->withId($item->control_account_id), $standing->item, $number);
        $entry = $this->documents->entry($item);
        $lines = $this->documents->lines($item);

        return match (true) {
            $entry !== [] => $rule->byEntry($date, $entry),
            $lines !== [] => $rule->byLines($date, $lines),
            $against === null => throw new Refusal(
                "The books do not know what {$item->document} had posted besides the control account. Choose the account that takes it "
                    .'back.',
            ),
            default => $rule->byAccount($date, $against->account, $against->taxRate),
        };
    }
}
