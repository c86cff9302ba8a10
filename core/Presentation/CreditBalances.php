<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/**
 * Credit balances shown as a liability (R10): a voucher as of the day between the presentation account and customers in credit, and its
 * mirror on day one of the next period. The control account is not touched, so the proof stays as it is.
 */
final readonly class CreditBalances
{
    public function __construct(
        private ChartOfAccounts $accounts,
        private LockedDays $locked,
        private Currency $base,
        private Calendar $calendar = new Calendar,
    ) {}

    /**
     * @param iterable<Standing> $standings every item of the control account that carries something as of the day; customers of whom
     *                                      nothing is in credit may be left to $others
     * @param Money $limit base currency; a customer whose credit is below it is left
     * @param ?Money $others what customers owe who are not among the standings, base currency; null: there are none
     *
     * @throws Refusal when the day is locked, or an account with a role that is needed is missing
     */
    public function plan(
        Account $control,
        string $asOf,
        iterable $standings,
        CreditBalancePolicy $policy,
        Money $limit,
        ?Money $others = null,
    ): PresentationPlan {
        $this->locked->refuse($asOf, 'The reclassification');
        $balances = new CustomerBalances($policy);
        foreach ($standings as $standing) {
            $balances->add($standing);
        }
        [$lines, $left] = $this->presented($balances->groups(), $policy, $limit);
        $total = Money::sum(array_map(static fn (PresentedCredit $line): Money => $line->base, $lines), $this->base);

        return new PresentationPlan(
            new PresentationTerms($control, $asOf, $policy),
            $lines,
            $left,
            $balances->sides($others ?? Money::zero($this->base)),
            $this->voucher($asOf, $total, $control),
            $this->mirror($asOf, $total, $control),
        );
    }

    /**
     * @param list<CreditGroup> $groups
     * @return array{list<PresentedCredit>, list<PresentedCredit>} presented, and left below the limit
     */
    private function presented(array $groups, CreditBalancePolicy $policy, Money $limit): array
    {
        $perCustomer = [];
        foreach ($groups as $group) {
            $customerId = $group->first->customer->id;
            $perCustomer[$customerId] = ($perCustomer[$customerId] ?? 0) + max(0, -$group->base);
        }
        $lines = $left = [];
        foreach ($groups as $group) {
            if ($group->base >= 0) {
                continue;
            }
            $small = $perCustomer[$group->first->customer->id] < $limit->minor;
            $why = $small
                ? "below the limit of {$limit->grouped()}"
                : ($policy === CreditBalancePolicy::Item
                    ? 'unapplied credit'
                    : 'balance in credit');
            $credit = $group->presented($policy, $this->base, $why);
            $small ? ($left[] = $credit) : ($lines[] = $credit);
        }

        return [$lines, $left];
    }

    private function voucher(string $date, Money $total, Account $control): ?Voucher
    {
        if ($total->isZero()) {
            return null;
        }
        $text = "Credit balances of {$control->number} shown as liability";

        return new Voucher($date, $text, [
            new VoucherLine($this->accounts->withRole(AccountRole::Presentation), $total, $text),
            new VoucherLine($this->accounts->withRole(AccountRole::CustomersInCredit), $total->negated(), $text),
        ]);
    }

    private function mirror(string $asOf, Money $total, Account $control): ?Voucher
    {
        return $this->voucher($asOf, $total, $control)?->mirrored(
            $this->calendar->containing($asOf)->dayAfter(),
            "Credit balances of {$control->number}, taken back on day one",
        );
    }
}
