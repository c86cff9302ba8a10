<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;
use Brick\Math\BigDecimal;

/** One column of one group: rounded once, on the column's total; a column in credit counts nil (R14). */
final readonly class MatrixCell
{
    public Money $allowance;

    /**
     * @param string $group blank: all others
     * @param Money $base base currency, debit-positive
     * @param BigDecimal $rate percent
     */
    public function __construct(public string $group, public string $bucket, public Money $base, public BigDecimal $rate)
    {
        $this->allowance = LossRate::share($rate, Money::most($base, Money::zero($base->currency)));
    }
}
