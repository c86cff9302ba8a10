<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** How the allowance came from its opening to its closing: opening + charge − release − used ± exchange = closing (R14). */
final readonly class AllowanceMovement
{
    /**
     * @param Money $opening what there was at the end of the day before, base currency, an allowance positive
     * @param array<string, Money> $lines by the value of the line, with their signs
     */
    private function __construct(public Money $opening, public array $lines, public Money $closing) {}

    /** @param  iterable<AllowanceEntry>  $entries of the days in question */
    public static function of(Money $opening, iterable $entries, Currency $base): self
    {
        $sums = array_fill_keys(array_column(AllowanceLine::cases(), 'value'), 0);
        foreach ($entries as $entry) {
            $sums[$entry->line()->value] += $entry->minor;
        }
        $closing = Money::ofMinor($opening->minor + array_sum($sums), $base);

        return new self($opening, array_map(static fn (int $sum): Money => Money::ofMinor($sum, $base), $sums), $closing);
    }
}
