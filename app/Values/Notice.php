<?php

declare(strict_types=1);

namespace App\Values;

/** How long before a collection its payers are told. */
enum Notice: string
{
    /** As the policy says. */
    case Policy = 'policy';

    /** Shorter, as it is agreed with those who are told late. */
    case AgreedShorter = 'agreed shorter';
}
