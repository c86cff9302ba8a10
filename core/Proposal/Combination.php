<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** What a search for a combination came to. */
final readonly class Combination
{
    /**
     * @param list<Settles> $settles empty when none was found
     * @param bool $only certain that no other set makes the amount
     */
    public function __construct(public array $settles, public bool $only, public Searched $searched) {}
}
