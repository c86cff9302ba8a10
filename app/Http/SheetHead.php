<?php

declare(strict_types=1);

namespace App\Http;

/** What a sheet says of itself above its table, and how it ends. */
final readonly class SheetHead
{
    /**
     * @param string $basis of which day, by which rule, in which currency
     * @param bool $sums whether the row after the data sums the columns of amounts
     * @param int $after rows after the sums, such as what they are compared with
     */
    public function __construct(public string $title, public string $basis, public bool $sums = false, public int $after = 0) {}
}
