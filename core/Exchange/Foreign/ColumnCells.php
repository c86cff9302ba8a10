<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Money\Currency;

/** What stands in one column of a list, blank cells left out. */
final class ColumnCells
{
    /** The share of cells that have to be what their column says. */
    private const FITS = 0.8;

    /** A number of a document or customer is short and has no blanks. */
    private const LONGEST_CODE = 24;

    private const SHORTEST_CODE = 3;

    private const FEW = 6;

    /** A kind of document is a short word. */
    private const KIND_WORD = 24;

    private ?bool $days = null;

    private ?bool $amounts = null;

    /** @param  list<string>  $cells */
    public function __construct(private readonly array $cells) {}

    public function isBlank(): bool
    {
        return $this->cells === [];
    }

    public function areDays(): bool
    {
        return $this->days ??= $this->most(ForeignGuess::isDay(...));
    }

    /** Days that are no numbers of a sheet, which may be numbers of anything. */
    public function areWrittenDays(): bool
    {
        return $this->areDays() && $this->most(static fn (string $cell): bool => preg_match('/^\d{5}(?:\.\d+)?$/D', $cell) !== 1);
    }

    public function areAmounts(): bool
    {
        return $this->amounts ??= $this->most(static fn (string $cell): bool => ForeignAmount::of($cell) !== null);
    }

    /** Amounts of which some have decimals, so that they are no numbers of anything else. */
    public function areWrittenAmounts(): bool
    {
        return $this->areAmounts() && $this->share(static fn (string $cell): bool => preg_match('/[.,]\d{2}\D*$/D', $cell) === 1) > 0.5;
    }

    /** Neither amounts with decimals nor days. */
    public function areNames(): bool
    {
        return $this->most(static fn (string $cell): bool => ! self::isWritten($cell));
    }

    /** Short, with a digit and without blanks, as numbers of documents and customers are. */
    public function areCodes(): bool
    {
        return $this->most(static fn (string $cell): bool => strlen($cell) <= self::LONGEST_CODE
            && preg_match('/\d/', $cell) === 1 && ! str_contains($cell, ' ') && ! self::isWritten($cell));
    }

    public function haveDigits(): bool
    {
        return $this->most(static fn (string $cell): bool => preg_match('/\d/', $cell) === 1);
    }

    /** Letters rather than digits. */
    public function areWords(): bool
    {
        return $this->most(static fn (string $cell): bool => preg_match_all('/\p{L}/u', $cell) > preg_match_all('/\d/', $cell));
    }

    public function areCurrencies(): bool
    {
        return $this->most(
            static fn (string $cell): bool => Currency::isKnown(strtoupper($cell)) || isset(ForeignAmount::SYMBOLS[$cell]) || $cell === '$',
        );
    }

    /** Words that are not known are asked; long ones are none of kinds. */
    public function mayBeKinds(): bool
    {
        return $this->most(static fn (string $cell): bool => KindWords::kind($cell) !== null || mb_strlen($cell) <= self::KIND_WORD);
    }

    /** All of them known kinds of documents, and more than one. */
    public function areKinds(): bool
    {
        $words = array_values(array_unique($this->cells));
        $inList = KindWords::inList($words);
        $unknown = array_filter(
            $words,
            static fn (string $word): bool => KindWords::kind($word) === null && ! isset($inList[PlainWords::of($word)]),
        );

        return count($words) > 1 && $unknown === [] && $this->areWords();
    }

    /** A few short words, as of kinds that are not known yet. */
    public function areFewWords(): bool
    {
        return $this->areWords() && $this->mayBeKinds() && $this->distinct() > 1 && $this->distinct() <= self::FEW;
    }

    /** Long enough for the number of a document or a customer. */
    public function areLong(): bool
    {
        return $this->most(static fn (string $cell): bool => strlen($cell) >= self::SHORTEST_CODE);
    }

    /** Numbers of something, long enough for a document or a customer, and neither days nor amounts. */
    public function areNumbers(): bool
    {
        return $this->areCodes() && $this->areLong() && ! $this->areDays() && ! $this->areWrittenAmounts();
    }

    public function areMarks(): bool
    {
        return $this->most(static fn (string $cell): bool => in_array($cell, ['+', '-'], true) || ForeignAmount::side($cell) !== null);
    }

    public function distinct(): int
    {
        return count(array_flip($this->cells));
    }

    /** The share of cells that say what no other says. */
    public function ownShare(): float
    {
        return $this->cells === [] ? 0.0 : $this->distinct() / count($this->cells);
    }

    /** @return list<string> */
    public function all(): array
    {
        return $this->cells;
    }

    private static function isWritten(string $text): bool
    {
        return preg_match('~^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}$~D', $text) === 1
            || preg_match('/^[-(]?[\d.,\' ]*\d[.,]\d{2}\)?-?$/D', $text) === 1;
    }

    /** @param  callable(string): bool  $is */
    private function most(callable $is): bool
    {
        return $this->cells !== [] && $this->share($is) >= self::FITS;
    }

    /** @param  callable(string): bool  $is */
    private function share(callable $is): float
    {
        return $this->cells === [] ? 0.0 : count(array_filter($this->cells, $is)) / count($this->cells);
    }
}
