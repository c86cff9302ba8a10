<?php

declare(strict_types=1);

namespace App\Actions\Approvals;

use App\Values\ApprovalKind;
use Closure;

/** Who works out the plan of each kind of request; the provider says, so that none of them is named here. */
final readonly class Approvables
{
    /** @param  Closure(ApprovalKind): Approvable  $makers */
    public function __construct(private Closure $makers) {}

    public function maker(ApprovalKind $kind): Approvable
    {
        return ($this->makers)($kind);
    }
}
