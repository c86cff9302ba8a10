<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** A row that would take effect in a locked period: it is kept as late news until a person decides (R13; IAS 10, from memory). */
final class LateRow extends RowFault
{
    public function __construct(string $field, string $day, string $through, string $firstOpen)
    {
        parent::__construct($field, $day, "the days through {$through} are locked; the first open day is {$firstOpen}");
    }
}
