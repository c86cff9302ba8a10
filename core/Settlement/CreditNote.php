<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;

/** A credit note: revenue (net) and output tax against the control account (R2). */
final readonly class CreditNote
{
    /**
     * @param non-empty-list<CreditedLine> $lines
     * @param Money $net without tax, in the document's currency
     * @param Money $gross with tax
     */
    private function __construct(public array $lines, public Money $net, public Money $gross) {}

    public function tax(): Money
    {
        return $this->gross->minus($this->net);
    }

    /**
     * Tax is rounded half away from zero once for each rate, over all lines.
     *
     * @param non-empty-list<CreditedLine> $lines
     */
    public static function over(array $lines, Currency $currency): self
    {
        $byRate = [];
        foreach ($lines as $line) {
            $byRate[$line->rate] = ($byRate[$line->rate] ?? 0) + $line->net;
        }
        $gross = 0;
        foreach ($byRate as $rate => $net) {
            $gross += (new TaxedLine($net, (string) $rate))->gross();
        }

        return new self($lines, Money::ofMinor(array_sum($byRate), $currency), Money::ofMinor($gross, $currency));
    }

    /**
     * A credit of a given gross amount, shared over what is left of an invoice's lines in their own mix of rates: the parts add up to
     * the whole, and the tax of each rate is taken out of its part.
     *
     * @param non-empty-list<InvoiceLine> $lines
     */
    public static function ofGross(Money $gross, array $lines): self
    {
        $parts = Rounding::split($gross->minor, array_map(static fn (InvoiceLine $line): int => $line->restGross(), $lines));
        $byRate = [];
        foreach ($lines as $place => $line) {
            $byRate[$line->rate][$place] = $parts[$place];
        }
        $credited = [];
        foreach ($byRate as $rate => $shares) {
            $net = array_sum($shares) - TaxRelief::atRate(array_sum($shares), (string) $rate);
            $nets = $net === 0 ? [] : array_combine(array_keys($shares), Rounding::split($net, array_values($shares)));
            foreach (array_filter($nets, static fn (int $of): bool => $of > 0) as $place => $of) {
                $credited[$place] = $lines[$place]->credited($of);
            }
        }
        ksort($credited);
        $credited = array_values($credited);
        assert($credited !== []);
        $net = array_sum(array_map(static fn (CreditedLine $line): int => $line->net, $credited));

        return new self($credited, Money::ofMinor($net, $gross->currency), $gross);
    }

    /**
     * What of the gross each invoice gets, shared by its lines with their tax; parts add up.
     *
     * @return array<string, int> minor units, by document; blank for lines of its own
     */
    public function byDocument(): array
    {
        $weights = [];
        foreach ($this->lines as $line) {
            $weights[$line->document] = ($weights[$line->document] ?? 0) + $line->gross();
        }

        return array_combine(array_map(strval(...), array_keys($weights)), Rounding::split($this->gross->minor, array_values($weights)));
    }

    /**
     * @param VoucherHead $head the credit note's own document
     * @param Money $base what the gross is in base currency, by the invoices' own carrying amounts
     */
    public function voucher(VoucherHead $head, ChartOfAccounts $accounts, Account $control, Money $base, string $text): Voucher
    {
        // Net and tax share the base as they share the gross; the lines share the net.
        $tax = $base->share($this->gross->minus($this->net), $this->gross);
        $parts = $base->minus($tax)->split(array_map(static fn (CreditedLine $line): int => $line->net, $this->lines));
        $line = static fn (Account $account, Money $of, string $text, string $reference = ''): VoucherLine => new VoucherLine(
            $account,
            $of,
            $text,
            $head->document,
            $head->customer,
            reference: $reference,
        );
        $posted = [];
        foreach ($this->lines as $place => $credited) {
            if (! $parts[$place]->isZero()) {
                $posted[] = $line(
                    $credited->account,
                    $parts[$place],
                    $credited->description === '' ? $text : $credited->description,
                    $credited->dimension,
                );
            }
        }
        if (! $tax->isZero()) {
            $posted[] = $line($accounts->withRole(AccountRole::OutputTax), $tax, $text);
        }
        $worth = new Worth($base, $this->gross);

        return new Voucher($head->date, $text, [...$posted, (new EventVouchers($accounts))->offCustomer($head, $control, $worth, $text)]);
    }
}
