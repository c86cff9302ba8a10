<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Bank\BankAgainstBook;
use Ajuste\Core\Bank\BookedMovement;
use Ajuste\Core\Bank\BookPosting;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use App\Support\Remembered;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The ledger's bank accounts, and each beside its statements. */
final readonly class BankAccounts
{
    /** Days before the first statement from which a posting may still come on it. */
    private const BEFORE = 31;

    public function __construct(private Settings $settings, private ControlFigures $figures) {}

    /** @return list<BankAccount> those with the role, as of a day */
    public function all(string $asOf): array
    {
        $tables = [
            'settings',
            'accounts',
            'bank_statements',
            'money_lines',
            'placements',
            'placement_reversals',
            'movement_answers',
            'postings',
            'voucher_confirmations',
        ];

        return Remembered::while("bank accounts {$asOf}", $tables, fn (): array => $this->workOut($asOf));
    }

    /** @return list<BankAccount> */
    private function workOut(string $asOf): array
    {
        $accounts = array_map(fn (Account $account): BankAccount => $this->one($account, $asOf), $this->accounts());
        $missing = static fn (BankAccount $of): array => array_map(static fn (BookedMovement $movement): int => $movement->amount->minor, [
            ...$of->against->toPlace ?? [],
            ...$of->against->outflows ?? [],
        ]);

        return array_map(function (BankAccount $of) use ($accounts, $asOf, $missing): BankAccount {
            $others = array_filter(
                $accounts,
                static fn (BankAccount $other): bool => $other->account->id !== $of->account->id && $other->currency->is($of->currency),
            );

            return $others === [] ? $of : $this->one($of->account, $asOf, array_merge(...array_map($missing, array_values($others))));
        }, $accounts);
    }

    /** @return list<Account> */
    private function accounts(): array
    {
        return $this->settings->accounts()->allWithRole(AccountRole::Bank);
    }

    /** @param  list<int>  $elsewhere */
    private function one(Account $account, string $asOf, array $elsewhere = []): BankAccount
    {
        $row = DB::table('accounts')
            ->where('id', $account->id)
            ->first(['currency', 'iban']);
        $statements = DB::table('bank_statements')->where('account_id', $account->id)->whereNotNull('closing');
        $last = (clone $statements)->where('closing_date', '<=', $asOf)->orderByDesc('closing_date')->orderByDesc('id')->first();
        $currency = Currency::of($last->currency ?? ($row?->currency ?: $this->settings->base()->code));
        $day = $last->closing_date ?? $asOf;
        [$book, $own] = $this->book($account, $currency, $day);
        $closing = $last === null ? null : new BankBalance($day, Money::ofMinor($last->closing, $currency));
        $against = null;
        if ($closing !== null && $book !== null) {
            $first = (clone $statements)->orderBy('closing_date')->orderBy('id')->first();
            $since = DB::table('money_lines')->where('statement_id', $first?->id)->min('booking_date') ?? ($first->closing_date ?? $day);
            $against = new BankAgainstBook(
                $closing,
                $since,
                $book,
                $own,
                $this->movements($account, $currency, $since, $day),
                $this->postings($account, $currency, Day::plus($since, -self::BEFORE), $day),
                $this->settings->on($asOf)->whole(Setting::PairingWindowDays),
                $elsewhere,
            );
        }

        return new BankAccount(
            $account,
            $row?->iban ?: $last->bank_account ?? '',
            $currency,
            $last->number ?? '',
            $closing,
            $book,
            $own,
            $against,
        );
    }

    /** @return array{?Money, Money} as imported and of own vouchers; null where the ledger gives no amounts in the account's currency */
    private function book(Account $account, Currency $currency, string $day): array
    {
        if ($currency->is($this->settings->base())) {
            $figures = $this->figures->at($account, $day);

            return [$figures->ledgerAsImported, $figures->ownVouchers];
        }
        $sums = DB::table('postings as p')
            ->where('p.account_id', $account->id)
            ->where('p.date', '<=', $day)
            ->whereNull('p.superseded_at')
            ->selectRaw(
                'coalesce(sum(CASE WHEN p.voucher_id IS NULL OR EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = '.
                    'p.voucher_id) THEN p.currency_amount END), 0) AS book, coalesce(sum(CASE WHEN p.voucher_id IS NOT NULL AND NOT '
                        .'EXISTS '.
                    '(SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = p.voucher_id) THEN p.currency_amount END), 0) AS own, '.
                    'sum(p.currency_amount IS NULL OR p.currency <> ?) AS without',
                [$currency->code],
            )
            ->first();
        $own = Money::ofMinor((int) ($sums->own ?? 0), $currency);

        return (int) ($sums->without ?? 0) > 0 ? [null, $own] : [Money::ofMinor((int) ($sums->book ?? 0), $currency), $own];
    }

    /** @return list<BookedMovement> parts in place of what was divided, each with the postings that its placement made or confirms */
    private function movements(Account $account, Currency $currency, string $from, string $to): array
    {
        $rows = StatementLines::standing(DB::table('money_lines as l'))
            ->where('l.account_id', $account->id)
            ->where('l.way', 'statement')
            ->where('l.currency', $currency->code)
            ->whereBetween('l.booking_date', [$from, $to])
            ->leftJoin(
                'placements as p',
                static fn ($join) => $join->on('p.line_id', '=', 'l.id')->whereNotExists(StatementLines::reversed(...)),
            )
            ->where(static fn (Builder $query) => $query->whereNull('p.kind')->orWhere('p.kind', '<>', 'divided'))
            ->orderBy('l.booking_date')
            ->orderBy('l.id')
            ->get(['l.*', 'p.id as placement_id', 'p.posting_id', 'p.voucher_id']);
        $own = DB::table('postings')
            ->where('account_id', $account->id)
            ->whereIn('voucher_id', $rows->pluck('voucher_id')->filter()->unique()->values())
            ->get(['id', 'voucher_id'])
            ->groupBy('voucher_id');

        return array_values(
            $rows
                ->map(
                    static fn (stdClass $row): BookedMovement => new BookedMovement(
                        $row->id,
                        $row->booking_date,
                        Money::ofMinor($row->amount, $currency),
                        trim("{$row->party} {$row->remittance} {$row->end_to_end} {$row->reference}"),
                        $row->placement_id !== null,
                        array_values(
                            array_filter([
                                $row->posting_id,
                                ...$row->voucher_id === null ? [] : ($own[$row->voucher_id] ?? collect())->pluck('id')->all(),
                            ]),
                        ),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<BookPosting> */
    private function postings(Account $account, Currency $currency, string $from, string $to): array
    {
        $isBase = $currency->is($this->settings->base());

        return array_values(
            DB::table('postings')
                ->where('account_id', $account->id)
                ->whereBetween('date', [$from, $to])
                ->where('source', '<>', 'opening')
                ->whereNull('superseded_at')
                ->orderBy('date')
                ->orderBy('id')
                ->get(['id', 'date', 'base', 'currency_amount', 'document', 'batch', 'reference', 'entry'])
                ->map(
                    static fn (stdClass $row): BookPosting => new BookPosting(
                        $row->id,
                        $row->date,
                        Money::ofMinor((int) ($isBase ? $row->base : $row->currency_amount), $currency),
                        array_values(array_unique(array_filter([$row->document, $row->batch, $row->reference, $row->entry]))),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<stdClass> what the bank reported as pending for days that no statement covers yet */
    public function pending(int $accountId, string $asOf): array
    {
        $covered = (string) DB::table('bank_statements')->where('account_id', $accountId)->whereNotNull('closing')->max('closing_date');

        return array_values(
            DB::table('pending_movements')
                ->where('account_id', $accountId)
                ->where('import_file_id', DB::table('pending_movements')->where('account_id', $accountId)->max('import_file_id'))
                ->where('booking_date', '>', $covered)
                ->where('booking_date', '<=', $asOf)
                ->orderBy('booking_date')
                ->orderBy('id')
                ->get()
                ->all(),
        );
    }
}
