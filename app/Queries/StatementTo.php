<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A customer who gets a statement. */
final readonly class StatementTo
{
    /**
     * @param Money $total base currency
     * @param Money $late what of it is overdue
     * @param string $sentAt moment; blank: not yet
     */
    public function __construct(
        public int $customerId,
        public string $title,
        public string $email,
        public Money $total,
        public Money $late,
        public string $sentAt,
    ) {}

    public function waits(): bool
    {
        return $this->sentAt === '' && $this->email !== '';
    }
}
