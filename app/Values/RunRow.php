<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** One line of a run that was posted: taken or left out, with the one reason. */
final readonly class RunRow
{
    /**
     * @param ?int $itemId null where it is about the customer as a whole
     * @param int $base minor units of base currency, as the run counted it
     * @param string $state taken, near miss or left out
     */
    public function __construct(
        public ?int $customerId,
        public string $customer,
        public ?int $itemId,
        public string $document,
        public Money $amount,
        public int $base,
        public string $why,
        public string $state,
    ) {}
}
