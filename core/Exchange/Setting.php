<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Allowance\ContestedPolicy;
use Ajuste\Core\Allowance\CreditsPolicy;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\ContestedIn;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Exchange\Bank\CreditorIdentifier;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;

/** The settings of the books that settings.csv knows, with their defaults. */
enum Setting: string
{
    case BaseCurrency = 'base_currency';
    case BooksName = 'books_name';
    case FirmAddress = 'firm_address';
    case PaperFooter = 'paper_footer';
    case PaperLogo = 'paper_logo';
    case SeriesVouchers = 'series_vouchers';
    case SeriesRefunds = 'series_refunds';
    case SeriesCreditNotes = 'series_credit_notes';
    case Period = 'period';
    case PairingWindowDays = 'pairing_window_days';
    case ReceiptToleranceAmount = 'receipt_tolerance_amount';
    case ReceiptTolerancePercent = 'receipt_tolerance_percent';
    case CombinationItems = 'combination_items';
    case Order = 'order';
    case DiscountGraceDays = 'discount_grace_days';
    case DiscountPartPayments = 'discount_part_payments';
    case BankChargesLimit = 'bank_charges_limit';
    case TaxReliefDiscounts = 'tax_relief_discounts';
    case TaxReliefWriteOffs = 'tax_relief_write_offs';
    case ResidueLimit = 'residue_limit';
    case ResiduePercent = 'residue_percent';
    case ResidueDays = 'residue_days';
    case WriteBackLimit = 'write_back_limit';
    case RateDays = 'rate_days';
    case CurrencyPolicy = 'currency_policy';
    case CreditBalances = 'credit_balances';
    case CreditBalanceLimit = 'credit_balance_limit';
    case Buckets = 'buckets';
    case AgedBasis = 'aged_basis';
    case AgedCredits = 'aged_credits';
    case AgedContested = 'aged_contested';
    case AllowanceContested = 'allowance_contested';
    case AllowanceCredits = 'allowance_credits';
    case ApprovalLimit = 'approval_limit';
    case OwnBank = 'own_bank';
    case MoneyAccount = 'money_account';
    case ResidueCapCustomer = 'residue_cap_customer';
    case ResidueCapRun = 'residue_cap_run';
    case WriteBackGround = 'write_back_ground';
    case ContraVoucher = 'contra_voucher';
    case OutsideReviewer = 'outside_reviewer';
    case ChangeLimit = 'change_limit';
    case CreditorIdentifier = 'creditor_identifier';
    case DebitNoticeDays = 'debit_notice_days';

    public function default(): string
    {
        return match ($this) {
            self::BaseCurrency => 'EUR',
            self::BooksName, self::FirmAddress, self::PaperFooter, self::PaperLogo, self::Period, self::OwnBank, self::MoneyAccount,
            self::CreditorIdentifier, self::ResidueCapCustomer, self::ResidueCapRun, self::WriteBackGround, self::OutsideReviewer => '',
            self::SeriesVouchers => 'AJ',
            self::SeriesRefunds => 'RF',
            self::SeriesCreditNotes => 'CN',
            self::ContraVoucher => 'run',
            self::PairingWindowDays, self::RateDays => '5',
            self::ReceiptToleranceAmount => '1.00',
            self::ReceiptTolerancePercent => '0.5',
            self::CombinationItems => '40',
            self::Order => 'oldest_due',
            self::DiscountGraceDays => '0',
            self::DiscountPartPayments, self::TaxReliefWriteOffs => 'no',
            self::TaxReliefDiscounts => 'yes',
            self::BankChargesLimit => '50.00',
            self::ResidueLimit => '5.00',
            self::DebitNoticeDays => (string) DirectDebits::NOTICE_DAYS,
            self::ResiduePercent => '1',
            self::ResidueDays => '30',
            self::WriteBackLimit, self::CreditBalanceLimit => '0.00',
            self::CurrencyPolicy => 'carry',
            self::CreditBalances => 'customer',
            self::Buckets => '30,60,90',
            self::AgedBasis => 'due',
            self::AgedCredits => 'separate',
            self::AgedContested => ContestedIn::Bucket->value,
            self::AllowanceContested => ContestedPolicy::In->value,
            self::AllowanceCredits => CreditsPolicy::Net->value,
            self::ApprovalLimit => '100.00',
            self::ChangeLimit => '25',
        };
    }

    /** Runs that may have an approval limit of their own (R13). */
    private const RUNS = ['contra', 'residues', 'currency', 'credit_balances', 'allowance'];

    /** Whether it may be said for one currency, run or way of payment: `residue_limit.GBP`, `money_account.cash`. */
    public function isSaidFor(string $name): bool
    {
        return match ($this) {
            self::ResidueLimit, self::WriteBackLimit, self::OwnBank => Currency::isKnown($name),
            self::ApprovalLimit => in_array($name, self::RUNS, true),
            self::MoneyAccount => PaymentWay::tryFrom($name) !== null,
            default => false,
        };
    }

    /**
     * What a name means, such as `residue_limit`, or `residue_limit.GBP` for one currency.
     *
     * @return array{self, ?string} the setting, and what it is said for
     *
     * @throws RowFault when there is none
     */
    public static function named(string $name): array
    {
        [$of, $for] = [...explode('.', $name, 2), null];
        $setting = self::tryFrom((string) $of);
        if ($setting === null || ($for !== null && ! $setting->isSaidFor($for))) {
            throw new RowFault('name', $name, 'one of '.implode(', ', array_column(self::cases(), 'value')).' is expected');
        }

        return [$setting, $for];
    }

    /** Whether persons may change it while the books are kept. It holds from a day on; else it is said of the books as a whole. */
    public function isPolicy(): bool
    {
        return $this !== self::BaseCurrency && $this !== self::Period;
    }

    /** Whether it says when a second person is asked, and who that may be: a reviewer changes it (R13). */
    public function isOfTheSecondPerson(): bool
    {
        return $this === self::ApprovalLimit || $this === self::OutsideReviewer;
    }

    /**
     * Whether the value is one that the setting can have.
     *
     * @throws RowFault when it is not
     */
    public function check(string $value): void
    {
        $expected = match ($this) {
            self::BooksName, self::OwnBank, self::MoneyAccount, self::WriteBackGround, self::OutsideReviewer => null,
            self::FirmAddress, self::PaperFooter => mb_strlen($value) <= 300 ? null : 'at most 300 characters are expected',
            self::SeriesVouchers, self::SeriesRefunds, self::SeriesCreditNotes => self::letters($value),
            self::PaperLogo => preg_match('/^([0-9a-f]{64})?$/D', $value) === 1 ? null : 'a picture that was handed in is expected',
            self::ContraVoucher => self::oneOf($value, ['run', 'pair']),
            self::CreditorIdentifier => $value === '' || CreditorIdentifier::isValid($value)
                ? null
                : 'a creditor identifier whose check digits hold is expected, such as DE98ZZZ09999999999',
            self::BaseCurrency => Currency::isKnown($value) ? null : 'a currency code of ISO 4217 is expected, such as EUR',
            self::Period => self::passes(static fn () => Period::of($value)) ? null : 'year and month are expected, such as 2026-10',
            self::Buckets => self::passes(static fn () => AgeBuckets::parse($value, AgedBasis::DueDate))
                ? null
                : 'days in ascending order are expected, such as 30,60,90',
            self::Order => self::oneOf($value, ['oldest_due', 'oldest_document', 'smallest', 'largest', 'pro_rata']),
            self::DiscountPartPayments, self::TaxReliefDiscounts, self::TaxReliefWriteOffs => self::oneOf($value, ['yes', 'no']),
            self::CurrencyPolicy => self::oneOf($value, ['carry', 'reverse']),
            self::CreditBalances => self::oneOf($value, array_column(CreditBalancePolicy::cases(), 'value')),
            self::AgedBasis => self::oneOf($value, ['due', 'document']),
            self::AgedCredits => self::oneOf($value, array_column(Credits::cases(), 'value')),
            self::AgedContested => self::oneOf($value, array_column(ContestedIn::cases(), 'value')),
            self::AllowanceContested => self::oneOf($value, array_column(ContestedPolicy::cases(), 'value')),
            self::AllowanceCredits => self::oneOf($value, array_column(CreditsPolicy::cases(), 'value')),
            self::PairingWindowDays, self::CombinationItems, self::DiscountGraceDays, self::ResidueDays, self::RateDays,
            self::DebitNoticeDays => preg_match('/^\d{1,4}$/D', $value) === 1 ? null : 'a whole number is expected',
            self::ResidueCapCustomer, self::ResidueCapRun => $value === '' ? null : self::number($value),
            self::ApprovalLimit, self::ChangeLimit => $value === '' ? null : self::number($value),
            default => self::number($value),
        };
        if ($expected !== null) {
            throw new RowFault('value', $value, $expected);
        }
    }

    private static function letters(string $value): ?string
    {
        return preg_match('~^[A-Za-z0-9][A-Za-z0-9/.-]{0,11}$~D', $value) === 1
            ? null
            : 'up to twelve letters and figures are expected, such as AJ or 2026/CN';
    }

    private static function number(string $value): ?string
    {
        return preg_match('/^\d{1,12}(\.\d{1,4})?$/D', $value) === 1 ? null : 'a number of zero or above is expected';
    }

    /** @param  list<string>  $choices */
    private static function oneOf(string $value, array $choices): ?string
    {
        return in_array($value, $choices, true) ? null : 'one of '.implode(', ', $choices).' is expected';
    }

    /** @param  callable(): mixed  $attempt */
    private static function passes(callable $attempt): bool
    {
        try {
            $attempt();

            return true;
        } catch (Refusal) {
            return false;
        }
    }
}
