<?php

declare(strict_types=1);

namespace App\Actions\Approvals;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;

/** Something that a second person may have to approve: its plan is worked out again from what was asked for. */
interface Approvable
{
    /**
     * @param array<string, mixed> $payload what was asked for, as it was kept
     *
     * @throws Refusal when it cannot be posted any more
     */
    public function planOf(array $payload): PostingPlan;
}
