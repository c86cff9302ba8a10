<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;

/** What stays of a pair, with the one reason. */
final readonly class LeftOfPair
{
    /**
     * @param string $document of an item or bill; blank: the pair as a whole
     * @param ?int $itemId of the customer; null: a bill, or the pair as a whole
     * @param Money $amount in the pair's currency
     * @param Money $base base currency
     * @param bool $byHand a person left it out
     */
    public function __construct(
        public Party $party,
        public string $document,
        public ?int $itemId,
        public Money $amount,
        public Money $base,
        public string $why,
        public bool $byHand = false,
    ) {}
}
