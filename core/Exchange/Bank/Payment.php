<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** One transfer that the bank is asked to make. */
final readonly class Payment
{
    /**
     * @param string $endToEnd names it on every statement and answer
     * @param Money $amount above zero
     */
    public function __construct(
        public string $endToEnd,
        public Money $amount,
        public string $payee,
        public string $iban,
        public string $text,
    ) {}
}
