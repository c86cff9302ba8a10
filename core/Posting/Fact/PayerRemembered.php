<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;

/** Which customer a person said that a payer is (R6). */
final readonly class PayerRemembered implements Fact
{
    public function __construct(public string $name, public string $bankAccount, public int $customerId) {}
}
