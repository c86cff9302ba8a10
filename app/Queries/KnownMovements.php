<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Bank\AccountNumber;
use Ajuste\Core\Bank\KnownMovement;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The movements and statements of one bank account that the books have. */
final readonly class KnownMovements
{
    /** What a sum is placed with when its details take its place. */
    public const DETAILS = "the bank's own details";

    /** What the account of a list without account numbers is called. */
    public const NAMELESS = 'bank list';

    private const DAYS = 10;

    public function __construct(private int $accountId, private string $number, private Currency $currency) {}

    /** Whether a statement with its balances is known, under whatever number and in whatever format it came. */
    public function has(BankStatement $statement): bool
    {
        return $this->statements()->contains(
            static fn (stdClass $of): bool => $of->closing_date === $statement->lastDay() &&
                $of->opening === $statement->opening?->amount->minor &&
                $of->closing === $statement->closing?->amount->minor,
        );
    }

    /** Whether the number of its day is known, with other balances. */
    public function hasOtherBalances(BankStatement $statement): bool
    {
        return $statement->isComplete() &&
            $this->statements()->contains(
                static fn (stdClass $of): bool => $of->number === $statement->number && $of->closing_date === $statement->lastDay(),
            );
    }

    /** What the account had when the last statement before this one ended; null where there is none. */
    public function closingBefore(BankStatement $statement): ?Money
    {
        $before = $this->statements()->filter(static fn (stdClass $of): bool => $of->closing_date <= $statement->firstDay())->last();

        return $before === null ? null : Money::ofMinor($before->closing, $this->currency);
    }

    /**
     * Those about the days of some movements, since what was announced may be booked later.
     *
     * @param list<BankLine> $movements
     * @return list<KnownMovement>
     */
    public function near(array $movements): array
    {
        $days = array_map(static fn (BankLine $line): string => $line->bookingDate, $movements);

        return $days === [] ? [] : $this->booked(Day::plus(min($days), -self::DAYS), Day::plus(max($days), self::DAYS));
    }

    /** @return list<KnownMovement> in the order in which they came */
    public function booked(string $from, string $to): array
    {
        $rows = DB::select(
            'SELECT l.*, s.bank_account, s.opening IS NOT NULL AND s.number NOT LIKE ? AS of_statement
             FROM money_lines l JOIN bank_statements s ON s.id = l.statement_id
             WHERE l.account_id = ? AND l.currency = ? AND l.booking_date BETWEEN ? AND ?
               AND (l.divided_by IS NULL OR EXISTS (SELECT 1 FROM placements d WHERE d.id = l.divided_by AND d.reason = ?
                 AND NOT EXISTS (SELECT 1 FROM placement_reversals r WHERE r.placement_id = d.id)))
               AND NOT EXISTS (SELECT 1 FROM placements d WHERE d.line_id = l.id AND d.kind = ? AND d.reason = ?
                 AND NOT EXISTS (SELECT 1 FROM placement_reversals r WHERE r.placement_id = d.id))
             ORDER BY l.id',
            ['list %', $this->accountId, $this->currency->code, $from, $to, self::DETAILS, 'divided', self::DETAILS],
        );
        $rows = array_filter($rows, fn (stdClass $row): bool => $this->isOurs($row->bank_account));

        return array_values(
            array_map(
                static fn (stdClass $row): KnownMovement => new KnownMovement(
                    $row->id,
                    new BankLine(
                        $row->booking_date,
                        $row->value_date,
                        Money::ofMinor($row->amount, $row->currency),
                        new BankReferences($row->reference, $row->end_to_end),
                        new Payer($row->party, $row->party_account, $row->remittance),
                        $row->charges === 0 ? null : Money::ofMinor($row->charges, $row->currency),
                        (bool) $row->is_reversal,
                    ),
                    $row->entry === 0 ? "line {$row->id}" : "{$row->statement_id} {$row->entry}",
                    $row->entry_reference,
                    (bool) $row->of_statement,
                ),
                $rows,
            ),
        );
    }

    /** @return Collection<int, stdClass> with balances, in the order of their days */
    private function statements(): Collection
    {
        return DB::table('bank_statements')
            ->where('account_id', $this->accountId)
            ->where('currency', $this->currency->code)
            ->whereNotNull('closing')
            ->orderBy('closing_date')
            ->orderBy('id')
            ->get()
            ->filter(fn (stdClass $of): bool => $this->isOurs($of->bank_account));
    }

    private function isOurs(string $number): bool
    {
        return $number === self::NAMELESS || $this->number === self::NAMELESS || AccountNumber::isSame($number, $this->number);
    }
}
