<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use App\Support\Moment;

/** Lists that are kept current and not posted: settings, accounts, parties, agreements, rates and the lines of invoices. */
final class ListImporter extends Importer
{
    public function take(array $row, int $number): Outcome
    {
        return match ($this->report->mapping?->kind) {
            FileKind::Settings => $this->setting($row),
            FileKind::Accounts => $this->account($row),
            FileKind::Suppliers => $this->supplier($row),
            FileKind::Customers => $this->customer($row),
            FileKind::Agreements => $this->agreement($row),
            FileKind::Rates => $this->rate($row),
            FileKind::ItemLines => $this->itemLine($row),
            default => throw new RowFault('kind', $this->report->kind, 'a list is expected'),
        };
    }

    /** @param  array<string, string>  $row */
    private function setting(array $row): Outcome
    {
        [$setting] = Setting::named($row['name']);
        if ($setting !== Setting::Period || ! $this->isOwnPeriod($row['value'])) {
            $setting->check($row['value']);
        }
        $from = $setting->isPolicy() ? $this->books->holdsFrom($row['from']) : '';
        $stands = $this->books->settings->on($from)->said($row['name']);
        if ($stands === $row['value']) {
            return Outcome::Same;
        }
        if (
            $setting === Setting::BaseCurrency &&
            $row['value'] !== $this->books->base()->code &&
            $this->books->rows('SELECT 1 FROM items UNION ALL SELECT 1 FROM postings LIMIT 1', []) !== []
        ) {
            throw new RowFault(
                'value',
                $row['value'],
                "the books are kept in {$this->books->base()->code} and hold postings; the base currency can no longer change",
            );
        }
        $this->books->write('INSERT INTO settings (name, value, from_day, recorded_at, who, reason) VALUES (?, ?, ?, ?, ?, ?)', [
            $row['name'],
            $row['value'],
            $from,
            Moment::now(),
            $this->books->who(),
            'as the file says',
        ]);
        $this->books->settingsChanged();

        return $stands === null ? Outcome::New : $this->changed($row['name']);
    }

    /** Own calendars may have more periods than a year has months. */
    private function isOwnPeriod(string $name): bool
    {
        return $this->books->rows('SELECT 1 FROM calendar_periods WHERE name = ?', [$name]) !== [];
    }

    /** @param  array<string, string>  $row */
    private function account(array $row): Outcome
    {
        $id = $this->books->accounts[$row['account']] ?? null;
        $outcome = $this->keep(
            'accounts',
            'account',
            $row['account'],
            [
                'name' => $row['name'],
                'type' => $row['type'],
                'role' => $row['role'] === '' ? null : $row['role'],
                'currency' => $row['currency'] === '' ? null : $row['currency'],
                ...$row['iban'] === '' && $id !== null ? [] : ['iban' => Iban::plain($row['iban'])],
            ],
            $id,
        );
        $this->books->accounts[$row['account']] = $id ?? $this->idOf('accounts', 'account', $row['account']);
        if ($id === null || $this->isSaid('role')) {
            $this->books->roles[$row['account']] = $row['role'] === '' ? null : $row['role'];
        }
        ksort($this->books->roles, SORT_STRING);
        $this->books->settingsChanged();

        return $outcome;
    }

    /** @param  array<string, string>  $row */
    private function supplier(array $row): Outcome
    {
        $id = $this->books->suppliers[$row['supplier']] ?? null;
        $outcome = $this->keep(
            'suppliers',
            'supplier',
            $row['supplier'],
            [
                'name' => $row['name'],
                'currency' => $row['currency'],
                'control_account_id' => $this->optionalAccount($row['control_account']),
                'iban' => $row['iban'],
            ],
            $id,
        );
        $this->books->suppliers[$row['supplier']] = $id ?? $this->idOf('suppliers', 'supplier', $row['supplier']);

        return $outcome;
    }

    /** @param  array<string, string>  $row */
    private function customer(array $row): Outcome
    {
        $id = $this->books->customers[$row['customer']] ?? null;
        $control = $this->optionalAccount($row['control_account']);
        $currency = match (true) {
            $row['currency'] !== '' => Currency::of($row['currency']),
            $id === null => $this->books->base(),
            default => $this->books->currencyOf($id),
        };
        $before = $id === null ? null : $this->toPolicies($id);
        $outcome = $this->keep('customers', 'customer', $row['customer'], $this->customerValues($row, $currency, $control), $id);
        $isNew = $id === null;
        $id ??= $this->idOf('customers', 'customer', $row['customer']);
        $this->books->customers[$row['customer']] = $id;
        $this->books->customerIsIn($id, $currency);
        $before === null || $outcome === Outcome::Same || $this->keepVersion($id, $before);
        $outcome === Outcome::Same || (! $isNew && ! $this->isSaid('iban')) || $this->keepIban($id, Iban::plain($row['iban']));
        if ($isNew || $this->isSaid('control_account_id')) {
            $this->books->customerControl[$row['customer']] = $control;
        }

        return $outcome;
    }

    /**
     * @param array<string, string> $row
     * @return array<string, int|string|null> by column of the table
     */
    private function customerValues(array $row, Currency $currency, ?int $control): array
    {
        return [
            'name' => $row['name'],
            'trading_name' => $row['trading_name'],
            'currency' => $currency->code,
            'terms' => $row['terms'],
            'control_account_id' => $control,
            'supplier_id' => $row['supplier'] === '' ? null : $this->books->supplier($row['supplier']),
            'customer_group' => $row['group'],
            'iban' => $row['iban'],
            'email' => $row['email'],
            'tax_id' => $row['tax_id'],
            'country' => $row['country'],
            'credit_limit' => $row['credit_limit'] === ''
                ? null
                : $this->books->notNegative('credit_limit', $row['credit_limit'], $currency),
            'related' => (int) ($row['related'] === 'yes'),
            'region' => $row['region'],
            'salesperson' => $row['salesperson'],
        ];
    }

    /** A payer is known by every account number that the customer ever had. */
    private function keepIban(int $customerId, string $iban): void
    {
        $query = 'SELECT iban FROM customer_ibans WHERE customer_id = ? ORDER BY recorded_at DESC LIMIT 1';
        $last = $this->books->rows($query, [$customerId]);
        if ($last !== [[$iban]]) {
            $this->books->write(
                'INSERT OR REPLACE INTO customer_ibans (customer_id, iban, recorded_at) VALUES (?, ?, ?)',
                [$customerId, $iban, Moment::now()],
            );
        }
    }

    /** @return list<mixed> group, related and credit limit, which policies go by */
    private function toPolicies(int $customerId): array
    {
        return $this->books->rows('SELECT customer_group, related, credit_limit FROM customers WHERE id = ?', [$customerId])[0];
    }

    /**
     * What a customer was to policies holds for the days before.
     *
     * @param list<mixed> $before
     */
    private function keepVersion(int $customerId, array $before): void
    {
        $now = $this->toPolicies($customerId);
        if ($now === $before) {
            return;
        }
        $isFirst = $this->books->rows('SELECT 1 FROM customer_versions WHERE customer_id = ? LIMIT 1', [$customerId]) === [];
        foreach ([...($isFirst ? ['' => $before] : []), $this->books->changesHoldFrom() => $now] as $day => $of) {
            /** @var array{string, int, ?int} $of */
            $this->books->write(
                'INSERT INTO customer_versions (customer_id, from_day, customer_group, related, credit_limit, who, recorded_at) '
                    .'VALUES (?, ?, ?, ?, ?, ?, ?)',
                // Who said the first is not known here: it was there before.
                [$customerId, $day, ...$of, $day === '' ? '' : $this->books->who(), Moment::now()],
            );
        }
    }

    /** @param  array<string, string>  $row */
    private function agreement(array $row): Outcome
    {
        if ($row['to'] !== '' && $row['to'] < $row['from']) {
            throw new RowFault('to', $row['to'], "a day on or after {$row['from']} is expected");
        }
        $customer = $this->books->customer($row['customer']);
        $supplier = $this->books->supplier($row['supplier']);
        $found = $this->books->rows(
            'SELECT id, from_date, to_date, scope FROM agreements WHERE customer_id = ? AND supplier_id = ? AND reference = ? AND '.
                'currency = ? AND superseded_at IS NULL',
            [$customer, $supplier, $row['reference'], $row['currency']],
        );
        $values = [$row['from'], $row['to'], $row['scope']];
        if ($found !== [] && array_slice($found[0], 1) === $values) {
            return Outcome::Same;
        }
        if ($found !== []) {
            $this->books->write('UPDATE agreements SET superseded_at = ? WHERE id = ?', [Moment::now(), (int) $found[0][0]]);
        }
        $this->books->write(
            'INSERT INTO agreements (customer_id, supplier_id, reference, currency, from_date, to_date, scope, who, recorded_at) '.
                'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [$customer, $supplier, $row['reference'], $row['currency'], ...$values, $this->books->who(), Moment::now()],
        );

        return $found === [] ? Outcome::New : $this->changed($row['reference']);
    }

    /** @param  array<string, string>  $row */
    private function rate(array $row): Outcome
    {
        $quoted = $row['quoted'] === '' ? Quote::BasePerUnit->value : $row['quoted'];
        try {
            Rate::of(Currency::of($row['currency']), $row['rate']);
        } catch (Refusal) {
            throw new RowFault('rate', $row['rate'], 'a decimal above zero is expected, such as 1.1540');
        }
        $found = $this->books->rows('SELECT id, rate, quoted FROM rates WHERE currency = ? AND date = ?', [$row['currency'], $row['date']]);
        if ($found === []) {
            $this->books->open('date', $row['date']);
            $this->books->write('INSERT INTO rates (date, currency, rate, quoted) VALUES (?, ?, ?, ?)', [
                $row['date'],
                $row['currency'],
                $row['rate'],
                $quoted,
            ]);

            return Outcome::New;
        }
        if ([$found[0][1], $found[0][2]] === [$row['rate'], $quoted]) {
            return Outcome::Same;
        }
        $this->books->open('date', $row['date']);
        $this->books->write('UPDATE rates SET rate = ?, quoted = ? WHERE id = ?', [$row['rate'], $quoted, (int) $found[0][0]]);

        return $this->changed("{$row['currency']} {$row['date']}");
    }

    /** @param  array<string, string>  $row */
    private function itemLine(array $row): Outcome
    {
        $document = $this->books->rows('SELECT currency FROM items WHERE document = ? ORDER BY id LIMIT 1', [$row['document']]);
        if ($document === []) {
            throw new RowFault('document', $row['document'], 'a document of items.csv is expected');
        }
        $values = [
            $row['description'],
            $row['quantity'],
            $row['unit_price'],
            $this->books->notNegative('net', ltrim($row['net'], '-'), Currency::of((string) $document[0][0])) *
            (str_starts_with($row['net'], '-') ? -1 : 1),
            $row['tax_rate'],
            $this->optionalAccount($row['account'], 'account'),
        ];
        $found = $this->books->rows(
            'SELECT id, description, quantity, unit_price, net, tax_rate, account_id FROM item_lines WHERE document = ? AND line = ?',
            [$row['document'], $row['line']],
        );
        if ($found === []) {
            $this->books->write(
                'INSERT INTO item_lines (document, line, description, quantity, unit_price, net, tax_rate, account_id, import_file_id) '.
                    'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
                [$row['document'], $row['line'], ...$values, $this->fileId],
            );

            return Outcome::New;
        }
        if (array_slice($found[0], 1) === $values) {
            return Outcome::Same;
        }
        $this->books->write(
            'UPDATE item_lines SET description = ?, quantity = ?, unit_price = ?, net = ?, tax_rate = ?, account_id = ? WHERE id = ?',
            [...$values, (int) $found[0][0]],
        );

        return $this->changed("{$row['document']} line {$row['line']}");
    }

    private function optionalAccount(string $number, string $field = 'control_account'): ?int
    {
        return $number === '' ? null : $this->books->account($field, $number);
    }

    /** @param  array<string, int|string|null>  $values by column */
    private function keep(string $table, string $key, string $name, array $values, ?int $id): Outcome
    {
        $values = $id === null ? $values : array_filter($values, $this->isSaid(...), ARRAY_FILTER_USE_KEY);
        $columns = array_keys($values);
        if ($id === null) {
            $this->books->write(
                "INSERT INTO {$table} ({$key}, ".implode(', ', $columns).') VALUES (?'.str_repeat(', ?', count($columns)).')',
                [$name, ...array_values($values)],
            );

            return Outcome::New;
        }
        $stands = $this->books->rows('SELECT '.implode(', ', $columns)." FROM {$table} WHERE id = ?", [$id]);
        if (($stands[0] ?? []) === array_values($values)) {
            return Outcome::Same;
        }
        $this->books->write("UPDATE {$table} SET ".implode(' = ?, ', $columns).' = ? WHERE id = ?', [...array_values($values), $id]);

        return $this->changed($name);
    }

    /** What a file has no column for is left as it stands. */
    private function isSaid(string $column): bool
    {
        $field = match ($column) {
            'control_account_id' => 'control_account',
            'supplier_id' => 'supplier',
            'customer_group' => 'group',
            default => $column,
        };
        $mapping = $this->report->mapping;

        return $mapping === null || isset($mapping->columns[$field]) || isset($mapping->fixed[$field]);
    }

    private function idOf(string $table, string $key, string $name): int
    {
        return (int) $this->books->rows("SELECT id FROM {$table} WHERE {$key} = ?", [$name])[0][0];
    }
}
