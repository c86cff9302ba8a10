<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Money\Currency;

/** An aged list as it is shown, on the page, on paper and in a file. */
final readonly class AgedReport
{
    /**
     * @param AgedList $list with the totals
     * @param list<AgedShown> $rows
     * @param list<AgedTie> $ties one for each control account that it is of; none where it is in a currency of documents
     */
    public function __construct(public AgedList $list, public array $rows, public array $ties) {}

    /** In which its amounts are. */
    public function currency(Currency $base): Currency
    {
        return $this->list->in === null ? $base : Currency::of($this->list->in);
    }

    /** What it is of, in few words. */
    public function says(Currency $base): string
    {
        $basis = $this->list->buckets->basis === AgedBasis::DueDate ? 'due date' : 'document date';
        $in = $this->list->in === null ? "in {$base->code} at carrying amount" : "documents in {$this->list->in} alone, in it";

        return "By {$basis}, ".lcfirst($this->list->credits->words()).", {$in}";
    }
}
