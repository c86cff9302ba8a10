<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Proposal\PayerRecognition;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Money that came in and has no owner yet, with whose it may be and what it may settle. */
final readonly class BankLines
{
    public function __construct(private Positions $positions, private Proposals $proposals) {}

    /** @return list<BankLine> oldest first */
    public function toPlace(string $asOf): array
    {
        return array_values($this->open()->where('l.booking_date', '<=', $asOf)->where('l.amount', '>', 0)->orderBy('l.booking_date')->orderBy('l.id')->get()->map($this->line(...))->all());
    }

    /**
     * The lines in one currency added up; others are left out.
     *
     * @param list<BankLine> $lines
     */
    public static function sum(array $lines, Currency $currency): Money
    {
        return Money::ofMinor(array_sum(array_map(static fn (BankLine $line): int => $line->amount->currency->code === $currency->code ? $line->amount->minor : 0, $lines)), $currency);
    }

    public function placed(): int
    {
        return DB::table('bank_placements')->count();
    }

    /** @throws Refusal when there is no such line */
    public function find(int $id): BankLine
    {
        $row = $this->lines()->where('l.id', $id)->first();

        return $row instanceof stdClass ? $this->line($row) : throw new Refusal('There is no such bank line. Load the page again.');
    }

    /**
     * Lines with whose money it may be and what it may settle, the most certain first.
     *
     * @param list<BankLine> $lines
     * @return list<PlacedGuess>
     */
    public function guesses(array $lines, Account $control, string $asOf): array
    {
        /** @var array<int, list<OpenItem>> $open by customer id */
        $open = $owners = $candidates = [];
        foreach ($this->positions->forMatching($control->id, $asOf) as $customerId => [, , $item]) {
            $open[$customerId][] = $item;
            if ($item->side === Side::Debit) {
                $owners[$item->id] = $customerId;
                $candidates[] = new Candidate($item->id, $item->document, $item->side, $item->date, $item->dueDate, $item->open->minor, 0, $item->reference);
            }
        }
        $reader = new ReferenceReader($candidates);
        $profiles = $lines === [] ? [] : $this->profiles();
        $guesses = [];
        foreach ($lines as $line) {
            $quoted = [];
            foreach ($reader->within($line->remittance) as $candidate) {
                $quoted[$owners[$candidate->id]][] = $candidate->document;
            }
            $payers = PayerRecognition::rank($line->partyAccount, $line->party, $line->remittance, $quoted, $profiles);
            $first = $payers[0] ?? null;
            $sure = $first !== null && $first->score >= PayerRecognition::SURE && $first->score > ($payers[1]->score ?? 0);
            $guesses[] = new PlacedGuess($line, $payers, $sure, $sure ? $this->proposals->forItem($this->asCredit($line, $control), $open[$first->customerId] ?? []) : null);
        }
        usort($guesses, static fn (PlacedGuess $one, PlacedGuess $other): int => [$one->rank(), $one->line->bookingDate, $one->line->id] <=> [$other->rank(), $other->line->bookingDate, $other->line->id]);

        return $guesses;
    }

    /** The line as the loose credit that it will be, for proposals. */
    public function asCredit(BankLine $line, Account $control): OpenItem
    {
        $amount = $line->amount->plus($line->charges);

        return new OpenItem(
            0, $line->reference, Kind::Receipt, Side::Credit, $line->valueDate, $line->valueDate, $amount, $amount, $amount, 0, 0, $line->remittance,
            controlAccountId: $control->id,
        );
    }

    /** @return list<PayerProfile> */
    private function profiles(): array
    {
        $known = DB::table('payers')->get()->groupBy('customer_id');

        return array_values(DB::table('customers')->orderBy('customer')->get(['id', 'name', 'trading_name', 'iban'])->map(static fn (stdClass $customer): PayerProfile => new PayerProfile(
            $customer->id,
            array_values(array_filter([$customer->name, $customer->trading_name, ...($known[$customer->id] ?? collect())->pluck('name')->all()])),
            array_values(array_filter([$customer->iban, ...($known[$customer->id] ?? collect())->pluck('bank_account')->all()])),
        ))->all());
    }

    private function open(): Builder
    {
        return $this->lines()->whereNotExists(static fn (Builder $query) => $query->from('bank_placements')->whereColumn('bank_placements.line_id', 'l.id'));
    }

    private function lines(): Builder
    {
        return DB::table('bank_lines as l')->join('bank_statements as s', 's.id', '=', 'l.statement_id')->select(['l.*', 's.account_id']);
    }

    private function line(stdClass $row): BankLine
    {
        return new BankLine(
            $row->id, $row->account_id, $row->booking_date, $row->value_date, Money::ofMinor($row->amount, $row->currency),
            Money::ofMinor($row->charges, $row->currency), $row->reference, $row->party, $row->party_account, $row->remittance,
        );
    }
}
