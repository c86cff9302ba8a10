<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Foreign\ForeignGuess;

/** Guesses from a file's own lines how it is to be read. A person sees the guess on the file's rows before anything is taken in. */
final class MappingGuess
{
    /** Other headings under which a field is met; the trade's common words. */
    private const SYNONYMS = [
        'document' => [
            'document no',
            'document number',
            'doc',
            'doc no',
            'invoice',
            'invoice no',
            'invoice number',
            'voucher',
            'number',
            'documento',
            'factura',
            'beleg',
            'belegnummer',
            'belegnr',
            'piece',
        ],
        'kind' => ['type', 'document type', 'doc type', 'tipo', 'art', 'belegart'],
        'customer' => ['customer no', 'customer number', 'client', 'debtor', 'account no', 'cliente', 'kunde', 'kundennr', 'kundennummer'],
        'supplier' => ['supplier no', 'supplier number', 'vendor', 'creditor', 'proveedor', 'lieferant'],
        'name' => ['customer name', 'account name', 'nombre', 'bezeichnung', 'description', 'title', 'setting'],
        'date' => [
            'document date',
            'posting date',
            'invoice date',
            'doc date',
            'fecha',
            'datum',
            'belegdatum',
            'booking date',
            'value date',
        ],
        'due_date' => ['due', 'due on', 'due date', 'vencimiento', 'fecha vencimiento', 'faellig', 'faelligkeit', 'fälligkeit', 'fällig'],
        'currency' => ['cur', 'ccy', 'curr', 'moneda', 'divisa', 'waehrung', 'währung'],
        'amount' => ['gross', 'gross amount', 'total', 'importe', 'betrag', 'value', 'amount in currency'],
        'base_amount' => ['base', 'amount in base', 'local amount', 'importe base', 'basisbetrag', 'amount eur'],
        'entry' => ['entry no', 'entry number', 'journal', 'journal no', 'asiento', 'buchung', 'journal entry'],
        'account' => ['ledger account', 'gl account', 'cuenta', 'konto', 'account number'],
        'debit' => ['dr', 'debe', 'soll', 'debit amount'],
        'credit' => ['cr', 'haber', 'haben', 'credit amount'],
        'description' => ['text', 'narrative', 'concepto', 'texto', 'buchungstext', 'memo'],
        'reference' => ['ref', 'your reference', 'referencia', 'referenz'],
        'debit_document' => ['debit', 'invoice', 'document'],
        'credit_document' => ['credit', 'receipt', 'payment'],
        'value_date' => ['value', 'valuta', 'fecha valor', 'valuta date', 'wertstellung'],
        'money_in' => ['credit', 'paid in', 'abono', 'abonos', 'haber', 'gutschrift', 'credit amount', 'in'],
        'money_out' => ['debit', 'paid out', 'cargo', 'cargos', 'debe', 'lastschrift', 'debit amount', 'out'],
        'text' => [
            'description',
            'narrative',
            'concepto',
            'details',
            'remittance',
            'remittance information',
            'purpose',
            'verwendungszweck',
            'buchungstext',
            'memo',
        ],
        'party' => ['payer', 'counterparty', 'name', 'ordenante', 'auftraggeber', 'beneficiary', 'payer or payee'],
        'party_account' => ['counterparty account', 'iban', 'payer account', 'cuenta ordenante', 'account of the payer'],
        'balance' => ['saldo', 'running balance', 'kontostand', 'balance after'],
        'bank_account' => ['own account', 'our account'],
        'rate' => ['exchange rate', 'cambio', 'kurs'],
        'group' => ['customer group', 'grupo', 'gruppe'],
        'tax_id' => ['vat', 'vat no', 'nif', 'tax number'],
        'email' => ['e-mail', 'mail', 'correo'],
        'side' => ['d/c', 'dc', 'debit credit', 's/h'],
    ];

    /**
     * @param list<list<string>> $head the first lines of the file
     * @param ?FileKind $kind what the file's name says it is
     */
    public static function of(array $head, ?FileKind $kind): ?Mapping
    {
        return self::ofHouse($head, $kind) ?? ForeignGuess::of($head, $kind) ?? self::toAskAbout($head, $kind);
    }

    /**
     * What the file may be, for a person to complete. Without a name that says its kind, one that seems whole would be taken without a
     * question although the list fits it badly.
     *
     * @param list<list<string>> $head
     */
    private static function toAskAbout(array $head, ?FileKind $kind): ?Mapping
    {
        $guess = self::byWords($head, $kind);

        $seemsWhole = $guess !== null && $guess->missing() === [] && count($head) > $guess->headerRow;

        return $kind === null && $seemsWhole ? null : $guess;
    }

    /**
     * A file whose headings have every field that a row of its kind needs, by the names of the house format.
     *
     * @param list<list<string>> $head
     */
    private static function ofHouse(array $head, ?FileKind $kind): ?Mapping
    {
        $guess = self::byWords($head, $kind);
        if ($guess === null || $guess->missing() !== []) {
            return null;
        }
        $headings = $head[$guess->headerRow - 1];
        $filled = array_filter($headings, static fn (string $heading): bool => trim($heading) !== '');
        if ($kind === null && count($guess->columns) * 2 < count($filled)) {
            return null; // a name and a value stand in many a list
        }
        foreach ($guess->columns as $field => $column) {
            if ($guess->kind->fields()[$field]->required && self::plain($headings[$column]) !== self::plain($field)) {
                return null;
            }
        }
        $rows = array_slice($head, $guess->headerRow);

        return self::fitting($guess->kind, $guess->columns, $rows) === [] ? null : $guess;
    }

    /**
     * @param list<list<string>> $head
     */
    private static function byWords(array $head, ?FileKind $kind): ?Mapping
    {
        $best = null;
        $bestScore = 0.0;
        foreach ($kind !== null ? [$kind] : self::guessed() as $candidate) {
            foreach (array_slice($head, 0, 15) as $line => $cells) {
                $columns = self::columns($candidate, $cells);
                $required = array_filter($candidate->fields(), static fn (Field $field): bool => $field->required);
                $hit = count(array_intersect_key($columns, $required));
                $exact = count(
                    array_filter(
                        $columns,
                        static fn (int $column, string $name): bool => self::plain($cells[$column]) === self::plain($name),
                        ARRAY_FILTER_USE_BOTH,
                    ),
                );
                // Enough of what a row needs; exact names and complete sets win.
                $score = $hit / max(1, count($required)) + $exact / 20 + count($columns) / 100 - $line / 1000;
                // Few columns make a list of bank lines, so that many a list would pass for one: it has to be clearly the best.
                $score -= $candidate === FileKind::BankLines && $kind === null ? 0.5 : 0;
                if ($hit >= min(2, count($required)) && $score > $bestScore) {
                    $bestScore = $score;
                    $best = [$candidate, $line, $columns];
                }
            }
        }
        if ($best === null) {
            return null;
        }
        [$found, $line, $columns] = $best;
        $rows = array_slice($head, $line + 1);

        return new Mapping($found, $line + 1, $columns, self::dates($found, $columns, $rows), self::decimalMark($found, $columns, $rows));
    }

    /** @return list<FileKind> */
    private static function guessed(): array
    {
        return array_values(array_filter(FileKind::cases(), static fn (FileKind $kind): bool => ! $kind->isNamedOnly()));
    }

    /**
     * What names the shape of a file: its headings, whatever line they stand on.
     *
     * @param list<string> $headings
     */
    public static function shape(array $headings): string
    {
        return hash('sha256', implode("\x1f", array_map(self::plain(...), $headings)));
    }

    /**
     * @param list<string> $cells
     * @return array<string, int>
     */
    private static function columns(FileKind $kind, array $cells): array
    {
        $plain = array_map(self::plain(...), $cells);
        $columns = $taken = [];
        foreach ([true, false] as $exact) {
            foreach (array_keys($kind->fields()) as $field) {
                $names = array_map(self::plain(...), $exact ? [$field] : self::SYNONYMS[$field] ?? []);
                foreach ($plain as $column => $heading) {
                    if (
                        ! isset($columns[$field]) &&
                        ! isset($taken[$column]) &&
                        in_array($heading, $names, true)
                    ) {
                        $columns[$field] = $column;
                        $taken[$column] = true;
                    }
                }
            }
        }

        return $columns;
    }

    private static function plain(string $heading): string
    {
        /** @var array<string, string> $seen */
        static $seen = [];
        if (count($seen) > 5_000) {
            $seen = [];
        }

        return $seen[$heading] ??= trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($heading)));
    }

    /**
     * The orders of day, month and year in which every date of these lines is one.
     *
     * @param list<list<string>> $rows
     * @return list<DateOrder>
     */
    public static function datesThatFit(Mapping $mapping, array $rows): array
    {
        return self::fitting($mapping->kind, $mapping->columns, $rows);
    }

    /**
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     */
    private static function dates(FileKind $kind, array $columns, array $rows): DateOrder
    {
        return self::fitting($kind, $columns, $rows)[0] ?? DateOrder::YearMonthDay;
    }

    /**
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return list<DateOrder>
     */
    private static function fitting(FileKind $kind, array $columns, array $rows): array
    {
        $fitting = [];
        foreach (DateOrder::cases() as $order) {
            $seen = $good = 0;
            foreach ($rows as $row) {
                foreach ($kind->fields() as $name => $field) {
                    $text = $field->type === FieldType::Date && isset($columns[$name]) ? trim($row[$columns[$name]] ?? '') : '';
                    $seen += $text === '' ? 0 : 1;
                    $good += $text !== '' && Day::isDay((string) $order->iso($text)) ? 1 : 0;
                }
            }
            if ($seen === 0 || $good * 10 >= $seen * 9) {
                // a wrong date here and there is the row's fault, not the order's
                $fitting[$good === $seen ? "0{$order->value}" : "1{$order->value}"] = $order;
            }
        }
        uksort($fitting, static fn (string $one, string $other): int => $one[0] <=> $other[0]);

        return array_values($fitting);
    }

    /**
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     */
    private static function decimalMark(FileKind $kind, array $columns, array $rows): string
    {
        $comma = $point = 0;
        foreach ($rows as $row) {
            foreach ($kind->fields() as $name => $field) {
                if (isset($columns[$name]) && in_array($field->type, [FieldType::Amount, FieldType::Number], true)) {
                    $text = trim($row[$columns[$name]] ?? '');
                    $comma += preg_match('/,\d{1,2}$/D', $text) === 1 || preg_match('/\.\d{3},/', $text) === 1 ? 1 : 0;
                    $point += preg_match('/\.\d{1,2}$/D', $text) === 1 || preg_match('/,\d{3}\./', $text) === 1 ? 1 : 0;
                }
            }
        }

        return $comma > $point ? ',' : '.';
    }
}
