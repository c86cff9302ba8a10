<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/**
 * How what comes off an invoice is shared by its lines: the output tax that goes with a discount or a deduction (R2, R4, R5), and the
 * revenue that a deposit's own rate corrects (R9). What is not known is not guessed.
 */
final readonly class Relief
{
    /**
     * @param bool $onDiscounts whether the books claim it on discounts
     * @param array<string, list<TaxedLine>> $lines of the invoices, by document
     */
    public function __construct(private bool $onDiscounts, private array $lines) {}

    /** @param  Money  $base what the discount carries, base currency */
    public function ofDiscount(OpenItem $invoice, Money $base): Money
    {
        return $this->onDiscounts ? $this->within($invoice, $base) : Money::zero($base->currency);
    }

    /**
     * In the invoice's own mix of rates; without an invoice at the reason's rate.
     *
     * @param Money $base what the deduction carries, base currency
     */
    public function ofDeduction(Deduction $deduction, Money $base): Money
    {
        return match (true) {
            ! $deduction->reason->taxRelief => Money::zero($base->currency),
            $deduction->invoice !== null => $this->within($deduction->invoice, $base),
            default => Money::ofMinor(
                $deduction->reason->rate === '' ? 0 : TaxRelief::atRate($base->minor, $deduction->reason->rate),
                $base->currency,
            ),
        };
    }

    /**
     * By the nets of the lines on each account; the parts add up to the whole, and none is nil.
     *
     * @param Money $amount base currency
     * @param Account $otherwise where lines or their accounts are not known
     * @return non-empty-list<AccountShare>
     */
    public function revenue(OpenItem $invoice, Money $amount, Account $otherwise): array
    {
        $nets = $accounts = [];
        foreach ($this->lines[$invoice->document] ?? [] as $line) {
            $account = $line->account ?? $otherwise;
            $accounts[$account->id] = $account;
            $nets[$account->id] = ($nets[$account->id] ?? 0) + $line->net;
        }
        if ($nets === [] || min($nets) < 0 || array_sum($nets) === 0) {
            return [new AccountShare($otherwise, $amount)];
        }
        $shares = [];
        foreach ($amount->split(array_values($nets)) as $place => $part) {
            if (! $part->isZero()) {
                $shares[] = new AccountShare(array_values($accounts)[$place], $part);
            }
        }

        return $shares === [] ? [new AccountShare($otherwise, $amount)] : $shares;
    }

    private function within(OpenItem $invoice, Money $base): Money
    {
        return Money::ofMinor(TaxRelief::within($base->minor, $this->lines[$invoice->document] ?? []), $base->currency);
    }
}
