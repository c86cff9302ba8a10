<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** A specific allowance that a person asks for. */
final readonly class SpecificRequest
{
    /**
     * @param string $document blank: the customer as a whole
     * @param ?Money $amount base currency; nil ends what stands
     * @param string $percent blank where an amount is said
     * @param string $review a day, or blank
     */
    public function __construct(
        public string $customer,
        public string $document,
        public ?Money $amount,
        public string $percent,
        public string $reason,
        public string $review,
    ) {}
}
