<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** Payment terms as written on an invoice: `1.5/14 net 45`, `net 30` or `eom+15` (days after the end of the document's month). */
final readonly class Terms
{
    private function __construct(
        public string $text,
        public ?string $discountPercent,
        public int $discountDays,
        public int $netDays,
        public bool $fromEndOfMonth,
    ) {}

    /** @throws Refusal when the text is not written in one of the three forms */
    public static function parse(string $text): self
    {
        if (preg_match('~^(?:(\d{1,2}(?:\.\d{1,4})?)/(\d{1,3})\s+)?net\s+(\d{1,4})$~iD', trim($text), $part) === 1) {
            return new self(trim($text), $part[1] !== '' ? $part[1] : null, (int) $part[2], (int) $part[3], false);
        }
        if (preg_match('~^eom\s*\+\s*(\d{1,4})$~iD', trim($text), $part) === 1) {
            return new self(trim($text), null, 0, (int) $part[1], true);
        }

        throw new Refusal("“{$text}” are not terms; “2/10 net 30”, “net 30” or “eom+15” are expected.");
    }

    public function dueDate(string $documentDate): string
    {
        return Day::plus($this->fromEndOfMonth ? Day::lastOfMonth($documentDate) : $documentDate, $this->netDays);
    }
}
