<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** A party with what is open on both sides. */
final readonly class Pair
{
    /**
     * @param list<OpenItem> $items of the customer, debits and credits
     * @param array<int, Money> $contested of an item, in its currency, by item
     * @param list<Bill> $bills of the supplier, their credits among them
     * @param list<Agreement> $agreements of the pair and currency, in force or not
     * @param string $blocked why the customer is left alone, or blank
     */
    public function __construct(
        public Party $party,
        public array $items,
        public array $contested,
        public array $bills,
        public array $agreements,
        public string $blocked = '',
    ) {}
}
