<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** What persons said about which lines belong together, and which do not. Their word stands above the tests. */
final readonly class HandPairs
{
    /**
     * @param array<string, int> $pairOf number of the pair by `ledger 5` or `subledger 7`
     * @param array<string, true> $apart lines that are to find nothing
     */
    public function __construct(private array $pairOf = [], private array $apart = []) {}

    /** The number of the pair that a person put the line into; null: none. */
    public function pairOf(ProofLine $line): ?int
    {
        return $this->pairOf["{$line->book->value} {$line->id}"] ?? null;
    }

    public function isApart(ProofLine $line): bool
    {
        return isset($this->apart["{$line->book->value} {$line->id}"]);
    }
}
