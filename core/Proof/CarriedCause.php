<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * A cause that a person carries with a reason (R12). It holds while the cause is there with the same amount, and for the period in
 * which it was carried; in the next one the cause stands open again, older by a period.
 */
final readonly class CarriedCause
{
    /**
     * @param int $amount what the cause came to when it was carried, minor units of base currency
     * @param string $through last day of the period in which it was carried
     */
    public function __construct(
        public int $id,
        public string $key,
        public int $amount,
        public string $reason,
        public string $who,
        public string $recordedAt,
        public string $through,
    ) {}

    public function explains(CauseLine $line, string $asOf): bool
    {
        return $asOf <= $this->through && $this->isOf($line);
    }

    /** Whether it is this cause, with the amount that it had, in whatever period. */
    public function isOf(CauseLine $line): bool
    {
        return $line->key() === $this->key && $line->amount === $this->amount;
    }
}
