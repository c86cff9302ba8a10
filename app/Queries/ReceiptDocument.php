<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\OpenItem;

/** A receipt with what it settled, and what the customer has open as of a day. */
final readonly class ReceiptDocument
{
    /**
     * @param list<PaperLine> $settled
     * @param list<PaperLine> $open
     */
    public function __construct(public OpenItem $item, public array $settled, public array $open, public string $asOf) {}
}
