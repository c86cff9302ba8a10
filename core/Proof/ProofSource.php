<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** Where the lines of a proof come from. Lines of all dates are given; the as-of day only decides what counts. */
interface ProofSource
{
    /**
     * What agreed when an earlier period was signed, all of it dated on or before the as-of day: it is carried as a sum, and `documents`
     * leaves it out.
     */
    public function agreed(): Agreed;

    /**
     * Postings and items of the control account, together those with the same document; a line without one by itself, or with the
     * document of the only item that names its entry.
     *
     * @return iterable<non-empty-list<ProofLine>>
     */
    public function documents(): iterable;

    /** What persons said about pairs. */
    public function handPairs(): HandPairs;

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
