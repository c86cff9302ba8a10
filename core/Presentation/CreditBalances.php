<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\Period;
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
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Currency $base) {}

    /**
     * @param iterable<Standing> $standings every item of the control account that carries something as of the day
     * @param Money $limit base currency; a customer whose credit is below it is left
     *
     * @throws Refusal when the day is locked, or an account with a role that is needed is missing
     */
    public function plan(Account $control, string $asOf, iterable $standings, CreditBalancePolicy $policy, Money $limit): PresentationPlan
    {
        $this->locked->refuse($asOf, 'The reclassification');
        $debits = $credits = 0;
        $balances = [];
        $groups = [];
        foreach ($standings as $standing) {
            $balances[$standing->customerId] = ($balances[$standing->customerId] ?? 0) + $standing->base;
            $key = match ($policy) {
                CreditBalancePolicy::Customer => $standing->customer,
                CreditBalancePolicy::CustomerCurrency => $standing->customer."\0".$standing->currency,
                CreditBalancePolicy::Item => $standing->customer."\0".$standing->document."\0".$standing->itemId,
            };
            if ($policy === CreditBalancePolicy::Item && ! $standing->credit) {
                continue;
            }
            $group = $groups[$key] ?? [$standing, 0, 0, true];
            $groups[$key] = [$group[0], $group[1] + $standing->amount, $group[2] + $standing->base, $group[3] && $group[0]->currency === $standing->currency];
        }
        ksort($groups, SORT_STRING);
        [$lines, $left] = $this->presented($groups, $policy, $limit);
        foreach ($balances as $balance) {
            $balance > 0 ? $debits += $balance : $credits -= $balance;
        }
        $total = Money::zero($this->base);
        foreach ($lines as $line) {
            $total = $total->plus($line->base);
        }

        return new PresentationPlan(
            $control, $asOf, $policy, $lines, $left, $total, $this->voucher($asOf, $total, $control), $this->mirror($asOf, $total, $control),
            Money::ofMinor($debits, $this->base), Money::ofMinor($credits, $this->base),
        );
    }

    /**
     * @param array<string, array{Standing, int, int, bool}> $groups
     * @return array{list<PresentedCredit>, list<PresentedCredit>}
     */
    private function presented(array $groups, CreditBalancePolicy $policy, Money $limit): array
    {
        $byItem = $policy === CreditBalancePolicy::Item;
        $perCustomer = [];
        foreach ($groups as [$first, , $base]) {
            $perCustomer[$first->customerId] = ($perCustomer[$first->customerId] ?? 0) + max(0, -$base);
        }
        $lines = $left = [];
        foreach ($groups as [$first, $amount, $base, $oneCurrency]) {
            if ($base >= 0) {
                continue;
            }
            $small = $perCustomer[$first->customerId] < $limit->minor;
            $credit = new PresentedCredit(
                $first->customerId,
                $first->customer,
                $first->name,
                $byItem ? $first->itemId : null,
                $byItem ? $first->document : '',
                $oneCurrency ? Money::ofMinor(-$amount, $first->currency) : Money::ofMinor(-$base, $this->base),
                Money::ofMinor(-$base, $this->base),
                $small ? "below the limit of {$limit->grouped()}" : ($byItem ? 'unapplied credit' : 'balance in credit'),
            );
            $small ? $left[] = $credit : $lines[] = $credit;
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
            Day::plus(Period::containing($asOf)->last, 1),
            "Credit balances of {$control->number}, taken back on day one",
        );
    }
}
