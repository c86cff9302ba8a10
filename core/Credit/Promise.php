<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

use Ajuste\Core\Money\Money;

/** What a customer promised to pay, and by when. Whether it was kept is told by the money that came, and by nothing else. */
final readonly class Promise
{
    /**
     * @param string $givenOn first day on which money counts towards it
     * @param string $payBy last day
     * @param Money $amount above zero
     * @param Money $paid receipts of the customer in that currency from the first day to the last, or to the day that is looked at
     */
    public function __construct(
        public int $id,
        public string $givenOn,
        public string $payBy,
        public Money $amount,
        public string $byWhom,
        public Money $paid,
    ) {}

    public function state(string $asOf): PromiseState
    {
        return match (true) {
            ! $this->paid->isLessThan($this->amount) => PromiseState::Kept,
            $asOf > $this->payBy => PromiseState::Broken,
            default => PromiseState::Waits,
        };
    }
}
