<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtReader;
use Ajuste\Core\Exchange\Bank\Mt940Reader;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** Bank statements and notifications. A statement is known by account, number and day; the same one twice changes nothing. */
final readonly class StatementImporter
{
    public const KIND = 'bank_statement';

    public function __construct(private Books $books, private FileReport $report, private int $fileId) {}

    public static function recognises(SourceFile $file): bool
    {
        $head = (string) file_get_contents($file->path, false, null, 0, 16_384);

        return CamtReader::recognises($head) || Mt940Reader::recognises($head);
    }

    /** @throws Refusal when a statement does not add up, does not follow the one before, or there is no bank account for it */
    public function take(string $text): void
    {
        $statements = CamtReader::recognises(substr($text, 0, 16_384)) ? CamtReader::read($text) : Mt940Reader::read($text);
        usort($statements, static fn (BankStatement $one, BankStatement $other): int => [$one->openingDate, $one->closingDate] <=> [$other->openingDate, $other->closingDate]);
        foreach ($statements as $statement) {
            $this->report->rows += count($statement->lines);
            $this->store($statement);
        }
    }

    /**
     * @param bool $byContent lines are known by what they say, where the source gives them no number of its own
     *
     * @throws Refusal
     */
    public function store(BankStatement $statement, bool $byContent = false): void
    {
        foreach ($statement->lines as $line) {
            $this->report->sawDate($line->bookingDate);
            $line->amount->minor > 0 ? $this->report->debits += $line->amount->minor : $this->report->credits -= $line->amount->minor;
        }
        $known = $this->books->rows('SELECT opening, closing FROM bank_statements WHERE bank_account = ? AND currency = ? AND number = ? AND closing_date = ?', [$statement->account, $statement->currency->code, $statement->number, $statement->closingDate]);
        if ($known !== []) {
            if ($known[0] !== [$statement->opening?->minor, $statement->closing?->minor]) {
                throw new Refusal("Statement {$statement->number} of {$statement->account} is known with other balances. Ask the bank which of the two is right.");
            }
            $this->report->same += count($statement->lines);

            return;
        }
        $before = $this->books->rows('SELECT closing FROM bank_statements WHERE bank_account = ? AND currency = ? AND closing IS NOT NULL AND closing_date <= ? ORDER BY closing_date DESC, id DESC LIMIT 1', [$statement->account, $statement->currency->code, $statement->openingDate]);
        $statement->refuseGap($before === [] ? null : Money::ofMinor((int) $before[0][0], $statement->currency));
        $account = $this->bankAccount($statement);
        $id = $this->books->write('INSERT INTO bank_statements (import_file_id, account_id, bank_account, currency, number, opening, closing, opening_date, closing_date) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)', [
            $this->fileId, $account, $statement->account, $statement->currency->code, $statement->number, $statement->opening?->minor, $statement->closing?->minor, $statement->openingDate, $statement->closingDate,
        ]);
        foreach ($statement->lines as $place => $line) {
            if (! $byContent && $line->reference !== '' && $this->isKnown($statement, $line->reference, $line->amount->minor)) {
                $this->report->same++;

                continue;
            }
            $this->books->write('INSERT INTO money_lines (way, statement_id, account_id, place, booking_date, value_date, currency, amount, charges, reference, end_to_end, party, party_account, remittance, is_reversal) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)', [
                'statement', $id, $account, $place + 1, $line->bookingDate, $line->valueDate, $line->amount->currency->code, $line->amount->minor, $line->charges?->currency->code === $line->amount->currency->code ? $line->charges->minor : 0, $line->reference, $line->endToEnd, $line->party, $line->partyAccount, $line->remittance, $line->isReversal ? 1 : 0,
            ]);
            $this->report->new++;
        }
    }

    /** How many lines in the books say the same. */
    public function alike(string $bankAccount, BankLine $line): int
    {
        return (int) $this->books->rows('SELECT count(*) FROM money_lines l JOIN bank_statements s ON s.id = l.statement_id WHERE l.divided_by IS NULL AND s.bank_account = ? AND l.booking_date = ? AND l.amount = ? AND l.currency = ? AND l.reference = ? AND l.party = ? AND l.remittance = ?', [
            $bankAccount, $line->bookingDate, $line->amount->minor, $line->amount->currency->code, $line->reference, $line->party, $line->remittance,
        ])[0][0];
    }

    /** A movement that a notification brought and the statement brings again, known by the bank's own reference. */
    private function isKnown(BankStatement $statement, string $reference, int $amount): bool
    {
        return $this->books->rows('SELECT 1 FROM money_lines l JOIN bank_statements s ON s.id = l.statement_id WHERE s.bank_account = ? AND l.reference = ? AND l.amount = ? AND (s.opening IS NULL) <> ? LIMIT 1', [$statement->account, $reference, $amount, $statement->opening === null ? 1 : 0]) !== [];
    }

    private function bankAccount(BankStatement $statement): int
    {
        $found = $this->books->rows("SELECT id FROM accounts WHERE role = 'bank' AND (currency = ? OR currency IS NULL OR currency = '') ORDER BY currency IS NULL, account LIMIT 1", [$statement->currency->code]);

        return $found !== [] ? (int) $found[0][0] : throw new Refusal("No ledger account with the role bank is kept in {$statement->currency->code}. Give the role to one in accounts.csv.");
    }
}
