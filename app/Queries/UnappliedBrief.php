<?php

declare(strict_types=1);

namespace App\Queries;

/** The little that is to be known of every customer with something unapplied before one is looked at. */
final readonly class UnappliedBrief
{
    /**
     * @param string $state changes with every change of the customer's items
     * @param bool $isMatchable whether something could be matched at once
     * @param bool $isLeft whether a person left it with a reason that holds
     */
    public function __construct(public int $id, public string $state, public bool $isMatchable, public bool $isLeft) {}
}
