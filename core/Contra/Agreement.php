<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Refusal;

/** The leave of a party to set off what it owes against what it is owed, in one currency. */
final readonly class Agreement
{
    /**
     * @param string $to last day, or blank: it has none
     *
     * @throws Refusal when it ends before it begins
     */
    public function __construct(public string $reference, public string $from, public string $to, public Scope $scope)
    {
        if ($to !== '' && $to < $from) {
            throw new Refusal("The agreement {$reference} begins on {$from}; a last day on or after that is expected, not {$to}.");
        }
    }

    public function isInForce(string $day): bool
    {
        return $this->from <= $day && ($this->to === '' || $day <= $this->to);
    }

    /** @throws Refusal when the day is before its first */
    public function endedOn(string $last): self
    {
        return new self($this->reference, $this->from, $last, $this->scope);
    }
}
