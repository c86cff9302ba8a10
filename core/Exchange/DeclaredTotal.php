<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Money\Money;

/** A total that came with a file, from its print or its sender, beside what its rows come to. */
final readonly class DeclaredTotal
{
    /**
     * @param Money $declared positive
     * @param Money $debits of all rows, refused ones too, base currency
     * @param Money $credits likewise, positive
     */
    public function __construct(private Money $declared, private Money $debits, private Money $credits) {}

    public function agrees(): bool
    {
        return $this->nearest()[1]->isZero();
    }

    /** Which sum it is, or comes nearest to, and by how much the file has more. */
    public function says(): string
    {
        [$name, $more] = $this->nearest();

        return $more->isZero()
            ? "declared {$this->declared->grouped()}: agrees with {$name}"
            : "declared {$this->declared->grouped()}: {$name} of the file ".($more->isPositive() ? 'are more by ' : 'are less by ')
                .$more->abs()->grouped();
    }

    /** @return array{string, Money} */
    private function nearest(): array
    {
        $sums = [
            'debits' => $this->debits,
            'credits' => $this->credits,
            'debits less credits' => $this->debits->minus($this->credits)->abs(),
        ];
        $best = ['debits', $this->debits->minus($this->declared)];
        foreach ($sums as $name => $sum) {
            $more = $sum->minus($this->declared);
            if ($more->abs()->isLessThan($best[1]->abs())) {
                $best = [$name, $more];
            }
        }

        return $best;
    }
}
