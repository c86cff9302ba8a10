<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;

/** What of the proposed matches a run would post: those that are certain, less what is left out, and with what is taken along. */
final readonly class ChosenMatches
{
    /** @param  list<ProposedMatch>  $matches */
    private function __construct(public array $matches) {}

    /**
     * @param list<ProposedMatch> $proposed
     * @param list<int> $leave credits of certain matches that a person leaves out
     * @param list<int> $take credits of others that a person takes along
     */
    public static function of(array $proposed, array $leave, array $take): self
    {
        [$left, $taken] = [array_flip($leave), array_flip($take)];

        return new self(
            array_values(
                array_filter(
                    $proposed,
                    static fn (ProposedMatch $of): bool => $of->certain ? ! isset($left[$of->credit->id]) : isset($taken[$of->credit->id]),
                ),
            ),
        );
    }

    /** @return list<Money> what of the credits is matched, each currency by itself */
    public function sums(): array
    {
        $sums = [];
        foreach ($this->matches as $match) {
            $amount = $match->credit->takeable;
            $code = $amount->currency->code;
            $sums[$code] = isset($sums[$code]) ? $sums[$code]->plus($amount) : $amount;
        }

        return array_values($sums);
    }
}
