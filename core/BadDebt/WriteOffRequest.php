<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

/** Why and when debts are written off. */
final readonly class WriteOffRequest
{
    /**
     * @param string $evidence what proves it: a court's decision, a letter
     * @param ?string $taxOn the day on which the conditions for the output tax were met; null: no tax comes back
     */
    public function __construct(public string $date, public Ground $ground, public string $evidence, public ?string $taxOn) {}
}
