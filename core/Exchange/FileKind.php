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
    case Settings = 'settings';
    case Accounts = 'accounts';
    case Suppliers = 'suppliers';
    case Customers = 'customers';
    case Agreements = 'agreements';
    case Rates = 'rates';
    case Items = 'items';
    case ItemLines = 'item_lines';
    case Matches = 'matches';
    case SupplierItems = 'supplier_items';
    case Ledger = 'ledger';
    case BankLines = 'bank_lines';

    /** @return array<string, Field> by name; a field that is not required may be missing from the file altogether */
    public function fields(): array
    {
        /** @var array<string, array<string, Field>> $fields */
        static $fields = [];

        return $fields[$this->value] ??= array_column($this->define(), null, 'name');
    }

    /** @return non-empty-list<string> the fields that name a row */
    public function key(): array
    {
        return match ($this) {
            self::Settings => ['name'],
            self::Accounts => ['account'],
            self::Customers => ['customer'],
            self::Suppliers => ['supplier'],
            self::Agreements => ['customer', 'supplier', 'reference', 'currency'],
            self::Rates => ['date', 'currency'],
            self::Items => ['document', 'kind', 'customer'],
            self::ItemLines => ['document', 'line'],
            self::Matches => ['date', 'debit_document', 'credit_document'],
            self::SupplierItems => ['document', 'kind', 'supplier'],
            self::Ledger => ['entry', 'account'],
            self::BankLines => ['date', 'text', 'reference'],
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
    private static function choice(string $name, array $choices, bool $required = true): Field
    {
        return new Field($name, FieldType::Choice, $required, ! $required, $choices);
    }

    /** @return list<Field> */
    private function define(): array
    {
        $text = static fn (string $name): Field => new Field($name);
        $optional = static fn (string $name, FieldType $type = FieldType::Text): Field => new Field($name, $type, false, true);
        $date = static fn (string $name): Field => new Field($name, FieldType::Date);
        $amount = static fn (string $name): Field => new Field($name, FieldType::Amount);
        $currency = new Field('currency', FieldType::Currency);

        return match ($this) {
            self::Settings => [$text('name'), new Field('value', mayBeBlank: true)],
            self::Accounts => [
                $text('account'), $text('name'), self::choice('type', array_column(AccountType::cases(), 'value')),
                self::choice('role', array_column(AccountRole::cases(), 'value'), false), $optional('currency', FieldType::Currency),
            ],
            self::Customers => [
                $text('customer'), $text('name'), $optional('trading_name'), $currency, $optional('terms'), $optional('control_account'), $optional('supplier'),
                $optional('group'), $optional('iban'), $optional('email'), $optional('tax_id'), $optional('country'), $optional('credit_limit', FieldType::Amount),
            ],
            self::Suppliers => [$text('supplier'), $text('name'), $currency, $optional('control_account'), $optional('iban')],
            self::Items => [
                $text('document'), self::choice('kind', Kind::values()), $text('customer'), $date('date'), new Field('due_date', FieldType::Date, mayBeBlank: true), $currency,
                new Field('amount', FieldType::Amount, mayBeBlank: true), new Field('base_amount', FieldType::Amount, mayBeBlank: true),
                self::choice('side', ['debit', 'credit'], false), $optional('reference'), $optional('control_account'), $optional('entry'), $optional('batch'), $optional('terms'),
            ],
            self::ItemLines => [
                $text('document'), $text('line'), new Field('description', mayBeBlank: true), new Field('quantity', FieldType::Number, mayBeBlank: true), new Field('unit_price', FieldType::Number, mayBeBlank: true),
                $amount('net'), new Field('tax_rate', FieldType::Number, mayBeBlank: true), new Field('account', mayBeBlank: true),
            ],
            self::Matches => [$date('date'), $text('debit_document'), $text('credit_document'), $amount('amount')],
            self::SupplierItems => [
                $text('document'), self::choice('kind', ['bill', 'bill_credit', 'payment']), $text('supplier'), $date('date'), new Field('due_date', FieldType::Date, mayBeBlank: true), $currency,
                $amount('amount'), new Field('base_amount', FieldType::Amount, mayBeBlank: true), $optional('open', FieldType::Amount), $optional('reference'),
            ],
            self::Ledger => [
                $text('entry'), $date('date'), $text('account'), $optional('reference'), new Field('description', mayBeBlank: true),
                new Field('debit', FieldType::Amount, mayBeBlank: true), new Field('credit', FieldType::Amount, mayBeBlank: true),
                $optional('document'), $optional('customer'), $optional('source'), $optional('recorded_at'), $optional('batch'),
            ],
            self::BankLines => [
                $date('date'), $optional('value_date', FieldType::Date), new Field('amount', FieldType::Amount, false, true), $optional('money_in', FieldType::Amount), $optional('money_out', FieldType::Amount), new Field('text', mayBeBlank: true),
                $optional('party'), $optional('party_account'), $optional('reference'), $optional('currency', FieldType::Currency), $optional('balance', FieldType::Amount), $optional('bank_account'),
            ],
            self::Rates => [$date('date'), $currency, new Field('rate', FieldType::Number), self::choice('quoted', array_column(Quote::cases(), 'value'), false)],
            self::Agreements => [
                $text('customer'), $text('supplier'), $text('reference'), $date('from'), $optional('to', FieldType::Date), $currency, self::choice('scope', ['due', 'all']),
            ],
        };
    }
}
