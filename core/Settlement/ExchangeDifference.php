<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;

/**
 * The difference of one match: the base that it moved off the credit less the base that it moved off the debit. Above zero it debits the
 * customer and is a gain.
 */
final readonly class ExchangeDifference
{
    public function __construct(public ItemMatch $match, public Money $base) {}

    /** A deposit stands at its own rate, so that nothing is realised: the invoice's revenue is what was received for it (R9). */
    public function correctsRevenue(): bool
    {
        return $this->match->credit->kind === Kind::DepositMatched;
    }
}
