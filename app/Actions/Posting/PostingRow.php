<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Money\Money;

/** A ledger posting to be written. */
final readonly class PostingRow
{
    /**
     * @param int $occurrence place among the lines of its entry on its account
     * @param int $base minor units of base currency, debit-positive
     * @param ?Money $original in its own currency, where that is not base
     */
    public function __construct(
        public string $entry,
        public int $occurrence,
        public string $date,
        public int $accountId,
        public int $base,
        public PostingText $text,
        public RowSource $source,
        public ?Money $original = null,
    ) {}
}
