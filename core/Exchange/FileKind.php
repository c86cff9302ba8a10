<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\AccountType;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Subledger\Kind;

/** The files of the house format, in the order in which they are taken in. */
enum FileKind: string
{
    case Calendar = 'calendar';
    case Settings = 'settings';
    case Accounts = 'accounts';
    case Suppliers = 'suppliers';
    case Customers = 'customers';
    case Agreements = 'agreements';
    case Rates = 'rates';
    case AllowanceRates = 'allowance_rates';
    case Items = 'items';
    case Instalments = 'instalments';
    case ItemLines = 'item_lines';
    case SpecificAllowances = 'specific_allowances';
    case Matches = 'matches';
    case SupplierItems = 'supplier_items';
    case SupplierMatches = 'supplier_matches';
    case Ledger = 'ledger';
    case BankLines = 'bank_lines';

    /** @return array<string, Field> by name; a field that is not required may be missing from the file altogether */
    public function fields(): array
    {
        /** @var array<string, array<string, Field>> $fields */
        static $fields = [];

        return $fields[$this->value] ??= array_column($this->define(), null, 'name');
    }

    /** @return list<string> what foreign lists have in place of fields; with a plus where no kind of the house has such a field */
    public function foreignFields(): array
    {
        return match ($this) {
            self::Items => ['name', '+above', '+open', '+marker', 'debit', 'credit'],
            self::Ledger => ['amount', '+marker'],
            self::BankLines => ['+marker'],
            default => [],
        };
    }

    /** @return non-empty-list<string> the fields that name a row */
    public function key(): array
    {
        return match ($this) {
            self::Calendar => ['period'],
            self::Settings => ['name'],
            self::Accounts => ['account'],
            self::Customers => ['customer'],
            self::Suppliers => ['supplier'],
            self::Agreements => ['customer', 'supplier', 'reference', 'currency'],
            self::Rates => ['date', 'currency'],
            self::AllowanceRates => ['group', 'bucket'],
            self::Items => ['document', 'kind', 'customer'],
            self::Instalments => ['document', 'due_date'],
            self::SpecificAllowances => ['customer', 'document'],
            self::SupplierMatches => ['date', 'bill', 'credit_document'],
            self::ItemLines => ['document', 'line'],
            self::Matches => ['date', 'debit_document', 'credit_document'],
            self::SupplierItems => ['document', 'kind', 'supplier'],
            self::Ledger => ['entry', 'account'],
            self::BankLines => ['date', 'text', 'reference'],
        };
    }

    /** Whether it is known by its name alone: its columns stand in lists of other kinds too. */
    public function isNamedOnly(): bool
    {
        return match ($this) {
            self::Calendar, self::AllowanceRates, self::Instalments, self::SpecificAllowances, self::SupplierMatches => true,
            default => false,
        };
    }

    /** The kind that a file name speaks of: `items.csv`, `ITEMS 2026-10.xlsx`. */
    public static function named(string $fileName): ?self
    {
        $name = strtolower(pathinfo(str_replace('\\', '/', $fileName), PATHINFO_FILENAME));
        $longestFirst = self::cases();
        usort($longestFirst, static fn (self $one, self $other): int => strlen($other->value) <=> strlen($one->value));
        foreach ($longestFirst as $kind) {
            if ($name === $kind->value || preg_match('/^'.$kind->value.'[^a-z]/', $name) === 1) {
                return $kind;
            }
        }

        return preg_match('/^(bank|statement)([^a-z]|$)/', $name) === 1 ? self::BankLines : null;
    }

    /** @param  list<string>  $choices */
    private static function choice(string $name, array $choices): Field
    {
        return new Field($name, FieldType::Choice, choices: $choices);
    }

    /** @param  list<string>  $choices */
    private static function optionalChoice(string $name, array $choices): Field
    {
        return new Field($name, FieldType::Choice, false, true, $choices);
    }

    /** @return list<Field> */
    private function define(): array
    {
        return match ($this) {
            self::Calendar => [self::text('period'), self::date('from'), self::date('to')],
            self::Settings => self::settings(),
            self::Accounts => self::accounts(),
            self::Customers => self::customers(),
            self::Suppliers => self::suppliers(),
            self::Items => self::items(),
            self::ItemLines => self::itemLines(),
            self::Matches => self::matches(),
            self::SupplierItems => self::supplierItems(),
            self::Ledger => self::ledger(),
            self::BankLines => self::bankLines(),
            self::Rates => self::rates(),
            self::Agreements => self::agreements(),
            self::AllowanceRates => self::allowanceRates(),
            self::Instalments => [self::text('document'), self::date('due_date'), self::amount('amount')],
            self::SpecificAllowances => self::specificAllowances(),
            self::SupplierMatches => [self::date('date'), self::text('bill'), self::text('credit_document'), self::amount('amount')],
        };
    }

    /** @return list<Field> */
    private static function settings(): array
    {
        return [self::text('name'), new Field('value', mayBeBlank: true), self::optional('from', FieldType::Date)];
    }

    /** @return list<Field> */
    private static function accounts(): array
    {
        return [
            self::text('account'),
            self::text('name'),
            self::choice('type', array_column(AccountType::cases(), 'value')),
            self::optionalChoice('role', array_column(AccountRole::cases(), 'value')),
            self::optional('currency', FieldType::Currency),
            self::optional('iban'),
        ];
    }

    /** @return list<Field> */
    private static function customers(): array
    {
        return [
            self::text('customer'),
            self::text('name'),
            self::optional('trading_name'),
            self::currency(),
            self::optional('terms'),
            self::optional('control_account'),
            self::optional('supplier'),
            self::optional('group'),
            self::optional('iban'),
            self::optional('email'),
            self::optional('tax_id'),
            self::optional('country'),
            self::optional('credit_limit', FieldType::Amount),
            self::optionalChoice('related', ['yes', 'no']),
            self::optional('region'),
            self::optional('salesperson'),
        ];
    }

    /** @return list<Field> */
    private static function suppliers(): array
    {
        return [self::text('supplier'), self::text('name'), self::currency(), self::optional('control_account'), self::optional('iban')];
    }

    /** @return list<Field> */
    private static function items(): array
    {
        return [
            self::text('document'),
            self::choice('kind', Kind::values()),
            self::text('customer'),
            self::date('date'),
            new Field('due_date', FieldType::Date, mayBeBlank: true),
            self::currency(),
            new Field('amount', FieldType::Amount, mayBeBlank: true),
            new Field('base_amount', FieldType::Amount, mayBeBlank: true),
            self::optionalChoice('side', ['debit', 'credit']),
            self::optional('reference'),
            self::optional('control_account'),
            self::optional('entry'),
            self::optional('batch'),
            self::optional('terms'),
        ];
    }

    /** @return list<Field> */
    private static function itemLines(): array
    {
        return [
            self::text('document'),
            self::text('line'),
            new Field('description', mayBeBlank: true),
            new Field('quantity', FieldType::Number, mayBeBlank: true),
            new Field('unit_price', FieldType::Number, mayBeBlank: true),
            self::amount('net'),
            new Field('tax_rate', FieldType::Number, mayBeBlank: true),
            new Field('account', mayBeBlank: true),
        ];
    }

    /** @return list<Field> */
    private static function matches(): array
    {
        return [self::date('date'), self::text('debit_document'), self::text('credit_document'), self::amount('amount')];
    }

    /** @return list<Field> */
    private static function supplierItems(): array
    {
        return [
            self::text('document'),
            self::choice('kind', ['bill', 'bill_credit', 'payment', 'contra']),
            self::text('supplier'),
            self::date('date'),
            new Field('due_date', FieldType::Date, mayBeBlank: true),
            self::currency(),
            self::amount('amount'),
            new Field('base_amount', FieldType::Amount, mayBeBlank: true),
            self::optional('open', FieldType::Amount),
            self::optional('carrying', FieldType::Amount),
            self::optional('blocked'),
            self::optional('reference'),
        ];
    }

    /** @return list<Field> */
    private static function ledger(): array
    {
        return [
            self::text('entry'),
            self::date('date'),
            self::text('account'),
            self::optional('reference'),
            new Field('description', mayBeBlank: true),
            new Field('debit', FieldType::Amount, mayBeBlank: true),
            new Field('credit', FieldType::Amount, mayBeBlank: true),
            self::optional('document'),
            self::optional('customer'),
            self::optional('source'),
            self::optional('recorded_at'),
            self::optional('batch'),
            self::optional('currency', FieldType::Currency),
            self::optional('currency_amount', FieldType::Amount),
        ];
    }

    /** @return list<Field> */
    private static function bankLines(): array
    {
        return [
            self::date('date'),
            self::optional('value_date', FieldType::Date),
            new Field('amount', FieldType::Amount, false, true),
            self::optional('money_in', FieldType::Amount),
            self::optional('money_out', FieldType::Amount),
            new Field('text', mayBeBlank: true),
            self::optional('party'),
            self::optional('party_account'),
            self::optional('reference'),
            self::optional('currency', FieldType::Currency),
            self::optional('balance', FieldType::Amount),
            self::optional('bank_account'),
        ];
    }

    /** @return list<Field> */
    private static function rates(): array
    {
        return [
            self::date('date'),
            self::currency(),
            new Field('rate', FieldType::Number),
            self::optionalChoice('quoted', array_column(Quote::cases(), 'value')),
        ];
    }

    /** @return list<Field> */
    private static function allowanceRates(): array
    {
        return [
            new Field('group', mayBeBlank: true),
            self::text('bucket'),
            new Field('rate', FieldType::Number),
            self::optional('source'),
        ];
    }

    /** @return list<Field> */
    private static function specificAllowances(): array
    {
        return [
            self::text('customer'),
            self::optional('document'),
            self::optional('amount', FieldType::Amount),
            self::optional('percent', FieldType::Number),
            self::text('reason'),
            self::optional('review', FieldType::Date),
        ];
    }

    /** @return list<Field> */
    private static function agreements(): array
    {
        return [
            self::text('customer'),
            self::text('supplier'),
            self::text('reference'),
            self::date('from'),
            self::optional('to', FieldType::Date),
            self::currency(),
            self::choice('scope', ['due', 'all']),
        ];
    }

    private static function text(string $name): Field
    {
        return new Field($name);
    }

    private static function optional(string $name, FieldType $type = FieldType::Text): Field
    {
        return new Field($name, $type, false, true);
    }

    private static function date(string $name): Field
    {
        return new Field($name, FieldType::Date);
    }

    private static function amount(string $name): Field
    {
        return new Field($name, FieldType::Amount);
    }

    private static function currency(): Field
    {
        return new Field('currency', FieldType::Currency);
    }
}
