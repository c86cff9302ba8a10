<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** Which customers get a statement. */
final readonly class StatementFilter
{
    /**
     * @param bool $overdue only those of whom something is late
     * @param ?Money $least only those who owe at least so much, base currency
     * @param string $group only those of a group; blank: all
     */
    public function __construct(public bool $overdue = false, public ?Money $least = null, public string $group = '') {}

    /** @param  array<string, string>  $kept as `toArray` gave it */
    public static function of(array $kept, Currency $base): self
    {
        $least = $kept['least'] === '' ? null : Money::ofMinor((int) $kept['least'], $base);

        return new self($kept['overdue'] === 'yes', $least, $kept['group']);
    }

    /** @return array{overdue: string, least: string, group: string} for long work */
    public function toArray(): array
    {
        return ['overdue' => $this->overdue ? 'yes' : 'no', 'least' => (string) $this->least?->minor, 'group' => $this->group];
    }
}
