<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** One of the parts in which an invoice falls due (R4). Light, since there are many: minor units of the invoice's currency. */
final readonly class Instalment
{
    public function __construct(public string $dueDate, public int $amount) {}
}
