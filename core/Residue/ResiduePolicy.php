<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Side;

/** How much may be left on an item to be written off (R8). */
final readonly class ResiduePolicy
{
    /** @var array<string, Money> of what is in the customer's favour, by currency code; none where write-backs are off */
    private array $inFavour;

    /**
     * @param array<string, Money> $limits of what customers owe, by currency code; one that is not named is not eligible
     * @param array<string, Money> $inFavour likewise, of what is in their favour; nil is off
     * @param string $percent of the original amount, a decimal
     * @param int $days since the due date, or since the last match if later
     * @param string $ground for write-backs: why the liability has ended; blank: there are none
     * @param ?Money $capCustomer of each customer, base currency; null: none
     * @param ?Money $capRun of the whole run, base currency; null: none
     */
    public function __construct(
        public array $limits,
        array $inFavour,
        public string $percent,
        public int $days,
        public string $ground = '',
        public ?Money $capCustomer = null,
        public ?Money $capRun = null,
    ) {
        $this->inFavour = $ground === '' ? [] : array_filter($inFavour, static fn (Money $limit): bool => $limit->isPositive());
    }

    /**
     * The same with other tests, the limit in its own currency; to see what it would do.
     *
     * @throws Refusal when the percentage or the days are none
     */
    public function with(Money $limit, string $percent, string $days): self
    {
        if (preg_match('/^\d{1,3}(\.\d{1,4})?$/D', $percent) !== 1) {
            throw new Refusal("“{$percent}” is no percentage; a number such as 1 or 2.5 is expected.");
        }
        if (preg_match('/^\d{1,4}$/D', $days) !== 1) {
            throw new Refusal("“{$days}” is no number of days; a whole number such as 30 is expected.");
        }
        $limits = [...$this->limits, $limit->currency->code => $limit];

        return new self($limits, $this->inFavour, $percent, (int) $days, $this->ground, $this->capCustomer, $this->capRun);
    }

    public function writesBack(): bool
    {
        return $this->inFavour !== [];
    }

    /** Null where the currency has none of its own. */
    public function limit(Currency $currency, Side $side): ?Money
    {
        return ($side === Side::Debit ? $this->limits : $this->inFavour)[$currency->code] ?? null;
    }

    public function words(): string
    {
        $favour = $this->writesBack() ? '; in the customer\'s favour up to '.self::say($this->inFavour).": {$this->ground}" : '';

        return 'up to '.self::say($this->limits).", {$this->percent} % of the original, {$this->days} days old{$favour}";
    }

    /** @param  array<string, Money>  $limits */
    private static function say(array $limits): string
    {
        return implode(', ', array_map(static fn (Money $of): string => "{$of->grouped()} {$of->currency->code}", $limits));
    }
}
