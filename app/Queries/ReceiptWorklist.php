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
use Ajuste\Core\Proposal\CreditorReference;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Proposal\PayerRecognition;
use Ajuste\Core\Proposal\PostedMovement;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Proposal\StatementMovement;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Remembered;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Statement lines without a place, with whose they may be, what they may confirm and what they may settle. */
final readonly class ReceiptWorklist
{
    public function __construct(
        private StatementLines $lines,
        private Positions $positions,
        private Proposals $proposals,
        private Settings $settings,
    ) {}

    /**
     * Worked out anew when something that they look at has changed; in between they are remembered, so that going from line to line costs
     * nothing.
     *
     * @return list<LineGuess> the most certain first
     */
    public function guesses(Account $control, string $asOf): array
    {
        $tables = [
            'settings',
            'accounts',
            'customers',
            'money_lines',
            'placements',
            'placement_reversals',
            'payers',
            'items',
            'postings',
            'matches',
            'match_reversals',
            'discount_decisions',
            'movement_questions',
            'movement_answers',
        ];

        return Remembered::while("receipt guesses {$control->id} {$asOf}", $tables, fn (): array => $this->workOut($control, $asOf));
    }

    /** @return list<LineGuess> */
    private function workOut(Account $control, string $asOf): array
    {
        $lines = [...$this->lines->toPlace($asOf), ...$this->lines->paidOut($asOf)];
        if ($lines === []) {
            return [];
        }
        [$open, $owners, $candidates] = $this->open($control, $asOf);
        $reader = new ReferenceReader($candidates);
        $recognition = new PayerRecognition($this->profiles());
        $payers = [];
        foreach ($lines as $line) {
            $said = $line->origin->customerId;
            $payers[$line->id] =
                $said !== null ? [new PayerGuess($said, 'as typed', 100)] : $this->payers($line, $reader, $owners, $recognition);
        }
        $confirmations = $this->confirmations($lines, $payers);
        $guesses = [];
        foreach ($lines as $line) {
            if ($line->origin->mayBe !== null) {
                $guesses[] = new LineGuess($line, $payers[$line->id], null);

                continue;
            }
            if ($line->amount->isNegative() && ! $line->origin->isReversal && ! isset($confirmations[$line->id])) {
                continue; // money that went out for something else is no matter of receivables
            }
            $guess = new LineGuess($line, $payers[$line->id], null, $confirmations[$line->id] ?? null);
            $wanted = $guess->isSure() && $line->amount->isPositive() && $guess->confirmation === null;
            $guesses[] = $wanted
                ? $this->proposed($line, $control, $payers[$line->id], $open[$payers[$line->id][0]->customerId] ?? [])
                : $guess;
        }
        usort(
            $guesses,
            static fn (LineGuess $one, LineGuess $other): int => [$one->rank(), $one->line->dates->booking, $one->line->id] <=> [
                $other->rank(),
                $other->line->dates->booking,
                $other->line->id,
            ],
        );

        return $guesses;
    }

    /**
     * What a match could take now, by customer; whose each debit is; and the debits as quotations are sought among.
     *
     * @return array{array<int, list<OpenItem>>, array<int, int>, list<Candidate>}
     */
    private function open(Account $control, string $asOf): array
    {
        $open = $owners = $candidates = [];
        foreach ($this->positions->takeable($control->id, $asOf) as $customerId => $item) {
            $open[$customerId][] = $item;
            if ($item->isDebit()) {
                $owners[$item->id] = $customerId;
                $candidates[] = Candidate::of($item, null);
            }
        }

        return [$open, $owners, $candidates];
    }

    /**
     * @param list<PayerGuess> $payers
     * @param list<OpenItem> $open
     */
    private function proposed(StatementLine $line, Account $control, array $payers, array $open): LineGuess
    {
        return new LineGuess(
            $line,
            $payers,
            $this->proposals->forItem(LineGuess::asCredit($line, $control, $this->settings->base()), $open),
        );
    }

    /** A line that has no place and is not in the list, since it is booked later or went out for something else; null for others. */
    public function byItself(int $lineId): ?LineGuess
    {
        $line = $this->lines->titles([$lineId])[$lineId] ?? null;
        $waits = $line !== null && $line->origin->batchId === null && ! $this->lines->isSettled($lineId);

        return $waits ? new LineGuess($line, [], null) : null;
    }

    /** A receipt of a batch that is not posted yet; null when there is none such. */
    public function ofBatch(int $lineId, Account $control, string $asOf): ?LineGuess
    {
        $waiting = DB::table('money_lines')
            ->where('id', $lineId)
            ->whereNotNull('batch_id')
            ->whereNotIn('batch_id', DB::table('batch_postings')->select('batch_id'))
            ->exists();
        $line = $waiting ? $this->lines->find($lineId) : null;
        $customerId = $line?->origin->customerId;
        if ($line === null || $customerId === null) {
            return null;
        }
        $open = $this->positions->takeableOf($control->id, $customerId, max($asOf, $line->dates->booking));

        return $this->proposed($line, $control, [new PayerGuess($customerId, 'as typed', 100)], $open);
    }

    /** @return list<PostedMovement> postings on money accounts up to the day that no line has confirmed */
    public function unconfirmed(int $accountId, string $from, string $to): array
    {
        $rows = DB::table('postings as o')
            ->where('o.account_id', $accountId)
            ->whereBetween('o.date', [$from, $to])
            ->whereNull('o.superseded_at')
            ->whereNotExists(
                static fn (Builder $query) => $query
                    ->from('placements as p')
                    ->whereColumn('p.posting_id', 'o.id')
                    ->whereNotExists(StatementLines::reversed(...)),
            )
            // What a statement's own line has posted is on the statement already.
            ->whereNotExists(
                static fn (Builder $query) => $query
                    ->from('placements as p')
                    ->join('money_lines as l', 'l.id', '=', 'p.line_id')
                    ->whereColumn('p.voucher_id', 'o.voucher_id')
                    ->where('l.way', 'statement'),
            )
            ->orderBy('o.date')
            ->orderBy('o.id')
            ->get([
                'o.id',
                'o.date',
                'o.base',
                'o.currency',
                'o.currency_amount',
                'o.customer',
                'o.document',
                'o.batch',
                'o.reference',
                'o.entry',
            ]);

        return array_values(
            $rows
                ->map(
                    static fn (stdClass $row): PostedMovement => new PostedMovement(
                        $row->id,
                        $row->date,
                        $row->currency_amount ?? $row->base,
                        $row->customer,
                        array_values(array_unique(array_filter([$row->document, $row->batch, $row->reference, $row->entry]))),
                    ),
                )
                ->all(),
        );
    }

    /**
     * @param array<int, int> $owners customer by item
     * @return list<PayerGuess>
     */
    private function payers(StatementLine $line, ReferenceReader $reader, array $owners, PayerRecognition $recognition): array
    {
        $quoted = [];
        foreach ($reader->within($line->payer->remittance) as $candidate) {
            $quoted[$owners[$candidate->id]][] = $candidate->document;
        }

        return $recognition->rank($line->payer->bankAccount, $line->payer->name, $line->payer->remittance, $quoted);
    }

    /**
     * @param non-empty-list<StatementLine> $lines
     * @param array<int, list<PayerGuess>> $payers
     * @return array<int, Confirmation> by line
     */
    private function confirmations(array $lines, array $payers): array
    {
        $window = $this->settings->now()->whole(Setting::PairingWindowDays);
        $numbers = DB::table('customers')->pluck('customer', 'id');
        $transit = array_map(static fn (Account $account): int => $account->id, [
            ...$this->settings->accounts()->allWithRole(AccountRole::ReceiptsInTransit),
            ...$this->settings->accounts()->allWithRole(AccountRole::PaymentsInTransit),
        ]);
        $found = [];
        foreach (
            collect($lines)
                ->filter(static fn (StatementLine $line): bool => $line->isOfStatement() && $line->origin->partOf === null)
                ->groupBy('accountId') as $accountId => $of
        ) {
            $days = array_map(static fn (StatementLine $line): string => $line->dates->booking, $of->all());
            assert($days !== []);
            $postings = [];
            foreach ([(int) $accountId, ...$transit] as $moneyAccount) {
                array_push(
                    $postings,
                    ...$this->unconfirmed($moneyAccount, Day::plus(min($days), -$window), Day::plus(max($days), $window)),
                );
            }
            $found += BankConfirmation::find(
                array_values(
                    $of
                        ->map(
                            static fn (StatementLine $line): StatementMovement => new StatementMovement(
                                $line->id,
                                $line->dates->booking,
                                $line->amount->minor,
                                PayerRecognition::isSure($payers[$line->id]) ? (string) $numbers[$payers[$line->id][0]->customerId] : '',
                                trim("{$line->reference} {$line->origin->endToEnd} {$line->payer->remittance}"),
                            ),
                        )
                        ->all(),
                ),
                $postings,
                $window,
            );
        }

        return $found;
    }

    /** @return list<PayerProfile> */
    private function profiles(): array
    {
        $known = DB::table('payers')->get()->groupBy('customer_id');

        return array_values(
            DB::table('customers')
                ->orderBy('customer')
                ->get(['id', 'customer', 'name', 'trading_name', 'iban'])
                ->map(
                    static fn (stdClass $customer): PayerProfile => new PayerProfile(
                        $customer->id,
                        array_values(
                            array_filter([
                                $customer->name,
                                $customer->trading_name,
                                ...($known[$customer->id] ?? collect())->pluck('name')->all(),
                            ]),
                        ),
                        array_values(
                            array_filter([$customer->iban, ...($known[$customer->id] ?? collect())->pluck('bank_account')->all()]),
                        ),
                        CreditorReference::ofCustomer($customer->customer),
                    ),
                )
                ->all(),
        );
    }
}
