<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** An item that a person ticked, and how much of it is to be settled. */
final readonly class Tick
{
    /** @param  Money  $amount positive, in the item's currency */
    public function __construct(public OpenItem $item, public Money $amount) {}

    public function leaves(): Money
    {
        return $this->item->open->minus($this->amount);
    }
}
