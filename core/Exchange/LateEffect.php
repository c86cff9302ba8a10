<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;

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

        return match (true) {
            $kind === FileKind::Items => new self($none->control, self::onCustomers($row, $base)),
            $kind === FileKind::Ledger && in_array($row['account'] ?? '', $controlAccounts, true) => new self(
                self::amount($row['debit'] ?? '', $base)->minus(self::amount($row['credit'] ?? '', $base)),
                $none->customers,
            ),
            default => $none,
        };
    }

    public function plus(self $other): self
    {
        return new self($this->control->plus($other->control), $this->customers->plus($other->customers));
    }

    /** @param  array<string, string>  $row */
    private static function onCustomers(array $row, Currency $base): Money
    {
        $side = Kind::tryFrom($row['kind'] ?? '')?->side() ?? Side::tryFrom($row['side'] ?? '') ?? Side::Debit;
        $inBase = $row['base_amount'] ?? '';

        return $side->signed(self::amount($inBase !== '' ? $inBase : ($row['amount'] ?? ''), $base));
    }

    /** What cannot be read counts nothing: the row is refused when it is taken in. */
    private static function amount(string $text, Currency $base): Money
    {
        try {
            return $text === '' ? Money::zero($base) : Money::parse($text, $base);
        } catch (Refusal) {
            return Money::zero($base);
        }
    }
}
