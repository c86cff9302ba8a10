<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\PlacementTakenBack;
use Ajuste\Core\Posting\Fact\StatementLinePlaced;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\AccountShare;
use Ajuste\Core\Settlement\OtherMoney;
use Ajuste\Core\Settlement\PlacementKind;
use Ajuste\Core\Settlement\StandingPosting;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Voucher;
use App\Queries\Settings;
use App\Queries\Standing;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use Illuminate\Support\Facades\DB;

/**
 * What a person does with money that is no customer's receipt: straight to accounts, confirming what is posted already, or out of the way.
 */
final readonly class PlaceElsewhere
{
    public function __construct(
        private Settings $settings,
        private StatementLines $lines,
        private PlaceReceipt $receipts,
        private Standing $standing,
        private PostPlan $posting,
    ) {}

    /**
     * Out of the way: salaries, suppliers. Nothing is posted here.
     *
     * @throws Refusal when the line is placed already or no reason is given
     */
    public function setAside(string $key, int $lineId, string $reason): void
    {
        $this->posting->post($key, function () use ($lineId, $reason): PostingPlan {
            $line = $this->free($lineId);
            $why = Reason::of($reason, 'Say what the line is, so that others can follow it: salaries, a supplier, interest.');

            return self::placed($line, PlacementKind::NotReceivables, $why, 'not receivables');
        });
    }

    /**
     * Straight to accounts: interest, a rebate, a grant.
     *
     * @param list<AccountShare> $shares
     *
     * @throws Refusal when the amounts do not make the line, or an account carries customers
     */
    public function onAccounts(string $key, int $lineId, array $shares, string $memo): void
    {
        $this->posting->post($key, function () use ($lineId, $shares, $memo): PostingPlan {
            $line = $this->free($lineId);
            $why = Reason::of($memo, 'Say what the money is for; it becomes the text of the voucher.');

            return $this->rule()->onAccounts(
                $this->receipts->money($line, Money::zero($line->amount->currency)),
                $line->reference,
                $shares,
                $why,
            );
        });
    }

    /**
     * The line confirms what is posted already. Where that stands on an account in transit, the bank takes it over from there.
     *
     * @throws Refusal when the posting is gone, confirmed by another line, or of another amount
     */
    public function confirm(string $key, int $lineId, int $postingId): void
    {
        $this->posting->post($key, function () use ($lineId, $postingId): PostingPlan {
            $line = $this->free($lineId);
            $row =
                DB::table('postings')->where('id', $postingId)->whereNull('superseded_at')->first() ??
                throw Refusal::changed('The posting is not there any more. Load the page again.');
            $base = Money::ofMinor($row->base, $this->settings->base());
            $amount = $row->currency_amount === null ? $base : Money::ofMinor($row->currency_amount, $row->currency);
            $posting = new StandingPosting(
                $row->id,
                $this->settings->accounts()->withId($row->account_id),
                $base,
                $amount,
                $row->entry,
                $row->document,
                $row->customer,
            );

            return $this->rule()->confirm(
                $this->receipts->money($line, Money::zero($line->amount->currency)),
                $line->amount,
                $line->reference,
                $posting,
            );
        });
    }

    /**
     * Takes a placement back that is no receipt: the line is to be placed again.
     *
     * @throws Refusal when it is a receipt, or a part of it is placed
     */
    public function takeBack(string $key, int $placementId, string $reason): void
    {
        $this->posting->post($key, function () use ($placementId, $reason): PostingPlan {
            $placement =
                DB::table('placements as p')->where('p.id', $placementId)->whereNotExists(StatementLines::reversed(...))->first() ??
                throw Refusal::done('This is taken back already.');
            $kind = PlacementKind::from($placement->kind);
            if (in_array($kind, [PlacementKind::Receipt, PlacementKind::Returned], true)) {
                throw new Refusal('A receipt is taken back on its own page, with its matches.');
            }
            foreach ($kind === PlacementKind::Divided ? $this->lines->placedParts($placementId) : [] as $part) {
                throw new Refusal("A part of {$part->amount->grouped()} is placed. Take that back first.");
            }
            $why = Reason::of($reason);
            $plan = new PlanBuilder();
            if ($placement->voucher_id !== null) {
                $voucher = $this->standing->voucher(Voucher::query()->whereKey($placement->voucher_id)->firstOrFail());
                $plan->mirror($voucher, $this->settings->locked()->firstOpenFrom($voucher->voucher->date));
            }
            $plan->fact(new PlacementTakenBack($placementId, $why));
            $about = Subject::of(SubjectKind::Placement, $placementId);
            $plan->trail('take back placement', $about, $why, ['kind' => $kind->value]);

            return $plan->build($about);
        });
    }

    /** A plan that only says where a line was put. */
    public static function placed(StatementLine $line, PlacementKind $kind, string $reason, string $what): PostingPlan
    {
        $plan = new PlanBuilder();
        $plan->fact(new StatementLinePlaced($line->id, $line->title(), $kind, $reason));
        $about = Subject::of(SubjectKind::StatementLine, $line->id);
        $plan->trail($what, $about, $reason, ['amount' => $line->amount->decimal()]);

        return $plan->build($about);
    }

    private function rule(): OtherMoney
    {
        return new OtherMoney($this->settings->accounts(), $this->settings->locked());
    }

    /** @throws Refusal when the line belongs to a batch, which is posted as a whole */
    private function free(int $lineId): StatementLine
    {
        $line = $this->lines->find($lineId);
        $line->refuseQuestion();

        return $line->origin->batchId === null
            ? $line
            : throw new Refusal('This receipt belongs to a batch and is posted with it. Take it out of the batch first.');
    }
}
