<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** What is still in an account that must clear: lines that belong together and do not come to nil, from when and from whom. */
final readonly class ClearingRest
{
    /**
     * @param string $name the document, batch or entry that the lines have in common
     * @param string $since day of the first of them
     * @param Money $amount base currency, debit-positive, not nil
     * @param int $postingId the last of them
     */
    private function __construct(
        public Account $account,
        public string $name,
        public string $since,
        public string $customer,
        public string $description,
        public Money $amount,
        public int $postingId,
    ) {}

    /**
     * Lines belong together by document; without one by batch, and without either by entry (R2: transit must clear).
     *
     * @param iterable<ClearingLine> $lines of the account, in any order
     * @return list<self> the oldest first
     */
    public static function of(Account $account, iterable $lines, Currency $base): array
    {
        /** @var array<string, array{ClearingLine, int}> $groups the last line, with the day of the first, and the sum */
        $groups = [];
        foreach ($lines as $line) {
            $kept = $groups[$line->name()] ?? [$line, 0];
            $groups[$line->name()] = [$kept[0]->with($line), $kept[1] + $line->base];
        }
        $rests = [];
        foreach ($groups as [$line, $sum]) {
            if ($sum !== 0) {
                $amount = Money::ofMinor($sum, $base);
                $rests[] = new self($account, $line->name(), $line->date, $line->customer, $line->description, $amount, $line->id);
            }
        }
        usort($rests, static fn (self $one, self $other): int => [$one->since, $one->name] <=> [$other->since, $other->name]);

        return $rests;
    }
}
