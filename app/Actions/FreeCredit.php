<?php

declare(strict_types=1);

namespace App\Actions;

/** A line of a credit note that stands on no invoice, as typed. */
final readonly class FreeCredit
{
    /** @param  string  $rate percent of tax; blank: none */
    public function __construct(public string $description, public string $account, public string $rate, public string $net, public string $dimension = '') {}
}
