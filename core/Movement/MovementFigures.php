<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;

/** One line of the roll-forward in both columns. Base currency, debit-positive. */
final readonly class MovementFigures
{
    /** @param  list<CauseLine>  $causes of the proof that make the two differ */
    public function __construct(public MovementLine $line, public Money $ledger, public Money $customers, public array $causes) {}

    public function difference(): Money
    {
        return $this->ledger->minus($this->customers);
    }
}
