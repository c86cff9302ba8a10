<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** What kind of document an item is (R1). */
enum Kind: string
{
    case Invoice = 'invoice';
    case DebitNote = 'debit_note';
    case CreditNote = 'credit_note';
    case Receipt = 'receipt';
    case Refund = 'refund';
    case Charge = 'charge';
    case Deposit = 'deposit';
    case Discount = 'discount';
    case Deduction = 'deduction';
    case WriteOff = 'write_off';
    case WriteBack = 'write_back';
    case Contra = 'contra';
    case DepositMatched = 'deposit_matched';
    case Transfer = 'transfer';
    case ExchangeDifference = 'exchange_difference';
    case Adjustment = 'adjustment';
    case Opening = 'opening';

    /** The side that the kind implies; null where each item has to say it. */
    public function side(): ?Side
    {
        return match ($this) {
            self::Invoice, self::DebitNote, self::Refund, self::Charge, self::WriteBack => Side::Debit,
            self::CreditNote, self::Receipt, self::Deposit, self::Discount, self::Deduction, self::WriteOff,
            self::Contra, self::DepositMatched => Side::Credit,
            self::Transfer, self::ExchangeDifference, self::Adjustment, self::Opening => null,
        };
    }

    /** Whether its items correct only the base amount and are zero in their own currency (R9). */
    public function correctsBaseOnly(): bool
    {
        return $this === self::ExchangeDifference;
    }

    /** What a match with an item of this kind means for the document that it settles: money, a discount, or less owed (R4). */
    public function settlesAs(): SettledBy
    {
        return match ($this) {
            self::CreditNote, self::Deduction => SettledBy::Credit,
            self::Discount => SettledBy::Discount,
            self::WriteOff, self::ExchangeDifference => SettledBy::Loss,
            default => SettledBy::Cash,
        };
    }

    /** Documents that a customer is to pay and that terms, lines and discounts belong to. */
    public function isInvoice(): bool
    {
        return $this === self::Invoice || $this === self::DebitNote;
    }

    /** Documents of the sales side, with lines and a number of its series: invoices, debit notes and credit notes. */
    public function isSalesDocument(): bool
    {
        return $this->isInvoice() || $this === self::CreditNote;
    }

    /** What counts as sales of a period (R14): invoices and what is charged beside them, not credit notes. */
    public function isSale(): bool
    {
        return $this->isInvoice() || $this === self::Charge;
    }

    public function words(): string
    {
        return match ($this) {
            self::Opening => 'brought forward',
            self::WriteOff => 'write-off',
            self::WriteBack => 'write-back',
            default => str_replace('_', ' ', $this->value),
        };
    }

    /** So many of them, in words: `1 receipt`, `2 credit notes`. */
    public function counted(int $count): string
    {
        return "{$count} ".match (true) {
            $count === 1 => $this->words(),
            $this === self::DepositMatched => 'deposits matched',
            $this === self::Opening, $this === self::Contra => $this->words(),
            default => $this->words().'s',
        };
    }

    /** @return list<string> of invoices and debit notes */
    public static function invoices(): array
    {
        return self::values(static fn (self $kind): bool => $kind->isInvoice());
    }

    /** @return list<string> of the documents of the sales side */
    public static function salesDocuments(): array
    {
        return self::values(static fn (self $kind): bool => $kind->isSalesDocument());
    }

    /**
     * @param ?callable(self): bool $which null: all
     * @return list<string>
     */
    public static function values(?callable $which = null): array
    {
        $kinds = $which === null ? self::cases() : array_values(array_filter(self::cases(), $which));

        return array_map(static fn (self $kind): string => $kind->value, $kinds);
    }
}
