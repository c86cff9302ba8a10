<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\Field;
use Ajuste\Core\Exchange\FieldType;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;

/** Turns a row of a foreign list into one of the house format: positive amounts, the side by the kind or said, ISO dates. */
final readonly class ForeignRow
{
    /**
     * @param list<string> $cells
     * @param string $above the customer that the line above names, or blank
     */
    public function __construct(private Mapping $mapping, private array $cells, private string $above = '') {}

    /**
     * @return array<string, string>
     *
     * @throws RowFault when a cell is not what its field has to be
     */
    public function read(): array
    {
        $row = [];
        foreach ($this->mapping->kind->fields() as $name => $field) {
            $row[$name] = $this->isComposed($name) ? '' : $this->plain($field, $this->cell($name));
        }

        return match ($this->mapping->kind) {
            FileKind::Items => [...$row, ...$this->item()],
            FileKind::Ledger => [...$row, ...$this->posting()],
            FileKind::BankLines => [...$row, ...$this->bankLine()],
            FileKind::Customers => [...$row, 'name' => $row['name'] !== '' ? $row['name'] : $row['customer']],
            default => $row,
        };
    }

    /** Whether an item of an open list has nothing open. */
    public function isSettled(): bool
    {
        if ($this->mapping->kind !== FileKind::Items || ! isset($this->mapping->columns['+open'])) {
            return false;
        }
        $open = ForeignAmount::of($this->cell('+open'));

        return $this->cell('+open') === '' || ($open !== null && (float) $open->plain($this->mapping->decimalMark) === 0.0);
    }

    private function cell(string $field): string
    {
        $column = $this->mapping->columns[$field] ?? null;

        return $column === null ? $this->mapping->fixed[$field] ?? '' : trim($this->cells[$column] ?? '');
    }

    /** Whether more than one cell says it. */
    private function isComposed(string $field): bool
    {
        return match ($this->mapping->kind) {
            FileKind::Items => in_array($field, ['customer', 'kind', 'amount', 'base_amount', 'side', 'currency'], true),
            FileKind::Ledger => in_array($field, ['debit', 'credit', 'entry', 'currency_amount'], true),
            FileKind::BankLines => in_array($field, ['amount', 'money_in', 'money_out', 'balance', 'currency'], true),
            default => false,
        };
    }

    private function plain(Field $field, string $text): string
    {
        if ($text === '') {
            return $field->mayBeBlank || $this->hasDefault($field->name)
                ? ''
                : throw new RowFault($field->name, '', 'a value is expected');
        }

        return match ($field->type) {
            FieldType::Date => ForeignDate::iso($text, $this->mapping->dates)
                ?? throw new RowFault($field->name, $text, 'a date is expected, '.$this->mapping->dates->words()),
            FieldType::Amount, FieldType::Number => $this->unsigned($field->name, $this->amount($field->name, $text)),
            FieldType::Currency => self::currency($field->name, $text),
            FieldType::Choice => in_array(strtolower($text), $field->choices, true)
                ? strtolower($text)
                : throw new RowFault($field->name, $text, 'one of '.implode(', ', $field->choices).' is expected'),
            FieldType::Text => strlen($text) <= 400 ? $text : throw new RowFault($field->name, substr($text, 0, 40).'…', 'at most 400 '
                .'characters are expected'),
        };
    }

    /** What a list may lack, since it follows from something else. */
    private function hasDefault(string $field): bool
    {
        return $this->mapping->kind === FileKind::Customers && in_array($field, ['name', 'currency'], true);
    }

    /**
     * The one amount of an item: what is open of it, else the whole; the side by its sign, the letters beside it or the column.
     *
     * @return array<string, string>
     */
    private function item(): array
    {
        [$field, $amount, $said] = $this->itemAmount();
        $word = $this->cell('kind');
        $kind = $word === '' ? null : ($this->mapping->kindOf($word) ?? throw new RowFault(
            'kind', $word, 'a kind of document is expected that is known here, such as invoice, credit note or receipt',
        ));
        $side = $said ?? ($amount->negative ? Side::Credit : null);
        if ($amount->negative && $said !== null) {
            $side = $said->opposite();
        }
        $kind = self::fitted($kind, $side);
        $base = $this->cell('base_amount');
        $base = $base === '' ? '' : $this->unsigned('base_amount', $this->amount('base_amount', $base));

        return [
            'customer' => $this->cell('customer') ?: ($this->cell('name') ?: $this->above),
            'kind' => $kind->value,
            'side' => $kind->side() === null ? ($side ?? Side::Debit)->value : '',
            'amount' => $this->unsigned($field, $amount),
            'base_amount' => $field === 'amount' || $base === '' ? $base : '',
            'currency' => $this->cell('currency') !== '' ? self::currency('currency', $this->cell('currency')) : $amount->currency,
        ];
    }

    /** The kind that the word says, where it can stand on the side; without a word the side says it. */
    private static function fitted(?Kind $kind, ?Side $side): Kind
    {
        if ($kind === null) {
            return $side === Side::Credit ? Kind::CreditNote : Kind::Invoice;
        }
        if ($side === null || ($kind->side() ?? $side) === $side) {
            return $kind;
        }

        return match (true) {
            $kind === Kind::Invoice => Kind::CreditNote,
            // A list that writes credits without a sign says the side by the kind alone.
            $side === Side::Debit && $kind === Kind::Receipt => Kind::Refund,
            default => Kind::Adjustment,
        };
    }

    /** @return array{string, ForeignAmount, ?Side} field, amount, and the side where something says it */
    private function itemAmount(): array
    {
        foreach (['+open', 'amount'] as $field) {
            if ($this->cell($field) !== '') {
                $amount = $this->amount($field, $this->cell($field));

                return [$field === '+open' ? 'open' : 'amount', $amount, $amount->side ?? $this->marked()];
            }
        }
        foreach (['debit' => Side::Debit, 'credit' => Side::Credit] as $field => $side) {
            $amount = $this->cell($field) === '' ? null : $this->amount($field, $this->cell($field));
            if ($amount !== null && (float) $this->unsigned($field, $amount) !== 0.0) {
                return ['amount', $amount, $side];
            }
        }
        throw new RowFault('amount', '', 'a value is expected');
    }

    private function marked(): ?Side
    {
        $letters = $this->cell('+marker');
        if ($letters === '') {
            return null;
        }

        return match ($letters) {
            '+' => Side::Debit,
            '-' => Side::Credit,
            default => ForeignAmount::side($letters) ?? throw new RowFault('side', $letters, 'debit or credit is expected'),
        };
    }

    /** @return array<string, string> */
    private function posting(): array
    {
        $said = ['debit' => '', 'credit' => ''];
        foreach (['debit', 'credit', 'amount'] as $field) {
            if ($this->cell($field) === '') {
                continue;
            }
            $amount = $this->amount($field, $this->cell($field));
            $digits = $this->unsigned($field, $amount);
            if ((float) $digits === 0.0) {
                continue;
            }
            $side = $field === 'amount' ? ($amount->side ?? $this->marked()) : null;
            $isDebit = ($side === null ? $field !== 'credit' : $side === Side::Debit) !== $amount->negative;
            $said[$isDebit ? 'debit' : 'credit'] = $digits;
        }
        $entry = $this->cell('entry') !== '' ? $this->cell('entry') : $this->cell('document');
        if ($entry === '') {
            throw new RowFault('entry', '', 'a value is expected');
        }
        $original = $this->cell('currency_amount');

        return [
            ...$said,
            'entry' => $entry,
            'currency_amount' => $original === '' ? '' : $this->signed('currency_amount', $this->amount('currency_amount', $original)),
        ];
    }

    /** @return array<string, string> */
    private function bankLine(): array
    {
        $row = ['amount' => '', 'money_in' => '', 'money_out' => '', 'balance' => '', 'currency' => ''];
        foreach (['amount', 'money_in', 'money_out', 'balance'] as $field) {
            if ($this->cell($field) === '') {
                continue;
            }
            $amount = $this->amount($field, $this->cell($field));
            $row['currency'] = $row['currency'] === '' ? $amount->currency : $row['currency'];
            $side = $amount->side ?? ($field === 'amount' ? $this->marked() : null);
            // On a statement the bank's credit is money that came in.
            $row[$field] = in_array($field, ['amount', 'balance'], true)
                ? ($side === Side::Debit ? '-' : '').$this->signed($field, $amount)
                : $this->unsigned($field, $amount);
        }
        if ($this->cell('currency') !== '') {
            $row['currency'] = self::currency('currency', $this->cell('currency'));
        }

        return $row;
    }

    private function amount(string $field, string $text): ForeignAmount
    {
        return ForeignAmount::of($text) ?? throw new RowFault(ltrim($field, '+'), $text, 'a number is expected, with “'
            .$this->mapping->decimalMark.'” before the decimals');
    }

    private function unsigned(string $field, ForeignAmount $amount): string
    {
        return $amount->plain($this->mapping->decimalMark) ?? throw new RowFault(
            ltrim($field, '+'),
            $amount->digits,
            'a number is expected, with “'.$this->mapping->decimalMark.'” before the decimals',
        );
    }

    private function signed(string $field, ForeignAmount $amount): string
    {
        return ($amount->negative ? '-' : '').$this->unsigned($field, $amount);
    }

    private static function currency(string $field, string $text): string
    {
        $code = strtoupper($text);
        $code = ForeignAmount::SYMBOLS[$text] ?? $code;

        return Currency::isKnown($code) ? $code : throw new RowFault($field, $text, 'a currency code of ISO 4217 is expected, such as EUR');
    }
}
