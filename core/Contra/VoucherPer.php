<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

/** Whether a contra run writes one voucher, or one for each pair. */
enum VoucherPer: string
{
    case Run = 'run';
    case Pair = 'pair';
}
