<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** Who paid, as the statement has it. */
final readonly class Payer
{
    /** @param  string  $remittance what the payer wrote */
    public function __construct(public string $name, public string $bankAccount, public string $remittance) {}

    public function isNamed(): bool
    {
        return $this->name !== '' || $this->bankAccount !== '';
    }

    public function saying(string $remittance): self
    {
        return new self($this->name, $this->bankAccount, $remittance);
    }
}
