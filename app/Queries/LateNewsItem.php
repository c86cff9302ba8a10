<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use stdClass;

/** What waits of one document or entry. */
final class LateNewsItem
{
    public int $rows = 0;

    /** What the control account would have had more, base currency, debit-positive. */
    public Money $control;

    /** What the customers would have had more, likewise. */
    public Money $customers;

    /** @param  stdClass  $row the first of its rows, with `file` and `import_id` */
    public function __construct(public readonly stdClass $row, Currency $base)
    {
        $this->control = Money::zero($base);
        $this->customers = Money::zero($base);
    }

    public function add(Money $control, Money $customers): void
    {
        $this->rows++;
        $this->control = $this->control->plus($control);
        $this->customers = $this->customers->plus($customers);
    }
}
