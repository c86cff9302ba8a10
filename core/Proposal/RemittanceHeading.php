<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** The headings of a pasted table, which say what each column is; in the words of the trade in several languages. */
final readonly class RemittanceHeading
{
    private const WORDS = [
        'document' => 'invoice|invoices|document|doc|number|no|reference|ref|bill|factura|documento|rechnung|beleg|belegnummer|facture|'.
            'fattura|fatura|factuur',
        'gross' => 'amount|gross|total|value|importe|bruto|betrag|brutto|montant|importo|bedrag|valor',
        'deduction' => 'deduction|deductions|deducted|less|reduction|retention|withheld|descuento|deduccion|deducción|abzug|skonto|'.
            'kürzung|déduction|remise|deduzione|trattenuta|dedução|aftrek|korting',
        'paid' => 'paid|payment|net|settled|pagado|neto|gezahlt|zahlung|netto|payé|payée|pagato|pago|betaald',
        'reason' => 'reason|remark|comment|note|why|motivo|causa|grund|bemerkung|motif|reden|opmerking',
    ];

    /**
     * @param array<string, int> $columns kind of column to its place
     * @param non-empty-string $separator a pattern
     */
    private function __construct(private array $columns, private string $separator) {}

    /** Null where a line is no heading: it names a document's column and one of amounts, and holds no figures. */
    public static function of(string $line): ?self
    {
        $separator = self::separator($line);
        if ($separator === null || preg_match('/\d/', $line) === 1) {
            return null;
        }
        $columns = [];
        foreach (preg_split($separator, $line) ?: [] as $place => $cell) {
            $words = preg_split('/[^\p{L}]+/u', mb_strtolower($cell), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            foreach (['deduction', 'paid', 'reason', 'gross', 'document'] as $kind) {
                if (array_intersect($words, explode('|', self::WORDS[$kind])) !== []) {
                    $columns[$kind] ??= $place;
                    break;
                }
            }
        }

        return isset($columns['document']) && array_intersect_key($columns, ['gross' => 0, 'paid' => 0, 'deduction' => 0]) !== []
            ? new self($columns, $separator)
            : null;
    }

    /** @return ?array<string, string> cells by kind of column; null where the line is no row of the table */
    public function row(string $line): ?array
    {
        $cells = array_map(trim(...), preg_split($this->separator, $line) ?: []);

        return count($cells) < 2 ? null : array_map(static fn (int $place): string => $cells[$place] ?? '', $this->columns);
    }

    /** @return ?non-empty-string */
    private static function separator(string $line): ?string
    {
        foreach (["\t" => '/\t/', ';' => '/;/', '|' => '/\|/'] as $mark => $pattern) {
            if (str_contains($line, $mark)) {
                return $pattern;
            }
        }

        return preg_match('/\S {2,}\S/', $line) === 1 ? '/ {2,}/' : null;
    }
}
