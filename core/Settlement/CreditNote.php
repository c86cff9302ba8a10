<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
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
        $gross = array_sum(array_map(static fn (int $of, int|string $rate): int => (new TaxedLine($of, (string) $rate))->gross(), $byRate, array_keys($byRate)));

        return new self($lines, Money::ofMinor(array_sum($byRate), $currency), Money::ofMinor($gross, $currency));
    }

    /**
     * A credit of a given gross amount, shared over what is left of an invoice's lines in their own mix of rates: the parts add up to the whole, and
     * the tax of each rate is taken out of its part.
     *
     * @param non-empty-list<array{string, string, string, Account, string, int}> $lines document, line, description, account, rate, and what is left of it without tax
     */
    public static function ofGross(Money $gross, array $lines): self
    {
        $parts = Rounding::split($gross->minor, array_map(static fn (array $line): int => max(0, (new TaxedLine($line[5], $line[4]))->gross()), $lines));
        $byRate = [];
        foreach ($lines as $place => $line) {
            $byRate[$line[4]][$place] = $parts[$place];
        }
        $credited = [];
        foreach ($byRate as $rate => $shares) {
            $net = array_sum($shares) - TaxRelief::atRate(array_sum($shares), (string) $rate);
            foreach ($net === 0 ? [] : array_combine(array_keys($shares), Rounding::split($net, array_values($shares))) as $place => $of) {
                if ($of > 0) {
                    [$document, $name, $description, $account] = $lines[$place];
                    $credited[$place] = new CreditedLine($document, $name, $description, $account, (string) $rate, $of, $lines[$place][5]);
                }
            }
        }
        ksort($credited);
        $credited = array_values($credited);
        assert($credited !== []);

        return new self($credited, Money::ofMinor(array_sum(array_map(static fn (CreditedLine $line): int => $line->net, $credited)), $gross->currency), $gross);
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
            $weights[$line->document] = ($weights[$line->document] ?? 0) + (new TaxedLine($line->net, $line->rate))->gross();
        }

        return array_combine(array_map(strval(...), array_keys($weights)), Rounding::split($this->gross->minor, array_values($weights)));
    }

    /** @param  Money  $base what the gross is in base currency, by the invoices' own carrying amounts */
    public function voucher(string $date, ChartOfAccounts $accounts, Account $control, Money $base, string $document, string $text, string $customer): Voucher
    {
        // Net and tax share the base as they share the gross; the lines share the net.
        $tax = Rounding::proportion($base->minor, $this->gross->minor - $this->net->minor, $this->gross->minor);
        $parts = Rounding::split($base->minor - $tax, array_map(static fn (CreditedLine $line): int => $line->net, $this->lines));
        $posted = [];
        foreach ($this->lines as $place => $line) {
            if ($parts[$place] !== 0) {
                $posted[] = new VoucherLine($line->account, Money::ofMinor($parts[$place], $base->currency), $line->description === '' ? $text : $line->description, $document, $customer, reference: $line->dimension);
            }
        }
        if ($tax !== 0) {
            $posted[] = new VoucherLine($accounts->withRole(AccountRole::OutputTax), Money::ofMinor($tax, $base->currency), $text, $document, $customer);
        }

        return new Voucher($date, $text, [...$posted, new VoucherLine($control, $base->negated(), $text, $document, $customer, $this->gross->currency->code === $base->currency->code ? null : $this->gross->negated())]);
    }
}
