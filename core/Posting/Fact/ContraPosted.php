<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Contra\BillPart;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** The supplier's side of a contra: what it takes of which bills. */
final readonly class ContraPosted implements Fact
{
    /**
     * @param Ref $item the customer's side
     * @param string $agreement reference of the agreement that it follows
     * @param non-empty-list<BillPart> $bills
     */
    public function __construct(public Ref $item, public int $supplierId, public string $agreement, public array $bills) {}
}
