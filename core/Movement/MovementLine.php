<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Subledger\Kind;

/** The lines of the roll-forward between its two balances (R11). */
enum MovementLine: string
{
    case Opening = 'opening';
    case Invoices = 'invoices';
    case Credits = 'credits';
    case Receipts = 'receipts';
    case WriteOffs = 'write_offs';
    case Contra = 'contra';
    case Exchange = 'exchange';
    case Other = 'other';
    case Closing = 'closing';

    public static function of(Kind $kind): self
    {
        return match ($kind) {
            Kind::Invoice, Kind::DebitNote, Kind::Charge => self::Invoices,
            Kind::CreditNote, Kind::Discount, Kind::Deduction => self::Credits,
            Kind::Receipt, Kind::Refund, Kind::Deposit, Kind::DepositMatched => self::Receipts,
            Kind::WriteOff, Kind::WriteBack => self::WriteOffs,
            Kind::Contra => self::Contra,
            Kind::ExchangeDifference => self::Exchange,
            Kind::Transfer, Kind::Adjustment, Kind::Opening => self::Other,
        };
    }

    /** @return list<self> what moves the balance, in order */
    public static function moving(): array
    {
        return [self::Invoices, self::Credits, self::Receipts, self::WriteOffs, self::Contra, self::Exchange, self::Other];
    }

    /** @return list<?Kind> whose items it holds; null among them: postings that pair with no item */
    public function kinds(): array
    {
        $kinds = array_values(array_filter(Kind::cases(), fn (Kind $kind): bool => self::of($kind) === $this));

        return $this === self::Other ? [...$kinds, null] : $kinds;
    }

    /** One word, over a column. */
    public function heading(): string
    {
        return ucfirst(str_replace('_', '-', $this->value));
    }

    public function words(): string
    {
        return match ($this) {
            self::Credits => 'Credit notes, discounts and deductions',
            self::Invoices => 'Invoices, debit notes and charges',
            self::Receipts => 'Receipts less refunds',
            self::WriteOffs => 'Write-offs less write-backs',
            self::Exchange => 'Exchange differences',
            self::Other => 'Transfers, adjustments and what pairs with nothing',
            default => ucfirst($this->value),
        };
    }
}
