<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** A line of an invoice as its tax goes: net in minor units, the rate in percent, and its revenue account where that is known. */
final readonly class TaxedLine
{
    public function __construct(public int $net, public string $rate, public ?Account $account = null) {}

    /** Net and tax, minor units, rounded half away from zero. */
    public function gross(): int
    {
        return BigRational::of($this->rate)
            ->plus(100)
            ->multipliedBy($this->net)
            ->dividedBy(100)
            ->toScale(0, RoundingMode::HALF_UP)
            ->toInt();
    }
}
