<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Brick\Math\BigDecimal;

/** What is expected to be lost with one customer or document by name (R14). */
final readonly class SpecificAllowance
{
    /**
     * @param ?int $itemId null: the customer as a whole
     * @param ?Money $amount base currency; null where a percentage is said
     * @param string $review the day on which it is looked at again, or blank
     */
    public function __construct(
        public Customer $customer,
        public ?int $itemId,
        public string $document,
        public ?Money $amount,
        public ?BigDecimal $percent,
        public string $reason,
        public string $review,
    ) {}

    /**
     * Never more than what stands to be lost, nor less than nothing.
     *
     * @param Money $exposure base currency
     */
    public function of(Money $exposure): Money
    {
        $most = Money::most($exposure, Money::zero($exposure->currency));

        return $this->amount !== null ? Money::least($this->amount, $most) : LossRate::share($this->percent ?? BigDecimal::zero(), $most);
    }
}
