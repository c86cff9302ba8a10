<?php

declare(strict_types=1);

namespace App\Actions\Approvals;

use App\Actions\WriteOffDebts;

/** What can be asked for beside the closing runs, and who works out its plan. */
enum ApprovalKind: string
{
    case Irrecoverable = 'irrecoverable';

    /** @return class-string<Approvable> */
    public function maker(): string
    {
        return match ($this) {
            self::Irrecoverable => WriteOffDebts::class,
        };
    }
}
