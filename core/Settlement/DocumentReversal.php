<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;

/** What taking a document back posts: all that it had posted, on the other side (R2). */
final readonly class DocumentReversal
{
    /**
     * @param Money $base what the document carries in base currency, signed: a debit above zero
     * @param Money $original its amount in its own currency, signed likewise
     */
    public function __construct(private ChartOfAccounts $accounts, private Account $control, private Money $base, private Money $original, private string $document, private string $customer) {}

    /**
     * By the lines of its own entry in the ledger.
     *
     * @param non-empty-list<VoucherLine> $entry as it was posted, balanced
     */
    public function byEntry(string $date, array $entry): Voucher
    {
        return (new Voucher($date, $this->text(), $entry))->mirrored($date, $this->text());
    }

    /**
     * By the lines of the document: net to each line's account, and what is left is tax.
     *
     * @param non-empty-list<array{Account, int}> $lines account and net, minor units of the document's currency
     */
    public function byLines(string $date, array $lines): Voucher
    {
        $nets = array_map(static fn (array $line): int => $line[1], $lines);
        $parts = Rounding::split($this->base->minor, [...$nets, abs($this->original->minor) - array_sum($nets)]);
        $tax = array_pop($parts);
        $against = array_map(fn (array $line, int $part): array => [$line[0], $part], $lines, $parts);

        return $this->voucher($date, [...$against, ...($tax === 0 ? [] : [[$this->accounts->withRole(AccountRole::OutputTax), $tax]])]);
    }

    /**
     * Against an account that a person chooses, where neither entry nor lines are known.
     *
     * @param string $rate percent of the tax within it; blank: none
     */
    public function byAccount(string $date, Account $account, string $rate): Voucher
    {
        $tax = $rate === '' ? 0 : ($this->base->minor < 0 ? -1 : 1) * TaxRelief::atRate(abs($this->base->minor), $rate);

        return $this->voucher($date, [[$account, $this->base->minor - $tax], ...($tax === 0 ? [] : [[$this->accounts->withRole(AccountRole::OutputTax), $tax]])]);
    }

    /** @param  non-empty-list<array{Account, int}>  $against what each account takes back, minor units of base currency, summing up to the document's base */
    private function voucher(string $date, array $against): Voucher
    {
        $lines = [new VoucherLine($this->control, $this->base->negated(), $this->text(), $this->document, $this->customer, $this->original->currency->code === $this->base->currency->code ? null : $this->original->negated())];
        foreach ($against as [$account, $amount]) {
            if ($amount !== 0) {
                $lines[] = new VoucherLine($account, Money::ofMinor($amount, $this->base->currency), $this->text(), $this->document, $this->customer);
            }
        }

        return new Voucher($date, $this->text(), $lines);
    }

    private function text(): string
    {
        return "Reversal of {$this->document}";
    }
}
