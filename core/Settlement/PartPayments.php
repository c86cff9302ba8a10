<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** Whether a part payment earns its part of the discount (R4); a policy of the books. */
enum PartPayments: string
{
    /** Each part that is paid in time takes its discount along. */
    case Earn = 'yes';

    /** The discount is for paying the whole at once. */
    case Forfeit = 'no';
}
