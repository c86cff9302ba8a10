<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** A customer as vouchers and letters name one. */
final readonly class Customer
{
    public function __construct(public int $id, public string $number, public string $name) {}

    public function on(int $controlAccountId): CustomerAccount
    {
        return new CustomerAccount($this->id, $controlAccountId);
    }
}
