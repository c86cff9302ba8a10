<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;

/** Why a customer keeps something back, as the books list it (R5). */
final readonly class DeductionReason
{
    /**
     * @param ?Account $account where an accepted deduction is posted; null for a contested one, which posts nothing
     * @param bool $taxRelief whether output tax is reduced along
     * @param string $rate the tax rate where no invoice is named, percent; blank: none
     */
    public function __construct(
        public string $code,
        public string $words,
        public ?Account $account,
        public bool $taxRelief = false,
        public string $rate = '',
        public bool $namesInvoice = false,
    ) {}

    /** Contested: the amount stays open on the invoice and is chased. Else it is accepted and posted. */
    public function isContested(): bool
    {
        return $this->account === null;
    }
}
