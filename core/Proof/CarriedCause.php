<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** A cause that a person carries with a reason (R12). It holds while the cause is there with the same amount. */
final readonly class CarriedCause
{
    /** @param  int  $amount what the cause came to when it was carried, minor units of base currency */
    public function __construct(public int $id, public string $key, public int $amount, public string $reason, public string $who, public string $recordedAt) {}

    public function explains(CauseLine $line): bool
    {
        return $line->key() === $this->key && $line->amount === $this->amount;
    }
}
