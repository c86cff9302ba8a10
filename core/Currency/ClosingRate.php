<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Money\DatedRate;

/** The rate that serves on the day of the run, and whether it has to be asked about (R9). */
final readonly class ClosingRate
{
    /**
     * @param ?DatedRate $before the last rate of an earlier day
     * @param bool $isAccepted a person said that it is right
     */
    public function __construct(public DatedRate $now, public ?DatedRate $before = null, public bool $isAccepted = false) {}

    /** It is more than 10 % from the last one, and nobody has said that it is right. */
    public function isDoubtful(): bool
    {
        return ! $this->isAccepted && $this->before !== null && $this->now->rate->isFarFrom($this->before->rate);
    }

    public function words(): string
    {
        return "{$this->now->rate->currency->code} at {$this->now->rate->value} of {$this->now->date}";
    }
}
