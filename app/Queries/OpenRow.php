<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Side;

/** An item with what is matched of it then (at the day asked for) and now (all matches), and the item that it stands with. */
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

    public int $matched_then;

    public int $moved_then;

    public int $matched_now;

    public int $moved_now;

    public string $reference;

    public string $terms;

    public int $control_account_id;

    public ?int $source_item_id;

    public int $standing_id;

    public string $standing_document;

    public string $standing_side;

    public string $standing_date;

    public string $standing_due;

    /** What it still carried then, minor units of base currency, debit-positive. */
    public function signedBase(): int
    {
        return Side::from($this->side)->sign() * ($this->base - $this->moved_then);
    }
}
