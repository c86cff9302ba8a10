<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Posting\Fact\ContestEnded;
use Ajuste\Core\Posting\Fact\DocumentTakenBack;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;
use Ajuste\Core\Posting\StandingVoucher;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;

/**
 * Takes postings back as of a day (R3): matches are undone, so that every open amount stands again; the vouchers that they caused are
 * reversed; an item and the one that takes it back use each other up. Both stay visible.
 */
final readonly class Reversal
{
    public function __construct(private LockedDays $locked) {}

    /**
     * @param list<StandingSettlement> $settlements those that hang on others first
     *
     * @throws Refusal when the day is locked, or before one of the matches
     */
    public function settlements(PlanBuilder $plan, array $settlements, string $date, string $reason): void
    {
        foreach ($settlements as $settlement) {
            $this->matches($plan, $settlement->matches, $date, $reason);
            foreach ($settlement->vouchers as $voucher) {
                $this->voucher($plan, $voucher, $date, $reason);
            }
            foreach (array_keys($settlement->contested) as $contested) {
                $plan->fact(new ContestEnded($contested, $date, $reason));
            }
            $plan->trail('reverse match', Subject::of(SubjectKind::Settlement, $settlement->id), $reason, ['date' => $date]);
        }
    }

    /** A voucher and the items that it carries. */
    public function voucher(PlanBuilder $plan, StandingVoucher $voucher, string $date, string $reason): void
    {
        $mirror = $plan->mirror($voucher, $date);
        foreach ($voucher->items as $item) {
            $this->counter($plan, $item, $mirror, $date, $reason);
        }
    }

    /**
     * @param list<StandingMatch> $matches
     *
     * @throws Refusal when the day is locked, or before one of the matches
     */
    public function matches(PlanBuilder $plan, array $matches, string $date, string $reason): void
    {
        $this->locked->refuse($date, 'The reversal');
        foreach ($matches as $match) {
            if ($date < $match->date) {
                throw new Refusal(
                    "The reversal cannot be dated {$date}: the match is dated {$match->date}. Choose that day or a later one.",
                );
            }
            $plan->undo($match->id, $date, $reason);
        }
    }

    /**
     * Gives an item its counterpart: the two use each other up.
     *
     * @param int $voucher place of the voucher that carries the counterpart
     */
    public function counter(PlanBuilder $plan, StandingItem $standing, int $voucher, string $date, string $reason): void
    {
        $item = $standing->item;
        $kind = $item->kind->correctsBaseOnly() ? $item->kind : Kind::Adjustment;
        $reference = $kind === Kind::Adjustment ? $item->document : $item->head->reference;
        $head = new ItemHead($item->document, $kind, $item->head->side->opposite(), $item->head->account, $date, $date, $reference);
        $back = $plan->item(new NewItem($head, $item->amount, $item->base, $voucher, $standing->corrects));
        [$debit, $credit] = $item->isDebit() ? [$item, $back] : [$back, $item];
        $plan->match($date, $debit, $credit, MatchedAmounts::even($item->amount, $item->base));
        $plan->fact(new DocumentTakenBack($item->ref, $back->ref, $date, $reason));
    }
}
