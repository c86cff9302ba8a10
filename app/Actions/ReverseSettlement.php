<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Queries\Settings;
use App\Queries\Standing;

/** Takes a match back, as a whole with the vouchers that it caused, or one line of it (R3). */
final readonly class ReverseSettlement
{
    public function __construct(private Settings $settings, private Standing $standing, private PostPlan $posting) {}

    /** @throws Refusal when the reason is blank, the date is locked or before the match, or the match is reversed already */
    public function post(string $key, int $settlementId, string $date, string $reason): void
    {
        $this->posting->post($key, function () use ($settlementId, $date, $reason): PostingPlan {
            $plan = new PlanBuilder();
            (new Reversal($this->settings->locked()))->settlements(
                $plan,
                $this->standing->settlement($settlementId),
                $date,
                Reason::of($reason),
            );

            return $plan->build(Subject::of(SubjectKind::Settlement, $settlementId));
        });
    }

    /**
     * One line of a match only; the rest of it stands.
     *
     * @throws Refusal when the match caused vouchers, which belong to the whole of it, or the line is reversed already
     */
    public function oneLine(string $key, int $matchId, string $date, string $reason): void
    {
        $this->posting->post($key, function () use ($matchId, $date, $reason): PostingPlan {
            $match = $this->standing->match($matchId);
            $why = Reason::of($reason);
            $plan = new PlanBuilder();
            (new Reversal($this->settings->locked()))->matches($plan, [Standing::ofRow($match)], $date, $why);
            $about =
                $match->settlement_id === null
                    ? Subject::of(SubjectKind::Item, $match->credit_item_id)
                    : Subject::of(SubjectKind::Settlement, $match->settlement_id);
            $plan->trail('reverse a line of a match', $about, $why, ['date' => $date, 'line' => (string) $matchId]);

            return $plan->build($about);
        });
    }
}
