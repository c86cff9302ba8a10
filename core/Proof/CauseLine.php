<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** One thing that is left or differs. Amounts are minor units of base currency, debit-positive, as they count on the as-of day. */
final readonly class CauseLine
{
    /** What leads from the control account towards the customers. */
    public int $amount;

    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     * @param string $note a sentence with the figures
     */
    public function __construct(
        public Cause $cause,
        public array $postings,
        public array $items,
        public int $ledger,
        public int $subledger,
        public string $note,
    ) {
        $this->amount = $subledger - $ledger;
    }

    /** The postings as they stand, whatever the day; minor units, debit-positive. */
    public function posted(): int
    {
        return array_sum(array_map(static fn (ProofLine $line): int => $line->amount, $this->postings));
    }

    /** The items as they stand, whatever the day. */
    public function documented(): int
    {
        return array_sum(array_map(static fn (ProofLine $line): int => $line->amount, $this->items));
    }

    public function first(): ProofLine
    {
        return $this->items[0] ?? $this->postings[0];
    }

    public function document(): string
    {
        return $this->cause === Cause::OpeningDifference
            ? ''
            : self::common([...$this->items, ...$this->postings], static fn (ProofLine $line): string => $line->document);
    }

    public function customer(): string
    {
        return $this->cause === Cause::OpeningDifference
            ? ''
            : self::common([...$this->items, ...$this->postings], static fn (ProofLine $line): string => $line->customer);
    }

    public function entry(): string
    {
        return self::common([...$this->postings, ...$this->items], static fn (ProofLine $line): string => $line->entry);
    }

    /** The day on which the difference arises. */
    public function date(): string
    {
        $date = $this->first()->date;
        foreach ([...$this->postings, ...$this->items] as $line) {
            $date = min($date, $line->date);
        }

        return $date;
    }

    /** Names this line among all lines of a proof, however the proof is run again. */
    public function key(): string
    {
        return $this->cause->value.'-'.self::ids($this->postings).'-'.self::ids($this->items);
    }

    /** @param  list<ProofLine>  $lines */
    private static function ids(array $lines): string
    {
        return implode('.', array_map(static fn (ProofLine $line): string => (string) $line->id, $lines));
    }

    /**
     * @param list<ProofLine> $lines
     * @param callable(ProofLine): string $of
     */
    private static function common(array $lines, callable $of): string
    {
        foreach ($lines as $line) {
            if ($of($line) !== '') {
                return $of($line);
            }
        }

        return '';
    }
}
