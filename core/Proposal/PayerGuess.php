<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** Whose money it may be, why, and how sure that is (100 is certain). */
final readonly class PayerGuess
{
    public function __construct(public int $customerId, public string $why, public int $score) {}
}
