<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** One decision that ties items of a customer together on a day; its matches and vouchers are taken back as one. */
final readonly class PlannedSettlement
{
    public function __construct(public int $customerId, public string $date) {}
}
