<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Allowance\SpecificLine;
use Ajuste\Core\Posting\Fact;

/** What stands specifically for customers and documents once the run is posted: only that is used by a write-off (R14). */
final readonly class AllowancePosted implements Fact
{
    /** @param  list<SpecificLine>  $specific */
    public function __construct(public array $specific) {}
}
