<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Rounding;
use LogicException;

/** The parts in which one invoice falls due (R4): matches pay the oldest first, and base moves in that order (R1). */
final readonly class Instalments
{
    /** @var non-empty-list<Instalment> oldest due first */
    public array $parts;

    public int $amount;

    /**
     * @param list<Instalment> $parts in any order; their sum is the invoice
     *
     * @throws LogicException when there are none
     */
    public function __construct(array $parts)
    {
        usort($parts, static fn (Instalment $one, Instalment $other): int => $one->dueDate <=> $other->dueDate);
        $this->parts = $parts === [] ? throw new LogicException('An invoice has at least one instalment.') : $parts;
        $this->amount = array_sum(array_column($parts, 'amount'));
    }

    /**
     * What is left once so much of the invoice is matched.
     *
     * @param int $matched minor units of the invoice's currency
     * @param int $base carrying amount of the whole invoice, minor units of base currency
     * @param int $carried what of that it still carries; the oldest open part carries what the later ones do not
     * @return list<OpenInstalment> oldest due first, without those that are paid
     */
    public function open(int $matched, int $base, int $carried): array
    {
        $open = [];
        [$until, $left] = [$this->amount, $carried];
        foreach (array_reverse($this->parts) as $part) {
            $from = $until - $part->amount;
            if ($until <= $matched) {
                break;
            }
            $isOldest = $from <= $matched;
            $share = $isOldest
                ? $left
                : Rounding::proportion($base, $until, $this->amount) - Rounding::proportion($base, $from, $this->amount);
            $open[] = new OpenInstalment($part->dueDate, $until - max($from, $matched), $share);
            [$until, $left] = [$from, $left - $share];
        }

        return array_reverse($open);
    }
}
