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
     */
    public function __construct(public int $id, public RunKind $kind, public array $vouchers, public array $settlements) {}
}
