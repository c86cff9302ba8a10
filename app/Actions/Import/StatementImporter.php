<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Bank\AccountNumber;
use Ajuste\Core\Bank\Arrivals;
use Ajuste\Core\Bank\CountedOnce;
use Ajuste\Core\Exchange\Bank\BankEntry;
use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\BankStatement;
use Ajuste\Core\Exchange\Bank\CamtReader;
use Ajuste\Core\Exchange\Bank\Mt940Reader;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Queries\KnownMovements;
use App\Support\Moment;

/** Bank statements, notifications and reports: what they bring that is new is kept, and each statement with its balances. */
final readonly class StatementImporter
{
    public const KIND = 'bank_statement';

    private const INSERT =
        'INSERT INTO money_lines (way, statement_id, divided_by, account_id, place, booking_date, value_date, currency, amount, charges, '.
        'reference, end_to_end, party, party_account, remittance, is_reversal, return_reason, entry, entry_reference) '.
        "VALUES ('statement', ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";

    public function __construct(private Books $books, private FileReport $report) {}

    public static function recognises(SourceFile $file): bool
    {
        $head = self::head((string) file_get_contents($file->path, false, null, 0, 16_384));

        return CamtReader::recognises($head) || Mt940Reader::recognises($head);
    }

    /** @throws Refusal when a statement does not add up, does not follow the one before, or there is no bank account for it */
    public function take(string $text): void
    {
        $read = CamtReader::recognises(self::head(substr($text, 0, 16_384))) ? CamtReader::read($text) : Mt940Reader::read($text);
        foreach ($this->books->pages->add($read) as $statement) {
            $this->store($statement);
        }
    }

    /**
     * Pages whose other pages no file has brought.
     *
     * @throws Refusal when one is no statement by itself
     */
    public function takeRest(): void
    {
        foreach ($this->books->pages->rest() as $statement) {
            $this->store($statement);
        }
    }

    /** @throws Refusal */
    public function store(BankStatement $statement): void
    {
        $movements = $statement->movements();
        $this->report->rows += count($movements) + count($statement->pending);
        foreach ([...$movements, ...$statement->pending] as $line) {
            $this->report->sawDate($line->bookingDate);
        }
        foreach ($movements as $line) {
            $line->amount->isPositive()
                ? ($this->report->debits += $line->amount->minor)
                : ($this->report->credits -= $line->amount->minor);
        }
        $account = $this->books->bankAccount($statement->account, $statement->currency);
        $known = new KnownMovements($account, $statement->account, $statement->currency);
        if ($statement->pending !== []) {
            $this->keepPending($statement, $account);
        }
        if ($statement->entries === [] && ! $statement->isComplete()) {
            return;
        }
        if ($statement->isComplete() && $known->has($statement)) {
            $this->keep($statement, CountedOnce::again($statement, $known->booked($statement->firstDay(), $statement->lastDay())), null);

            return;
        }
        if ($known->hasOtherBalances($statement)) {
            throw new Refusal(
                "Statement {$statement->number} of {$statement->account} is known with other balances. Ask the bank which of the two is ".
                    'right.',
            );
        }
        $statement->refuseGap($known->closingBefore($statement));
        $arrivals = CountedOnce::compare($statement, $known->near($movements));
        $this->keep($statement, $arrivals, $this->insert($statement, $account));
        if ($statement->isComplete() && $arrivals->bringNothing()) {
            $this->report->new++;
            $this->report->notices[] = "Statement {$statement->number} is kept with its balances; its movements were known.";
        }
    }

    /**
     * Movements of a list that are new are kept as a statement of their own, with its balances where they stand beside every line.
     *
     * @throws Refusal
     */
    public function storeNew(BankStatement $statement, Arrivals $arrivals): void
    {
        $account = $this->books->bankAccount($statement->account, $statement->currency);
        $statement->refuseGap((new KnownMovements($account, $statement->account, $statement->currency))->closingBefore($statement));
        $this->keep($statement, $arrivals, $this->insert($statement, $account));
    }

    /** Text of UTF-16 as its letters, so that what a file is can be told by its head. */
    private static function head(string $head): string
    {
        return str_contains(substr($head, 0, 64), "\0") ? str_replace("\0", '', $head) : $head;
    }

    /** @param  ?int  $statementId null where the statement is known */
    private function keep(BankStatement $statement, Arrivals $arrivals, ?int $statementId): void
    {
        $this->report->same += $arrivals->same;
        $place = 0;
        foreach ($arrivals->new as [$entry, $lines]) {
            foreach ($lines as $line) {
                $this->insertLine($statement, (int) $statementId, ++$place, $entry, $line);
            }
        }
        foreach ($arrivals->asked as [$entry, $line, $like]) {
            $id = $this->insertLine($statement, (int) $statementId, ++$place, $entry, $line);
            $this->books->write('INSERT INTO movement_questions (line_id, like_line_id, recorded_at) VALUES (?, ?, ?)', [
                $id,
                $like,
                Moment::now(),
            ]);
        }
        if ($arrivals->asked !== []) {
            $this->report->notices[] =
                count($arrivals->asked).
                ' of the movements may be known already: same day and amount, and nothing else '.
                'to tell them apart. Receipts asks.';
        }
        foreach ($arrivals->details as $known => $lines) {
            $this->putInPlaceOf($known, $lines);
        }
    }

    /**
     * Details take the place of a sum that nobody has placed yet; of one that was placed they say nothing new.
     *
     * @param list<BankLine> $details
     */
    private function putInPlaceOf(int $sumId, array $details): void
    {
        $placed = $this->books->rows(
            'SELECT 1 FROM placements p WHERE p.line_id = ? AND NOT EXISTS (SELECT 1 FROM placement_reversals r WHERE r.placement_id = '.
                'p.id)',
            [$sumId],
        );
        if ($placed !== []) {
            $this->report->same += count($details);

            return;
        }
        [$statementId, $accountId] = $this->books->rows('SELECT statement_id, account_id FROM money_lines WHERE id = ?', [$sumId])[0];
        $placement = $this->books->write(
            "INSERT INTO placements (line_id, kind, reason, who, recorded_at) VALUES (?, 'divided', ?, ?, ?)",
            [$sumId, KnownMovements::DETAILS, $this->books->who(), Moment::now()],
        );
        foreach ($details as $place => $line) {
            $this->books->write(self::INSERT, [
                (int) $statementId,
                $placement,
                (int) $accountId,
                $place + 1,
                ...self::says($line),
                0,
                $line->references->bank,
            ]);
            $this->report->new++;
        }
    }

    private function insert(BankStatement $statement, int $account): int
    {
        return $this->books->write(
            'INSERT INTO bank_statements (import_file_id, account_id, bank_account, currency, number, opening, closing, opening_date, '.
                'closing_date) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $this->report->fileId,
                $account,
                $statement->account,
                $statement->currency->code,
                $statement->number,
                $statement->isComplete() ? $statement->opening?->amount->minor : null,
                $statement->isComplete() ? $statement->closing?->amount->minor : null,
                $statement->firstDay(),
                $statement->lastDay(),
            ],
        );
    }

    private function insertLine(BankStatement $statement, int $statementId, int $place, BankEntry $entry, BankLine $line): int
    {
        $this->report->new++;

        return $this->books->write(self::INSERT, [
            $statementId,
            null,
            $this->books->bankAccount($statement->account, $statement->currency),
            $place,
            ...self::says($line),
            1 + (int) array_search($entry, $statement->entries, true),
            $entry->whole->references->bank,
        ]);
    }

    /** @return list<int|string> */
    private static function says(BankLine $line): array
    {
        return [
            $line->bookingDate,
            $line->valueDate,
            $line->amount->currency->code,
            $line->amount->minor,
            $line->charges->minor ?? 0,
            $line->references->bank,
            $line->references->endToEnd,
            $line->payer->name,
            $line->payer->bankAccount,
            $line->payer->remittance,
            $line->isReversal ? 1 : 0,
            $line->returnReason,
        ];
    }

    /** What is pending is shown until a statement of its day comes, or another report. */
    private function keepPending(BankStatement $report, int $account): void
    {
        $rows = array_map(
            static fn (BankLine $line): array => [
                $line->bookingDate,
                $line->amount->minor,
                $line->references->bank,
                $line->payer->name,
                $line->payer->remittance,
            ],
            $report->pending,
        );
        $before = $this->books->rows(
            'SELECT booking_date, amount, reference, party, remittance FROM pending_movements WHERE account_id = ? AND import_file_id = '.
                '(SELECT max(import_file_id) FROM pending_movements WHERE account_id = ?) ORDER BY id',
            [$account, $account],
        );
        if ($before === $rows) {
            $this->report->same += count($rows);

            return;
        }
        foreach ($rows as [$day, $amount, $reference, $party, $remittance]) {
            $this->books->write(
                'INSERT INTO pending_movements (import_file_id, account_id, bank_account, currency, booking_date, amount, reference, '.
                    'party, '.
                    'remittance) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
                [
                    $this->report->fileId,
                    $account,
                    AccountNumber::plain($report->account),
                    $report->currency->code,
                    $day,
                    $amount,
                    $reference,
                    $party,
                    $remittance,
                ],
            );
            $this->report->new++;
        }
        $this->report->notices[] = count($rows).' pending: shown with bank against book, and no money until a statement books them.';
    }
}
