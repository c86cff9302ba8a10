<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Money\Money;

/** A match that a plan makes: the same amount off both items, and the base that it moves off each. */
final readonly class PlannedMatch
{
    /** @param  ?int  $settlement place of the settlement that it belongs to; null: of none */
    public function __construct(
        public string $date,
        public Ref $debit,
        public Ref $credit,
        public Money $amount,
        public Money $debitBase,
        public Money $creditBase,
        public ?int $settlement = null,
    ) {}
}
