<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** What a row of late news would have done to the signed figures of its day (R13; IAS 10, from memory). */
final readonly class LateEffect
{
    /**
     * @param Money $control what control accounts would have had more, base currency, debit-positive
     * @param Money $customers what the customers would have had more, likewise
     */
    public function __construct(public Money $control, public Money $customers) {}

    public static function none(Currency $base): self
    {
        return new self(Money::zero($base), Money::zero($base));
    }

    /**
     * @param array<string, string> $row in the house format
     * @param list<string> $controlAccounts numbers of the accounts that carry customers
     * @param Currency $base of the books
     */
    public static function of(FileKind $kind, array $row, array $controlAccounts, Currency $base): self
    {
        $none = self::none($base);
        $amount = RowAmount::of($kind, $row, $base) ?? $none->control;

        return match (true) {
            $kind === FileKind::Items => new self($none->control, $amount),
            $kind === FileKind::Ledger && in_array($row['account'] ?? '', $controlAccounts, true) => new self($amount, $none->customers),
            default => $none,
        };
    }

    public function plus(self $other): self
    {
        return new self($this->control->plus($other->control), $this->customers->plus($other->customers));
    }
}
