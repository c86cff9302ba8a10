<?php

declare(strict_types=1);

namespace App\Queries;

/** Open items of one customer that are alike: on one account, of one kind, side and currency. */
final class OpenSum
{
    public int $customer_id;

    public string $customer;

    public string $name;

    public int $control_account_id;

    public string $kind;

    public string $side;

    public string $currency;

    public int $items;

    /** What they still carry, positive. */
    public int $base;

    /** Date of the oldest. */
    public string $oldest;

    /** When the last of them was recorded. */
    public string $newest;

    /** Changes when another of them is open, or one of them differently. */
    public int $state;
}
