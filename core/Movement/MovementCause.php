<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;

/** A cause of the proof, and by how much it makes the two columns of a roll-forward differ. */
final readonly class MovementCause
{
    /** @param  Money  $difference ledger less customers, base currency */
    public function __construct(public CauseLine $line, public Money $difference) {}

    public function title(): string
    {
        return trim("{$this->line->cause->words()} {$this->line->document()}");
    }
}
