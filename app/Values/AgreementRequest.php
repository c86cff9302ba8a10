<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Contra\Agreement;

/** An agreement on setting off as a person typed it. */
final readonly class AgreementRequest
{
    /**
     * @param string $customer number
     * @param string $supplier number
     * @param string $currency ISO 4217
     */
    public function __construct(public string $customer, public string $supplier, public string $currency, public Agreement $agreement) {}
}
