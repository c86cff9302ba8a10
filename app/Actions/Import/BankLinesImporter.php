<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Bank\CountedOnce;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankReferences;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\RunningBalance;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payer;
use App\Queries\KnownMovements;

/**
 * A bank's list of movements as CSV or sheet. Lists overlap, so a line is known by what it says; where a balance stands beside each
 * line it is checked, and the first new line has to go on from where the books left off.
 */
final class BankLinesImporter extends Importer
{
    /** @var array<string, non-empty-list<array{BankLine, ?Money}>> line and balance, by bank account and currency */
    private array $lines = [];

    public function take(array $row, int $number): ?Outcome
    {
        $currency = $row['currency'] === '' ? $this->books->base() : Currency::of($row['currency']);
        $line = new BankLine(
            $row['date'],
            $row['value_date'] === '' ? $row['date'] : $row['value_date'],
            $this->amount($row, $currency),
            new BankReferences($row['reference']),
            new Payer($row['party'], $row['party_account'], $row['text']),
        );
        $account = $row['bank_account'] === '' ? $this->books->onlyBankAccount($currency) : $row['bank_account'];
        $this->lines["{$account}\0{$currency->code}"][] = [
            $line,
            $row['balance'] === '' ? null : $this->money('balance', $row['balance'], $currency),
        ];

        return null;
    }

    /** @throws Refusal when balances do not follow, or lines are missing since the last list */
    public function finish(callable $refuse): void
    {
        foreach ($this->lines as $key => $rows) {
            [$account, $code] = explode("\0", $key);
            $balanced = array_filter($rows, static fn (array $row): bool => $row[1] === null) === [];
            $ordered = array_map(static fn (array $row): array => [$row[0], $row[1] ?? $row[0]->amount], $rows);
            $this->list($account, Currency::of($code), $balanced ? RunningBalance::inOrder($ordered) : $ordered, $balanced);
        }
    }

    /**
     * @param non-empty-list<array{BankLine, Money}> $rows
     * @param bool $balanced whether a balance stands beside each line
     */
    private function list(string $account, Currency $currency, array $rows, bool $balanced): void
    {
        $entries = array_map(static fn (array $row): BankEntry => new BankEntry($row[0]), $rows);
        $lines = array_column($rows, 0);
        $days = array_map(static fn (BankLine $line): string => $line->bookingDate, $lines);
        $number = 'list '.min($days).' to '.max($days);
        $known = new KnownMovements($this->books->bankAccount($account, $currency), $account, $currency);
        $arrivals = CountedOnce::compare(new BankStatement($account, $currency, $number, $entries), $known->near($lines));
        if ($arrivals->bringNothing()) {
            $this->report->same += $arrivals->same;

            return;
        }
        $new = array_column([...$arrivals->new, ...$arrivals->asked], 0);
        $first = count($entries) - count($new);
        // Its balances hold where the new lines go on from those that are known.
        $goesOn = $balanced && $arrivals->details === [] && $new === array_slice($entries, $first);
        $opening = $goesOn ? new BankBalance($days[$first], $rows[$first][1]->minus($lines[$first]->amount)) : null;
        $closing = $goesOn ? new BankBalance(max($days), $rows[count($rows) - 1][1]) : null;
        $statement = new BankStatement($account, $currency, "{$number} of ".count($new), $new, $opening, $closing);
        (new StatementImporter($this->books, $this->report))->storeNew($statement, $arrivals);
    }

    /** @param  array<string, string>  $row */
    private function amount(array $row, Currency $currency): Money
    {
        $given = array_filter(
            ['amount' => $row['amount'], 'money_in' => $row['money_in'], 'money_out' => $row['money_out']],
            static fn (string $text): bool => trim($text, '0.,-') !== '',
        );
        if (count($given) !== 1) {
            throw new RowFault('amount', implode(' and ', $given), 'an amount, or one of money in and money out, is expected');
        }
        $money = $this->money((string) array_key_first($given), (string) reset($given), $currency);

        return isset($given['money_out']) ? $money->abs()->negated() : $money;
    }

    private function money(string $field, string $text, Currency $currency): Money
    {
        try {
            return Money::parse($text, $currency);
        } catch (Refusal $refusal) {
            throw new RowFault($field, $text, $refusal->getMessage());
        }
    }
}
