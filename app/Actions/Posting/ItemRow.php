<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemHead;

/** An item to be written. */
final readonly class ItemRow
{
    /**
     * @param Money $amount in its currency, positive
     * @param Money $base carrying amount, positive
     * @param int $occurrence place among the items with its document, kind and customer
     * @param string $entry the ledger entry that it caused or answers
     */
    public function __construct(
        public ItemHead $head,
        public Money $amount,
        public Money $base,
        public int $occurrence,
        public RowSource $source,
        public string $entry = '',
        public string $batch = '',
        public ItemLinks $links = new ItemLinks,
    ) {}
}
