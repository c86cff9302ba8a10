<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

/** What the rows of the aged list are. */
enum AgedBy: string
{
    case Customer = 'customer';
    case Document = 'document';
    case Group = 'group';
    case Country = 'country';
    case Currency = 'currency';
    case Account = 'account';

    public function words(): string
    {
        return $this === self::Account ? 'control account' : $this->value;
    }

    /** Whether a row is of one customer. */
    public function namesCustomers(): bool
    {
        return $this === self::Customer || $this === self::Document;
    }
}
