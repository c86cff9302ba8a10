<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** One thing that hangs on a document. */
final readonly class Dependent
{
    /**
     * @param string $words what happens to it
     * @param string $route where it opens
     * @param ?Money $amount that is open again, where it is a match
     */
    public function __construct(public string $words, public string $route, public int $id, public ?Money $amount) {}
}
