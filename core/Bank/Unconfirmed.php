<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

/** A posting that no movement confirms, and what is likely. */
final readonly class Unconfirmed
{
    public function __construct(public BookPosting $posting, public Likely $likely) {}
}
