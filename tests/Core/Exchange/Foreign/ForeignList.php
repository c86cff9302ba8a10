<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** A made-up list as another system might export it, and what it says in the house format. Invented; headings as the trade writes them. */
final class ForeignList
{
    /** Document, customer, name, date, due, currency, amount, kind, open, debit, credit, entry, account, text, in, out, balance, valued. */
    private const LANGUAGES = [
        'en' => ['Invoice No.', 'Customer No.', 'Customer Name', 'Invoice Date', 'Due Date', 'Currency', 'Amount', 'Document Type',
            'Outstanding', 'Debit', 'Credit', 'Journal No.', 'Account', 'Description', 'Paid in', 'Paid out', 'Balance', 'Value date'],
        'es' => ['Nº Factura', 'Cliente', 'Razón social', 'Fecha factura', 'Vencimiento', 'Divisa', 'Importe', 'Tipo documento',
            'Pendiente', 'Debe', 'Haber', 'Asiento', 'Cuenta', 'Concepto', 'Abonos', 'Cargos', 'Saldo', 'Fecha valor'],
        'de' => ['Belegnummer', 'Debitor', 'Name', 'Belegdatum', 'Fälligkeit', 'Währung', 'Betrag', 'Belegart',
            'Offener Betrag', 'Soll', 'Haben', 'Buchungsnummer', 'Konto', 'Buchungstext', 'Gutschrift', 'Lastschrift', 'Kontostand',
            'Valuta'],
        'fr' => ['N° pièce', 'Code client', 'Raison sociale', 'Date pièce', 'Échéance', 'Devise', 'Montant', 'Type de pièce',
            'Reste à payer', 'Débit', 'Crédit', 'N° écriture', 'Compte', 'Libellé', 'Recettes', 'Dépenses', 'Solde', 'Date valeur'],
        'it' => ['N. documento', 'Codice cliente', 'Ragione sociale', 'Data documento', 'Scadenza', 'Valuta', 'Importo', 'Tipo documento',
            'Residuo', 'Dare', 'Avere', 'N. registrazione', 'Conto', 'Descrizione', 'Entrate', 'Uscite', 'Saldo', 'Data valuta'],
        'pt' => ['N.º documento', 'Código cliente', 'Nome', 'Data documento', 'Data vencimento', 'Moeda', 'Valor total', 'Tipo documento',
            'Em aberto', 'Débito', 'Crédito', 'N.º lançamento', 'Conta', 'Descrição', 'Entradas', 'Saídas', 'Saldo', 'Data valor'],
        'nl' => ['Factuurnummer', 'Klantnummer', 'Naam', 'Factuurdatum', 'Vervaldatum', 'Valuta', 'Bedrag', 'Soort',
            'Openstaand', 'Debet', 'Credit', 'Boekstuknummer', 'Rekening', 'Omschrijving', 'Bij', 'Af', 'Saldo', 'Valutadatum'],
    ];

    private const KINDS = [
        'en' => ['Invoice', 'Credit memo', 'Payment'], 'es' => ['Factura', 'Abono', 'Cobro'], 'de' => ['RE', 'GS', 'ZE'],
        'fr' => ['Facture', 'Avoir', 'Règlement'], 'it' => ['Fattura', 'Nota di credito', 'Incasso'],
        'pt' => ['Fatura', 'Nota de crédito', 'Recebimento'], 'nl' => ['Factuur', 'Creditnota', 'Betaling'],
    ];

    private const TOTALS = ['en' => 'Total', 'es' => 'Total general', 'de' => 'Summe', 'fr' => 'Total', 'it' => 'Totale', 'pt' => 'Total',
        'nl' => 'Totaal'];

    /** @var list<list<string>> the lines of the file */
    public array $lines = [];

    /** @var list<array<string, string>> what it says */
    public array $says = [];

    public readonly string $kind;

    private Randomizer $chance;

    private string $language;

    private string $mark;

    private string $group;

    private int $dates;

    private int $signs;

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->language = array_keys(self::LANGUAGES)[$seed % 7];
        $this->mark = $this->language === 'en' ? '.' : ($this->any(5) === 0 ? '.' : ',');
        $this->group = $this->any(3) === 0 ? '' : ($this->mark === ',' ? ['.', ' ', "'"][$this->any(3)] : [',', ' ', "'"][$this->any(3)]);
        $this->dates = $this->any(6);
        $this->signs = $this->any(6);
        $this->kind = ['items', 'items', 'ledger', 'bank_lines', 'customers'][$this->any(5)];
        if ($this->any(3) === 0) {
            $this->lines[] = ['Valdecierzo; list of 31 Oct 2026', '', ''];
        }
        match ($this->kind) {
            'items' => $this->items(),
            'ledger' => $this->ledger(),
            'bank_lines' => $this->bank(),
            default => $this->customers(),
        };
    }

    private function items(): void
    {
        // In a grouped list the customer stands in a line above the rows.
        $grouped = $this->any(6) === 0;
        $columns = $grouped ? [0, 3, 4] : [0, 1, 3];
        foreach ($grouped ? [5 => 2, 7 => 2] : [2 => 2, 4 => 6, 5 => 2, 7 => 2] as $column => $of) {
            if ($this->any($of) > 0) {
                $columns[] = $column;
            }
        }
        $split = $this->signs === 5;
        $open = ! $split && $this->any(4) === 0;
        array_push($columns, ...$split ? [9, 10] : ($open ? [6, 8] : [6]));
        $columns = $this->any(2) === 0 ? $columns : $this->chance->shuffleArray($columns);
        $hasKind = in_array(7, $columns, true);
        $this->head($columns);
        $above = '';
        for ($n = 0; $n < 25; $n++) {
            if ($grouped && $n % 4 === 0) {
                $above = (10_001 + $n).' Shop '.chr(65 + $n);
                $this->lines[] = [$above, ...array_fill(0, count($columns) - 1, '')];
            }
            $what = $this->any(4) === 0 ? 1 + ($hasKind ? $this->any(2) : 0) : 0;
            $minor = $this->any(300_000) + 100;
            $left = $open ? intdiv($minor, 1 + $this->any(2)) : $minor;
            [$day, $due] = [$this->day(), $this->day()];
            $currency = in_array(5, $columns, true) ? ['EUR', 'EUR', 'GBP'][$this->any(3)] : '';
            $row = [
                0 => 'F'.(26000 + $n), 1 => (string) (10001 + $this->any(40)), 2 => 'Shop '.chr(65 + $n), 3 => $this->date($day),
                4 => $this->date($due), 5 => $currency, 6 => $this->signed($minor, $what > 0), 7 => self::KINDS[$this->language][$what],
                8 => $this->signed($left, $what > 0), 9 => $what > 0 ? '' : $this->amount($minor),
                10 => $what > 0 ? $this->amount($minor) : '',
            ];
            $this->row($columns, $row);
            $this->says[] = [
                'document' => $row[0], 'customer' => $grouped ? $above : $row[1], 'date' => $day,
                'due_date' => in_array(4, $columns, true) ? $due : '',
                // A symbol in the cells says it too.
                'currency' => $currency !== '' ? $currency : ($this->signs === 4 && ! $split ? 'EUR' : ''),
                'amount' => self::plain($left), 'kind' => ['invoice', 'credit_note', 'receipt'][$what],
            ];
        }
        $this->total($columns);
    }

    private function ledger(): void
    {
        $signed = $this->any(3) === 0;
        $columns = [11, 3, 12, 13, ...$signed ? [6] : [9, 10], ...$this->any(2) === 0 ? [0] : []];
        $this->head($columns);
        for ($n = 0; $n < 30; $n++) {
            $minor = $this->any(900_000) + 1;
            $credit = $n % 2 === 1;
            $day = $this->day();
            $row = [
                11 => '26-'.(100 + intdiv($n, 2)), 3 => $this->date($day), 12 => $credit ? '4000' : '1100', 13 => "text {$n}",
                6 => $this->signed($minor, $credit), 9 => $credit ? '' : $this->amount($minor), 10 => $credit ? $this->amount($minor) : '',
                0 => "F{$n}",
            ];
            $this->row($columns, $row);
            $this->says[] = ['entry' => $row[11], 'date' => $day, 'account' => $row[12],
                'debit' => $credit ? '' : self::plain($minor), 'credit' => $credit ? self::plain($minor) : ''];
        }
        $this->total($columns);
    }

    private function bank(): void
    {
        $split = $this->any(2) === 0;
        $columns = [3, 17, 13, ...$split ? [14, 15] : [6], 16];
        $this->head($columns);
        $balance = 100_000;
        for ($n = 0; $n < 20; $n++) {
            $minor = $this->any(90_000) + 1;
            $out = $this->any(3) === 0;
            $balance += $out ? -$minor : $minor;
            $day = sprintf('2026-10-%02d', 8 + $n);
            // On a statement a debit is money that went out.
            $row = [3 => $this->date($day), 17 => $this->date($day), 13 => "payment {$n}", 14 => $out ? '' : $this->amount($minor),
                15 => $out ? $this->amount($minor) : '', 6 => $this->onStatement($minor, $out),
                16 => $this->onStatement(abs($balance), $balance < 0)];
            $this->row($columns, $row);
            $this->says[] = ['date' => $day, 'text' => $row[13], ...$split
                ? ['money_in' => $out ? '' : self::plain($minor), 'money_out' => $out ? self::plain($minor) : '']
                : ['amount' => ($out ? '-' : '').self::plain($minor)]];
        }
    }

    private function customers(): void
    {
        $columns = [1, 2, ...$this->any(2) === 0 ? [5] : []];
        $this->head($columns);
        for ($n = 0; $n < 15; $n++) {
            $row = [1 => (string) (10001 + $n), 2 => 'Shop '.chr(65 + $n), 5 => 'EUR'];
            $this->row($columns, $row);
            $this->says[] = ['customer' => $row[1], 'name' => $row[2]];
        }
    }

    /** @param  list<int>  $columns */
    private function head(array $columns): void
    {
        $this->row($columns, self::LANGUAGES[$this->language]);
    }

    /**
     * @param list<int> $columns
     * @param array<int, string> $cells
     */
    private function row(array $columns, array $cells): void
    {
        $this->lines[] = array_map(static fn (int $column): string => $cells[$column], $columns);
    }

    /** @param  list<int>  $columns */
    private function total(array $columns): void
    {
        if ($this->any(2) === 0) {
            $line = array_fill(0, count($columns), '');
            $line[0] = self::TOTALS[$this->language];
            $line[count($columns) - 1] = $this->amount(1_234_567);
            $this->lines[] = $line;
        }
    }

    private function any(int $of): int
    {
        return $this->chance->getInt(0, $of - 1);
    }

    private function day(): string
    {
        return sprintf('2026-%02d-%02d', 1 + $this->any(12), 1 + $this->any(28));
    }

    private function date(string $day): string
    {
        [$y, $m, $d] = explode('-', $day);

        return match ($this->dates) {
            0 => $day,
            1 => $this->language === 'en' ? "{$m}/{$d}/{$y}" : "{$d}/{$m}/{$y}",
            2 => "{$d}.{$m}.{$y}",
            3 => "{$d}-{$m}-".substr($y, 2),
            4 => ((int) $d).'-'.['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'][(int) $m - 1]."-{$y}",
            default => (string) (int) ((strtotime("{$day} UTC") / 86_400) + 25_569),
        };
    }

    private function amount(int $minor): string
    {
        return number_format($minor / 100, 2, $this->mark, $this->group);
    }

    private function signed(int $minor, bool $credit): string
    {
        $amount = $this->amount($minor);

        return match (true) {
            $this->signs === 1 => $credit ? "({$amount})" : $amount,
            $this->signs === 2 => $credit ? "{$amount}-" : $amount,
            $this->signs === 3 => $amount.($credit ? ' CR' : ' DR'),
            $this->signs === 4 => $credit ? "-{$amount} €" : "{$amount} €",
            default => $credit ? "-{$amount}" : $amount,
        };
    }

    private function onStatement(int $minor, bool $out): string
    {
        return $this->signs === 3 ? $this->amount($minor).($out ? ' DR' : ' CR') : $this->signed($minor, $out);
    }

    private static function plain(int $minor): string
    {
        return number_format($minor / 100, 2, '.', '');
    }
}
