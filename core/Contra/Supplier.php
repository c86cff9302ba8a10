<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Ledger\Account;

/** A supplier with the account that carries what is owed to it. */
final readonly class Supplier
{
    public function __construct(public int $id, public string $number, public string $name, public Account $payables) {}
}
