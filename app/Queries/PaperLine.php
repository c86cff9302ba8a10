<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A document on a paper for a party, with its day and amount. */
final readonly class PaperLine
{
    /** @param  list<self>  $besides what else took the document down */
    public function __construct(public string $document, public string $day, public Money $amount, public array $besides = []) {}
}
