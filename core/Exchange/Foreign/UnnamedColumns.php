<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;

/** What a list needs and no heading says is taken from what stands below, where only one column can be meant. */
final readonly class UnnamedColumns
{
    /** How sure what only stands below makes a field. */
    public const BY_CONTENT = 0.5;

    /** Documents stand once; a note for each row differs from most others. */
    public const DOCUMENTS_OWN = 0.95;

    private const TEXTS_OWN = 0.5;

    private ColumnPairs $pairs;

    public function __construct(private ForeignColumns $list)
    {
        $this->pairs = new ColumnPairs($list->rows);
    }

    /**
     * @param array<string, array{int, float}> $columns those that the headings say
     * @return array<string, array{int, float}> column and how sure it is, by field
     */
    public function addTo(FileKind $kind, array $columns): array
    {
        foreach ($this->wanted($kind, $columns) as $field => [$among, $is]) {
            $fitting = isset($columns[$field]) ? [] : array_values(array_filter(
                array_diff($among, array_column($columns, 0)),
                fn (int $column): bool => $is($this->list->cells($column), $column),
            ));
            if (count($fitting) === 1) {
                $columns[$field] = [$fitting[0], self::BY_CONTENT];
            }
        }

        return $kind === FileKind::Ledger ? $this->entryThatComesToNil($columns) : $columns;
    }

    private function saysAny(int $column, Concept ...$of): bool
    {
        return array_filter($of, fn (Concept $one): bool => $this->list->says($column, $one)) !== [];
    }

    /** @return list<int> columns of which the heading says nothing that is known: others are what they say */
    private function unnamed(): array
    {
        return array_keys(array_filter(
            $this->list->headings,
            static fn (string $heading): bool => trim($heading) === '' || in_array([], TradeWords::of($heading), true),
        ));
    }

    /**
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{list<int>, callable(ColumnCells, int): bool}> what may be meant, and what has to stand there, by field
     */
    private function wanted(FileKind $kind, array $columns): array
    {
        [$all, $unnamed] = [array_keys($this->list->headings), $this->unnamed()];
        $hasAmount = array_intersect_key($columns, array_flip(['amount', '+open', 'debit', 'credit', 'money_in', 'money_out'])) !== [];
        $date = [$all, static fn (ColumnCells $cells): bool => $cells->areDays()];
        $amount = [
            $hasAmount || $this->hasHalves($columns) ? [] : $unnamed,
            fn (ColumnCells $cells, int $column): bool => $cells->areWrittenAmounts() && ! $cells->areDays()
                && $this->pairs->isFilled($column),
        ];
        $words = [$unnamed, static fn (ColumnCells $cells): bool => $cells->areWords() && $cells->ownShare() > self::TEXTS_OWN];
        $marker = [
            isset($columns['debit']) ? [] : $all,
            static fn (ColumnCells $cells): bool => $cells->areMarks() && $cells->distinct() === 2,
        ];

        return match ($kind) {
            FileKind::Items => ['date' => $date, 'amount' => $amount, '+marker' => $marker, ...$this->ofItems($columns, $all, $unnamed)],
            FileKind::Ledger => ['date' => $date, '+marker' => $marker],
            FileKind::BankLines => ['date' => $date, 'amount' => $amount, 'text' => $words],
            FileKind::Customers => ['name' => $words],
            default => [],
        };
    }

    /**
     * Whether two other columns share the amounts between them: neither is all of them, and which is which nothing says.
     *
     * @param array<string, array{int, float}> $columns
     */
    private function hasHalves(array $columns): bool
    {
        $free = array_filter(
            array_diff(array_keys($this->list->headings), array_column($columns, 0)),
            fn (int $column): bool => $this->list->cells($column)->areWrittenAmounts() && ! $this->pairs->isFilled($column),
        );
        foreach ($free as $one) {
            foreach ($free as $other) {
                if ($one < $other && $this->pairs->areOneOf($one, $other)) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Numbers of which the amounts come to nil are those of entries, whatever stands above them. Those of days, periods and journals do
     * too, of which there are fewer.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function entryThatComesToNil(array $columns): array
    {
        $amounts = array_values(array_map(
            static fn (array $of): int => $of[0],
            array_intersect_key($columns, array_flip(isset($columns['debit']) ? ['debit', 'credit'] : ['amount'])),
        ));
        $free = array_diff(array_keys($this->list->headings), $amounts, [$columns['account'][0] ?? -1, $columns['date'][0] ?? -1]);
        $found = [];
        foreach ($free as $column) {
            $cells = $this->list->cells($column);
            if ($cells->areCodes() && ! $cells->areDays() && $this->pairs->areBalanced($column, $amounts, $columns['+marker'][0] ?? null)) {
                $found[$column] = $cells->distinct();
            }
        }
        $finest = $found === [] ? [] : array_keys($found, max($found), true);
        if (count($finest) !== 1 || $finest[0] === ($columns['entry'][0] ?? null)) {
            return $columns;
        }
        $others = array_filter($columns, static fn (array $of): bool => $of[0] !== $finest[0]);

        return [...$others, 'entry' => [$finest[0], self::BY_CONTENT]];
    }

    /**
     * @param array<string, array{int, float}> $columns
     * @param list<int> $all
     * @param list<int> $unnamed
     * @return array<string, array{list<int>, callable(ColumnCells, int): bool}>
     */
    private function ofItems(array $columns, array $all, array $unnamed): array
    {
        [$name, $date, $amount] = [$columns['name'][0] ?? null, $columns['date'][0] ?? null, $columns['amount'][0] ?? null];
        [$sided, $marks] = [$columns['+open'][0] ?? $amount, $columns['+marker'][0] ?? null];

        return [
            'currency' => [$all, static fn (ColumnCells $cells): bool => $cells->areCurrencies()],
            // Something of documents in a few short words.
            'kind' => [$all, fn (ColumnCells $cells, int $column): bool => $cells->areKinds()
                || ($cells->areFewWords() && ($this->list->says($column, Concept::Document)
                    || ($sided !== null && $this->pairs->areOfOneSide($column, $sided, $marks))))],
            'document' => [$unnamed, static fn (ColumnCells $cells): bool => $cells->areNumbers()
                && $cells->ownShare() > self::DOCUMENTS_OWN],
            'customer' => [$all, fn (ColumnCells $cells, int $column): bool => $name !== null
                && $this->list->areCustomersOf($name, $column)],
            // A discount has terms of its own.
            'due_date' => [$all, fn (ColumnCells $cells, int $column): bool => $date !== null && $cells->areDays()
                && ! $this->saysAny($column, Concept::Discount) && $this->pairs->areTerms($date, $column)],
            // Net amounts are part of gross ones too.
            '+open' => [$all, fn (ColumnCells $cells, int $column): bool => $amount !== null && $cells->areAmounts()
                && ! $this->saysAny($column, Concept::Net, Concept::Tax, Concept::Payment, Concept::Base)
                && $this->pairs->isPart($amount, $column)],
        ];
    }
}
