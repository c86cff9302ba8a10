<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Aging\AgedSums;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Money\Currency;
use Closure;

/** An aged list as it is shown, on the page, on paper and in a file. Of a long one a page fetches the rows that it has room for. */
final readonly class AgedReport
{
    /**
     * @param list<int|string> $keys of all its rows, in their order
     * @param Closure(list<int|string>): list<AgedShown> $fetch
     * @param list<AgedTie> $ties one for each control account that it is of; none where it is in a currency of documents
     */
    public function __construct(public AgedSums $sums, public array $keys, private Closure $fetch, public array $ties) {}

    /**
     * @param list<AgedShown> $rows
     * @param list<AgedTie> $ties
     */
    public static function of(AgedSums $sums, array $rows, array $ties): self
    {
        return new self($sums, array_keys($rows), static fn (array $keys): array => array_values(
            array_intersect_key($rows, array_flip($keys)),
        ), $ties);
    }

    /**
     * @param ?list<int|string> $keys null: all
     * @return list<AgedShown>
     */
    public function rows(?array $keys = null): array
    {
        return ($this->fetch)($keys ?? $this->keys);
    }

    /** In which its amounts are. */
    public function currency(Currency $base): Currency
    {
        return $this->sums->in === null ? $base : Currency::of($this->sums->in);
    }

    /** What it is of, in few words. */
    public function says(Currency $base): string
    {
        $basis = $this->sums->buckets->basis === AgedBasis::DueDate ? 'due date' : 'document date';
        $in = $this->sums->in === null ? "in {$base->code} at carrying amount" : "documents in {$this->sums->in} alone, in it";

        return "By {$basis}, ".lcfirst($this->sums->credits->words()).", {$in}";
    }
}
