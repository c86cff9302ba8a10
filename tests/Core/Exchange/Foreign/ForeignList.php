<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** A made-up list as another system might export it, and what it says in the house format. Invented; headings as the trade writes them. */
final class ForeignList
{
    private const DAYS = '/day|día|tage|retard|jours|ritardo|giorni|dias|dagen|verzug|level|stufe|relance|aanm/iu';

    private const TAX = '/^(?:net|tax|vat|iva|mwst|netto|ht|tva|base imponible|imponibile|incidência|btw)$/iu';

    /** @var list<list<string>> the lines of the file */
    public array $lines = [];

    /** @var list<array<string, string>> what it says */
    public array $says = [];

    public readonly string $kind;

    private Randomizer $chance;

    private string $language;

    private string $mark;

    private string $group;

    private string $dates;

    private string $signs;

    /** What stands around an amount, the amount itself as `#`. */
    private string $money;

    /** @var array<string, string> headings by field */
    private array $head = [];

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->language = ForeignWords::LANGUAGES[$seed % 7];
        $isEnglish = $this->language === 'en';
        $this->kind = $this->one('items', 'items', 'items', 'ledger', 'bank_lines', 'customers');
        $ofLanguage = $isEnglish ? ['m/d/y'] : ['d/m/y', 'd.m.y', 'd-m-y', 'short'];
        $this->dates = $this->one('iso', 'serial', 'together', 'letters', 'words', 'year/', ...$ofLanguage);
        $this->mark = $isEnglish || $this->any(6) === 0 ? '.' : ',';
        $this->group = $this->one('', '', ' ', "'", "\u{a0}", $this->mark === '.' ? ',' : '.');
        $this->signs = $this->one('minus', 'minus', 'trailing', 'brackets', 'letters', 'column', 'sides', 'kind', 'kind');
        $this->money = $this->one('#', '#', '#', '# EUR', 'EUR #', '# €', '€#');
        for ($lines = $this->any(4); $lines > 0; $lines--) {
            $this->lines[] = explode('|', $this->one(
                'Open items list; as at 31.10.2026', 'Valdecierzo Growers Mill', 'Printed: 02/11/2026 09:14|||Page 1', '',
                'Company:|4711|Valdecierzo', 'List of 31/10/2026|||EUR',
            ));
        }
        match ($this->kind) {
            'items' => $this->items(),
            'ledger' => $this->ledger(),
            'bank_lines' => $this->bank(),
            default => $this->customers(),
        };
    }

    public function headings(): string
    {
        return implode(' ; ', $this->head);
    }

    /** Puts a word that nobody knows above one of the columns. */
    public function forget(int $column): void
    {
        $heads = array_map(mb_strtolower(...), array_values($this->head));
        foreach ($this->lines as $place => $cells) {
            if (array_map(mb_strtolower(...), $cells) === $heads) {
                $this->lines[$place][$column % count($cells)] = 'Zwrbl';
            }
        }
    }

    private function items(): void
    {
        $whose = $this->one('number', 'number', 'number', 'name', 'both', 'both', 'one cell', 'above');
        $amounts = $this->signs === 'sides' ? 'sides' : $this->one('amount', 'amount', 'open', 'both');
        $hasKind = $this->signs === 'kind' || $this->any(2) === 0;
        [$hasDue, $hasCurrency] = [$this->any(4) > 0, $this->any(2) === 0];
        $columns = $this->head(
            'document',
            'date',
            ...in_array($whose, ['number', 'both', 'one cell'], true) ? ['customer'] : [],
            ...in_array($whose, ['name', 'both'], true) ? ['name'] : [],
            ...$hasDue ? ['due_date'] : [],
            ...$hasCurrency ? ['currency'] : [],
            ...$hasKind ? ['kind'] : [],
            ...$this->signs === 'column' ? ['marker'] : [],
            ...['sides' => ['debit', 'credit'], 'amount' => ['amount'], 'open' => ['open'], 'both' => ['amount', 'open']][$amounts],
        );
        $isGrouped = $whose === 'above' || ($whose !== 'name' && $this->any(5) === 0);
        $hasTotals = $isGrouped && $this->any(2) === 0;
        $size = 2 + $this->any(4);
        $words = ForeignWords::KINDS[$this->language][$this->any(count(ForeignWords::KINDS[$this->language]))];
        $prefix = $this->one('FV-', 'INV', '', '26/');
        $label = $this->heading('name');
        $written = $this->one('%1$s %2$s', '%1$s - %2$s', $whose === 'above' ? "{$label}: %1\$s %2\$s" : '%2$s (%1$s)');
        $amountHeads = implode(' ', array_intersect_key($this->head, array_flip(['debit', 'credit', 'amount', 'open'])));
        $saidByHeading = preg_match('/\bEUR\b|€/i', $amountHeads) === 1;
        for ($n = 0, $rows = 12 + $this->any(49); $n < $rows; $n++) {
            $number = 10_001 + ($isGrouped ? intdiv($n, $size) : $this->any(20));
            $name = 'Shop '.chr(65 + ($number - 10_001) % 26).' '.['Ltd', 'SL', 'Co'][$number % 3];
            $whole = sprintf($written, $number, $name);
            if ($whose === 'above' && $n % $size === 0) {
                $this->lines[] = array_pad([$whole], count($columns), '');
            }
            $what = $this->any(5) > 0 ? 0 : 1 + ($hasKind ? $this->any(2) : 0);
            $minor = 100 + $this->any(500_000);
            $left = $amounts === 'both' && $this->any(3) === 0 ? intdiv($minor, 2) : $minor;
            $day = $this->day();
            $due = gmdate('Y-m-d', (int) strtotime("{$day} UTC") + 86_400 * [14, 30, 45, 60][$this->any(4)]);
            $currency = ! $hasCurrency ? '' : ($this->money === '#' ? $this->one('EUR', 'EUR', 'GBP', 'USD') : 'EUR');
            $this->row($columns, [
                'document' => $prefix.(26_000 + $n), 'customer' => $whose === 'one cell' ? $whole : (string) $number, 'name' => $name,
                'date' => $this->date($day), 'due_date' => $this->date($due), 'currency' => $currency, 'kind' => $words[$what],
                'amount' => $this->signed($minor, $what > 0), 'open' => $this->signed($left, $what > 0),
                'debit' => $what > 0 ? '' : $this->money($minor), 'credit' => $what > 0 ? $this->money($minor) : '',
                'marker' => $this->letters()[$what > 0 ? 1 : 0],
            ]);
            $this->says[] = [
                'document' => $prefix.(26_000 + $n),
                // What stands before number and name is not taken along.
                'customer' => ['number' => (string) $number, 'both' => (string) $number, 'name' => $name][$whose]
                    ?? str_replace("{$label}: ", '', $whole),
                'date' => $day,
                'due_date' => $hasDue ? $due : '',
                // A symbol in the cells, or a code above them, says it too.
                'currency' => $currency !== '' ? $currency : ($this->money !== '#' || $saidByHeading ? 'EUR' : ''),
                'amount' => self::plain($left),
                'kind' => ['invoice', 'credit_note', 'receipt'][$what],
            ];
            if ($hasTotals && $n % $size === $size - 1) {
                $this->total(sprintf(ForeignWords::TOTAL_OF[$this->language], $number), count($columns));
            }
        }
        $this->foot(count($columns));
    }

    private function ledger(): void
    {
        $isSigned = $this->any(5) > 2;
        $this->signs = $this->one('minus', 'trailing', 'brackets', 'letters', 'column');
        $columns = $this->head(
            'entry', 'date', 'account', 'text', ...$isSigned ? ['amount'] : ['debit', 'credit'],
            ...$isSigned && $this->signs === 'column' ? ['marker'] : [], ...$this->any(2) === 0 ? ['document'] : [],
        );
        $nil = $this->any(3) === 0 ? $this->amount(0) : '';
        [$minor, $day] = [0, ''];
        for ($n = 0, $rows = 20 + 2 * $this->any(21); $n < $rows; $n++) {
            $isCredit = $n % 2 === 1;
            [$minor, $day] = $isCredit ? [$minor, $day] : [1 + $this->any(900_000), $this->day()];
            $row = [
                'entry' => '26-'.(100 + intdiv($n, 2)), 'date' => $this->date($day),
                'account' => $this->one('4300000', '4000', '1100', '7000001'), 'document' => "F{$n}",
                'text' => $this->one('Sale to shop', 'Payment', 'VAT', 'Paid 12/10', 'Bonus 3%'),
                'amount' => $this->signed($minor, $isCredit), 'marker' => $this->letters()[$isCredit ? 1 : 0],
                'debit' => $isCredit ? $nil : $this->money($minor), 'credit' => $isCredit ? $this->money($minor) : $nil,
            ];
            $this->row($columns, $row);
            $this->says[] = ['entry' => $row['entry'], 'date' => $day, 'account' => $row['account'],
                'debit' => $isCredit ? '' : self::plain($minor), 'credit' => $isCredit ? self::plain($minor) : ''];
        }
        $this->foot(count($columns));
    }

    private function bank(): void
    {
        $isSplit = $this->any(2) === 0;
        $this->signs = $this->one('minus', 'minus', 'trailing', 'brackets');
        $columns = $this->head(
            'booked', 'text', ...$this->any(2) === 0 ? ['value_date'] : [], ...$this->any(2) === 0 ? ['party'] : [],
            ...$isSplit ? ['money_out', 'money_in'] : ['amount'], ...$this->any(4) > 0 ? ['balance'] : [],
        );
        $balance = 500_000;
        for ($n = 0, $rows = 15 + $this->any(26); $n < $rows; $n++) {
            [$minor, $isOut] = [1 + $this->any(90_000), $this->any(3) === 0];
            $balance += $isOut ? -$minor : $minor;
            $day = sprintf('2026-10-%02d', 8 + intdiv($n, 2));
            $this->row($columns, [
                'booked' => $this->date($day), 'value_date' => $this->date($day), 'text' => "payment of invoice {$n}",
                'party' => 'Shop '.chr(65 + $n % 26), 'amount' => $this->signed($minor, $isOut),
                'money_in' => $isOut ? '' : $this->money($minor), 'money_out' => $isOut ? $this->money($minor) : '',
                'balance' => $this->signed(abs($balance), $balance < 0),
            ]);
            $this->says[] = ['date' => $day, 'text' => "payment of invoice {$n}", ...$isSplit
                ? ['money_in' => $isOut ? '' : self::plain($minor), 'money_out' => $isOut ? self::plain($minor) : '']
                : ['amount' => ($isOut ? '-' : '').self::plain($minor)]];
        }
    }

    private function customers(): void
    {
        $some = array_filter(['currency', 'email', 'terms', 'credit_limit', 'country', 'tax_id'], fn (): bool => $this->any(3) === 0);
        $columns = $this->head('customer', 'name', ...array_values($some));
        for ($n = 0, $rows = 10 + $this->any(21); $n < $rows; $n++) {
            [$number, $name] = [(string) (10_001 + $n), 'Shop '.chr(65 + $n % 26).' SL'];
            $this->row($columns, [
                'customer' => $number, 'name' => $name, 'currency' => 'EUR', 'email' => "a{$n}@example.com",
                'terms' => $this->one('net 30', '60'), 'credit_limit' => $this->amount(1_000_000), 'country' => 'ES',
                'tax_id' => 'X1234567',
            ]);
            $this->says[] = ['customer' => $number, 'name' => $name];
        }
    }

    /** @return list<string> the columns, up to three of other things among them, half of the time in any order */
    private function head(string ...$columns): array
    {
        $columns = [...array_values($columns), ...array_slice(['other', 'other 2', 'other 3'], 0, $this->any(4))];
        $columns = $this->any(2) === 0 ? array_values($this->chance->shuffleArray($columns)) : $columns;
        foreach ($columns as $column) {
            do {
                $heading = $this->heading(explode(' ', $column)[0]);
            } while (in_array($heading, $this->head, true));
            $this->head[$column] = $heading;
        }
        $this->lines[] = array_map(fn (string $heading): string => match ($this->any(8)) {
            0 => mb_strtoupper($heading),
            1 => mb_strtolower($heading),
            default => $heading,
        }, array_values($this->head));

        return $columns;
    }

    private function heading(string $field): string
    {
        return $this->one(...explode('|', ForeignWords::HEADINGS[$this->language][$field]));
    }

    /**
     * @param list<string> $columns
     * @param array<string, string> $cells
     */
    private function row(array $columns, array $cells): void
    {
        $this->lines[] = array_map(fn (string $column): string => $cells[$column] ?? $this->other($this->head[$column]), $columns);
    }

    /** What stands in a column that is not used. */
    private function other(string $heading): string
    {
        return match (true) {
            preg_match(self::DAYS, $heading) === 1 => $this->kind === 'items' ? (string) $this->any(91) : '',
            preg_match(self::TAX, $heading) === 1 => $this->amount(100 + $this->any(90_000)),
            default => $this->one('', 'A1', 'MAD', 'Ana R.', 'x', '7'),
        };
    }

    private function foot(int $columns): void
    {
        if ($this->any(2) === 0) {
            $this->total($this->one(...ForeignWords::TOTALS[$this->language]), $columns);
        }
        if ($this->any(5) === 0) {
            $this->lines[] = [$this->one('*** End of list ***', 'Page 1 of 1', 'Printed by ana')];
        }
    }

    private function total(string $words, int $columns): void
    {
        $this->lines[] = [...array_pad([$words], $columns - 1, ''), $this->amount(1_234_567)];
        if ($this->any(2) === 0) {
            $this->lines[] = array_fill(0, $columns, '');
        }
    }

    private function any(int $of): int
    {
        return $this->chance->getInt(0, $of - 1);
    }

    private function one(string ...$of): string
    {
        return $of[$this->any(count($of))];
    }

    private function day(): string
    {
        return sprintf('2026-%02d-%02d', 1 + $this->any(10), 1 + $this->any(28));
    }

    private function date(string $day): string
    {
        [$y, $m, $d] = explode('-', $day);
        $month = explode('|', ForeignWords::MONTHS[$this->language])[(int) $m - 1];

        return match ($this->dates) {
            'serial' => (string) (int) ((int) strtotime("{$day} UTC") / 86_400 + 25_569),
            'together' => "{$y}{$m}{$d}",
            'letters' => (int) $d."-{$month}-{$y}",
            'words' => (int) $d." {$month} {$y}",
            'year/' => "{$y}/{$m}/{$d}",
            'm/d/y' => "{$m}/{$d}/{$y}",
            'd/m/y' => "{$d}/{$m}/{$y}",
            'd.m.y' => "{$d}.{$m}.{$y}",
            'd-m-y' => "{$d}-{$m}-{$y}",
            'short' => "{$d}/{$m}/".substr($y, 2),
            default => $day,
        };
    }

    private function amount(int $minor): string
    {
        return number_format($minor / 100, 2, $this->mark, $this->group);
    }

    private function money(int $minor): string
    {
        return str_replace('#', $this->amount($minor), $this->money);
    }

    private function signed(int $minor, bool $isCredit): string
    {
        $money = $this->money($minor);

        return match ($this->signs) {
            'minus' => $isCredit ? "-{$money}" : $money,
            'trailing' => $isCredit ? "{$money}-" : $money,
            'brackets' => $isCredit ? "({$money})" : $money,
            'letters' => $money.($isCredit ? ' Cr' : ' Dr'),
            default => $money,
        };
    }

    /** @return array{string, string} */
    private function letters(): array
    {
        return ['en' => ['Dr', 'Cr'], 'es' => ['D', 'H'], 'de' => ['S', 'H'], 'it' => ['D', 'A']][$this->language] ?? ['D', 'C'];
    }

    private static function plain(int $minor): string
    {
        return number_format($minor / 100, 2, '.', '');
    }
}
