<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;

/** A person's decision about the discount of one invoice, with its reason. */
final readonly class DiscountDecision
{
    /**
     * @param string $until the last value date, where the date is moved; else blank
     *
     * @throws Refusal when no reason is given, or a moved date is no day
     */
    public function __construct(public DiscountChoice $choice, public string $until, public string $reason)
    {
        if (trim($reason) === '') {
            throw new Refusal('Say why the discount is decided otherwise than the terms have it.');
        }
        if ($choice === DiscountChoice::Until) {
            Day::of($until);
        }
    }
}
