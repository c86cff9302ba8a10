<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;
use Brick\Math\BigDecimal;

/** How a column of the aged list went on from one month's end to the next, over several months. */
final readonly class RolledColumn
{
    /**
     * @param string $label of the column
     * @param int $documents how many there were, each counted once for every month's end on which it stood there
     * @param Money $stood what was open in it at the months' ends, base currency
     * @param Money $stayed what of that was still open a month later
     * @param ?BigDecimal $rolled the second as percent of the first; null where nothing stood there
     * @param ?BigDecimal $loss what of it is lost in the end, percent; null where the books do not say
     */
    public function __construct(
        public string $label,
        public int $documents,
        public Money $stood,
        public Money $stayed,
        public ?BigDecimal $rolled,
        public ?BigDecimal $loss,
    ) {}
}
