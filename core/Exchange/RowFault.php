<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Refusal;

/** A row cannot be taken in: which column, what was found, what was expected. */
class RowFault extends Refusal
{
    public function __construct(public readonly string $field, public readonly string $value, public readonly string $expected)
    {
        parent::__construct(($value === '' ? "{$field} is blank" : "{$field} is “{$value}”").": {$expected}.");
    }
}
