<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;

/** An open item that may be a residue. */
final readonly class ResidueCandidate
{
    /**
     * @param string $lastMatch day of its last match, or blank
     * @param Money $contested in the item's currency
     * @param string $blocked why nothing of the customer is written off, or blank
     * @param ?string $relief why no tax can come off although relief is on, blank where it can; null: relief is off
     * @param Money $tax within what it carries, base currency; nil where none comes off
     */
    public function __construct(
        public Customer $customer,
        public OpenItem $item,
        public string $lastMatch,
        public Money $contested,
        public string $blocked,
        public Money $tax,
        public ?string $relief = null,
    ) {}
}
