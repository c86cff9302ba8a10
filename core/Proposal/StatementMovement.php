<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** A line of a statement that nothing has been done with yet. */
final readonly class StatementMovement
{
    /**
     * @param int $amount minor units, above zero where money came in
     * @param string $customer the number of the payer where that is sure, else blank
     * @param string $text what payer and bank wrote
     */
    public function __construct(public int $id, public string $day, public int $amount, public string $customer, public string $text) {}
}
