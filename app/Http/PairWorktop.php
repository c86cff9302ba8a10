<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Contra\AtMost;
use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Contra\BillPart;
use Ajuste\Core\Contra\LeftOfPair;
use Ajuste\Core\Contra\Offset;
use Ajuste\Core\Contra\OffsetPart;
use Ajuste\Core\Contra\Pair;
use Ajuste\Core\Contra\PairChoices;
use Ajuste\Core\Contra\Party;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Runs\RunPlans;
use App\Http\Pictures\Ribbons;
use App\Queries\ContraPairs;
use App\Queries\RunDecisions;

/** A pair of customer and supplier: both sides, what covers what, and how much of each a person lets be set off. */
final readonly class PairWorktop
{
    public function __construct(private ContraPairs $pairs, private RunPlans $plans, private RunDecisions $decisions) {}

    /** @return array<string, mixed> the pair that is looked at, if any */
    public function chosen(Account $control, string $asOf, string $name): array
    {
        $pair = $this->pair($control, $asOf, $name);

        return $pair === null ? ['pair' => null] : $this->of($control, $asOf, $pair);
    }

    /** @param  string  $name customer, supplier and currency, as the address has them */
    public function pair(Account $control, string $asOf, string $name): ?Pair
    {
        $isName = preg_match('/^(\d{1,18})-(\d{1,18})-/', $name, $ids) === 1;
        foreach ($isName ? $this->pairs->around($control, $asOf, (int) $ids[1], (int) $ids[2]) : [] as $pair) {
            if (self::name($pair->party) === $name) {
                return $pair;
            }
        }

        return null;
    }

    public static function name(Party $of): string
    {
        return "{$of->customer->id}-{$of->supplier->id}-{$of->currency->code}";
    }

    /**
     * What the form says of the pair's own items and bills: without a tick nothing, with an amount so much, else all that the rule takes.
     *
     * @param array<array-key, mixed> $input
     *
     * @throws Refusal when an amount cannot be read
     */
    public function typed(Pair $pair, array $input): PairChoices
    {
        $form = new WorktopForm($input);
        [$reason, $currency] = [$form->text('reason'), $pair->party->currency];
        $read = static function (array $ids, string $tick, string $amount) use ($form, $currency, $reason): array {
            [$ticks, $amounts, $most] = [$form->texts($tick), $form->texts($amount), []];
            foreach ($ids as $id) {
                $typed = isset($ticks[$id]) ? WorktopForm::amount($amounts[$id] ?? '', $currency) : Money::zero($currency);
                if ($typed !== null) {
                    $most[$id] = new AtMost($typed, $reason);
                }
            }

            return $most;
        };

        return new PairChoices(
            $read(self::itemIds($pair), 'tick', 'amount'),
            $read(self::billIds($pair), 'bill_tick', 'bill_amount'),
        );
    }

    /** @return list<int> */
    public static function itemIds(Pair $pair): array
    {
        return array_map(static fn (OpenItem $item): int => $item->id, $pair->items);
    }

    /** @return list<int> */
    public static function billIds(Pair $pair): array
    {
        return array_map(static fn (Bill $bill): int => $bill->id, $pair->bills);
    }

    /**
     * @param ?PairChoices $typed instead of what stands of this pair
     * @return array<string, mixed>
     */
    public function of(Account $control, string $asOf, Pair $pair, ?PairChoices $typed = null): array
    {
        $stands = $this->decisions->ofPairs($control, $asOf);
        $choices = $typed === null ? $stands : new PairChoices(
            $typed->items + array_diff_key($stands->items, array_flip(self::itemIds($pair))),
            $typed->bills + array_diff_key($stands->bills, array_flip(self::billIds($pair))),
        );
        $plan = $this->plans->contra($control, $asOf, $choices, $pair->party);
        [$name, $currency] = [self::name($pair->party), $pair->party->currency];
        $offset = array_values(array_filter($plan->offsets, static fn (Offset $of): bool => self::name($of->party) === $name))[0] ?? null;

        return [
            'pair' => $pair,
            'name' => $name,
            'offset' => $offset,
            'ribbons' => $offset === null ? null : Ribbons::ofOffset($offset),
            'stays' => array_values(array_filter($plan->left, static fn (LeftOfPair $of): bool => self::name($of->party) === $name)),
            'items' => self::taken([...$offset->settledFirst ?? [], ...$offset->credits ?? [], ...$offset->debits ?? []], $currency),
            'bills' => self::taken($offset->bills ?? [], $currency),
            'choices' => $choices,
        ];
    }

    /**
     * @param list<OffsetPart|BillPart> $parts
     * @return array<int, Money> by item or bill
     */
    private static function taken(array $parts, Currency $currency): array
    {
        $taken = [];
        foreach ($parts as $part) {
            $id = $part instanceof BillPart ? $part->bill->id : $part->item->id;
            $taken[$id] = ($taken[$id] ?? Money::zero($currency))->plus($part->amount);
        }

        return $taken;
    }
}
