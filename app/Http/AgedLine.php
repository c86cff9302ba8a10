<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Money\Money;

/** A line behind a figure of the aged list: an item, an instalment, or the contested part of one. */
final readonly class AgedLine
{
    /** @param  Money  $base what stands in the column, base currency, debit-positive */
    public function __construct(public int $itemId, public AgedItem $item, public string $column, public Money $base) {}
}
