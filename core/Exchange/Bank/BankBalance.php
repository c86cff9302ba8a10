<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** What stands on a bank account at a day's end, or where one page of a statement ends and the next begins. */
final readonly class BankBalance
{
    public function __construct(public string $day, public Money $amount, public bool $isBetweenPages = false) {}
}
