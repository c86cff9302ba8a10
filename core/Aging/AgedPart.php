<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

/** What of one item stands in one column of the aged list. */
final readonly class AgedPart
{
    /**
     * @param ?int $column 0 the first; null: the column of unapplied credits
     * @param int $base minor units of base currency, debit-positive
     */
    public function __construct(public ?int $column, public int $base) {}
}
