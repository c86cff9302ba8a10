<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

/**
 * How far a customer's debits and credits are netted before a credit is presented as a liability. Netting needs a right to it (IAS 32.42).
 */
enum CreditBalancePolicy: string
{
    case Customer = 'customer';
    case CustomerCurrency = 'customer_currency';
    case Item = 'item';

    public function words(): string
    {
        return match ($this) {
            self::Customer => 'by customer, net',
            self::CustomerCurrency => 'by customer and currency, net',
            self::Item => 'by item, not netted',
        };
    }
}
