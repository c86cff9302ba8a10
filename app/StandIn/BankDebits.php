<?php

declare(strict_types=1);

namespace App\StandIn;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Exchange\Bank\ReturnReason;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What the simulated bank does with direct debits: it credits each sum on its day, and some of the debits come back two days later. */
final class BankDebits
{
    /** One debit in so many comes back. */
    private const ONE_IN = 4;

    private const FEE = 350;

    private const REASONS = [ReturnReason::NoFunds, ReturnReason::RefundAsked, ReturnReason::ClosedAccount];

    /** @return list<BankMovement> */
    public function credited(string $day): array
    {
        $sums = $this->taken($day)
            ->whereNotExists(static fn (Builder $query) => $query
                ->from('money_lines as s')
                ->whereNotNull('s.statement_id')
                ->whereColumn('s.end_to_end', 'b.reference'))
            ->groupBy('b.id')
            ->orderBy('b.id')
            ->selectRaw('b.reference, sum(l.amount) AS amount');

        return array_values($sums->get()->map(static fn (stdClass $sum): BankMovement => new BankMovement(
            new Payer('', '', "Direct debits {$sum->reference}"), self::money((int) $sum->amount), $sum->reference,
        ))->all());
    }

    /** @return list<BankMovement> */
    public function returned(string $day): array
    {
        $debits = $this->taken(Day::plus($day, -2))
            ->join('collection_debits as d', 'd.id', '=', 'a.debit_id')
            ->join('mandates as m', 'm.id', '=', 'd.mandate_id')
            ->whereRaw('d.id % ? = 0', [self::ONE_IN])
            ->whereNotExists(static fn (Builder $query) => $query
                ->from('money_lines as r')
                ->whereNotNull('r.statement_id')
                ->whereColumn('r.end_to_end', 'd.end_to_end'))
            ->orderBy('d.id')
            ->get(['d.id', 'd.end_to_end', 'l.amount', 'm.holder', 'm.iban']);

        return array_values($debits->map(static function (stdClass $debit): BankMovement {
            $reason = self::REASONS[intdiv((int) $debit->id, self::ONE_IN) % count(self::REASONS)];

            return new BankMovement(
                new Payer($debit->holder, $debit->iban, "Direct debit returned {$debit->end_to_end}"),
                self::money(-(int) $debit->amount),
                $debit->end_to_end,
                self::money(self::FEE),
                $reason->value,
            );
        })->all());
    }

    private static function money(int $minor): Money
    {
        return Money::ofMinor($minor, DirectDebits::CURRENCY);
    }

    /** Debits that it took for a day up to this one. */
    private function taken(string $day): Builder
    {
        return DB::table('collection_answers as a')
            ->join('money_lines as l', 'l.id', '=', 'a.line_id')
            ->join('batches as b', 'b.id', '=', 'l.batch_id')
            ->where('b.date', '<=', $day);
    }
}
