<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;

/** What a statement brings that the books do not have yet. */
final class Arrivals
{
    /** Movements that are known already. */
    public int $same = 0;

    /** @var list<array{BankEntry, non-empty-list<BankLine>}> entries with the movements of them that are new */
    public array $new = [];

    /** @var array<int, list<BankLine>> details that take the place of a known sum, by its movement */
    public array $details = [];

    /** @var list<array{BankEntry, BankLine, int}> movements that may be a known one: a person says */
    public array $asked = [];

    public function bringNothing(): bool
    {
        return $this->new === [] && $this->details === [] && $this->asked === [];
    }
}
