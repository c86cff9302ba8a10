<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/** Ties debit and credit items of one customer together (R3), and works out what that moves in base currency (R1, R9). */
final readonly class Matching
{
    /** @param  Relief  $lines how what comes off an invoice is shared by its lines */
    public function __construct(
        private ChartOfAccounts $accounts,
        private LockedDays $locked,
        private Relief $lines = new Relief(false, []),
    ) {}

    /**
     * The day offered for a match: the latest of the document dates, of the days since which all that is open of the items is free, and
     * of the first open day.
     *
     * @param non-empty-list<OpenItem> $items
     */
    public function earliestDate(array $items): string
    {
        return $this->locked->firstOpenFrom(
            max(array_map(static fn (OpenItem $item): string => max($item->date, $item->position->freeFrom), $items)),
        );
    }

    /**
     * What is still to be placed: debits ticked less credits ticked, in the items' currency. A match can be posted only when it is nil.
     *
     * @param non-empty-list<Tick> $ticks
     *
     * @throws Refusal when the items are of several currencies
     */
    public function remainder(array $ticks): Money
    {
        return Money::sum(
            array_map(static fn (Tick $tick): Money => $tick->item->signed($tick->amount), $ticks),
            $ticks[0]->amount->currency,
        );
    }

    /**
     * Gives each item that was ticked without an amount as much as both sides allow: typed amounts stand, then the items take in the
     * order in which they were ticked. While only one side is ticked, its items stand open in full.
     *
     * @param non-empty-list<OpenItem> $items
     * @param array<int, Money> $typed by item id
     * @param int $reductions minor units that come off the debits beside the credits: discounts and deductions (R4, R5)
     * @return non-empty-list<Tick> items that get nothing keep an amount of nil
     */
    public function fill(array $items, array $typed, int $reductions = 0): array
    {
        $wanted = [Side::Debit->value => 0, Side::Credit->value => $reductions];
        foreach ($items as $item) {
            $wanted[$item->head->side->value] += ($typed[$item->id] ?? $item->takeable)->minor;
        }
        $least = min($wanted);
        $left = $least > 0 ? [Side::Debit->value => $least, Side::Credit->value => $least] : $wanted;
        $left[Side::Credit->value] -= $reductions;
        foreach ($items as $item) {
            $left[$item->head->side->value] -= isset($typed[$item->id]) ? $typed[$item->id]->minor : 0;
        }
        $ticks = [];
        foreach ($items as $item) {
            $takes =
                $typed[$item->id] ??
                Money::ofMinor(max(0, min($item->takeable->minor, $left[$item->head->side->value])), $item->takeable->currency);
            $left[$item->head->side->value] -= isset($typed[$item->id]) ? 0 : $takes->minor;
            $ticks[] = new Tick($item, $takes);
        }

        return $ticks;
    }

    /**
     * Shares the settled amount over pairs of one debit and one credit: those that are reserved first, the others in the order in which the
     * items were ticked.
     *
     * @param list<Tick> $ticks all of one customer
     * @param string $date the day on which the match takes effect
     * @param list<Reserved> $reserved parts of the ticks that belong together
     *
     * @throws Refusal when the remainder is not nil, an amount is nil or above what is open, the items do not belong together, or
     *                 the date is locked or before one of the documents
     */
    public function plan(array $ticks, string $date, string $customer, array $reserved = []): MatchPlan
    {
        if ($ticks === []) {
            throw new Refusal('Nothing is ticked. Tick at least one debit and one credit.');
        }
        $this->locked->refuse($date, 'The match');
        $this->refuseUnfit($ticks, $date);
        $remainder = $this->remainder($ticks);
        self::refuseRemainder($remainder);
        $matches = (new Pairing($ticks))->pairs($reserved);
        $differences = [];
        foreach ($matches as $match) {
            $base = $match->creditBase->minus($match->debitBase);
            if (! $base->isZero()) {
                $differences[] = new ExchangeDifference($match, $base);
            }
        }
        $settled = Money::sum(array_map(static fn (ItemMatch $match): Money => $match->amount, $matches), $remainder->currency);

        return new MatchPlan(
            $date,
            $ticks,
            $matches,
            $differences,
            $this->voucher($differences, $date, $customer),
            $this->warnings($matches),
            $settled,
        );
    }

    /**
     * @param Money $remainder debits less all that settles them
     *
     * @throws Refusal unless it is nil
     */
    public static function refuseRemainder(Money $remainder): void
    {
        if (! $remainder->isZero()) {
            $side = $remainder->isPositive() ? 'debits' : 'credits';
            throw new Refusal(
                "{$remainder->abs()->grouped()} {$remainder->currency->code} of the {$side} is still to be placed. Tick more on the "
                    .'other side or settle less.',
            );
        }
    }

    /** @throws Refusal when the match would take effect before the item's document */
    public static function refuseEarlier(OpenItem $item, string $date): void
    {
        if ($item->date > $date) {
            throw new Refusal(
                "The match cannot be dated {$date}: {$item->title()} is dated {$item->date}. Choose that day or a later one.",
            );
        }
    }

    /** @param  non-empty-list<Tick>  $ticks */
    private function refuseUnfit(array $ticks, string $date): void
    {
        $first = $ticks[0]->item;
        $seen = [];
        foreach ($ticks as $tick) {
            if (isset($seen[$tick->item->id])) {
                throw new Refusal("{$tick->item->title()} is ticked twice.");
            }
            $seen[$tick->item->id] = true;
            self::refuseStranger($tick->item, $first);
            self::refuseAmount($tick, $date);
            self::refuseEarlier($tick->item, $date);
        }
    }

    /** A match stays within one customer, control account and currency (R1, R3). */
    private static function refuseStranger(OpenItem $item, OpenItem $first): void
    {
        if ($item->head->account->customerId !== $first->head->account->customerId) {
            throw new Refusal("{$item->title()} belongs to another customer than {$first->title()}. A match stays within one customer.");
        }
        [$code, $other] = [$first->amount->currency->code, $item->amount->currency->code];
        if ($code !== $other) {
            throw new Refusal(
                "{$first->title()} is in {$code}, {$item->title()} in {$other}. A match stays within one currency; convert one of them "
                    .'first.',
            );
        }
        if ($item->head->account->controlAccountId !== $first->head->account->controlAccountId) {
            throw new Refusal(
                "{$item->title()} stands on another control account than {$first->title()}. A match stays within one control account.",
            );
        }
        if ($item->kind === Kind::ExchangeDifference) {
            throw new Refusal(
                "{$item->title()} corrects base currency only and goes with the item that it corrects; it is not matched by hand.",
            );
        }
    }

    private static function refuseAmount(Tick $tick, string $date): void
    {
        [$item, $amount] = [$tick->item, $tick->amount];
        if (! $amount->isPositive()) {
            throw new Refusal("{$item->title()}: {$amount->grouped()} was typed; an amount above zero is expected.");
        }
        $tick->refuseMoreThanOpen(" for a match of {$date}");
    }

    /** @param  list<ExchangeDifference>  $differences */
    private function voucher(array $differences, string $date, string $customer): ?Voucher
    {
        $lines = [];
        foreach ($differences as $difference) {
            $of = $difference->match->debit->document;
            $text = match (true) {
                $difference->correctsRevenue() => "Revenue of {$of} at the rate of its deposit",
                $difference->base->isPositive() => "Realised exchange gain on {$of}",
                default => "Realised exchange loss on {$of}",
            };
            $control = $this->accounts->withId($difference->match->debit->head->account->controlAccountId);
            $lines[] = new VoucherLine($control, $difference->base, $text, $of, $customer);
            foreach ($this->against($difference) as $share) {
                $lines[] = new VoucherLine($share->account, $share->amount ?? $difference->base->negated(), $text, $of, $customer);
            }
        }

        return $lines === [] ? null : new Voucher($date, 'Base currency that a match moves off one side only', $lines);
    }

    /**
     * A deposit is matched at its own rate: what that moves beside the invoice's rate corrects the invoice's revenue, net (IFRIC 22, from
     * memory). Anything else is realised.
     *
     * @return list<AccountShare>
     */
    private function against(ExchangeDifference $difference): array
    {
        $amount = $difference->base->negated();
        if ($difference->correctsRevenue()) {
            return $this->lines->revenue($difference->match->debit, $amount, $this->accounts->withRole(AccountRole::Revenue));
        }
        $role = $difference->base->isPositive() ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss;

        return [new AccountShare($this->accounts->withRole($role), $amount)];
    }

    /**
     * @param list<ItemMatch> $matches
     * @return list<string>
     */
    private function warnings(array $matches): array
    {
        $warnings = [];
        foreach ($matches as $match) {
            if ($match->credit->kind === Kind::Receipt && $match->credit->date < $match->debit->date) {
                $credit = "{$match->credit->title()} of {$match->credit->date}";
                $warnings[] = "{$credit} is older than {$match->debit->title()} of {$match->debit->date}, which it pays.";
            }
        }

        return $warnings;
    }
}
