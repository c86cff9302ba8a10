<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Settlement\PaymentWay;

/** How, when and why money is paid back. */
final readonly class RefundRequest
{
    public function __construct(public PaymentWay $way, public string $date, public string $reason) {}
}
