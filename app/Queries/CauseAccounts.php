<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CounterLine;
use Ajuste\Core\Proof\CounterLines;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;

/** Which other accounts the correction of a cause belongs to, by its entries and its documents' lines. */
final readonly class CauseAccounts
{
    public function __construct(private Settings $settings) {}

    /**
     * @return list<CounterLine> coming to the cause's amount the other way round; none where that cannot be said
     */
    public function of(CauseLine $cause, Account $control): array
    {
        $entry = $this->entry($cause, $control);
        $lines = $cause->cause === Cause::CutOff
            ? CounterLines::inTheMixOf($entry, -$cause->amount)
            : CounterLines::of($cause->amount, $entry, $this->document($cause));

        return $this->lines($lines, $control);
    }

    /** @return list<CounterLine> all of it against one account */
    public function against(CauseLine $cause, Account $account): array
    {
        return [new CounterLine($account, Money::ofMinor(-$cause->amount, $this->settings->base()))];
    }

    /** @return array<int, int> what the cause's entries have on other accounts */
    private function entry(CauseLine $cause, Account $control): array
    {
        $entries = array_unique(array_filter(array_map(static fn (ProofLine $line): string => $line->entry, $cause->postings)));

        return DB::table('postings')
            ->whereIn('entry', $entries)
            ->where('account_id', '<>', $control->id)
            ->whereNull('superseded_at')
            ->groupBy('account_id')
            ->selectRaw('account_id, sum(base) AS base')
            ->pluck('base', 'account_id')
            ->map(intval(...))
            ->all();
    }

    /** @return ?array<int, int> by account; null where the lines of one of the documents are not known */
    private function document(CauseLine $cause): ?array
    {
        $said = [];
        $tax = $this->settings->accounts()->allWithRole(AccountRole::OutputTax)[0] ?? null;
        foreach ($cause->items as $item) {
            $lines = Kind::tryFrom($item->kind)?->isSalesDocument() === true ? $this->linesOf($item) : [];
            if ($lines === [] || $tax === null) {
                return null;
            }
            $sign = $item->amount < 0 ? 1 : -1;
            foreach ($lines as $account => $net) {
                $said[$account] = ($said[$account] ?? 0) + $sign * abs($net);
            }
            $within = TaxRelief::inDocument(abs($item->amount), array_sum($lines));
            $said[$tax->id] = ($said[$tax->id] ?? 0) + $sign * $within;
        }

        return $said;
    }

    /** @return array<int, int> net by account; none where one is not known, or the document is not in base currency */
    private function linesOf(ProofLine $item): array
    {
        $isBase = DB::table('items')->where('root_id', $item->id)->whereNull('superseded_at')->value('currency') ===
            $this->settings->base()->code;
        $rows = $isBase ? DB::table('item_lines')->where('document', $item->document)->get(['account_id', 'net']) : collect();
        $net = [];
        foreach ($rows as $row) {
            if ($row->account_id === null) {
                return [];
            }
            $net[(int) $row->account_id] = ($net[(int) $row->account_id] ?? 0) + (int) $row->net;
        }

        return $net;
    }

    /**
     * @param array<int, int> $amounts by account
     * @return list<CounterLine> none where one would be the control account
     */
    private function lines(array $amounts, Account $control): array
    {
        if (isset($amounts[$control->id])) {
            return [];
        }
        $lines = [];
        foreach ($amounts as $account => $amount) {
            $lines[] = new CounterLine($this->settings->accounts()->withId($account), Money::ofMinor($amount, $this->settings->base()));
        }

        return $lines;
    }
}
