<?php

declare(strict_types=1);

namespace App\Values;

/** How an aged list is asked for, where it is not by the books' own policies. */
final readonly class AgedTerms
{
    /**
     * @param ?string $basis due or document; null for the books' own
     * @param ?string $buckets edges in days; null for the books' own
     * @param ?string $credits separate, own_date or oldest_first; null for the books' own
     * @param ?string $in a currency: its documents alone, in it; null: all, in base at carrying amount
     */
    public function __construct(
        public ?string $basis = null,
        public ?string $buckets = null,
        public ?string $credits = null,
        public ?string $in = null,
    ) {}
}
