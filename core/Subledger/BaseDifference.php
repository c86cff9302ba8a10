<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** An exchange difference that no match has used up yet. */
final readonly class BaseDifference
{
    /**
     * @param int $sourceId the item that it corrects
     * @param int $base minor units of base currency, debit-positive
     * @param bool $ofTheDay whether it is dated on the day of the match
     */
    public function __construct(public int $itemId, public int $sourceId, public int $base, public bool $ofTheDay) {}
}
