<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

/** The leave of a party to set off what it owes against what it is owed, in one currency. */
final readonly class Agreement
{
    /** @param  string  $to last day, or blank: it has none */
    public function __construct(public string $reference, public string $from, public string $to, public Scope $scope) {}

    public function isInForce(string $day): bool
    {
        return $this->from <= $day && ($this->to === '' || $day <= $this->to);
    }
}
