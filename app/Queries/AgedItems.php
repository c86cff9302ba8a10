<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Subledger\Instalments;
use Ajuste\Core\Subledger\OpenInstalment;
use Ajuste\Core\Subledger\Side;
use Generator;

/** Items as the aged list takes them: instalments each by itself, with what is contested of them. */
final readonly class AgedItems
{
    public function __construct(private Positions $positions, private InstalmentPlans $plans, private Contested $contested) {}

    /**
     * An exchange difference comes with the dates of its source, and goes over what that has open.
     *
     * @param ?list<int> $customerIds null: all
     * @param ?string $in a currency: what its documents have open, in it; null: all, at carrying amount
     * @return Generator<int, AgedItem> by item id, which comes once for each instalment
     */
    public function of(
        int $accountId,
        string $asOf,
        ?string $knownAt = null,
        ?array $customerIds = null,
        ?string $in = null,
    ): Generator {
        $plans = $this->plans->of($accountId, $asOf, $knownAt, $customerIds);
        $contested = $this->contested->amounts($accountId, $asOf, $knownAt, $customerIds);
        $open = $waiting = [];
        foreach ($this->positions->standing($accountId, $asOf, $knownAt, $customerIds) as $row) {
            $disputed = $contested[$row->item_id] ?? 0;
            if ($in !== null) {
                yield from $row->currency === $in ? self::own($row, $plans[$row->item_id] ?? null, $disputed) : [];
            } elseif (isset($plans[$row->item_id])) {
                $open[$row->item_id] = self::parts($plans[$row->item_id], $row);
                yield from self::instalments($row, $open[$row->item_id], $disputed);
            } elseif ($row->source_item_id !== null && isset($plans[$row->source_item_id])) {
                $waiting[] = $row;
            } else {
                $due = $row->source_due_date ?? $row->due_date;
                yield $row->item_id => self::item($row, $row->carried(), $due, self::share($row, $disputed));
            }
        }
        foreach ($waiting as $row) {
            yield from self::differences($row, $open[$row->source_item_id] ?? []);
        }
    }

    /**
     * What is open of a document in its own currency; a difference of base alone has nothing there.
     *
     * @return Generator<int, AgedItem>
     */
    private static function own(OpenRow $row, ?Instalments $plan, int $disputed): Generator
    {
        if ($plan === null && $row->open() !== 0) {
            $sign = $row->open() <=> 0;
            yield $row->item_id => self::item($row, $row->open(), $row->due_date, $sign * min($disputed, abs($row->open())));
        }
        foreach ($plan === null ? [] : self::parts($plan, $row) as $part) {
            $of = min($disputed, $part->open);
            $disputed -= $of;
            yield $row->item_id => self::item($row, $part->open, $part->dueDate, $of);
        }
    }

    /** @return list<OpenInstalment> */
    private static function parts(Instalments $plan, OpenRow $row): array
    {
        return $plan->open($row->position->matched, $row->base, $row->base - $row->position->moved);
    }

    /**
     * What is contested is taken of the oldest ones first.
     *
     * @param list<OpenInstalment> $parts
     * @return Generator<int, AgedItem>
     */
    private static function instalments(OpenRow $row, array $parts, int $disputed): Generator
    {
        foreach ($parts as $part) {
            $of = min($disputed, $part->open);
            $disputed -= $of;
            yield $row->item_id => self::item($row, $part->base, $part->dueDate, Rounding::proportion($part->base, $of, $part->open));
        }
    }

    /**
     * @param list<OpenInstalment> $parts of the item that it corrects
     * @return Generator<int, AgedItem>
     */
    private static function differences(OpenRow $row, array $parts): Generator
    {
        if ($parts === []) {
            yield $row->item_id => self::item($row, $row->carried(), $row->source_due_date ?? $row->due_date, 0);

            return;
        }
        $weights = array_map(static fn (OpenInstalment $part): int => $part->open, $parts);
        foreach (Rounding::split($row->carried(), $weights) as $place => $base) {
            yield $row->item_id => self::item($row, $base, $parts[$place]->dueDate, 0);
        }
    }

    /** What the contested part of an item carries, minor units of base currency, debit-positive. */
    private static function share(OpenRow $row, int $disputed): int
    {
        $open = abs($row->open());

        return $disputed === 0 || $open === 0 ? 0 : Rounding::proportion($row->carried(), min($disputed, $open), $open);
    }

    private static function item(OpenRow $row, int $base, string $dueDate, int $contested): AgedItem
    {
        return new AgedItem(
            $row->customer,
            $row->name,
            $row->currency,
            $base,
            Side::from($row->source_side ?? $row->side),
            $row->source_date ?? $row->date,
            $dueDate,
            $contested,
        );
    }
}
