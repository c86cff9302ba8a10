<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * A balance where there are no ledger lines (R1): the items up to its day stand in it as they are, and what it has beside them is brought
 * forward as one sum, which the proof then names.
 */
final readonly class BalanceTakenOver
{
    /**
     * @param list<CauseLine> $items those that the ledger is to have a line of each
     * @param int $rest what is brought forward beside them, minor units of base currency, debit-positive
     */
    private function __construct(public array $items, public int $rest) {}

    /**
     * @param list<CauseLine> $causes of the proof as of the day, with no ledger lines
     * @param int $balance of the control account, minor units of base currency, debit-positive
     */
    public static function of(array $causes, int $balance): self
    {
        $items = array_filter($causes, static fn (CauseLine $of): bool => $of->cause === Cause::NotInLedger && $of->amount !== 0);

        return new self(
            array_values($items),
            $balance - array_sum(array_map(static fn (CauseLine $of): int => $of->amount, $items)),
        );
    }
}
