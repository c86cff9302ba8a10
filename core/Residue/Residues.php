<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunChoices;

/** Which small leftovers are written off, and which only just are not (R8). */
final readonly class Residues
{
    public function __construct(private ChartOfAccounts $accounts, private Currency $base) {}

    /**
     * @param iterable<ResidueCandidate> $candidates open items of the control account as of the day
     * @param string $asOf day of the run
     */
    public function plan(Account $control, string $asOf, iterable $candidates, ResiduePolicy $policy, RunChoices $choices): ResiduePlan
    {
        $lines = $left = $of = [];
        foreach ($candidates as $candidate) {
            $id = $candidate->item->id;
            $failed = Eligibility::failed($candidate, $policy, $asOf);
            $why = match (true) {
                $candidate->blocked !== '' => "customer blocked: {$candidate->blocked}",
                ! $candidate->item->takeable->equals($candidate->item->open) => 'it is matched on a later day',
                isset($choices->left[$id]) => "left out: {$choices->left[$id]}",
                default => $failed[0] ?? '',
            };
            $mayBeTaken = count($failed) === 1 && $why === $failed[0];
            if ($failed === [] && $why === '') {
                $lines[] = self::line($candidate, self::says($candidate, $policy));
            } elseif ($mayBeTaken && isset($choices->taken[$id])) {
                $lines[] = self::line($candidate, "taken along, {$why}: {$choices->taken[$id]}", true);
            } elseif ($mayBeTaken || $failed === []) {
                $left[] = self::leftOut($candidate, $why, $mayBeTaken, isset($choices->left[$id]));
            }
            $of[$id] = $candidate;
        }
        [$lines, $over] = $this->capped($lines, $policy);
        $taken = array_map(static fn (PlannedLine $line): ResidueCandidate => $of[(int) $line->itemId], $lines);

        return new ResiduePlan($this->accounts, $control, $asOf, $policy, $lines, self::sorted([...$left, ...$over]), $taken, $this->base);
    }

    /**
     * The customer's cap first, then the run's.
     *
     * @param list<PlannedLine> $lines
     * @return array{list<PlannedLine>, list<LeftOut>}
     */
    private function capped(array $lines, ResiduePolicy $policy): array
    {
        $byCustomer = [];
        foreach ($lines as $line) {
            $byCustomer[$line->customer->id][] = $line;
        }
        $stay = $left = [];
        foreach ($byCustomer as $ofCustomer) {
            [$within, $over] = Caps::within($ofCustomer, $policy->capCustomer);
            $stay = [...$stay, ...$within];
            $left = [...$left, ...self::over($over, "above the cap of {$policy->capCustomer?->grouped()} for a customer")];
        }
        [$within, $over] = Caps::within($stay, $policy->capRun);

        return [$within, [...$left, ...self::over($over, "above the cap of {$policy->capRun?->grouped()} for a run")]];
    }

    /**
     * @param list<PlannedLine> $lines
     * @return list<LeftOut>
     */
    private static function over(array $lines, string $why): array
    {
        return array_map(static fn (PlannedLine $line): LeftOut => new LeftOut(
            $line->customer, $line->itemId, $line->document, $line->amount, $line->base, $why,
        ), $lines);
    }

    private static function line(ResidueCandidate $of, string $why, bool $takenAlong = false): PlannedLine
    {
        [$amount, $base] = [$of->item->signed($of->item->open), $of->item->signed($of->item->carried())];

        return new PlannedLine($of->customer, $of->item->id, $of->item->document, $amount, $base, $why, $takenAlong);
    }

    private static function leftOut(ResidueCandidate $of, string $why, bool $mayBeTaken, bool $byHand): LeftOut
    {
        $line = self::line($of, $why);

        return new LeftOut($line->customer, $line->itemId, $line->document, $line->amount, $line->base, $why, $mayBeTaken, $byHand);
    }

    private static function says(ResidueCandidate $of, ResiduePolicy $policy): string
    {
        $why = $of->item->isDebit() ? 'inside the policy' : "written back: {$policy->ground}";

        return $of->relief === null || $of->relief === '' ? $why : "{$why}; {$of->relief}";
    }

    /**
     * @param list<LeftOut> $left
     * @return list<LeftOut> the largest first
     */
    private static function sorted(array $left): array
    {
        usort($left, static fn (LeftOut $one, LeftOut $other): int => $other->base->abs()->minor <=> $one->base->abs()->minor ?:
            strcmp($one->document, $other->document));

        return $left;
    }
}
