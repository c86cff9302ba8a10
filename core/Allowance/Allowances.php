<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Side;
use Brick\Math\BigDecimal;

/**
 * What is expected to be lost (R14; IFRS 9 B5.5.35, from memory): loss rates by age and group times the aged list, specific amounts on
 * named customers and documents, which leave the columns, and overlays. Related parties are assessed by name only.
 */
final class Allowances
{
    /** @var array<string, list<AgedItem>> what is in the matrix, by group */
    private array $grouped = [];

    /** @var array<int, Money> what each specific amount is of, by its place */
    private array $named;

    /** @var array<int, array{Customer, Money}> related parties without a specific amount, by customer */
    private array $apart = [];

    /** @var array<int, int> place of the specific amount by its document */
    private array $placeOfDocument = [];

    /** @var array<int, int> place of the specific amount by its customer as a whole */
    private array $placeOfCustomer = [];

    private function __construct(private readonly AllowanceBasis $basis, private readonly Currency $base)
    {
        $this->named = array_map(static fn (): Money => Money::zero($base), $basis->specific);
        foreach ($basis->specific as $place => $of) {
            if ($of->itemId === null) {
                $this->placeOfCustomer[$of->customer->id] = $place;
            } else {
                $this->placeOfDocument[$of->itemId] ??= $place;
            }
        }
    }

    /**
     * @param iterable<Exposure> $exposures all items that carry something as of the day
     * @param Money $before what the ledger has as allowance, base currency, positive
     *
     * @throws Refusal when a column has no rate
     */
    public static function plan(
        ChartOfAccounts $accounts,
        Account $control,
        string $asOf,
        iterable $exposures,
        AllowanceBasis $basis,
        Money $before,
    ): AllowancePlan {
        $rule = new self($basis, $before->currency);
        foreach ($exposures as $exposure) {
            $rule->take($exposure);
        }
        $specific = array_map(
            static fn (SpecificAllowance $of, Money $exposure): SpecificLine => new SpecificLine($of, $exposure),
            $basis->specific,
            $rule->named,
        );
        $left = array_map(static fn (array $of): LeftOut => new LeftOut(
            $of[0], null, '', $of[1], $of[1], 'related party: assessed by name',
        ), array_values($rule->apart));

        return new AllowancePlan($accounts, $control, $asOf, $basis, $rule->matrix($asOf), $specific, $left, $before);
    }

    private function take(Exposure $exposure): void
    {
        $named = $this->specificOf($exposure);
        if ($named !== null) {
            $this->named[$named] = $this->named[$named]->plus($exposure->base($this->named[$named]));
        } elseif ($exposure->isRelated) {
            [, $before] = $this->apart[$exposure->customer->id] ?? [null, Money::zero($this->base)];
            $this->apart[$exposure->customer->id] = [$exposure->customer, $before->plus($exposure->base($before))];
        } elseif ($exposure->item->standing === Side::Debit || $this->basis->credits === CreditsPolicy::Net) {
            $item = $exposure->item;
            $this->grouped[$this->group($exposure->group)][] = $this->basis->contested === ContestedPolicy::Out
                ? $item->carrying($item->base - $item->contested, 0)
                : $item;
        }
    }

    /** The place of the specific amount that an item falls under: of its document, else of its customer. */
    private function specificOf(Exposure $exposure): ?int
    {
        return $this->placeOfDocument[$exposure->itemId] ?? $this->placeOfCustomer[$exposure->customer->id] ?? null;
    }

    /** Groups without rates of their own are among all others. */
    private function group(string $group): string
    {
        foreach ($this->basis->rates as $rate) {
            if ($rate->group === $group) {
                return $group;
            }
        }

        return '';
    }

    /** @return list<MatrixCell> by group, then by age */
    private function matrix(string $asOf): array
    {
        $columns = $this->basis->columns();
        $credits = $this->basis->credits === CreditsPolicy::Net ? $this->basis->creditsIn() : Credits::Separate;
        $groups = array_unique(
            [...array_map(static fn (LossRate $rate): string => $rate->group, $this->basis->rates), ...array_keys($this->grouped)],
        );
        sort($groups);
        $cells = [];
        foreach ($groups as $group) {
            $sums = AgedList::of($asOf, $columns, $credits, $this->grouped[$group] ?? [])->totals->amounts;
            foreach ($columns->labels as $column => $bucket) {
                $base = Money::ofMinor($sums[$column] ?? 0, $this->base);
                $cells[] = new MatrixCell($group, $bucket, $base, $this->rate($group, $bucket, $base));
            }
        }

        return $cells;
    }

    /** @throws Refusal when something stands in a column that has no rate */
    private function rate(string $group, string $bucket, Money $base): BigDecimal
    {
        foreach ([$group, ''] as $of) {
            foreach ($this->basis->rates as $rate) {
                if ($rate->group === $of && $rate->bucket === $bucket) {
                    return $rate->percent;
                }
            }
        }

        return $base->isPositive()
            ? throw new Refusal(
                "There is no loss rate for {$bucket}".($group === '' ? '' : " of {$group}").", where {$base->grouped()} stands. Hand in "
                    .'allowance_rates.csv with one, then try again.',
                RefusalKind::Setup,
            )
            : BigDecimal::zero();
    }
}
