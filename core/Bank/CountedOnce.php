<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;

/**
 * Money counts once, whatever brings it (R16). A movement is known by the bank's own reference where both have one, else by booking day,
 * amount with its sign, end-to-end reference and text; of equal ones the first of one file is the first of the other. Details take
 * the place of their sum, whichever comes first. Where only day and amount agree and something to tell them apart is missing, it is
 * asked.
 */
final class CountedOnce
{
    /** @var array<int, KnownMovement> that no arriving movement has met yet, in their order */
    private array $free = [];

    private readonly Arrivals $arrivals;

    /** @param  list<KnownMovement>  $known on the statement's account, in their order */
    private function __construct(array $known)
    {
        foreach ($known as $movement) {
            $this->free[$movement->id] = $movement;
        }
        $this->arrivals = new Arrivals();
    }

    /**
     * A statement, notification or list beside what the books have of its account.
     *
     * @param list<KnownMovement> $known booked within some days of it, in their order
     */
    public static function compare(BankStatement $arriving, array $known): Arrivals
    {
        $once = new self($known);
        $entries = $once->wholeEntries($arriving->entries);
        $left = [];
        foreach ($entries as $entry) {
            foreach ($entry->movements() as $line) {
                $left[] = [$entry, $line];
            }
        }
        $left = $once->meetEach($left, self::isByReference(...));
        $left = $once->sumsOfDetails($left);
        $left = $once->meetEach($left, self::isAlike(...));
        $left = $once->meetEach($left, self::isByContent(...));
        $left = $once->meetEach($left, self::isByHalf(...));
        $once->askOrTake($left, $arriving->isComplete());

        return $once->arrivals;
    }

    /**
     * The same statement once more, in whatever format: its movements are known, paired in order by amount; only details that it gives
     * of a sum are new.
     *
     * @param list<KnownMovement> $known booked on the days of the statement, in their order
     */
    public static function again(BankStatement $arriving, array $known): Arrivals
    {
        $once = new self($known);
        $alike = static fn (BankLine $line, KnownMovement $of): bool => $line->amount->equals($of->line->amount);
        foreach ($arriving->entries as $entry) {
            $single = $entry->details === [] ? null : $once->first(static fn (KnownMovement $of): bool => $alike($entry->whole, $of));
            $each = array_map(
                static fn (BankLine $line): ?KnownMovement => $once->take(static fn (KnownMovement $of): bool => $alike($line, $of)),
                $entry->movements(),
            );
            if ($single !== null && in_array(null, $each, true)) {
                foreach (array_filter($each) as $taken) {
                    $once->free[$taken->id] = $taken;
                }
                unset($once->free[$single->id]);
                $once->arrivals->details[$single->id] = $entry->details;
            } else {
                $once->arrivals->same += count($each);
            }
        }

        return $once->arrivals;
    }

    /**
     * Entries that are known as such: by the bank's reference of the entry and its amount, whether both sides have its details or one.
     *
     * @param list<BankEntry> $entries
     * @return list<BankEntry> the others
     */
    private function wholeEntries(array $entries): array
    {
        $left = [];
        foreach ($entries as $entry) {
            $group = $this->groupOf($entry);
            if ($group === []) {
                $left[] = $entry;

                continue;
            }
            foreach ($group as $movement) {
                unset($this->free[$movement->id]);
            }
            if (count($group) === 1 && $entry->details !== []) {
                $this->arrivals->details[$group[0]->id] = $entry->details;
            } else {
                $this->arrivals->same += count($entry->movements());
            }
        }

        return $left;
    }

    /** @return list<KnownMovement> free movements that are the entry: one, its details, or all that bear its reference */
    private function groupOf(BankEntry $entry): array
    {
        $reference = $entry->whole->references->bank;
        if ($reference === '') {
            return [];
        }
        $near = array_filter(
            $this->free,
            static fn (KnownMovement $of): bool => in_array($reference, [$of->entryReference, $of->line->references->bank], true) &&
                self::isNear($entry->whole, $of->line),
        );
        $groups = [];
        foreach ($near as $movement) {
            $groups[$movement->entry][] = $movement;
        }
        foreach ([...$groups, array_values($near)] as $group) {
            $sum = array_sum(array_map(static fn (KnownMovement $of): int => $of->line->amount->minor, $group));
            if ($group !== [] && $sum === $entry->whole->amount->minor) {
                return $group;
            }
        }

        return [];
    }

    /**
     * Several arriving entries that bear one reference and make a known sum are its details.
     *
     * @param list<array{BankEntry, BankLine}> $left
     * @return list<array{BankEntry, BankLine}> the others
     */
    private function sumsOfDetails(array $left): array
    {
        $groups = [];
        foreach ($left as $place => [$entry, $line]) {
            $reference = $entry->whole->references->bank;
            if ($reference !== '') {
                $groups[$reference][$place] = $line;
            }
        }
        foreach ($groups as $reference => $lines) {
            $sum = array_sum(array_map(static fn (BankLine $line): int => $line->amount->minor, $lines));
            $first = reset($lines);
            $known =
                count($lines) < 2
                    ? null
                    : $this->take(
                        static fn (KnownMovement $of): bool => $of->line->references->bank === (string) $reference &&
                            $of->line->amount->minor === $sum &&
                            self::isNear($first, $of->line),
                    );
            if ($known !== null) {
                $this->arrivals->details[$known->id] = array_values($lines);
                $left = array_diff_key($left, $lines);
            }
        }

        return array_values($left);
    }

    /**
     * @param list<array{BankEntry, BankLine}> $left
     * @param callable(BankLine, KnownMovement): bool $isSame
     * @return list<array{BankEntry, BankLine}> those that meet none
     */
    private function meetEach(array $left, callable $isSame): array
    {
        return array_values(
            array_filter($left, function (array $of) use ($isSame): bool {
                $known = $this->take(static fn (KnownMovement $free): bool => $isSame($of[1], $free));
                $this->arrivals->same += $known === null ? 0 : 1;

                return $known === null;
            }),
        );
    }

    /**
     * @param list<array{BankEntry, BankLine}> $left
     * @param bool $complete whether what arrives is a statement, which holds every movement of its days
     */
    private function askOrTake(array $left, bool $complete): void
    {
        $new = [];
        foreach ($left as $of) {
            [$entry, $line] = $of;
            $like = $this->take(
                static fn (KnownMovement $free): bool => self::isSameDayAndAmount($line, $free->line) &&
                    ! self::differ($line->references->bank, $free->line->references->bank) &&
                    ($complete !== $free->ofStatement || self::lacksText($line) || self::lacksText($free->line)),
            );
            if ($like !== null) {
                $this->arrivals->asked[] = [$entry, $line, $like->id];

                continue;
            }
            $new[spl_object_id($entry)][0] = $entry;
            $new[spl_object_id($entry)][1][] = $line;
        }
        $this->arrivals->new = array_values($new);
    }

    /** @param  callable(KnownMovement): bool  $test */
    private function first(callable $test): ?KnownMovement
    {
        foreach ($this->free as $movement) {
            if ($test($movement)) {
                return $movement;
            }
        }

        return null;
    }

    /** @param  callable(KnownMovement): bool  $test */
    private function take(callable $test): ?KnownMovement
    {
        $movement = $this->first($test);
        if ($movement !== null) {
            unset($this->free[$movement->id]);
        }

        return $movement;
    }

    private static function isByReference(BankLine $line, KnownMovement $known): bool
    {
        return $line->references->bank !== '' &&
            $line->references->bank === $known->line->references->bank &&
            $line->amount->equals($known->line->amount) &&
            self::isNear($line, $known->line);
    }

    /** Without a reference on either side, which is likelier than one that only one side has. */
    private static function isAlike(BankLine $line, KnownMovement $known): bool
    {
        return $line->references->bank === $known->line->references->bank && self::isByContent($line, $known);
    }

    private static function isByContent(BankLine $line, KnownMovement $known): bool
    {
        return self::isSameDayAndAmount($line, $known->line) &&
            ! self::differ($line->references->bank, $known->line->references->bank) &&
            self::plain($line->references->endToEnd) === self::plain($known->line->references->endToEnd) &&
            self::plain($line->payer->remittance) === self::plain($known->line->payer->remittance);
    }

    /** One of end-to-end reference and text agrees, and the other is missing on one side, or is cut there. */
    private static function isByHalf(BankLine $line, KnownMovement $known): bool
    {
        [$name, $otherName] = [self::plain($line->references->endToEnd), self::plain($known->line->references->endToEnd)];
        [$text, $otherText] = [self::plain($line->payer->remittance), self::plain($known->line->payer->remittance)];
        $sameName = $name !== '' && $name === $otherName;
        $sameText = $text !== '' && $text === $otherText;
        $cut = str_contains($text, $otherText) || str_contains($otherText, $text); // nothing is in any text

        return self::isSameDayAndAmount($line, $known->line) &&
            ! self::differ($line->references->bank, $known->line->references->bank) &&
            (($sameText && ! self::differ($name, $otherName)) || ($sameName && $cut));
    }

    private static function isSameDayAndAmount(BankLine $one, BankLine $other): bool
    {
        return $one->bookingDate === $other->bookingDate && $one->amount->equals($other->amount);
    }

    /** Of one day: what was announced may be booked later, on the same value day. A reference that comes back is another movement. */
    private static function isNear(BankLine $one, BankLine $other): bool
    {
        return $one->bookingDate === $other->bookingDate || $one->valueDate === $other->valueDate;
    }

    private static function lacksText(BankLine $line): bool
    {
        return self::plain($line->payer->remittance) === '';
    }

    /** Both are given and are not the same. */
    private static function differ(string $one, string $other): bool
    {
        return $one !== '' && $other !== '' && self::plain($one) !== self::plain($other);
    }

    private static function plain(string $text): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtoupper($text));
    }
}
