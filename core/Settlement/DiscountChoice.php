<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** What a person may decide about the discount of one invoice (R4). */
enum DiscountChoice: string
{
    case Grant = 'grant';
    case Deny = 'deny';
    case Until = 'until';

    public function words(): string
    {
        return match ($this) {
            self::Grant => 'granted',
            self::Deny => 'denied',
            self::Until => 'date moved',
        };
    }
}
