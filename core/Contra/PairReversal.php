<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;

/** One pair out of a run whose voucher has them all (R7): its lines on the other side, and the exchange difference that it realised. */
final readonly class PairReversal
{
    public function __construct(private ChartOfAccounts $accounts) {}

    /**
     * @param Voucher $posted of the run
     * @param string $document of the pair's contra
     * @param string $date on which it goes back
     */
    public function voucher(Voucher $posted, string $document, string $date): Voucher
    {
        $text = "Contra {$document} taken back";
        $lines = [];
        $rest = Money::zero($posted->lines[0]->base->currency);
        foreach ($posted->lines as $line) {
            if ($line->document === $document) {
                $lines[] = $line->reversed($text);
                $rest = $rest->plus($line->base);
            }
        }
        if (! $rest->isZero()) {
            $role = $rest->isPositive() ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss;
            $lines[] = new VoucherLine($this->accounts->withRole($role), $rest, $text);
        }
        assert($lines !== []);

        return new Voucher($date, $text, $lines);
    }
}
