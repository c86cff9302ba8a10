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
     * @param string $invoiced day of the invoice
     *
     * @throws Refusal when no reason is given, or a moved date is no day or before the invoice
     */
    public function __construct(public DiscountChoice $choice, public string $until, public string $reason, string $invoiced = '')
    {
        if (trim($reason) === '') {
            throw new Refusal('Say why the discount is decided otherwise than the terms have it.');
        }
        if ($choice === DiscountChoice::Until) {
            Day::of($until) >= $invoiced ||
                throw new Refusal("The discount cannot end on {$until}: the invoice is dated {$invoiced}. Choose that day or a later one.");
        }
    }
}
