<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Changes;
use App\Support\Remembered;
use Illuminate\Support\Facades\Cache;

/**
 * What would use unapplied credits up whole (R6), and which of it needs nobody's judgement. Worked out customer by customer, and kept for
 * as long as the customer's open items stay as they are.
 */
final readonly class FittingMatches
{
    public function __construct(private Positions $positions, private Proposals $proposals) {}

    /**
     * Customers whose proposals are still to be worked out.
     *
     * @param list<UnappliedBrief> $customers
     * @return list<UnappliedBrief>
     */
    public function waiting(Account $account, string $asOf, array $customers): array
    {
        $kept = $this->kept($account, $asOf);

        return array_values(
            array_filter(
                $customers,
                static fn (UnappliedBrief $customer): bool => $customer->isMatchable &&
                    ($kept[$customer->id][0] ?? '') !== $customer->state,
            ),
        );
    }

    /**
     * Works some of them out, for about so long.
     *
     * @param list<UnappliedBrief> $waiting
     */
    public function workOut(Account $account, string $asOf, array $waiting, float $seconds = INF): void
    {
        if ($waiting === []) {
            return;
        }
        $until = microtime(true) + $seconds;
        $kept = $this->kept($account, $asOf);
        foreach ($waiting as $customer) {
            [$found, $others] = $this->of($this->positions->takeableOf($account->id, $customer->id, $asOf));
            $kept[$customer->id] = [
                $customer->state,
                count(array_filter($found, static fn (FittingMatch $match): bool => $match->certain)),
                $others,
                serialize($found),
            ];
            if (microtime(true) > $until) {
                break;
            }
        }
        Cache::put($this->key($account, $asOf), [self::basis(), $kept], 86_400);
    }

    /**
     * What is known of each customer that is worked out and stands as it was.
     *
     * @param list<UnappliedBrief> $customers
     * @return array<int, ProposalCount> by customer id
     */
    public function counts(Account $account, string $asOf, array $customers): array
    {
        $kept = $this->kept($account, $asOf);
        $counts = [];
        foreach ($customers as $customer) {
            if ($customer->isMatchable && ($kept[$customer->id][0] ?? '') === $customer->state) {
                $counts[$customer->id] = new ProposalCount($kept[$customer->id][1], $kept[$customer->id][2]);
            }
        }

        return $counts;
    }

    /**
     * @param list<UnappliedBrief> $customers
     * @return array<int, list<FittingMatch>> by customer id
     */
    public function known(Account $account, string $asOf, array $customers): array
    {
        $kept = $this->kept($account, $asOf);
        $known = [];
        foreach (
            array_keys(
                array_filter(
                    $this->counts($account, $asOf, $customers),
                    static fn (ProposalCount $count): bool => $count->certain + $count->others > 0,
                ),
            ) as $id
        ) {
            /** @var list<FittingMatch> $found */
            $found = unserialize($kept[$id][3], ['allowed_classes' => [FittingMatch::class, Way::class]]);
            $known[$id] = $found;
        }

        return $known;
    }

    /** What a run posts by itself; discounts and remainders are left to a person. */
    public static function isCertain(Proposal $proposal): bool
    {
        return $proposal->isSure() && $proposal->usesUpTheWhole();
    }

    /**
     * @param list<OpenItem> $items of the customer
     * @return array{list<FittingMatch>, int} each item in one only, the certain ones first; and for how many credits something is proposed
     *                                        that is not certain
     */
    private function of(array $items): array
    {
        $proposals = $found = $taken = [];
        $others = 0;
        foreach (array_filter($items, static fn (OpenItem $item): bool => ! $item->isDebit()) as $credit) {
            $proposals[] = [$credit->id, $this->proposals->forItem($credit, $items)];
        }
        usort($proposals, static fn (array $one, array $other): int => self::isCertain($other[1]) <=> self::isCertain($one[1]));
        foreach ($proposals as [$creditId, $proposal]) {
            $settles = array_map(static fn (Settles $settles): int => $settles->item->id, $proposal->settles);
            $free = array_intersect([$creditId, ...$settles], $taken) === [];
            $certain = $free && self::isCertain($proposal);
            if ($free && $proposal->usesUpTheWhole()) {
                array_push($taken, $creditId, ...$settles);
                $found[] = new FittingMatch($creditId, $proposal->how, $settles, $certain);
            }
            $others += $certain || $settles === [] ? 0 : 1;
        }

        return [$found, $others];
    }

    /**
     * @return array<int, array{string, int, int, string}> state of the open items, how many are certain and how many not, and those that
     *                                                     fit serialised, by customer id
     */
    private function kept(Account $account, string $asOf): array
    {
        /** @var array{string, array<int, array{string, int, int, string}>}|null $kept */
        $kept = Cache::get($this->key($account, $asOf));

        return $kept !== null && $kept[0] === self::basis() ? $kept[1] : [];
    }

    private function key(Account $account, string $asOf): string
    {
        return Remembered::key("fitting {$account->id} {$asOf}");
    }

    /** What else the proposals follow from, but the customer's own items. */
    private static function basis(): string
    {
        return Changes::books().' '.Changes::of(['settings', 'placements']);
    }
}
