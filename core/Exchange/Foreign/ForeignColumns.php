<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FieldType;
use Ajuste\Core\Exchange\FileKind;

/** The columns of a list below a line that may be its headings: what the words above them say, and whether what stands below fits. */
final class ForeignColumns
{
    /** So much of a list says what its columns are; how days and amounts are written is judged by more. */
    private const ROWS = 400;

    private const COLUMNS = 120;

    /** What speaks for or against a number, a name, or something that stands once. */
    private const LIKELY = 0.25;

    private const VERY_LIKELY = 0.4;

    /** Documents stand once, but for instalments and credits of the same number. */
    private const DOCUMENTS_OWN = 0.6;

    /** An entry has two lines or more. */
    public const ENTRIES_OWN = 0.7;

    /** @var list<list<string>> lines that may be rows */
    public readonly array $rows;

    /** @var array<int, ColumnCells> */
    private array $cells = [];

    /**
     * @param list<string> $headings
     * @param list<list<string>> $below
     */
    private function __construct(public readonly array $headings, public readonly array $below)
    {
        $rows = array_filter(LineAbove::without($below), static fn (array $cells): bool => ! PrintLine::is($cells, $headings, []));
        $this->rows = array_slice(array_values($rows), 0, self::ROWS);
    }

    /**
     * Null where the line says no headings: one of days and amounts is a row.
     *
     * @param list<string> $cells
     * @param list<list<string>> $below
     */
    public static function below(array $cells, array $below): ?self
    {
        $filled = array_filter(array_map(trim(...), $cells), static fn (string $cell): bool => $cell !== '');
        $figures = array_filter($filled, static fn (string $cell): bool => preg_match('/\d/', $cell) === 1
            && (ForeignAmount::of($cell) !== null || ForeignGuess::isDay($cell)));

        return count($filled) < 2 || $figures !== [] ? null : new self(array_slice($cells, 0, self::COLUMNS), $below);
    }

    public function cells(int $column): ColumnCells
    {
        return $this->cells[$column] ??= new ColumnCells(array_values(array_filter(
            array_map(static fn (array $row): string => trim($row[$column] ?? ''), $this->rows),
            static fn (string $cell): bool => $cell !== '' && ! PrintLine::isRule($cell),
        )));
    }

    /**
     * The surest column for each field; each column fills at most one.
     *
     * @return array<string, array{int, float}> column and how sure it is, by field
     */
    public function byHeadings(FileKind $kind): array
    {
        $wanted = [];
        foreach (Headings::of($kind, $this->headings) as $field => $weights) {
            foreach ($weights as $column => $weight) {
                if ($this->fits($kind, $field, $column)) {
                    $wanted[] = [$weight + $this->likely($kind, $field, $column), $field, $column];
                }
            }
        }
        usort($wanted, static fn (array $one, array $other): int => [$other[0], $one[2]] <=> [$one[0], $other[2]]);
        $columns = $taken = [];
        foreach ($wanted as [$weight, $field, $column]) {
            if (! isset($columns[$field]) && ! isset($taken[$column])) {
                $columns[$field] = [$column, $weight];
                $taken[$column] = true;
            }
        }

        return self::shared(self::exchanged($columns, $wanted), $wanted);
    }

    /** Whether a heading does, and something stands below it. */
    public function speaksOf(Concept $concept): bool
    {
        $saying = array_filter(array_keys($this->headings), fn (int $column): bool => $this->says($column, $concept));

        return $this->isAny($saying, static fn (ColumnCells $cells): bool => ! $cells->isBlank());
    }

    /**
     * @param array<int> $columns
     * @param callable(ColumnCells): bool $is
     */
    public function isAny(array $columns, callable $is): bool
    {
        return array_filter($columns, fn (int $column): bool => $is($this->cells($column))) !== [];
    }

    /** Whether a column has the number of the customer whose name stands in another, each pair several times. */
    public function areCustomersOf(int $names, int $column): bool
    {
        return $this->cells($column)->areNumbers()
            && ! $this->says($column, Concept::TaxNumber)
            && ! $this->says($column, Concept::Iban)
            && (new ColumnPairs($this->rows))->nameTheSame($names, $column);
    }

    /** Whether a word of a heading can mean it. */
    public function says(int $column, Concept $concept): bool
    {
        return in_array($concept, array_merge(...TradeWords::of($this->headings[$column])), true);
    }

    /**
     * Two fields that are surer with each other's columns exchange them.
     *
     * @param array<string, array{int, float}> $columns
     * @param list<array{float, string, int}> $wanted
     * @return array<string, array{int, float}>
     */
    private static function exchanged(array $columns, array $wanted): array
    {
        $sure = [];
        foreach ($wanted as [$weight, $field, $column]) {
            $sure[$field][$column] = $weight;
        }
        foreach (array_keys($columns) as $field) {
            foreach (array_keys($columns) as $other) {
                [$mine, $theirs] = [$sure[$field][$columns[$other][0]] ?? 0.0, $sure[$other][$columns[$field][0]] ?? 0.0];
                if ($mine > 0 && $theirs > 0 && $mine + $theirs > $columns[$field][1] + $columns[$other][1]) {
                    [$columns[$field], $columns[$other]] = [[$columns[$other][0], $mine], [$columns[$field][0], $theirs]];
                }
            }
        }

        return $columns;
    }

    /**
     * A field gives its column up for another of the same meaning, where that fills a field that has none.
     *
     * @param array<string, array{int, float}> $columns
     * @param list<array{float, string, int}> $wanted
     * @return array<string, array{int, float}>
     */
    private static function shared(array $columns, array $wanted): array
    {
        foreach ($wanted as [$instead, $field, $free]) {
            if (! isset($columns[$field]) || in_array($free, array_column($columns, 0), true)) {
                continue;
            }
            [$column, $weight] = $columns[$field];
            foreach ($wanted as [$gained, $lacking, $of]) {
                if ($of === $column && ! isset($columns[$lacking]) && $instead + $gained > $weight) {
                    [$columns[$field], $columns[$lacking]] = [[$free, $instead], [$column, $gained]];
                    break;
                }
            }
        }

        return $columns;
    }

    private function fits(FileKind $kind, string $field, int $column): bool
    {
        $cells = $this->cells($column);
        if ($cells->isBlank()) {
            return ! in_array($field, ['document', 'customer', 'date', 'account', 'amount', '+open', 'kind'], true);
        }
        $type = ($kind->fields()[$field] ?? null)?->type;

        return match (true) {
            $type === FieldType::Date => $cells->areDays(),
            in_array($field, ['+open', 'debit', 'credit', 'amount'], true),
            in_array($type, [FieldType::Amount, FieldType::Number], true) => $cells->areAmounts() && ! $cells->areDays(),
            $field === 'currency' => $cells->areCurrencies(),
            $field === 'kind' => $cells->mayBeKinds(),
            $field === '+marker' => $cells->areMarks(),
            $field === 'terms' => ! $cells->areDays() && ! $cells->areWrittenAmounts(),
            in_array($field, ['document', 'entry'], true) => $cells->areNames() && $cells->haveDigits()
                && ! $cells->areWrittenDays() && ! $cells->areWrittenAmounts(),
            in_array($field, ['customer', 'account', 'name', 'text', 'party', 'description'], true) => $cells->areNames()
                && ! $cells->areCurrencies() && ! $cells->areWrittenAmounts(),
            default => true,
        };
    }

    /** What stands below makes it likelier, or less so, that a field is meant. */
    private function likely(FileKind $kind, string $field, int $column): float
    {
        $cells = $this->cells($column);
        $either = static fn (bool $is, float $weight): float => $is ? $weight : -$weight;

        return match (true) {
            $cells->isBlank() => -self::LIKELY,
            $field === 'customer', $field === 'account' => $cells->areCodes() ? self::LIKELY : ($cells->areWords() ? -self::LIKELY : 0.0),
            $field === 'name', $field === 'party' => $either($cells->areWords(), self::LIKELY),
            $field === 'document' && $kind === FileKind::Items => $cells->areCodes() && $cells->ownShare() >= self::DOCUMENTS_OWN
                ? self::LIKELY * $cells->ownShare()
                : -self::LIKELY,
            $field === 'entry' && $kind === FileKind::Ledger => $either($cells->ownShare() <= self::ENTRIES_OWN, self::VERY_LIKELY),
            // What is written for each row says more than a mark beside it.
            in_array($field, ['text', 'description'], true) => $cells->areAmounts() ? -1.0 : self::LIKELY * $cells->ownShare(),
            default => 0.0,
        };
    }
}
