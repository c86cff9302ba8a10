<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** Where the lines of a proof come from. Lines of all dates are given; the as-of day only decides what counts. */
interface ProofSource
{
    /**
     * Postings and items of the control account, those with the same document next to each other.
     *
     * @return iterable<ProofLine>
     */
    public function lines(): iterable;

    /** Whether any imported item of the control account names its ledger entry. */
    public function itemsNameEntries(): bool;

    /**
     * Postings on other accounts of the ledger that bear one of these documents or entries.
     *
     * @param list<ProofLine> $items
     * @return iterable<array{string, ProofLine}> the account's number and name, and the posting
     */
    public function elsewhere(array $items): iterable;

    /**
     * The tax within the items, minor units of base currency, by item id; items of which the lines are unknown are left out.
     *
     * @param list<int> $itemIds
     * @return array<int, int>
     */
    public function tax(array $itemIds): array;
}
