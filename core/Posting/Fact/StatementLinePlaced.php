<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Settlement\PlacementKind;

/** Where a statement line, or a receipt typed by hand, was put. */
final readonly class StatementLinePlaced implements Fact
{
    /**
     * @param string $line what the line says, so that a plan for one line is never taken for that of another
     * @param ?Ref $item the receipt or deposit that it became, or that came back
     * @param ?int $postingId the posting that it confirms
     * @param ?int $voucher place of the voucher that it caused
     */
    public function __construct(
        public int $lineId,
        public string $line,
        public PlacementKind $kind,
        public string $reason = '',
        public ?Ref $item = null,
        public ?int $postingId = null,
        public ?int $voucher = null,
    ) {}
}
