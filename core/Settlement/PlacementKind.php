<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** Where a statement line can be put. */
enum PlacementKind: string
{
    case Receipt = 'receipt';
    case Accounts = 'accounts';
    case NotReceivables = 'not_receivables';
    case Divided = 'divided';
    case Confirmed = 'confirmed';
    case Returned = 'returned';
}
