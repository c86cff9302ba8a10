<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

/** A ledger account as vouchers name it. */
final readonly class Account
{
    public function __construct(
        public int $id,
        public string $number,
        public string $name,
        public ?AccountRole $role = null,
        public ?AccountType $type = null,
    ) {}

    public function title(): string
    {
        return "{$this->number} {$this->name}";
    }

    public function carriesCustomers(): bool
    {
        return $this->role?->carriesCustomers() === true;
    }
}
