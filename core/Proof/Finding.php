<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** Entries of one side that may explain an amount, and by which test. */
final readonly class Finding
{
    /**
     * @param non-empty-list<ProofLine> $lines
     * @param bool $suspect whether one of them is among the causes of the proof
     */
    public function __construct(public FoundBy $by, public array $lines, public string $note, public bool $suspect) {}
}
