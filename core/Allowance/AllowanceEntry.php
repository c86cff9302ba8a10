<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Ledger\AccountRole;

/** What one entry did to the allowance, and which accounts it met there. */
final readonly class AllowanceEntry
{
    /**
     * @param int $minor more allowance positive, base currency
     * @param list<AccountRole> $others roles of the other accounts of the entry
     * @param bool $takesBack whether it reverses another entry
     */
    public function __construct(public int $minor, public array $others, public bool $takesBack = false) {}

    /** The line of the movement that it belongs to; what is taken back counts in the line of what it takes back (as in R11). */
    public function line(): AllowanceLine
    {
        $adds = $this->takesBack ? $this->minor < 0 : $this->minor > 0;

        return match (true) {
            $this->meets(AccountRole::ReceivablesControl) => AllowanceLine::Used,
            $this->meets(
                AccountRole::ExchangeUnrealisedGain, AccountRole::ExchangeUnrealisedLoss, AccountRole::ExchangeRealisedGain,
                AccountRole::ExchangeRealisedLoss,
            ) => AllowanceLine::Exchange,
            $this->meets(AccountRole::ImpairmentLoss) => $adds ? AllowanceLine::Charge : AllowanceLine::Release,
            default => AllowanceLine::Other,
        };
    }

    private function meets(AccountRole ...$roles): bool
    {
        foreach ($roles as $role) {
            if (in_array($role, $this->others, true)) {
                return true;
            }
        }

        return false;
    }
}
