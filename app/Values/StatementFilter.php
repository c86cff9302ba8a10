<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** Which customers get a statement. */
final readonly class StatementFilter
{
    /**
     * @param bool $overdue only those of whom something is late
     * @param ?Money $least only those who owe at least so much, base currency
     * @param string $group only those of a group; blank: all
     */
    public function __construct(public bool $overdue = false, public ?Money $least = null, public string $group = '') {}
}
