<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\DiscountOffer;
use Ajuste\Core\Settlement\Relief;
use Ajuste\Core\Subledger\OpenItem;
use App\Values\Reductions;

/**
 * What a request means by the reasons, terms and lines of the books: discounts, deductions, single lines, and the tax that comes off along.
 */
final readonly class RequestedReductions
{
    public function __construct(
        private Settings $settings,
        private DeductionReasons $reasons,
        private DiscountOffers $offers,
        private InvoiceLines $lines,
        private InstalmentPlans $instalments,
    ) {}

    /**
     * @param array<int, OpenItem> $items by id
     * @return list<Deduction> those without an amount count as not entered
     *
     * @throws Refusal when no reason is chosen, or an item is named that is not open
     */
    public function deductions(Reductions $less, array $items): array
    {
        $deductions = [];
        foreach ($less->deductions as $entry) {
            if ($entry->amount === null) {
                continue;
            }
            $invoice =
                $entry->itemId === 0
                    ? null
                    : $items[$entry->itemId] ??
                        throw Refusal::changed('A deduction names an item that is not open any more. Load the page again.');
            if ($entry->code === '') {
                throw new Refusal("{$entry->amount->grouped()} was deducted: choose the reason.");
            }
            $deductions[] = new Deduction($this->reasons->coded($entry->code), $invoice, $entry->amount);
        }

        return $deductions;
    }

    /**
     * The offers of the items whose discount is wanted.
     *
     * @param array<int, OpenItem> $items by id
     * @return array<int, DiscountOffer> by item id
     *
     * @throws Refusal where the terms of an item offer none
     */
    public function offers(Reductions $less, array $items): array
    {
        $wanted = array_values(array_intersect_key($items, array_flip($less->discounts)));
        $offers = $this->offers->of($wanted);
        foreach ($wanted as $item) {
            if (! isset($offers[$item->id])) {
                throw new Refusal("{$item->title()} offers no discount. Take it off, or decide the discount of this invoice otherwise.");
            }
        }

        return $offers;
    }

    /**
     * What an item takes: what was typed, else all of it, or all that is left of the lines or the instalment that alone are meant.
     *
     * @param ?Money $typed null: no amount
     *
     * @throws Refusal when a line or an instalment is named that it does not have, that is paid already, or that has less left
     */
    public function meant(OpenItem $item, ?Money $typed, Reductions $less): Money
    {
        $lines = $less->lines[$item->id] ?? [];
        if ($lines === []) {
            return isset($less->instalments[$item->id])
                ? $this->ofInstalment($item, $typed, $less->instalments[$item->id])
                : $typed ?? $item->takeable;
        }
        $currency = $item->takeable->currency;
        $left = $this->lines->left($item);
        $sum = Money::zero($currency);
        foreach ($lines as $line) {
            $of = Money::ofMinor($left[$line] ?? throw new Refusal("{$item->title()} has no line {$line}."), $currency);
            if (! $of->isPositive()) {
                throw new Refusal("Line {$line} of {$item->title()} is paid already; nothing is left of it. Take its tick off.");
            }
            $sum = $sum->plus($of);
        }
        if ($typed?->isMoreThan($sum)) {
            $which = (count($lines) === 1 ? 'Line ' : 'Lines ').implode(', ', $lines);
            throw new Refusal("{$which} of {$item->title()} has only {$sum->grouped()} left; {$typed->grouped()} is typed.");
        }

        return $typed ?? Money::least($sum, $item->takeable);
    }

    /** @throws Refusal when there is no such instalment, or it has less open */
    private function ofInstalment(OpenItem $item, ?Money $typed, string $dueDate): Money
    {
        foreach ($this->instalments->open($item) as $part) {
            if ($part->dueDate === $dueDate) {
                $open = Money::ofMinor($part->open, $item->takeable->currency);
                if ($typed?->isMoreThan($open)) {
                    throw new Refusal("The instalment of {$item->title()} due {$dueDate} has only {$open->grouped()} open; "
                        ."{$typed->grouped()} is typed. Name no instalment, or type less.");
                }

                return $typed ?? $open;
            }
        }
        throw new Refusal("{$item->title()} has no open instalment due {$dueDate}. Choose another, or none.");
    }

    /** @param  array<int, OpenItem>  $items */
    public function relief(array $items): Relief
    {
        return new Relief($this->settings->now()->isOn(Setting::TaxReliefDiscounts), $this->lines->taxed(array_values($items)));
    }
}
