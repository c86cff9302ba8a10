<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\RunningBalance;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/**
 * A bank's list of movements as CSV or sheet. Lists overlap, so a line is known by what it says; where a balance stands beside each line it is checked, and the
 * first new line has to go on from where the books left off.
 */
final class BankLinesImporter extends Importer
{
    /** @var array<string, non-empty-list<array{int, BankLine, ?Money}>> row, line and balance, by bank account and currency */
    private array $lines = [];

    public function take(array $row, int $number): ?Outcome
    {
        $currency = $row['currency'] === '' ? $this->books->base() : Currency::of($row['currency']);
        $line = new BankLine(
            $row['date'], $row['value_date'] === '' ? $row['date'] : $row['value_date'], $this->amount($row, $currency), null, $row['reference'], '', $row['party'], $row['party_account'], $row['text'], false,
        );
        $account = $row['bank_account'] === '' ? 'bank list' : $row['bank_account'];
        $this->lines["{$account}\0{$currency->code}"][] = [$number, $line, $row['balance'] === '' ? null : $this->money('balance', $row['balance'], $currency)];

        return null;
    }

    /** @throws Refusal when balances do not follow, or lines are missing since the last list */
    public function finish(callable $refuse): void
    {
        foreach ($this->lines as $key => $rows) {
            [$account, $code] = explode("\0", $key);
            $statements = new StatementImporter($this->books, $this->report, $this->fileId);
            $balanced = array_filter($rows, static fn (array $row): bool => $row[2] === null) === [];
            $ordered = array_map(static fn (array $row): array => [$row[1], $row[2] ?? $row[1]->amount], $rows);
            $ordered = $balanced ? RunningBalance::inOrder($ordered) : $ordered;
            $new = $seen = [];
            foreach ($ordered as [$line, $balance]) {
                $says = implode("\0", [$line->bookingDate, $line->amount->minor, $line->reference, $line->party, $line->remittance]);
                $seen[$says] = ($seen[$says] ?? 0) + 1;
                if ($seen[$says] <= $statements->alike($account, $line)) {
                    $this->report->same++;
                } else {
                    $new[] = [$line, $balance];
                }
            }
            if ($new !== []) {
                $days = array_map(static fn (array $of): string => $of[0]->bookingDate, $new);
                $opening = $balanced ? $new[0][1]->minus($new[0][0]->amount) : null;
                $statements->store(new BankStatement(
                    $account, Currency::of($code), 'list '.min($days).' to '.max($days).' of '.count($new), $opening, $balanced ? $new[count($new) - 1][1] : null, min($days), max($days), array_map(static fn (array $of): BankLine => $of[0], $new),
                ), true);
            }
        }
    }

    /** @param  array<string, string>  $row */
    private function amount(array $row, Currency $currency): Money
    {
        $given = array_filter(['amount' => $row['amount'], 'money_in' => $row['money_in'], 'money_out' => $row['money_out']], static fn (string $text): bool => trim($text, '0.,-') !== '');
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
