<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;

/**
 * Which column of a foreign list may fill which field, by what the words above it speak of. `Rechnungs-Nr.`, `Nº de factura` and
 * `Invoice #` all speak of a document and a number, so that no list of whole headings is needed.
 */
final class Headings
{
    /** The name that the house format has for a field. */
    private const HOUSE = 1.5;

    /** What each further word that belongs to the field adds, unless its rule says otherwise. */
    private const FURTHER = 0.05;

    /** A word that is not known leaves this much of the weight. */
    private const UNKNOWN = 0.6;

    private const AMOUNT = [
        ['Amount' => 0.8, 'Gross' => 0.8, 'Original' => 0.6],
        ['Document' => 0.1, 'Gross' => 0.2, 'Original' => 0.15, 'Including' => 0.15, 'Tax' => 0, 'Currency' => 0, 'CurrencyCode' => -0.1,
            'Posting' => 0, 'Due' => 0],
    ];

    private const CUSTOMER = [
        ['Customer' => 0.9, 'Account' => 0.55, 'Party' => 0.3, 'Number' => 0.25],
        ['Number' => 0.2, 'Reference' => 0.1, 'Account' => 0.1, 'Customer' => 0.1, 'Party' => 0],
    ];

    private const NAME = [
        ['Name' => 1.0, 'Customer' => 0.45, 'Party' => 0.4],
        ['Customer' => 0.1, 'Account' => 0, 'Text' => 0, 'Name' => 0.1, 'Party' => 0, 'Trading' => 0, 'Place' => 0],
    ];

    private const DOCUMENT = [
        ['Document' => 0.9, 'Number' => 0.5, 'Reference' => 0.4],
        ['Number' => 0.2, 'Reference' => 0.05, 'Own' => 0.1, 'Document' => 0, 'Posting' => 0, 'Credit' => 0],
    ];

    private const DATE = [
        ['Date' => 0.9, 'Issue' => 0.7, 'Posting' => 0.3],
        ['Document' => 0.2, 'Issue' => 0.2, 'Posting' => -0.05, 'Entry' => -0.05],
    ];

    private const POSTED = [
        ['Date' => 0.9, 'Posting' => 0.4, 'Issue' => 0.6],
        ['Posting' => 0.2, 'Entry' => 0.1, 'Document' => 0, 'Issue' => 0],
    ];

    private const DEBIT = [['Debit' => 0.9], ['Amount' => 0.1, 'Currency' => 0, 'CurrencyCode' => 0, 'Posting' => 0]];

    private const CREDIT = [['Credit' => 0.9], ['Amount' => 0.1, 'Currency' => 0, 'CurrencyCode' => 0, 'Posting' => 0]];

    private const MONEY = ['Payment' => 0, 'Amount' => 0.1, 'Currency' => 0, 'CurrencyCode' => 0, 'Posting' => 0];

    private const MARK = [['Mark' => 0.9], ['Debit' => 0, 'Credit' => 0, 'Amount' => 0]];

    private const CURRENCY = [['Currency' => 1.0], ['Number' => 0, 'Document' => 0, 'Mark' => 0]];

    private const REFERENCE = [['Reference' => 0.3, 'Order' => 0.7], ['Number' => 0, 'Customer' => 0.1, 'Payment' => 0, 'Order' => 0.1]];

    private const TERMS = [['Terms' => 0.9], ['Payment' => 0.1]];

    /**
     * By kind and field: the words of which one has to be there, with what they weigh, and those that may stand beside it, with what they
     * add. Fields with a plus are not of the house format.
     */
    private const RULES = [
        'items' => [
            'document' => self::DOCUMENT,
            'kind' => [['Kind' => 1.0], ['Document' => 0.2, 'Posting' => 0.1, 'Number' => 0, 'Entry' => 0]],
            'customer' => self::CUSTOMER,
            'name' => self::NAME,
            'date' => self::DATE,
            'due_date' => [['Due' => 1.0], ['Date' => 0.1, 'Document' => 0, 'Payment' => 0.1, 'Net' => 0]],
            'currency' => self::CURRENCY,
            'amount' => self::AMOUNT,
            'base_amount' => [
                ['Base' => 0.9, 'CurrencyCode' => 0.3],
                ['Amount' => 0.1, 'Gross' => 0, 'Currency' => 0, 'Document' => 0],
            ],
            '+open' => [
                ['Open' => 1.0, 'Balance' => 0.8, 'Due' => 0.6],
                ['Amount' => 0.1, 'Gross' => 0, 'Document' => 0, 'Currency' => 0, 'CurrencyCode' => -0.1, 'Payment' => 0.1, 'Customer' => 0,
                    'Net' => 0, 'Credit' => 0, 'Posting' => 0],
            ],
            '+marker' => self::MARK,
            'debit' => self::DEBIT,
            'credit' => self::CREDIT,
            'reference' => self::REFERENCE,
            'terms' => self::TERMS,
            'entry' => [['Entry' => 0.6], ['Number' => 0.2, 'Posting' => 0]],
        ],
        'ledger' => [
            'entry' => [
                ['Entry' => 0.95, 'Posting' => 0.5, 'Document' => 0.4, 'Number' => 0.3],
                ['Number' => 0.2, 'Document' => 0, 'Posting' => 0, 'Reference' => 0],
            ],
            'date' => self::POSTED,
            'account' => [['Account' => 0.95], ['Number' => 0.1, 'Posting' => 0, 'Entry' => 0, 'Account' => 0.1]],
            'description' => [['Text' => 1.0], ['Posting' => 0.1, 'Entry' => 0.1, 'Document' => 0, 'Amount' => 0, 'Reference' => 0]],
            'debit' => self::DEBIT,
            'credit' => self::CREDIT,
            'amount' => self::AMOUNT,
            '+marker' => self::MARK,
            'document' => [
                ['Document' => 0.9, 'Reference' => 0.3],
                ['Number' => 0.2, 'Reference' => 0.05, 'Own' => 0, 'Posting' => 0, 'Entry' => 0],
            ],
            'customer' => [['Customer' => 0.9], ['Number' => 0.2, 'Account' => 0, 'Reference' => 0]],
            'reference' => self::REFERENCE,
            'currency' => self::CURRENCY,
            'currency_amount' => [['Currency' => 0.3], ['Amount' => 0.3, 'Document' => 0]],
        ],
        'bank_lines' => [
            'date' => self::POSTED,
            'value_date' => [['Value' => 0.9], ['Date' => 0.2]],
            'amount' => self::AMOUNT,
            'money_in' => [['MoneyIn' => 0.9, 'Credit' => 0.8], self::MONEY],
            'money_out' => [['MoneyOut' => 0.9, 'Debit' => 0.8], self::MONEY],
            '+marker' => self::MARK,
            'text' => [
                ['Text' => 1.0],
                ['Posting' => 0, 'Entry' => 0, 'Document' => 0, 'Reference' => 0, 'Payment' => 0.1, 'Party' => -0.1, 'Name' => -0.1],
            ],
            'party' => [['Party' => 1.0, 'Name' => 0.6, 'Customer' => 0.4], ['Name' => 0.1, 'Party' => 0, 'Customer' => 0]],
            'party_account' => [['Iban' => 0.6], ['Party' => 0.3, 'Account' => 0.1, 'Number' => 0, 'Customer' => 0]],
            'reference' => self::REFERENCE,
            'currency' => self::CURRENCY,
            'balance' => [['Balance' => 1.0], ['Amount' => 0, 'Posting' => 0, 'Entry' => 0, 'Account' => 0, 'Value' => 0]],
            'bank_account' => [['Own' => 0.6], ['Account' => 0.1, 'Iban' => 0.1, 'Bank' => 0, 'Number' => 0]],
        ],
        'customers' => [
            'customer' => [['Customer' => 0.9, 'Account' => 0.55, 'Number' => 0.5], self::CUSTOMER[1]],
            'name' => self::NAME,
            'trading_name' => [['Trading' => 0.9], ['Name' => 0.1]],
            'currency' => self::CURRENCY,
            'terms' => self::TERMS,
            'group' => [['Group' => 0.9], ['Customer' => 0.1, 'Number' => 0]],
            'iban' => [['Iban' => 0.9, 'Bank' => 0.5], ['Account' => 0.1, 'Number' => 0]],
            'email' => [['Email' => 0.9], []],
            'tax_id' => [['TaxNumber' => 0.9], ['Number' => 0, 'Tax' => 0]],
            'country' => [['Country' => 0.9], ['Number' => 0]],
            'credit_limit' => [['Limit' => 0.9], ['Credit' => 0.1, 'Open' => 0, 'Amount' => 0]],
        ],
        'rates' => [
            'date' => [['Date' => 0.9], ['Value' => 0, 'Posting' => 0, 'Rate' => 0]],
            'currency' => [['Currency' => 1.0], ['Number' => 0]],
            'rate' => [['Rate' => 1.0], ['Currency' => 0, 'Amount' => 0, 'Value' => 0]],
        ],
    ];

    /**
     * @param list<string> $cells a row of headings
     * @return array<string, array<int, float>> how surely a column fills a field, by field and column
     */
    public static function of(FileKind $kind, array $cells): array
    {
        $found = [];
        foreach ($cells as $column => $cell) {
            $words = trim($cell) === '' ? [] : TradeWords::of($cell);
            foreach ($words === [] ? [] : self::RULES[$kind->value] ?? [] as $field => [$core, $beside]) {
                $weight = self::weight($words, $core, $beside);
                if ($field === '+marker' && self::isBothSides($words)) {
                    $weight = max($weight, self::MARK[0]['Mark']);
                }
                if ($weight > 0) {
                    $found[$field][$column] = $weight;
                }
            }
            $name = str_replace(' ', '_', PlainWords::of($cell));
            // What a list says of the side is weighed with sign and kind of its amounts.
            $name = match ($name) {
                'side' => '+marker',
                'reference' => '', // in other lists that may be the document itself
                default => $name,
            };
            if (isset($kind->fields()[$name]) || in_array($name, $kind->foreignFields(), true)) {
                $found[$name][$column] = self::HOUSE;
            }
        }

        return $found;
    }

    /** The currency that a heading says of the amounts below it, `Amount (USD)`; blank where it says none. */
    public static function currency(string $cell): string
    {
        preg_match_all('/\b[A-Z]{3}\b/i', $cell, $words);
        foreach ($words[0] as $word) {
            if (TradeWords::of($word) === [[Concept::CurrencyCode]]) {
                return strtoupper($word);
            }
        }
        $symbols = array_filter(array_keys(ForeignAmount::SYMBOLS), static fn (string $symbol): bool => str_contains($cell, $symbol));

        return $symbols === [] ? '' : ForeignAmount::SYMBOLS[reset($symbols)];
    }

    /**
     * @param list<list<Concept>> $words
     * @param array<string, float|int> $core
     * @param array<string, float|int> $beside
     */
    private static function weight(array $words, array $core, array $beside): float
    {
        $hearts = $more = [];
        $unknown = 0;
        $isGross = $hasTax = false;
        foreach ($words as $concepts) {
            $names = array_flip(array_map(static fn (Concept $of): string => $of->name, $concepts));
            $isGross = $isGross || isset($names['Gross']) || isset($names['Including']);
            $hasTax = $hasTax || array_keys($names) === ['Tax'];
            $unknown += $names === [] ? 1 : 0;
            $heart = array_intersect_key($core, $names);
            $hearts[] = $heart === [] ? 0.0 : (float) max($heart);
            $adds = array_intersect_key($beside, $names);
            $more[] = match (true) {
                $adds !== [] => (float) max($adds),
                $names === [] => 0.0,
                default => self::FURTHER,
            };
            if ($names !== [] && $heart === [] && $adds === [] && ! isset($names['Filler'])) {
                return 0;
            }
        }
        $best = max(0.0, ...$hearts);
        if ($best === 0.0 || $unknown > 1 || ($hasTax && ! $isGross)) {
            return 0;
        }
        // The word at its heart adds nothing beside itself: of equal ones the one that would add least.
        $least = min(array_map(static fn (float $of, float $adds): float => $of === $best ? $adds : INF, $hearts, $more) ?: [0.0]);

        return ($best + array_sum($more) - $least) * ($unknown === 0 ? 1 : self::UNKNOWN);
    }

    /**
     * Whether it names both sides: `D/C`, `Soll/Haben`.
     *
     * @param list<list<Concept>> $words
     */
    private static function isBothSides(array $words): bool
    {
        $sides = array_values(array_filter($words, static fn (array $of): bool => $of !== [] && ! in_array(Concept::Mark, $of, true)));
        if (count($sides) !== 2) {
            return false;
        }
        [$one, $other] = $sides;

        return (in_array(Concept::Debit, $one, true) && in_array(Concept::Credit, $other, true))
            || (in_array(Concept::Credit, $one, true) && in_array(Concept::Debit, $other, true));
    }
}
