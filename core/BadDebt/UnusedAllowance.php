<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/**
 * What is posted specifically for one customer and not used by write-offs yet. A document uses up its own first; what it takes beyond that
 * comes from the customer's.
 */
final readonly class UnusedAllowance
{
    /** The customer as a whole, where figures stand by document. */
    public const WHOLE = 0;

    /**
     * @param array<int, int> $posted by item, or WHOLE; minor units of base currency
     * @param array<int, int> $used what write-offs took since, by the item that they settled; minor units of base currency
     */
    public function __construct(private array $posted, private array $used, private Currency $base) {}

    /** Base currency. */
    public function ofDocument(int $itemId): Money
    {
        return Money::ofMinor(max(0, ($this->posted[$itemId] ?? 0) - ($this->used[$itemId] ?? 0)), $this->base);
    }

    /** Of the customer as a whole, base currency. */
    public function ofCustomer(): Money
    {
        $taken = 0;
        foreach ($this->used as $item => $used) {
            $taken += max(0, $used - ($this->posted[$item] ?? 0));
        }

        return Money::ofMinor(max(0, ($this->posted[self::WHOLE] ?? 0) - $taken), $this->base);
    }
}
