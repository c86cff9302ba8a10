<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** Who bears the bank's fee for a receipt that came back. */
enum FeeBearer: string
{
    case Us = 'us';
    case Customer = 'customer';
}
