<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

use Ajuste\Core\Exchange\Bank\ReturnReason;

/** What happened under a mandate. */
final readonly class MandateHistory
{
    /**
     * @param ?string $lastCollected day of the latest debit that the bank accepted
     * @param ?ReturnReason $lastReturn why that debit came back, where it did
     * @param string $ended day from which it holds no more, or blank
     */
    public function __construct(public ?string $lastCollected = null, public ?ReturnReason $lastReturn = null, public string $ended = '') {}
}
