<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** What taking a document back posts: all that it had posted, on the other side (R2). */
final readonly class DocumentReversal
{
    private Money $base;

    /** @param  Account  $control that carries the document */
    public function __construct(
        private ChartOfAccounts $accounts,
        private Account $control,
        private OpenItem $document,
        private string $customer,
    ) {
        $this->base = $document->signed($document->base);
    }

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
     * @param non-empty-list<InvoiceLine> $lines none below zero, together not above the document
     */
    public function byLines(string $date, array $lines): Voucher
    {
        $nets = array_map(static fn (InvoiceLine $line): int => $line->net, $lines);
        $parts = $this->base->split([...$nets, $this->document->amount->minor - array_sum($nets)]);
        $tax = array_pop($parts);
        $against = array_map(static fn (InvoiceLine $line, Money $part): array => [$line->account, $part], $lines, $parts);

        return $this->voucher($date, $against, $tax);
    }

    /**
     * Against an account that a person chooses, where neither entry nor lines are known.
     *
     * @param string $rate percent of the tax within it; blank: none
     */
    public function byAccount(string $date, Account $account, string $rate): Voucher
    {
        $tax = Money::ofMinor($rate === '' ? 0 : TaxRelief::atRate($this->document->base->minor, $rate), $this->base->currency);
        $tax = $this->document->signed($tax);

        return $this->voucher($date, [[$account, $this->base->minus($tax)]], $tax);
    }

    /** @param  list<array{Account, Money}>  $against what each account takes back, which with the tax makes the document's base */
    private function voucher(string $date, array $against, Money $tax): Voucher
    {
        $worth = new Worth($this->document->base, $this->document->amount);
        $line = fn (Account $account, Money $base, ?Money $original = null): VoucherLine => new VoucherLine(
            $account,
            $base,
            $this->text(),
            $this->document->document,
            $this->customer,
            $original,
        );
        $lines = [$line($this->control, $this->base->negated(), $worth->foreign($this->base->negated()))];
        foreach ($against as [$account, $amount]) {
            if (! $amount->isZero()) {
                $lines[] = $line($account, $amount);
            }
        }
        if (! $tax->isZero()) {
            $lines[] = $line($this->accounts->withRole(AccountRole::OutputTax), $tax);
        }

        return new Voucher($date, $this->text(), $lines);
    }

    private function text(): string
    {
        return "Reversal of {$this->document->document}";
    }
}
