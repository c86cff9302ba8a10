<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;

/**
 * A line of a credit note: some of a line of an invoice, whose revenue account and tax it follows, or a line of its own. Amounts are
 * minor units of the document's currency, without tax.
 */
final readonly class CreditedLine
{
    /**
     * @param string $document the invoice; blank for a line of its own
     * @param int $net what is credited, above zero
     * @param ?int $rest what earlier credit notes left of the invoice's line; null for a line of its own
     * @param string $dimension a dimension of the books, such as a cost centre, or blank
     *
     * @throws Refusal when nothing is credited, or more than is left of the line
     */
    public function __construct(
        public string $document,
        public string $line,
        public string $description,
        public Account $account,
        public string $rate,
        public int $net,
        ?int $rest = null,
        public string $dimension = '',
    ) {
        if ($net <= 0 || ($rest !== null && $net > $rest)) {
            $most = $rest === null ? '' : ' and not above what is left of the line';
            throw new Refusal(trim("{$document} line {$line}").", {$description}: an amount above zero{$most} is expected.");
        }
    }

    /**
     * A line that stands on no invoice.
     *
     * @param string $rate percent of tax; blank: none
     *
     * @throws Refusal when the account carries customers, the rate is none, or nothing is credited
     */
    public static function free(string $description, Account $account, string $rate, int $net, string $dimension): self
    {
        if ($account->carriesCustomers()) {
            throw new Refusal("{$account->title()} carries customers. Choose an account of revenue or of reductions.");
        }
        TaxRelief::atRate(0, $rate === '' ? '0' : $rate);

        return new self(
            '',
            '',
            $description === '' ? 'Credit' : $description,
            $account,
            $rate === '' ? '0' : $rate,
            $net,
            dimension: $dimension,
        );
    }

    /** With its tax, minor units. */
    public function gross(): int
    {
        return (new TaxedLine($this->net, $this->rate))->gross();
    }
}
