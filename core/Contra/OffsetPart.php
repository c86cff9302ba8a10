<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** What is taken of a customer's item. */
final readonly class OffsetPart
{
    /** @param  Money  $amount in the item's currency, above zero */
    public function __construct(public OpenItem $item, public Money $amount) {}
}
