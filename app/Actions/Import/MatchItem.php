<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Subledger\CustomerAccount;

/** An item as a match of an import takes it. It counts what the rows before have taken. Amounts are minor units. */
final class MatchItem
{
    public int $matched = 0;

    public int $moved = 0;

    public string $lastMovedOn = '';

    private function __construct(
        public readonly int $id,
        public readonly CustomerAccount $account,
        public readonly string $currency,
        public readonly string $date,
        public readonly int $amount,
        public readonly int $base,
    ) {}

    /** @param  list<mixed>  $row item, customer, currency, control account, date, amount, base, matched, moved, last moved on */
    public static function ofRow(array $row): self
    {
        $item = new self(
            (int) $row[0],
            new CustomerAccount((int) $row[1], (int) $row[3]),
            (string) $row[2],
            (string) $row[4],
            (int) $row[5],
            (int) $row[6],
        );
        [$item->matched, $item->moved, $item->lastMovedOn] = [(int) $row[7], (int) $row[8], (string) $row[9]];

        return $item;
    }

    public function move(int $amount, int $base): void
    {
        $this->matched += $amount;
        $this->moved += $base;
    }

    public function goesWith(self $other): bool
    {
        return $this->account == $other->account && $this->currency === $other->currency;
    }
}
