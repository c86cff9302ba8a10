<?php

declare(strict_types=1);

namespace App\Actions\Posting;

/** A voucher that has its number. */
final readonly class PostedVoucher
{
    public function __construct(public int $id, public string $number) {}
}
