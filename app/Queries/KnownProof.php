<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proof\Proof;

/** A proof with where the books stood when it was worked out. */
final readonly class KnownProof
{
    /**
     * @param string $beside counters of what it looked at beside postings and items
     * @param string $counters those of postings and items
     */
    public function __construct(
        public string $beside,
        public string $counters,
        public int $lastPosting,
        public int $lastItem,
        public Proof $proof,
    ) {}
}
