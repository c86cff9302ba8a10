<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** The names by which a posting and an item find each other; blank where there is none. */
final readonly class ProofNames
{
    /** @param  string  $reverses the entry that this posting takes back, where that is known */
    public function __construct(
        public string $document,
        public string $customer,
        public string $entry,
        public string $batch,
        public string $reverses = '',
    ) {}
}
