<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Subledger\Customer;

/** What stands to be lost with one item of the aged list, without the tax that comes back on default. */
final readonly class Exposure
{
    public AgedItem $item;

    /**
     * @param int $itemId the item, or the one that it corrects
     * @param bool $isRelated a related party, which is assessed by name
     * @param int $tax within it, minor units of base currency, signed as it
     */
    public function __construct(
        public Customer $customer,
        public int $itemId,
        public string $group,
        public bool $isRelated,
        AgedItem $item,
        int $tax,
    ) {
        $rest = $item->base - $tax;
        $contested = $item->base === 0 ? 0 : Rounding::proportion($rest, $item->contested, $item->base);
        $this->item = $item->carrying($rest, $contested);
    }

    public function base(Money $like): Money
    {
        return Money::ofMinor($this->item->base, $like->currency);
    }
}
