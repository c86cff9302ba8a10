<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Refusal;
use Brick\Math\BigDecimal;

/**
 * Payment terms as written on an invoice: `1.5/14 net 45`, `net 30` or `eom+15` (days after the end of the document's month); or several
 * due dates, each with its share, such as `30% net 0 + 70% net 60`.
 */
final readonly class Terms
{
    /** @param  list<array{string, self}>  $parts share in percent and terms of each due date; none: there is one */
    private function __construct(
        public string $text,
        public ?string $discountPercent,
        public int $discountDays,
        public int $netDays,
        public bool $fromEndOfMonth,
        private array $parts = [],
    ) {}

    /** @throws Refusal when the text is not written in one of these forms, or shares do not come to 100 % */
    public static function parse(string $text): self
    {
        if (preg_match('~^(?:(\d{1,2}(?:\.\d{1,4})?)/(\d{1,3})\s+)?net\s+(\d{1,4})$~iD', trim($text), $part) === 1) {
            return new self(trim($text), $part[1] !== '' ? $part[1] : null, (int) $part[2], (int) $part[3], false);
        }
        if (preg_match('~^eom\s*\+\s*(\d{1,4})$~iD', trim($text), $part) === 1) {
            return new self(trim($text), null, 0, (int) $part[1], true);
        }
        if (self::isInParts($text)) {
            return self::inParts(trim($text));
        }

        throw new Refusal(
            "“{$text}” are not terms; “2/10 net 30”, “net 30”, “eom+15” or “30% net 0 + 70% net 60” are expected.",
        );
    }

    /** Whether a text begins as terms with several due dates do: a share, then its due date. */
    public static function isInParts(string $text): bool
    {
        return preg_match('~^\s*\d{1,3}(\.\d+)?\s*%\s+(net|eom)\b~i', $text) === 1;
    }

    /** Of several the first. */
    public function dueDate(string $documentDate): string
    {
        if ($this->parts !== []) {
            return min(array_map(static fn (array $part): string => $part[1]->dueDate($documentDate), $this->parts));
        }

        return Day::plus($this->fromEndOfMonth ? Day::lastOfMonth($documentDate) : $documentDate, $this->netDays);
    }

    /**
     * The parts in which an amount falls due; they add up to it (largest remainder, ties to the earlier part).
     *
     * @return list<array{string, Money}> due date and amount; none where it falls due at once, or a part comes to nothing
     */
    public function instalments(string $documentDate, Money $amount): array
    {
        $weights = array_map(static fn (array $part): int => BigDecimal::of($part[0])->multipliedBy(10_000)->toInt(), $this->parts);
        $shares = $weights === [] ? [] : Rounding::split($amount->minor, $weights);
        if ($shares === [] || min($shares) <= 0) {
            return [];
        }

        return array_map(
            static fn (array $part, int $share): array => [$part[1]->dueDate($documentDate), Money::ofMinor($share, $amount->currency)],
            $this->parts,
            $shares,
        );
    }

    /** @throws Refusal */
    private static function inParts(string $text): self
    {
        $parts = [];
        $sum = BigDecimal::zero();
        foreach (preg_split('~\s+\+\s+~', $text) ?: [] as $part) {
            if (preg_match('~^(\d{1,3}(?:\.\d{1,4})?)\s*%\s+((?:net|eom)\b.*)$~iD', $part, $of) !== 1) {
                throw new Refusal("“{$part}” is no part of terms; a share and its due date are expected, such as “30% net 60”.");
            }
            $parts[] = [$of[1], self::parse($of[2])];
            $sum = $sum->plus($of[1]);
        }
        if (! $sum->isEqualTo(100)) {
            throw new Refusal("The shares of “{$text}” come to {$sum} %; 100 % is expected.");
        }

        return new self($text, null, 0, max(0, ...array_map(static fn (array $of): int => $of[1]->netDays, $parts)), false, $parts);
    }
}
