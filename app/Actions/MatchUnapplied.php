<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\ChosenMatches;
use Ajuste\Core\Run\MatchRun;
use Ajuste\Core\Run\ProposedMatch;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Posting\PostPlan;
use App\Queries\FittingMatch;
use App\Queries\FittingMatches;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Queries\Unapplied;

/**
 * Matches all unapplied credits whose proposal is certain, quoted or of the same amount and the only such, and what a person takes along.
 */
final readonly class MatchUnapplied
{
    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Unapplied $unapplied,
        private FittingMatches $fitting,
        private PostPlan $posting,
    ) {}

    /**
     * All that fits; what was not worked out yet is.
     *
     * @return list<ProposedMatch> the certain ones first, then by customer; each item in one only
     */
    public function proposed(Account $account, string $asOf): array
    {
        $customers = $this->unapplied->briefs($account, $asOf);
        $this->fitting->workOut($account, $asOf, $this->fitting->waiting($account, $asOf, $customers));
        $known = array_filter($this->fitting->known($account, $asOf, $customers));
        $items = $this->positions->several($this->ids($known));
        $about = array_column($this->unapplied->customers($account, $asOf, array_keys($known)), null, 'id');
        $proposed = [];
        foreach ($known as $customerId => $matches) {
            $customer = new Customer($customerId, $about[$customerId]->customer, $about[$customerId]->name);
            foreach ($matches as $match) {
                $settles = array_map(static fn (int $id): OpenItem => $items[$id], $match->settles);
                $proposed[] = new ProposedMatch($customer, $items[$match->creditId], $settles, $match->how, $match->certain);
            }
        }
        $order = static fn (ProposedMatch $of): array => [! $of->certain, $of->customer->number, $of->credit->date, $of->credit->id];
        usort($proposed, static fn (ProposedMatch $one, ProposedMatch $other): int => $order($one) <=> $order($other));

        return $proposed;
    }

    /**
     * Names what a person saw, so that posting can tell whether the books have moved since.
     *
     * @param list<ProposedMatch> $proposed
     */
    public static function digest(array $proposed): string
    {
        $named = static fn (OpenItem $item): string => "{$item->id}:{$item->takeable->minor}";
        $line = static fn (ProposedMatch $of): string => $named($of->credit).'='.implode('.', array_map($named, $of->settles));

        return hash('sha256', implode(' ', array_map($line, $proposed)));
    }

    /**
     * @param string $seen digest of all that the person saw
     * @param list<int> $leave credits of certain matches that the person leaves out
     * @param list<int> $take credits of others that the person takes along
     * @return int the run
     *
     * @throws Refusal when there is nothing to match, or it would no longer be what was seen
     */
    public function post(string $key, Account $account, string $asOf, string $seen, array $leave = [], array $take = []): int
    {
        return $this->posting->post($key, function () use ($account, $asOf, $seen, $leave, $take): PostingPlan {
            $proposed = $this->proposed($account, $asOf);
            if (self::digest($proposed) !== $seen) {
                throw Refusal::changed('The items have changed since you looked. Look at the list again and post it if it is right.');
            }
            $run = new MatchRun($this->settings->accounts(), $this->settings->locked(), $this->settings->base());

            return $run->plan($account, $asOf, ChosenMatches::of($proposed, $leave, $take)->matches);
        });
    }

    /**
     * @param array<int, list<FittingMatch>> $known
     * @return list<int>
     */
    private function ids(array $known): array
    {
        $ids = [];
        foreach ($known as $matches) {
            foreach ($matches as $match) {
                array_push($ids, $match->creditId, ...$match->settles);
            }
        }

        return $ids;
    }
}
