<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use App\Actions\Receipts\Way;

/** Receipts paid in together, against their declared total. */
final readonly class Batch
{
    /** @param  list<MoneyLine>  $lines */
    public function __construct(
        public int $id, public string $reference, public Way $way, public Account $account, public string $date, public Money $declared, public bool $asOne, public string $who, public ?string $postedAt, public array $lines,
    ) {}

    public function entered(): Money
    {
        return array_reduce($this->lines, static fn (Money $sum, MoneyLine $line): Money => $sum->plus($line->amount), Money::zero($this->declared->currency));
    }

    public function remaining(): Money
    {
        return $this->declared->minus($this->entered());
    }
}
