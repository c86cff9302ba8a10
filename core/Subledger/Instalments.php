<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Rounding;
use LogicException;

/** The parts in which one invoice falls due: a match pays the oldest unless one is named (R4), and base moves in that order (R1). */
final readonly class Instalments
{
    /** @var non-empty-list<Instalment> oldest due first */
    public array $parts;

    public int $amount;

    /**
     * @param list<Instalment> $parts in any order; their sum is the invoice
     * @param array<string, int> $named what was matched by naming a part, minor units of the invoice's currency, by its due date
     *
     * @throws LogicException when there are none
     */
    public function __construct(array $parts, private array $named = [])
    {
        usort($parts, static fn (Instalment $one, Instalment $other): int => $one->dueDate <=> $other->dueDate);
        $this->parts = $parts === [] ? throw new LogicException('An invoice has at least one instalment.') : $parts;
        $this->amount = array_sum(array_column($parts, 'amount'));
    }

    /**
     * What is left once so much of the invoice is matched. What was named comes off the named part; what is more than that has, and all
     * the rest, comes off the oldest.
     *
     * @param int $matched minor units of the invoice's currency, what was named among it
     * @param int $base carrying amount of the whole invoice, minor units of base currency
     * @param int $carried what of that it still carries; the oldest open part carries what the later ones do not
     * @return list<OpenInstalment> oldest due first, without those that are paid
     */
    public function open(int $matched, int $base, int $carried): array
    {
        $left = $this->left($matched);
        $open = [];
        [$until, $rest] = [$this->amount, $carried];
        $oldest = array_key_first(array_filter($left));
        foreach (array_reverse($this->parts, true) as $place => $part) {
            $from = $until - $part->amount;
            if ($left[$place] > 0) {
                $whole = Rounding::proportion($base, $until, $this->amount) - Rounding::proportion($base, $from, $this->amount);
                $share = $place === $oldest ? $rest : Rounding::proportion($whole, $left[$place], $part->amount);
                $open[] = new OpenInstalment($part->dueDate, $left[$place], $share);
                $rest -= $share;
            }
            $until = $from;
        }

        return array_reverse($open);
    }

    /** @return non-empty-array<int, int> what each part has left, by its place */
    private function left(int $matched): array
    {
        $left = array_column($this->parts, 'amount');
        $named = $this->named;
        foreach ($this->parts as $place => $part) {
            $taken = min($left[$place], $named[$part->dueDate] ?? 0, $matched);
            $named[$part->dueDate] = ($named[$part->dueDate] ?? 0) - $taken;
            $left[$place] -= $taken;
            $matched -= $taken;
        }
        foreach ($left as $place => $open) {
            $taken = min($open, $matched);
            $left[$place] -= $taken;
            $matched -= $taken;
        }

        return $left;
    }
}
