<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Posting\StandingSettlement;
use Ajuste\Core\Posting\StandingVoucher;

/** A run of the books with all of it that stands. */
final readonly class StandingRun
{
    /**
     * @param list<StandingVoucher> $vouchers of the run itself
     * @param list<list<StandingSettlement>> $settlements each with those that hang on it, which come first
     * @param list<StandingGivenBack> $givenBack what went back of its items
     */
    public function __construct(
        public int $id,
        public RunKind $kind,
        public array $vouchers,
        public array $settlements,
        public array $givenBack = [],
    ) {}

    /** Whether its voucher was posted together with a mirror on a later day: they go back only both, each on its own day (R10). */
    public function hasMirror(): bool
    {
        $days = array_map(static fn (StandingVoucher $of): string => $of->voucher->date, $this->vouchers);

        return $this->kind->mayHaveMirror() && count(array_unique($days)) > 1;
    }
}
