<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Ledger\Account;

/** A row of the aged list as it is shown. */
final readonly class AgedShown
{
    /**
     * @param ?AgedRow $change since the day that it is compared with; null: with none
     * @param ?int $itemId of the document that the row is about
     * @param ?Account $account the control account that the row is about
     */
    public function __construct(
        public AgedRow $row,
        public ?AgedRow $change,
        public ?int $itemId = null,
        public string $document = '',
        public ?Account $account = null,
    ) {}
}
