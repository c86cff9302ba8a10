<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunLine;

/** One execution of a closing rule over many items, posted and reversible as one. */
final readonly class RunPosted implements Fact
{
    /**
     * @param string $policy the policy that it followed, in words
     * @param list<RunLine> $lines
     */
    public function __construct(
        public RunKind $kind,
        public int $controlAccountId,
        public string $asOf,
        public string $policy,
        public Money $total,
        public array $lines,
    ) {}
}
