<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;

/** Where what stands below speaks against what the headings seem to say, it has the last word. */
final readonly class CorrectedColumns
{
    private ColumnPairs $pairs;

    public function __construct(private ForeignColumns $list)
    {
        $this->pairs = new ColumnPairs($list->rows);
    }

    /**
     * @param array<string, array{int, float}> $columns as the headings say
     * @return array<string, array{int, float}> column and how sure it is, by field
     */
    public function of(FileKind $kind, array $columns): array
    {
        $columns = $this->otherSide($kind, $this->withoutHalves($columns));

        return match ($kind) {
            FileKind::Items => $this->numberBesideName($this->documentsOnce($this->openWithinAmount($this->loneSide($columns)))),
            FileKind::BankLines => $this->textBesideParty($columns),
            default => $columns,
        };
    }

    /**
     * Amounts of which only some rows have one are half of two columns.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function withoutHalves(array $columns): array
    {
        return isset($columns['amount']) && ! $this->pairs->isFilled($columns['amount'][0])
            ? array_diff_key($columns, ['amount' => true])
            : $columns;
    }

    /**
     * Of two columns that share the amounts between them, one is the other side of what the other's heading says.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function otherSide(FileKind $kind, array $columns): array
    {
        [$one, $other] = $kind === FileKind::BankLines ? ['money_in', 'money_out'] : ['debit', 'credit'];
        if (isset($columns[$one]) === isset($columns[$other])) {
            return $columns;
        }
        [$has, $lacks] = isset($columns[$one]) ? [$one, $other] : [$other, $one];
        $free = $this->only($columns, fn (ColumnCells $cells, int $column): bool => $cells->areAmounts()
            && $this->pairs->areOneOf($columns[$has][0], $column));

        return $free === null ? $columns : [...$columns, $lacks => [$free, UnnamedColumns::BY_CONTENT]];
    }

    /**
     * Debits without credits are no side, but amounts, or what is open of them.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function loneSide(array $columns): array
    {
        $lone = $columns['debit'] ?? $columns['credit'] ?? null;
        if ($lone === null || isset($columns['debit'], $columns['credit']) || ! $this->pairs->isFilled($lone[0])) {
            return $columns;
        }

        return array_diff_key($columns, ['debit' => true, 'credit' => true]) + (isset($columns['+open']) ? [] : ['amount' => $lone]);
    }

    /**
     * Nothing has more open than it is of.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function openWithinAmount(array $columns): array
    {
        return isset($columns['amount'], $columns['+open']) && $this->pairs->isPart($columns['+open'][0], $columns['amount'][0])
            ? [...$columns, 'amount' => $columns['+open'], '+open' => $columns['amount']]
            : $columns;
    }

    /**
     * Numbers that stand several times are those of customers, where others beside them stand once.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function documentsOnce(array $columns): array
    {
        if (! isset($columns['document']) || $this->list->cells($columns['document'][0])->ownShare() > UnnamedColumns::DOCUMENTS_OWN) {
            return $columns;
        }
        $once = $this->only($columns, static fn (ColumnCells $cells): bool => $cells->areNumbers()
            && $cells->ownShare() > UnnamedColumns::DOCUMENTS_OWN);

        return $once === null ? $columns : [
            ...(isset($columns['customer']) ? [] : ['customer' => $columns['document']]),
            ...$columns,
            'document' => [$once, UnnamedColumns::BY_CONTENT],
        ];
    }

    /**
     * Where a heading that says customers stands above names, the number that goes with each is the customer's.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function numberBesideName(array $columns): array
    {
        $named = $columns['customer'][0] ?? null;
        if ($named === null || isset($columns['name']) || ! $this->list->cells($named)->areWords()) {
            return $columns;
        }
        $number = $this->only($columns, fn (ColumnCells $cells, int $column): bool => $this->list->areCustomersOf($named, $column));

        return $number === null
            ? $columns
            : [...$columns, 'name' => $columns['customer'], 'customer' => [$number, UnnamedColumns::BY_CONTENT]];
    }

    /**
     * What says names and texts is the names, where other texts stand beside it.
     *
     * @param array<string, array{int, float}> $columns
     * @return array<string, array{int, float}>
     */
    private function textBesideParty(array $columns): array
    {
        $text = $columns['text'][0] ?? null;
        $saysNames = $text !== null && ($this->list->says($text, Concept::Name) || $this->list->says($text, Concept::Party));
        if ($text === null || ! $saysNames || isset($columns['party'])) {
            return $columns;
        }
        $own = $this->list->cells($text)->ownShare();
        $other = $this->only($columns, static fn (ColumnCells $cells): bool => $cells->areWords() && $cells->ownShare() > $own);

        return $other === null
            ? $columns
            : [...$columns, 'party' => $columns['text'], 'text' => [$other, UnnamedColumns::BY_CONTENT]];
    }

    /**
     * @param array<string, array{int, float}> $columns
     * @param callable(ColumnCells, int): bool $is
     * @return ?int the only column that fills nothing yet and is so
     */
    private function only(array $columns, callable $is): ?int
    {
        $found = array_values(array_filter(
            array_diff(array_keys($this->list->headings), array_column($columns, 0)),
            fn (int $column): bool => $is($this->list->cells($column), $column),
        ));

        return count($found) === 1 ? $found[0] : null;
    }
}
