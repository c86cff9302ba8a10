<?php

declare(strict_types=1);

namespace App\StandIn;

use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;

/** A movement of the simulated bank before it stands on a statement. */
final readonly class BankMovement
{
    /**
     * @param Money $amount above zero money comes in
     * @param ?Money $fee taken off with it, above zero
     * @param string $returnReason why it comes back, a code of ISO 20022; or blank
     */
    public function __construct(
        public Payer $payer,
        public Money $amount,
        public string $endToEnd = '',
        public ?Money $fee = null,
        public string $returnReason = '',
    ) {}

    public function line(string $day, string $reference): BankLine
    {
        $amount = $this->fee === null ? $this->amount : $this->amount->minus($this->fee);
        $references = new BankReferences($reference, $this->endToEnd);

        return new BankLine($day, $day, $amount, $references, $this->payer, $this->fee, $this->returnReason !== '', $this->returnReason);
    }
}
