<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\BadDebt\Ground;
use Ajuste\Core\BadDebt\WriteOff;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** A debt that will never be paid, with its ground and what proves it. */
final readonly class DebtWrittenOff implements Fact
{
    public function __construct(
        public Ref $writeOff,
        public Ref $debt,
        public Ground $ground,
        public string $evidence,
        public ?string $taxOn,
        public WriteOff $share,
    ) {}
}
