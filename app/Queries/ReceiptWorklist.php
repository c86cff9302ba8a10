<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Proposal\BankConfirmation;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\Confirmation;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Proposal\PayerRecognition;
use Ajuste\Core\Proposal\PostedMovement;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Proposal\StatementMovement;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Support\Remembered;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Lines of money without a place, with whose they may be, what they may confirm and what they may settle. */
final readonly class ReceiptWorklist
{
    public function __construct(private MoneyLines $lines, private Positions $positions, private Proposals $proposals, private Settings $settings) {}

    /**
     * Worked out anew when something that they look at has changed; in between they are remembered, so that going from line to line costs nothing.
     *
     * @return list<LineGuess> the most certain first
     */
    public function guesses(Account $control, string $asOf): array
    {
        $tables = ['imports', 'settings', 'money_lines', 'placements', 'placement_reversals', 'payers', 'items', 'postings', 'matches', 'match_reversals', 'discount_decisions'];

        return Remembered::while("receipt guesses {$control->id} {$asOf}", $tables, fn (): array => $this->workOut($control, $asOf));
    }

    /** @return list<LineGuess> */
    private function workOut(Account $control, string $asOf): array
    {
        $lines = [...$this->lines->toPlace($asOf), ...$this->lines->paidOut($asOf)];
        if ($lines === []) {
            return [];
        }
        /** @var array<int, list<OpenItem>> $open by customer id */
        $open = $owners = $candidates = [];
        foreach ($this->positions->forMatching($control->id, $asOf) as $customerId => $item) {
            $open[$customerId][] = $item;
            if ($item->side === Side::Debit) {
                $owners[$item->id] = $customerId;
                $candidates[] = new Candidate($item->id, $item->document, $item->side, $item->date, $item->dueDate, $item->open->minor, 0, $item->reference);
            }
        }
        $reader = new ReferenceReader($candidates);
        $recognition = new PayerRecognition($this->profiles());
        $payers = [];
        foreach ($lines as $line) {
            $payers[$line->id] = $line->customerId !== null ? [new PayerGuess($line->customerId, 'as typed', 100)] : $this->payers($line, $reader, $owners, $recognition);
        }
        $confirmations = $this->confirmations($lines, $payers);
        $guesses = [];
        foreach ($lines as $line) {
            if ($line->amount->minor < 0 && ! $line->isReversal && ! isset($confirmations[$line->id])) {
                continue; // money that went out for something else is no matter of receivables
            }
            $first = $payers[$line->id][0] ?? null;
            $sure = $first !== null && PayerRecognition::isSure($payers[$line->id]);
            $proposal = $sure && $line->amount->minor > 0 && ! isset($confirmations[$line->id]) ? $this->proposals->forItem($this->asCredit($line, $control), $open[$first->customerId] ?? []) : null;
            $guesses[] = new LineGuess($line, $payers[$line->id], $sure, $proposal, $confirmations[$line->id] ?? null);
        }
        usort($guesses, static fn (LineGuess $one, LineGuess $other): int => [$one->rank(), $one->line->bookingDate, $one->line->id] <=> [$other->rank(), $other->line->bookingDate, $other->line->id]);

        return $guesses;
    }

    /** A receipt of a batch that is not posted yet; null when there is none such. */
    public function ofBatch(int $lineId, Account $control, string $asOf): ?LineGuess
    {
        $waiting = DB::table('money_lines')->where('id', $lineId)->whereNotNull('batch_id')->whereNotIn('batch_id', DB::table('batch_postings')->select('batch_id'))->exists();
        $line = $waiting ? $this->lines->find($lineId) : null;

        return $line?->customerId === null ? null : new LineGuess(
            $line, [new PayerGuess($line->customerId, 'as typed', 100)], true, $this->proposals->forItem($this->asCredit($line, $control), $this->positions->itemsToMatch($control->id, $line->customerId, max($asOf, $line->bookingDate))),
        );
    }

    /** The line as the loose credit that it will be, for proposals. */
    public function asCredit(MoneyLine $line, Account $control): OpenItem
    {
        $amount = $line->amount->plus($line->charges);

        return new OpenItem(
            0, $line->reference, Kind::Receipt, Side::Credit, $line->valueDate, $line->valueDate, $amount, $amount, $amount, 0, 0, $line->remittance,
            controlAccountId: $control->id,
        );
    }

    /** @return list<PostedMovement> postings on money accounts up to the day that no line has confirmed */
    public function unconfirmed(int $accountId, string $from, string $to): array
    {
        $rows = DB::table('postings as o')->where('o.account_id', $accountId)->whereBetween('o.date', [$from, $to])->whereNull('o.superseded_at')
            ->whereNotExists(static fn (Builder $query) => $query->from('placements as p')->whereColumn('p.posting_id', 'o.id')->whereNotExists(MoneyLines::reversed(...)))
            // What a statement's own line has posted is on the statement already.
            ->whereNotExists(static fn (Builder $query) => $query->from('placements as p')->join('money_lines as l', 'l.id', '=', 'p.line_id')->whereColumn('p.voucher_id', 'o.voucher_id')->where('l.way', 'statement'))
            ->orderBy('o.date')->orderBy('o.id')->get(['o.id', 'o.date', 'o.base', 'o.currency', 'o.currency_amount', 'o.customer', 'o.document', 'o.batch', 'o.reference', 'o.entry']);

        return array_values($rows->map(static fn (stdClass $row): PostedMovement => new PostedMovement(
            $row->id, $row->date, $row->currency_amount ?? $row->base, $row->customer, array_values(array_unique(array_filter([$row->document, $row->batch, $row->reference, $row->entry]))),
        ))->all());
    }

    /**
     * @param array<int, int> $owners customer by item
     * @return list<PayerGuess>
     */
    private function payers(MoneyLine $line, ReferenceReader $reader, array $owners, PayerRecognition $recognition): array
    {
        $quoted = [];
        foreach ($reader->within($line->remittance) as $candidate) {
            $quoted[$owners[$candidate->id]][] = $candidate->document;
        }

        return $recognition->rank($line->partyAccount, $line->party, $line->remittance, $quoted);
    }

    /**
     * @param non-empty-list<MoneyLine> $lines
     * @param array<int, list<PayerGuess>> $payers
     * @return array<int, Confirmation> by line
     */
    private function confirmations(array $lines, array $payers): array
    {
        $window = $this->settings->whole(Setting::PairingWindowDays);
        $numbers = DB::table('customers')->pluck('customer', 'id');
        $transit = array_map(static fn (Account $account): int => $account->id, [...$this->settings->accounts()->allWithRole(AccountRole::ReceiptsInTransit), ...$this->settings->accounts()->allWithRole(AccountRole::PaymentsInTransit)]);
        $found = [];
        foreach (collect($lines)->where('way', 'statement')->where('partOf', null)->groupBy('accountId') as $accountId => $of) {
            $days = array_map(static fn (MoneyLine $line): string => $line->bookingDate, $of->all());
            assert($days !== []);
            $postings = [];
            foreach ([(int) $accountId, ...$transit] as $moneyAccount) {
                array_push($postings, ...$this->unconfirmed($moneyAccount, Day::plus(min($days), -$window), Day::plus(max($days), $window)));
            }
            $found += BankConfirmation::find(array_values($of->map(static fn (MoneyLine $line): StatementMovement => new StatementMovement(
                $line->id, $line->bookingDate, $line->amount->minor, PayerRecognition::isSure($payers[$line->id]) ? (string) $numbers[$payers[$line->id][0]->customerId] : '',
                trim("{$line->reference} {$line->endToEnd} {$line->remittance}"),
            ))->all()), $postings, $window);
        }

        return $found;
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
}
