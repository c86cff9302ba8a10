<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Ledger\Voucher;

/** A voucher of the books that was not taken back, with the items that it carries. */
final readonly class StandingVoucher
{
    /** @param  list<StandingItem>  $items */
    public function __construct(public int $id, public string $number, public Voucher $voucher, public array $items = []) {}
}
