<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** What a person decided of an item or a bill: no more of it than so much is set off; nil leaves it out. */
final readonly class AtMost
{
    /** @throws Refusal when it is below nil */
    public function __construct(public Money $amount, public string $reason)
    {
        if ($amount->isNegative()) {
            throw new Refusal("No more than {$amount->grouped()} cannot be set off; nil leaves it out.");
        }
    }

    /** The part of what is open that stays out. */
    public function staysOut(Money $open): Money
    {
        return $open->isMoreThan($this->amount) ? $open->minus($this->amount) : Money::zero($open->currency);
    }

    public function why(): string
    {
        return "kept out: {$this->reason}";
    }
}
