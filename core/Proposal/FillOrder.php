<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** The order in which open items are filled when nothing tells which one is meant. */
enum FillOrder: string
{
    case OldestDue = 'oldest_due';
    case OldestDocument = 'oldest_document';
    case Smallest = 'smallest';
    case Largest = 'largest';
    case ProRata = 'pro_rata';

    /**
     * @param list<Candidate> $candidates
     * @return list<Candidate>
     */
    public function sort(array $candidates): array
    {
        usort($candidates, fn (Candidate $one, Candidate $other): int => match ($this) {
            self::OldestDue, self::ProRata => 0,
            self::OldestDocument => $one->date <=> $other->date,
            self::Smallest => $one->open <=> $other->open,
            self::Largest => $other->open <=> $one->open,
        } ?: Candidate::byAge($one, $other));

        return $candidates;
    }
}
