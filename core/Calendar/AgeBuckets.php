<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/**
 * The columns of the aged list. By due date 0 days late or less is `not_due`, then 1–30, 31–60, 61–90, over 90; by document
 * date there is no `not_due` and the first column is 0–30. Common practice; the edges are a policy. What is contested may have a column
 * of its own, the last.
 */
final readonly class AgeBuckets
{
    /** @var non-empty-list<string> */
    public array $labels;

    /** @param  non-empty-list<int>  $edges last day of each column, ascending */
    public function __construct(
        public array $edges,
        public AgedBasis $basis,
        public ContestedIn $contested = ContestedIn::Bucket,
    ) {
        $labels = $basis === AgedBasis::DueDate ? ['not_due'] : [];
        $from = $basis === AgedBasis::DueDate ? 1 : 0;
        foreach ($edges as $edge) {
            $labels[] = "{$from}-{$edge}";
            $from = $edge + 1;
        }
        $labels[] = 'over_'.$edges[count($edges) - 1];
        if ($contested === ContestedIn::Column) {
            $labels[] = 'contested';
        }
        $this->labels = $labels;
    }

    /**
     * @param string $text edges in days, `30,60,90`
     *
     * @throws Refusal when the edges are not whole days in ascending order
     */
    public static function parse(string $text, AgedBasis $basis, ContestedIn $contested = ContestedIn::Bucket): self
    {
        $edges = array_map(trim(...), explode(',', $text));
        $last = 0;
        foreach ($edges as $edge) {
            if (preg_match('/^\d{1,4}$/D', $edge) !== 1 || (int) $edge <= $last) {
                throw new Refusal("“{$text}” are not edges of age columns; days in ascending order are expected, such as 30,60,90.");
            }
            $last = (int) $edge;
        }

        return new self(array_map(intval(...), $edges), $basis, $contested);
    }

    /** Whether a text can be the label of a column, of these edges or others. */
    public static function isLabel(string $text): bool
    {
        return preg_match('/^(not_due|contested|\d{1,4}-\d{1,4}|over_\d{1,4})$/D', $text) === 1;
    }

    /** The column of what is contested, null where it stands by age. */
    public function contestedColumn(): ?int
    {
        return $this->contested === ContestedIn::Column ? count($this->labels) - 1 : null;
    }

    /** The column (0 is the first) for an item so many days late. */
    public function column(int $daysLate): int
    {
        if ($this->basis === AgedBasis::DueDate && $daysLate <= 0) {
            return 0;
        }
        $column = $this->basis === AgedBasis::DueDate ? 1 : 0;
        foreach ($this->edges as $edge) {
            if ($daysLate <= $edge) {
                return $column;
            }
            $column++;
        }

        return $column;
    }
}
