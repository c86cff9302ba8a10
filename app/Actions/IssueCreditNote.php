<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNote;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Models\Customer;
use App\Models\Settlement;
use App\Queries\CreditableLines;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Credits lines of invoices, or lines of its own, and settles the invoices with it at once where a person wants that. Numbered without gaps. */
final readonly class IssueCreditNote
{
    public function __construct(
        private Settings $settings, private Positions $positions, private CreditableLines $lines, private Rates $rates, private MatchItems $match, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * @return int the credit note's item
     *
     * @throws Refusal when nothing is credited, more than a line has left, or the invoices do not belong together
     */
    public function post(string $key, CreditNoteRequest $request): int
    {
        return (int) Once::for($key, fn (): int => $this->issue($request->customerId, $this->invoices(array_keys($request->lines)), $this->note($request), $request->date, Reason::of($request->reason, 'Say why it is credited; the credit note names it.'), $request->match));
    }

    /** What posting would write, or why it cannot be. */
    public function rehearse(CreditNoteRequest $request): CreditNoteRehearsal
    {
        try {
            $invoices = $this->invoices(array_keys($request->lines));
            $note = $this->note($request);
            [$voucher] = $this->voucher($request->customerId, $invoices, $note, $request->date, 'CN');

            return new CreditNoteRehearsal($note, $voucher, '');
        } catch (Refusal $refusal) {
            return new CreditNoteRehearsal(null, null, $refusal->getMessage());
        }
    }

    /**
     * A credit note for exactly what is left of an invoice, in its lines' own mix of rates, that settles it. Where its lines are unknown, the whole
     * is a sales reduction: its tax is not guessed (R2).
     *
     * @throws Refusal when nothing is left, or its lines have less left
     */
    public function clearRest(string $key, int $invoiceId, string $date, string $reason): int
    {
        return (int) Once::for($key, function () use ($invoiceId, $date, $reason): int {
            $invoice = $this->invoices([$invoiceId])[$invoiceId];
            if ($invoice->open->isZero()) {
                throw new Refusal("{$invoice->title()} has nothing left.");
            }
            $known = $this->lines->of($invoiceId, $invoice->document);
            $lines = array_values(array_map(fn (stdClass $line): array => [$invoice->document, $line->line, $line->description, $this->accountOf($line), self::rateOf($line), (int) $line->rest], array_filter($known, static fn (stdClass $line): bool => $line->rest > 0)));
            if ($known !== [] && $lines === []) {
                throw new Refusal("{$invoice->title()}: earlier credit notes left nothing of its lines. Write a credit note of its own.");
            }
            $note = CreditNote::ofGross($invoice->open, $lines !== [] ? $lines : [[$invoice->document, '', "Rest of {$invoice->document}", $this->settings->accounts()->withRole(AccountRole::SalesReductions), '0', $invoice->open->minor]]);

            return $this->issue($invoice->customerId, [$invoiceId => $invoice], $note, $date, Reason::of($reason, 'Say why it is credited; the credit note names it.'), true);
        });
    }

    /** @param  array<int, OpenItem>  $invoices by id */
    private function issue(int $customerId, array $invoices, CreditNote $note, string $date, string $why, bool $match): int
    {
        $document = sprintf('CN-%05d', 1 + (int) DB::table('credit_notes')->max('id'));
        [$voucher, $control, $base] = $this->voucher($customerId, $invoices, $note, $date, $document);
        $record = new Recorder($this->actor);
        $posted = $record->voucher($voucher);
        $item = $record->item(
            document: $document, kind: Kind::CreditNote, customerId: $customerId, occurrence: 1, side: Side::Credit, date: $date, dueDate: $date, currency: $note->gross->currency->code, amount: $note->gross->minor, base: $base->minor,
            controlAccountId: $control->id, reference: array_values($invoices)[0]->document ?? '', entry: $posted->number, voucherId: $posted->id,
        );
        $id = DB::table('credit_notes')->insertGetId(['item_id' => $item, 'voucher_id' => $posted->id, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
        $ids = array_flip(array_map(static fn (OpenItem $invoice): string => $invoice->document, $invoices));
        foreach ($note->lines as $place => $line) {
            DB::table('credit_note_lines')->insert(['credit_note_id' => $id, 'place' => $place + 1, 'invoice_item_id' => $ids[$line->document] ?? null, 'line' => $line->line, 'description' => $line->description, 'net' => $line->net, 'rate' => $line->rate, 'account_id' => $line->account->id, 'dimension' => $line->dimension]);
        }
        if ($match) {
            $this->settle($record, $customerId, $invoices, $note, $item, $date);
        }
        $record->flush();
        $this->audit->record('credit note', "item {$item}", $why, ['document' => $document, 'invoices' => implode(' ', array_keys($ids)), 'gross' => $note->gross->decimal()]);

        return $item;
    }

    /** @param  array<int, OpenItem>  $invoices */
    private function settle(Recorder $record, int $customerId, array $invoices, CreditNote $note, int $item, string $date): void
    {
        $parts = $note->byDocument();
        $typed = [];
        foreach ($invoices as $id => $invoice) {
            $takes = Money::ofMinor(min($parts[$invoice->document] ?? 0, $invoice->open->minor), $invoice->open->currency);
            if ($takes->minor > 0) {
                $typed[$id] = $takes->decimal();
            }
        }
        if ($typed === []) {
            return;
        }
        $settlement = Settlement::query()->create(['customer_id' => $customerId, 'date' => $date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
        $rehearsal = $this->match->rehearse(new MatchRequest($customerId, [$item => ''] + $typed, $date));
        $this->match->store($record, $rehearsal->plan ?? throw new Refusal((string) $rehearsal->refusal), $settlement->id);
    }

    /**
     * @param array<int, OpenItem> $invoices
     * @return array{Voucher, Account, Money} with the control account, and what the note carries in base currency
     */
    private function voucher(int $customerId, array $invoices, CreditNote $note, string $date, string $document): array
    {
        $this->settings->locked()->refuse($date, 'The credit note');
        $customer = Customer::query()->findOrFail($customerId);
        $accounts = $this->settings->accounts();
        $first = array_values($invoices)[0] ?? null;
        $control = $first !== null ? $accounts->withId($first->controlAccountId) : ($customer->control_account_id !== null ? $accounts->withId($customer->control_account_id) : $this->settings->controlAccount());
        if (count(array_unique(array_map(static fn (OpenItem $invoice): string => $invoice->document, $invoices))) < count($invoices)) {
            throw new Refusal('Two of these invoices bear the same number. Credit them one by one.');
        }
        $parts = $note->byDocument();
        $base = isset($parts['']) ? $this->rates->toBase(Money::ofMinor($parts[''], $note->gross->currency), $date) : Money::zero($this->settings->base());
        foreach ($invoices as $invoice) {
            $part = $parts[$invoice->document] ?? 0;
            if ($invoice->customerId !== $customerId || $invoice->controlAccountId !== $control->id || $invoice->amount->currency->code !== $note->gross->currency->code) {
                throw new Refusal("{$invoice->title()} is of another customer, currency or control account than the others. Credit it by itself.");
            }
            if ($date < $invoice->date) {
                throw new Refusal("{$invoice->title()} is dated {$invoice->date}; a credit note for it cannot be older.");
            }
            if ($part > $invoice->amount->minor) {
                throw new Refusal("{$invoice->title()}: with tax the lines come to ".Money::ofMinor($part, $note->gross->currency)->grouped().", more than its {$invoice->amount->grouped()}.");
            }
            $base = $base->plus(Money::ofMinor(Rounding::proportion($invoice->base->minor, $part, $invoice->amount->minor), $base->currency));
        }
        $text = trim("Credit note {$document}".($invoices === [] ? '' : ' for '.implode(', ', array_map(static fn (OpenItem $invoice): string => $invoice->document, $invoices))));

        return [$note->voucher($date, $accounts, $control, $base, $document, $text, $customer->customer), $control, $base];
    }

    /**
     * @param list<int> $ids
     * @return array<int, OpenItem> by id
     */
    private function invoices(array $ids): array
    {
        $invoices = [];
        foreach ($ids as $id) {
            $invoice = $this->positions->find($id);
            if (! in_array($invoice->kind, [Kind::Invoice, Kind::DebitNote], true)) {
                throw new Refusal("{$invoice->title()} is no invoice. A credit note stands on invoices, or on none.");
            }
            $invoices[$id] = $invoice;
        }

        return $invoices;
    }

    private function note(CreditNoteRequest $request): CreditNote
    {
        $currency = null;
        $lines = [];
        foreach ($this->invoices(array_keys($request->lines)) as $id => $invoice) {
            $currency ??= $invoice->amount->currency;
            foreach ($this->lines->of($id, $invoice->document) as $line) {
                $entry = $request->lines[$id][$line->line] ?? new CreditEntry;
                if (! $entry->isBlank()) {
                    $lines[] = new CreditedLine($invoice->document, $line->line, $line->description, $this->accountOf($line), self::rateOf($line), self::net($entry, $line, $invoice->amount->currency), (int) $line->rest);
                }
            }
        }
        $currency ??= Currency::of($request->currency !== '' ? $request->currency : Customer::query()->findOrFail($request->customerId)->currency);
        foreach ($request->free as $free) {
            $account = $this->settings->accounts()->numbered($free->account);
            if ($account->role?->carriesCustomers() === true) {
                throw new Refusal("{$account->title()} carries customers. Choose an account of revenue or of reductions.");
            }
            if ($free->rate !== '' && (! is_numeric($free->rate) || (float) $free->rate < 0 || (float) $free->rate > 100)) {
                throw new Refusal("“{$free->rate}” is not a tax rate; a percentage such as 21 or 5.5 is expected.");
            }
            $lines[] = new CreditedLine('', '', trim($free->description) !== '' ? trim($free->description) : 'Credit', $account, $free->rate === '' ? '0' : $free->rate, TypedAmount::read($free->net, $currency)->minor, dimension: trim($free->dimension));
        }

        return $lines !== [] ? CreditNote::over($lines, $currency) : throw new Refusal('Type what is credited of at least one line: a quantity, a lower price, or an amount without tax.');
    }

    private static function net(CreditEntry $entry, stdClass $line, Currency $currency): int
    {
        if (count(array_filter([$entry->quantity, $entry->price, $entry->net], static fn (string $typed): bool => trim($typed) !== '')) > 1) {
            throw new Refusal("Line {$line->line}, {$line->description}: type a quantity, a price or an amount, not two of them.");
        }

        return match (true) {
            trim($entry->quantity) !== '' => CreditedLine::ofQuantity($entry->quantity, $line->unit_price, $currency->decimals),
            trim($entry->price) !== '' => CreditedLine::ofPrice($line->quantity, $line->unit_price, $entry->price, $currency->decimals),
            default => TypedAmount::read($entry->net, $currency)->minor,
        };
    }

    private function accountOf(stdClass $line): Account
    {
        return $line->account_id === null ? $this->settings->accounts()->withRole(AccountRole::SalesReductions) : $this->settings->accounts()->withId($line->account_id);
    }

    private static function rateOf(stdClass $line): string
    {
        return is_numeric($line->tax_rate) ? (string) $line->tax_rate : '0';
    }
}
