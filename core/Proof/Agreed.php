<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * The postings and items that agreed line by line when a period was signed: the start of the next proof (R12). Both sides come to the
 * same balance, minor units of base currency, debit-positive.
 */
final readonly class Agreed
{
    /** @param  string  $through last day of the signed period; blank when no signed period stands before */
    public function __construct(public string $through = '', public int $balance = 0, public int $postings = 0, public int $items = 0) {}
}
