<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Setting;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The policies of the books, station by station, each with what it does and its versions. */
final readonly class Policies
{
    public function __construct(private Settings $settings) {}

    private const STATIONS = [
        'The books' => [
            Setting::BooksName, Setting::FirmAddress, Setting::PaperFooter, Setting::PaperLogo,
            Setting::SeriesVouchers, Setting::SeriesRefunds, Setting::SeriesCreditNotes, Setting::OwnBank, Setting::MoneyAccount,
        ],
        'Receipts' => [
            Setting::ReceiptToleranceAmount, Setting::ReceiptTolerancePercent, Setting::CombinationItems, Setting::Order,
            Setting::BankChargesLimit, Setting::DiscountGraceDays, Setting::DiscountPartPayments, Setting::TaxReliefDiscounts,
            Setting::CreditorIdentifier, Setting::DebitNoticeDays,
        ],
        'Proof' => [Setting::PairingWindowDays],
        'Contra' => [Setting::ContraVoucher],
        'Residues and bad debts' => [
            Setting::ResidueLimit, Setting::ResiduePercent, Setting::ResidueDays, Setting::ResidueCapCustomer, Setting::ResidueCapRun,
            Setting::WriteBackLimit, Setting::WriteBackGround, Setting::TaxReliefWriteOffs,
        ],
        'Currency' => [Setting::RateDays, Setting::CurrencyPolicy],
        'Credit balances' => [Setting::CreditBalances, Setting::CreditBalanceLimit],
        'Aged and allowance' => [
            Setting::Buckets, Setting::AgedBasis, Setting::AgedCredits, Setting::AgedContested, Setting::AllowanceContested,
            Setting::AllowanceCredits,
        ],
        'Sign-off' => [Setting::ApprovalLimit, Setting::OutsideReviewer, Setting::ChangeLimit],
    ];

    /** @return array<string, list<Policy>> by station */
    public function all(): array
    {
        $versions = [];
        foreach (DB::table('settings')->orderByDesc('from_day')->orderByDesc('id')->get() as $row) {
            $versions[$row->name][] = $row;
        }
        $all = [];
        foreach (self::STATIONS as $station => $settings) {
            foreach ($settings as $setting) {
                $all[$station][] = $this->policy($setting, $setting->value, $versions);
                foreach (array_keys($versions) as $name) {
                    if (str_starts_with((string) $name, "{$setting->value}.")) {
                        $all[$station][] = $this->policy($setting, (string) $name, $versions);
                    }
                }
            }
        }

        return $all;
    }

    /** @param  array<array-key, list<stdClass>>  $versions by name, those of the latest day first */
    private function policy(Setting $setting, string $name, array $versions): Policy
    {
        $for = str_contains($name, '.') ? substr($name, strlen($setting->value) + 1) : '';

        return new Policy(
            $setting,
            $name,
            $for,
            self::does($setting),
            $this->settings->now()->named($name),
            $versions[$name] ?? [],
        );
    }

    private static function does(Setting $setting): string
    {
        return match ($setting) {
            Setting::BooksName => 'stands on every page and paper',
            Setting::FirmAddress => 'below the name on papers; a semicolon begins a new line',
            Setting::PaperFooter => 'at the foot of papers; a semicolon begins a new line',
            Setting::PaperLogo => 'at the head of papers',
            Setting::SeriesVouchers => 'letters before the number of a voucher',
            Setting::SeriesRefunds => 'letters before the number of a refund',
            Setting::SeriesCreditNotes => 'letters before the number of a credit note',
            Setting::MoneyAccount => 'account on which money of a way is received, such as cash; without it the first with the role',
            Setting::OwnBank => 'account from which payments in a currency are ordered',
            Setting::ReceiptToleranceAmount => 'a receipt may be off by so much of what it pays and still be proposed',
            Setting::ReceiptTolerancePercent => 'likewise in percent of the receipt',
            Setting::CombinationItems => 'combinations are looked for among at most so many open items',
            Setting::Order => 'in which order open items are filled where nothing fits',
            Setting::BankChargesLimit => 'bank charges deducted are taken for such up to this',
            Setting::DiscountGraceDays => 'days after the discount date on which it still holds',
            Setting::DiscountPartPayments => 'whether a part payment earns its share of the discount',
            Setting::TaxReliefDiscounts => 'whether output tax comes off with a discount',
            Setting::CreditorIdentifier => 'of the firm, for direct debits',
            Setting::DebitNoticeDays => 'days of notice before a direct debit',
            Setting::PairingWindowDays => 'posting and item may lie so many days apart and still pair by amount',
            Setting::ContraVoucher => 'one voucher for the run, or one for each pair',
            Setting::ResidueLimit => 'a residue is written off up to this',
            Setting::ChangeLimit => 'a main figure that moved by more percent since the period before needs a sentence; blank: never',
            Setting::ResiduePercent => 'and up to this percent of the original',
            Setting::ResidueDays => 'days since it was due or last matched',
            Setting::ResidueCapCustomer => 'at most so much of one customer in a run; blank: no cap',
            Setting::ResidueCapRun => 'at most so much in a run; blank: no cap',
            Setting::WriteBackLimit => 'a residue in the customer’s favour is written back up to this; nil: never',
            Setting::WriteBackGround => 'why the liability has ended; without it nothing is written back',
            Setting::TaxReliefWriteOffs => 'whether output tax comes off with a write-off',
            Setting::RateDays => 'a rate serves for so many days',
            Setting::CurrencyPolicy => 'unrealised differences are carried until settled, or reversed on day one',
            Setting::CreditBalances => 'what is netted before a credit is presented as a liability',
            Setting::CreditBalanceLimit => 'a customer with less in credit is left',
            Setting::Buckets => 'upper days of the aged list’s columns',
            Setting::AgedBasis => 'age by due or by document date',
            Setting::AgedCredits => 'unapplied credits: own column, own date, or against the oldest',
            Setting::AgedContested => 'contested amounts in their bucket or a column of their own',
            Setting::AllowanceContested => 'contested amounts in the matrix or not',
            Setting::AllowanceCredits => 'unapplied credits lessen the matrix or not',
            Setting::ApprovalLimit => 'above it a second person approves; a run may have its own',
            Setting::OutsideReviewer => 'the named outside person of a firm of one',
            Setting::BaseCurrency, Setting::Period => '',
        };
    }
}
