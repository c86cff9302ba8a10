<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;

/** A batch of receipts has been posted as a whole. */
final readonly class BatchPosted implements Fact
{
    public function __construct(public int $batchId) {}
}
