<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemMatch;

/**
 * The realised difference of one match: the base that it moved off the credit less the base that it moved off the debit. Above
 * zero it debits the customer and is a gain.
 */
final readonly class ExchangeDifference
{
    public function __construct(public ItemMatch $match, public Money $base) {}
}
