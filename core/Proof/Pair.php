<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** Postings and items that belong together. */
final readonly class Pair
{
    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     */
    public function __construct(public array $postings, public array $items, public PairedBy $by) {}

    public function straddles(string $asOf): bool
    {
        $before = $after = false;
        foreach ([...$this->postings, ...$this->items] as $line) {
            $line->date <= $asOf ? $before = true : $after = true;
        }

        return $before && $after;
    }

    /** Posting and item of one pair, where it is one against one. */
    public function isSingle(): bool
    {
        return count($this->postings) === 1 && count($this->items) === 1;
    }
}
