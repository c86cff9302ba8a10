<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingVoucher;

/** What went back of the differences of a run (R9): matches between items that correct base only. */
final readonly class StandingGivenBack
{
    /**
     * @param list<StandingMatch> $matches
     * @param ?StandingVoucher $voucher of a settlement, which itself stands; null where it is one of the run's own
     */
    public function __construct(public array $matches, public ?StandingVoucher $voucher) {}

    /** The last day on which one of the matches takes effect. */
    public function lastDay(): string
    {
        return max(['', ...array_map(static fn (StandingMatch $match): string => $match->date, $this->matches)]);
    }
}
