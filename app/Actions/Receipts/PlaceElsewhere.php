<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\ReceiptPosting;
use App\Actions\Once;
use App\Actions\Reason;
use App\Actions\Recorder;
use App\Actions\VoucherReversal;
use App\Models\Voucher;
use App\Queries\MoneyLine;
use App\Queries\MoneyLines;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What a person does with money that is not, or not as it stands, one customer's receipt. */
final readonly class PlaceElsewhere
{
    public function __construct(
        private Settings $settings, private MoneyLines $lines, private Rates $rates, private Placements $placements, private VoucherReversal $reversal, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * Out of the way: salaries, suppliers. Nothing is posted here.
     *
     * @param string $words lines that have these words are set aside from now on; blank: only this one
     *
     * @throws Refusal when the line is placed already or no reason is given
     */
    public function setAside(string $key, int $lineId, string $reason, string $words = ''): void
    {
        Once::for($key, function () use ($lineId, $reason, $words): int {
            $line = $this->free($lineId);
            $why = Reason::of($reason, 'Say what the line is, so that others can follow it: salaries, a supplier, interest.');
            $this->placements->put($lineId, PlacementKind::NotReceivables, $why);
            $this->audit->record('not receivables', "money line {$lineId}", $why, ['amount' => $line->amount->decimal()]);
            if (trim($words) !== '') {
                if (mb_strlen(trim($words)) < 4) {
                    throw new Refusal('A rule needs four characters or more, so that it does not catch what it should not.');
                }
                $id = DB::table('set_aside_rules')->insertGetId(['words' => trim($words), 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
                $this->audit->record('rule: not receivables', "rule {$id}", $why, ['words' => trim($words)]);
                $this->applyRules();
            }

            return $lineId;
        });
    }

    /** Sets aside what the rules name. Called inside a transaction, when lines or rules have come. */
    public function applyRules(): void
    {
        $rules = DB::table('set_aside_rules')->whereNull('withdrawn_at')->orderBy('id')->get();
        foreach ($rules->isEmpty() ? [] : $this->lines->toPlace('9999-12-31') as $line) {
            foreach ($rules as $rule) {
                if (mb_stripos("{$line->text()} {$line->reference}", $rule->words) !== false) {
                    $this->placements->put($line->id, PlacementKind::NotReceivables, "{$rule->reason} (rule “{$rule->words}”)");
                    break;
                }
            }
        }
    }

    public function withdrawRule(string $key, int $ruleId): void
    {
        Once::for($key, function () use ($ruleId): int {
            DB::table('set_aside_rules')->where('id', $ruleId)->whereNull('withdrawn_at')->update(['withdrawn_at' => Moment::now()]);
            $this->audit->record('withdraw rule', "rule {$ruleId}");

            return $ruleId;
        });
    }

    /**
     * Straight to accounts: interest, a rebate, a grant.
     *
     * @param list<array{string, string}> $accounts number and amount as typed
     *
     * @throws Refusal when the amounts do not make the line, or an account carries customers
     */
    public function onAccounts(string $key, int $lineId, array $accounts, string $memo): void
    {
        Once::for($key, function () use ($lineId, $accounts, $memo): int {
            $line = $this->free($lineId);
            $this->settings->locked()->refuse($line->bookingDate, 'The receipt');
            $why = Reason::of($memo, 'Say what the money is for; it becomes the text of the voucher.');
            $credited = $this->rates->toBase($line->amount, $line->bookingDate);
            $left = $credited;
            $against = [];
            foreach ($accounts as [$number, $typed]) {
                if (trim($number) === '' && trim($typed) === '') {
                    continue;
                }
                $account = $this->settings->accounts()->numbered($number);
                if ($account->role?->carriesCustomers() === true) {
                    throw new Refusal("{$account->title()} carries customers. Choose the customer instead, so that the proof stays whole.");
                }
                $amount = trim($typed) === '' ? $left : TypedAmount::read($typed, $credited->currency);
                if ($amount->minor <= 0) {
                    throw new Refusal("{$account->title()}: an amount above zero is expected; {$left->grouped()} is left of the line.");
                }
                $left = $left->minus($amount);
                $against[] = new VoucherLine($account, $amount->negated(), $why, $line->reference);
            }
            if ($against === [] || ! $left->isZero()) {
                throw new Refusal("{$left->grouped()} {$left->currency->code} of {$credited->grouped()} is still to be placed. The accounts together must make the line.");
            }
            $record = new Recorder($this->actor);
            $voucher = (new ReceiptPosting($this->settings->accounts()))->received($line->bookingDate, $this->settings->accounts()->withId($line->accountId), $credited, Money::zero($credited->currency), $against, $why, $line->reference);
            $posted = $record->voucher($voucher);
            $this->placements->put($lineId, PlacementKind::Accounts, $why, voucherId: $posted->id);
            $record->flush();
            $this->audit->record('receipt not from a customer', "money line {$lineId}", $why, ['voucher' => $posted->number, 'amount' => $credited->decimal()]);

            return $lineId;
        });
    }

    /**
     * One payment for several customers: the line becomes parts that add up to it, each to be placed by itself.
     *
     * @param list<array{int, string}> $parts customer, 0 where it is not one's yet, and amount as typed
     *
     * @throws Refusal when the parts do not make the line
     */
    public function divide(string $key, int $lineId, array $parts): void
    {
        Once::for($key, function () use ($lineId, $parts): int {
            $line = $this->free($lineId);
            $left = $line->amount;
            $amounts = [];
            foreach ($parts as [$customerId, $typed]) {
                if (trim($typed) !== '') {
                    $amount = TypedAmount::read($typed, $line->amount->currency);
                    if ($amount->minor <= 0) {
                        throw new Refusal('Each part is above zero.');
                    }
                    $amounts[] = [$customerId, $amount];
                    $left = $left->minus($amount);
                }
            }
            if (count($amounts) < 2 || ! $left->isZero()) {
                throw new Refusal("{$left->grouped()} {$left->currency->code} of {$line->amount->grouped()} is still to be placed. Two parts or more together make the line.");
            }
            $placement = $this->placements->put($lineId, PlacementKind::Divided);
            foreach ($amounts as $place => [$customerId, $amount]) {
                DB::table('money_lines')->insert([
                    'statement_id' => DB::table('money_lines')->where('id', $lineId)->value('statement_id'), 'batch_id' => $line->batchId, 'divided_by' => $placement, 'place' => $place + 1, 'way' => $line->way, 'account_id' => $line->accountId,
                    'booking_date' => $line->bookingDate, 'value_date' => $line->valueDate, 'currency' => $amount->currency->code, 'amount' => $amount->minor, 'charges' => $place === 0 ? $line->charges->minor : 0,
                    'reference' => $line->reference === '' ? '' : "{$line->reference}/".($place + 1), 'end_to_end' => $line->endToEnd, 'party' => $line->party, 'party_account' => $line->partyAccount, 'remittance' => $line->remittance,
                    'customer_id' => $customerId === 0 ? null : $customerId,
                ]);
            }
            $this->audit->record('divide receipt', "money line {$lineId}", '', ['parts' => implode(' + ', array_map(static fn (array $part): string => $part[1]->decimal(), $amounts))]);

            return $lineId;
        });
    }

    /**
     * The line confirms what is posted already. Where that stands on an account in transit, the bank takes it over from there.
     *
     * @throws Refusal when the posting is gone, confirmed by another line, or of another amount
     */
    public function confirm(string $key, int $lineId, int $postingId): void
    {
        Once::for($key, function () use ($lineId, $postingId): int {
            $line = $this->free($lineId);
            $posting = DB::table('postings')->where('id', $postingId)->whereNull('superseded_at')->first() ?? throw new Refusal('The posting is not there any more. Load the page again.');
            if (($posting->currency_amount ?? $posting->base) !== $line->amount->minor) {
                throw new Refusal('The posting is of another amount than the line. Choose another one.');
            }
            $voucher = null;
            $record = new Recorder($this->actor);
            if ($posting->account_id !== $line->accountId) {
                $this->settings->locked()->refuse($line->bookingDate, 'The confirmation');
                $accounts = $this->settings->accounts();
                $transit = $accounts->withId($posting->account_id);
                if (! in_array($transit->role, [AccountRole::ReceiptsInTransit, AccountRole::PaymentsInTransit], true)) {
                    throw new Refusal("The posting stands on {$transit->title()}, which is neither this bank account nor in transit.");
                }
                $amount = Money::ofMinor($posting->base, $this->settings->base());
                $text = ($amount->minor > 0 ? 'Credited' : 'Paid')." by the bank: {$line->reference}";
                $against = [new VoucherLine($transit, $amount->negated(), $text, $posting->document, $posting->customer)];
                $voucher = $record->voucher((new ReceiptPosting($accounts))->received($line->bookingDate, $accounts->withId($line->accountId), $amount, Money::zero($amount->currency), $against, $text, $posting->document, $posting->customer))->id;
            }
            $this->placements->put($lineId, PlacementKind::Confirmed, '', postingId: $postingId, voucherId: $voucher);
            $record->flush();
            $this->audit->record('bank confirms', "money line {$lineId}", '', ['posting' => $postingId, 'entry' => $posting->entry, 'amount' => $line->amount->decimal()]);

            return $lineId;
        });
    }

    /**
     * Takes a placement back that is no receipt: the line is to be placed again.
     *
     * @throws Refusal when it is a receipt, or a part of it is placed
     */
    public function takeBack(string $key, int $placementId, string $reason): void
    {
        Once::for($key, function () use ($placementId, $reason): int {
            $placement = DB::table('placements as p')->where('p.id', $placementId)->whereNotExists(MoneyLines::reversed(...))->first() ?? throw new Refusal('This is taken back already.');
            $kind = PlacementKind::from($placement->kind);
            if (in_array($kind, [PlacementKind::Receipt, PlacementKind::Returned], true)) {
                throw new Refusal('A receipt is taken back on its own page, with its matches.');
            }
            foreach ($kind === PlacementKind::Divided ? $this->lines->partsOf($placementId) : [] as $part) {
                if ($this->placements->standing($part->id) !== null) {
                    throw new Refusal("A part of {$part->amount->grouped()} is placed. Take that back first.");
                }
            }
            $why = Reason::of($reason);
            $voucher = $placement->voucher_id === null ? null : Voucher::query()->where('id', $placement->voucher_id)->first();
            if ($voucher !== null) {
                $record = new Recorder($this->actor);
                $this->reversal->post($record, $voucher, $this->settings->locked()->firstOpenFrom($voucher->date));
                $record->flush();
            }
            $this->placements->takeBack($placementId, $why);
            $this->audit->record('take back placement', "placement {$placementId}", $why, ['kind' => $kind->value]);

            return $placementId;
        });
    }

    /** What a person decided for a payer is forgotten. */
    public function forgetPayer(string $key, string $name, string $account): void
    {
        Once::for($key, function () use ($name, $account): int {
            $gone = DB::table('payers')->where('name', $name)->where('bank_account', $account)->delete();
            $this->audit->record('forget payer', 'payer', '', ['name' => $name, 'account' => $account]);

            return $gone;
        });
    }

    /** @throws Refusal when the line belongs to a batch, which is posted as a whole */
    private function free(int $lineId): MoneyLine
    {
        $line = $this->lines->find($lineId);

        return $line->batchId === null ? $line : throw new Refusal('This receipt belongs to a batch and is posted with it. Take it out of the batch first.');
    }
}
