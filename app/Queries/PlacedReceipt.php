<?php

declare(strict_types=1);

namespace App\Queries;

/** What became of a posted receipt: the voucher that booked it, and the documents that it settled. */
final readonly class PlacedReceipt
{
    /** @param  list<string>  $settled documents */
    public function __construct(public string $voucher, public array $settled) {}
}
