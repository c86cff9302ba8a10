<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Unrealised;

/**
 * A row of an item as the database has it, with where the item stands. Light, since there are many; `item()` is the core's own value of it.
 */
final class OpenRow
{
    public int $item_id;

    public int $customer_id;

    public string $customer;

    public string $name;

    public string $document;

    public string $kind;

    public string $side;

    public string $date;

    public string $due_date;

    public string $currency;

    public int $amount;

    public int $base;

    public int $matched;

    public int $moved;

    public string $last_moved_on;

    public string $reference;

    public string $terms;

    public int $control_account_id;

    public string $recorded_at;

    public ?int $source_item_id = null;

    public ?string $source_document = null;

    public ?string $source_side = null;

    public ?string $source_date = null;

    public ?string $source_due_date = null;

    /** Set by the query where many rows are read: one for all of a customer. */
    public ?CustomerAccount $account = null;

    /** As of the day that was asked for; set by the query. */
    public Position $position;

    /** @var list<Unrealised> set by the query, for items in foreign currency */
    public array $unrealised = [];

    /** What it still carries on the day, minor units of base currency, debit-positive. */
    public function carried(): int
    {
        return Side::from($this->side)->sign() * ($this->base - $this->position->moved);
    }

    /** Still open on the day in its currency, minor units, debit-positive. */
    public function open(): int
    {
        return Side::from($this->side)->sign() * ($this->amount - $this->position->matched);
    }

    /** What a match of the day could take of it carries, minor units of base currency, positive. */
    public function takeableBase(): int
    {
        return $this->base - max($this->position->moved, $this->position->allMoved);
    }

    /** Whether a match of the day could take something of it. */
    public function isTakeable(): bool
    {
        return $this->amount > $this->position->taken;
    }

    public function isGone(): bool
    {
        return $this->amount === $this->position->matched && $this->base === $this->position->moved;
    }

    public function item(Currency $base): OpenItem
    {
        $head = new ItemHead(
            $this->document,
            Kind::from($this->kind),
            Side::from($this->side),
            $this->account ?? new CustomerAccount($this->customer_id, $this->control_account_id),
            $this->date,
            $this->due_date,
            $this->reference,
            $this->terms,
        );

        $amount = Money::ofMinor($this->amount, $this->currency);

        return OpenItem::of(
            $this->item_id,
            $head,
            $amount,
            $amount->minor === $this->base && $amount->isIn($base) ? $amount : Money::ofMinor($this->base, $base),
            $this->position,
            $this->unrealised,
        );
    }
}
