<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Subledger\OpenItem;

/** What of one document will never be paid. */
final readonly class LostDebt
{
    /**
     * @param Money $amount in the document's currency
     * @param list<TaxedLine> $lines of the document; none where they are not known
     * @param Money $allowance what is posted specifically for the document and not used yet, base currency
     */
    public function __construct(public OpenItem $item, public Money $amount, public array $lines, public Money $allowance) {}
}
