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
use Ajuste\Core\Subledger\CarryingAmount;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/** Ties debit and credit items of one customer together (R3), and works out what that moves in base currency (R1, R9). */
final readonly class Matching
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked) {}

    /**
     * The day offered for a match: the later of the latest document date among the items and the first open day.
     *
     * @param non-empty-list<OpenItem> $items
     */
    public function earliestDate(array $items): string
    {
        return $this->locked->firstOpenFrom(max(array_map(static fn (OpenItem $item): string => $item->date, $items)));
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
        $remainder = Money::zero($ticks[0]->amount->currency);
        foreach ($ticks as $tick) {
            $remainder = $tick->item->side === Side::Debit ? $remainder->plus($tick->amount) : $remainder->minus($tick->amount);
        }

        return $remainder;
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
            $wanted[$item->side->value] += ($typed[$item->id] ?? $item->open)->minor;
        }
        $left = min($wanted) > 0 ? [Side::Debit->value => min($wanted), Side::Credit->value => min($wanted)] : $wanted;
        $left[Side::Credit->value] -= $reductions;
        foreach ($items as $item) {
            $left[$item->side->value] -= isset($typed[$item->id]) ? $typed[$item->id]->minor : 0;
        }
        $ticks = [];
        foreach ($items as $item) {
            $takes = $typed[$item->id] ?? Money::ofMinor(max(0, min($item->open->minor, $left[$item->side->value])), $item->open->currency);
            $left[$item->side->value] -= isset($typed[$item->id]) ? 0 : $takes->minor;
            $ticks[] = new Tick($item, $takes);
        }

        return $ticks;
    }

    /**
     * Shares the settled amount over pairs of one debit and one credit, in the order in which the items were ticked.
     *
     * @param list<Tick> $ticks all of one customer
     * @param string $date the day on which the match takes effect
     *
     * @throws Refusal when the remainder is not nil, an amount is nil or above what is open, the items do not belong together, or
     *                 the date is locked or before one of the documents
     */
    public function plan(array $ticks, string $date, string $customer): MatchPlan
    {
        if ($ticks === []) {
            throw new Refusal('Nothing is ticked. Tick at least one debit and one credit.');
        }
        $this->check($ticks, $date);
        $remainder = $this->remainder($ticks);
        self::refuseRemainder($remainder);
        $matches = $this->pairs($ticks);
        $differences = [];
        foreach ($matches as $match) {
            $base = $match->creditBase->minus($match->debitBase);
            if (! $base->isZero()) {
                $differences[] = new ExchangeDifference($match, $base);
            }
        }
        $settled = Money::zero($remainder->currency);
        foreach ($matches as $match) {
            $settled = $settled->plus($match->amount);
        }

        return new MatchPlan($date, $ticks, $matches, $differences, $this->voucher($differences, $date, $customer), $this->warnings($matches), $settled);
    }

    /**
     * @param Money $remainder debits less all that settles them
     *
     * @throws Refusal unless it is nil
     */
    public static function refuseRemainder(Money $remainder): void
    {
        if (! $remainder->isZero()) {
            $side = $remainder->minor > 0 ? 'debits' : 'credits';
            throw new Refusal("{$remainder->abs()->grouped()} {$remainder->currency->code} of the {$side} is still to be placed. Tick more on the other side or settle less.");
        }
    }

    /** @throws Refusal when the match would take effect before the item's document */
    public static function refuseEarlier(OpenItem $item, string $date): void
    {
        if ($item->date > $date) {
            throw new Refusal("The match cannot be dated {$date}: {$item->title()} is dated {$item->date}. Choose that day or a later one.");
        }
    }

    /** @param  non-empty-list<Tick>  $ticks */
    private function check(array $ticks, string $date): void
    {
        $this->locked->refuse($date, 'The match');
        $first = $ticks[0]->item;
        $seen = [];
        foreach ($ticks as $tick) {
            $item = $tick->item;
            if (isset($seen[$item->id])) {
                throw new Refusal("{$item->title()} is ticked twice.");
            }
            $seen[$item->id] = true;
            if ($item->customerId !== $first->customerId) {
                throw new Refusal("{$item->title()} belongs to another customer than {$first->title()}. A match stays within one customer.");
            }
            if ($item->amount->currency->code !== $first->amount->currency->code) {
                throw new Refusal("{$first->title()} is in {$first->amount->currency->code}, {$item->title()} in {$item->amount->currency->code}. A match stays within one currency; convert one of them first.");
            }
            if ($item->controlAccountId !== $first->controlAccountId) {
                throw new Refusal("{$item->title()} stands on another control account than {$first->title()}. A match stays within one control account.");
            }
            if ($item->kind === Kind::ExchangeDifference) {
                throw new Refusal("{$item->title()} corrects base currency only and goes with the item that it corrects; it is not matched by hand.");
            }
            if ($tick->amount->minor <= 0) {
                throw new Refusal("{$item->title()}: {$tick->amount->grouped()} was typed; an amount above zero is expected.");
            }
            if ($tick->amount->minor > $item->open->minor) {
                throw new Refusal("{$item->title()}: {$tick->amount->grouped()} was typed, but only {$item->open->grouped()} {$item->open->currency->code} is open for a match of {$date}.");
            }
            self::refuseEarlier($item, $date);
        }
    }

    /**
     * @param non-empty-list<Tick> $ticks with debits equal to credits
     * @return list<ItemMatch>
     */
    private function pairs(array $ticks): array
    {
        $matches = [];
        $matched = $moved = $left = [];
        foreach ($ticks as $tick) {
            $matched[$tick->item->id] = $tick->item->matched;
            $moved[$tick->item->id] = $tick->item->moved;
            $left[$tick->item->id] = $tick->amount->minor;
        }
        $take = static function (OpenItem $item, int $amount) use (&$matched, &$moved): Money {
            $base = CarryingAmount::movedBy($item->base->minor, $item->amount->minor, $matched[$item->id], $moved[$item->id], $amount);
            $matched[$item->id] += $amount;
            $moved[$item->id] += $base;

            return Money::ofMinor($base, $item->base->currency);
        };
        $credits = array_values(array_filter($ticks, static fn (Tick $tick): bool => $tick->item->side === Side::Credit));
        $next = 0;
        foreach ($ticks as $debit) {
            while ($debit->item->side === Side::Debit && $left[$debit->item->id] > 0) {
                $credit = $credits[$next]->item;
                $amount = min($left[$debit->item->id], $left[$credit->id]);
                $left[$debit->item->id] -= $amount;
                $left[$credit->id] -= $amount;
                $matches[] = new ItemMatch(
                    $debit->item,
                    $credit,
                    Money::ofMinor($amount, $debit->amount->currency),
                    $take($debit->item, $amount),
                    $take($credit, $amount),
                );
                if ($left[$credit->id] === 0) {
                    $next++;
                }
            }
        }

        return $matches;
    }

    /** @param  list<ExchangeDifference>  $differences */
    private function voucher(array $differences, string $date, string $customer): ?Voucher
    {
        $lines = [];
        foreach ($differences as $difference) {
            $gain = $difference->base->minor > 0;
            $of = $difference->match->debit->document;
            $text = 'Realised exchange '.($gain ? 'gain' : 'loss').' on '.$of;
            $lines[] = new VoucherLine($this->accounts->withId($difference->match->debit->controlAccountId), $difference->base, $text, $of, $customer);
            $lines[] = new VoucherLine(
                $this->accounts->withRole($gain ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss),
                $difference->base->negated(), $text, $of, $customer,
            );
        }

        return $lines === [] ? null : new Voucher($date, 'Exchange differences realised by a match', $lines);
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
                $warnings[] = "{$match->credit->title()} of {$match->credit->date} is older than {$match->debit->title()} of {$match->debit->date}, which it pays.";
            }
        }

        return $warnings;
    }
}
