<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\BadDebt\Ground;
use Ajuste\Core\BadDebt\WriteOffRequest;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use App\Values\LossRequest;

/** What a person typed about debts that will never be paid. */
final readonly class LossForm
{
    /** @param  array<array-key, mixed>  $typed */
    public function __construct(private array $typed) {}

    public function isBlank(): bool
    {
        return $this->ticked() === [];
    }

    /** @return list<int> */
    public function ticked(): array
    {
        return array_values(array_map(intval(...), array_filter((array) ($this->typed['tick'] ?? []), is_numeric(...))));
    }

    public function text(string $name): string
    {
        return is_string($this->typed[$name] ?? null) ? trim($this->typed[$name]) : '';
    }

    public function amount(int $itemId): string
    {
        $typed = ((array) ($this->typed['amount'] ?? []))[$itemId] ?? '';

        return is_string($typed) ? trim($typed) : '';
    }

    /**
     * @param list<OpenItem> $open
     *
     * @throws Refusal when something cannot be read
     */
    public function request(int $customerId, array $open): LossRequest
    {
        $items = array_column($open, null, 'id');
        $amounts = [];
        foreach ($this->ticked() as $id) {
            $item = $items[$id] ?? throw Refusal::changed('What was ticked is not open any more. Load the page again.');
            $amounts[$id] = $this->share($item) ?? WorktopForm::amount($this->amount($id), $item->open->currency);
        }
        $tax = $this->text('tax') === '' ? null : Day::of($this->text('tax_on'));
        $ground = Ground::tryFrom($this->text('ground')) ?? throw new Refusal('Choose the ground.');

        return new LossRequest(
            $customerId,
            $amounts,
            new WriteOffRequest(Day::of($this->text('date')), $ground, $this->text('evidence'), $tax),
        );
    }

    /** A claim settled for less: the rest of each document, where nothing else was typed for it. */
    private function share(OpenItem $item): ?Money
    {
        $paid = $this->text('paid_percent');
        if ($paid === '' || $this->amount($item->id) !== '') {
            return null;
        }
        if (preg_match('/^\d{1,2}([.,]\d{1,2})?$/D', $paid) !== 1) {
            throw new Refusal("“{$paid}” is no share of the claim; a percentage from 0 to 99 is expected, such as 40.");
        }
        $whole = Money::ofMinor(10_000, $item->open->currency);
        $part = Money::ofMinor(10_000 - (int) round((float) str_replace(',', '.', $paid) * 100), $item->open->currency);

        return $item->takeable->share($part, $whole);
    }
}
