<?php

declare(strict_types=1);

namespace Ajuste\Core\CashAfter;

use Ajuste\Core\Money\Money;

/** Money that settled a document after the day that is looked at. */
final readonly class LaterReceipt
{
    /** @param  Money  $base what it took off the document, base currency */
    public function __construct(public string $date, public string $document, public Money $base) {}
}
