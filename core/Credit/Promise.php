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
     * @param ?int $itemId the document that it is for; null: whatever the customer pays counts
     * @param ?Money $paid what came towards it; null: nothing
     */
    public function __construct(
        public int $id,
        public string $givenOn,
        public string $payBy,
        public Money $amount,
        public string $byWhom,
        public ?int $itemId = null,
        public ?Money $paid = null,
    ) {}

    /**
     * Promises of one customer with the money that came towards each. Money counts once: first for the document that it was matched
     * with, then for the promise that ends first.
     *
     * @param list<self> $promises
     * @param list<MoneyCame> $came
     * @return list<self> by the day on which they end
     */
    public static function measured(array $promises, array $came): array
    {
        usort($promises, static fn (self $one, self $other): int => [$one->payBy, $one->id] <=> [$other->payBy, $other->id]);
        foreach ($came as $money) {
            $left = $money->amount;
            foreach ([true, false] as $forDocument) {
                foreach ($promises as $place => $promise) {
                    if (($promise->itemId !== null) === $forDocument && $promise->takes($money)) {
                        $counts = Money::least(Money::least($left, $promise->missing()), $money->towards($promise->itemId));
                        $promises[$place] = $promise->with($counts);
                        $left = $left->minus($counts);
                    }
                }
            }
        }

        return $promises;
    }

    public function state(string $asOf): PromiseState
    {
        return match (true) {
            $this->missing()->isZero() => PromiseState::Kept,
            $asOf > $this->payBy => PromiseState::Broken,
            default => PromiseState::Waits,
        };
    }

    public function paid(): Money
    {
        return $this->paid ?? Money::zero($this->amount->currency);
    }

    private function missing(): Money
    {
        return $this->amount->minus($this->paid());
    }

    private function takes(MoneyCame $money): bool
    {
        return $this->givenOn <= $money->date && $money->date <= $this->payBy && $money->amount->isIn($this->amount->currency);
    }

    private function with(Money $more): self
    {
        return new self(
            $this->id, $this->givenOn, $this->payBy, $this->amount, $this->byWhom, $this->itemId, $this->paid()->plus($more),
        );
    }
}
