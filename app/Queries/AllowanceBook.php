<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Allowance\AllowanceBasis;
use Ajuste\Core\Allowance\ContestedPolicy;
use Ajuste\Core\Allowance\CreditsPolicy;
use Ajuste\Core\Allowance\Exposure;
use Ajuste\Core\Allowance\LossRate;
use Ajuste\Core\Allowance\Overlay;
use Ajuste\Core\Allowance\SpecificAllowance;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Customer;
use Brick\Math\BigDecimal;
use Generator;
use Illuminate\Support\Facades\DB;

/** What the allowance is worked out from: rates, specific amounts, overlays, and the items that stand to be lost. */
final readonly class AllowanceBook
{
    private const CHUNK = 500;

    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private AgedItems $aged,
        private Positions $positions,
        private InvoiceLines $lines,
    ) {}

    /** By the policies that hold on a day. */
    public function basis(string $asOf): AllowanceBasis
    {
        $inForce = $this->settings->on($asOf);

        return new AllowanceBasis(
            $this->reports->buckets($asOf),
            $this->rates(),
            $this->specific(),
            $this->overlays(),
            ContestedPolicy::from($inForce->text(Setting::AllowanceContested)),
            CreditsPolicy::from($inForce->text(Setting::AllowanceCredits)),
            $this->reports->credits($asOf),
        );
    }

    /** What the ledger has as allowance at a day's end, own vouchers included; positive. */
    public function before(string $asOf): Money
    {
        $accounts = array_map(
            static fn (Account $account): int => $account->id,
            $this->settings->accounts()->allWithRole(AccountRole::Allowance),
        );
        $sum = DB::table('postings')->whereIn('account_id', $accounts)->where('date', '<=', $asOf)->whereNull('superseded_at')->sum('base');

        return Money::ofMinor(-(int) $sum, $this->settings->base());
    }

    /** @return Generator<int, Exposure> */
    public function exposures(Account $control, string $asOf): Generator
    {
        $customers = DB::table('customers as c')
            ->select(['c.id', 'c.customer', 'c.name'])
            ->selectRaw(CustomerVersions::on($asOf, 'customer_group').' AS customer_group')
            ->selectRaw(CustomerVersions::on($asOf, 'related').' AS related')
            ->get()
            ->keyBy('customer')
            ->all();
        $sources = DB::table('items as i')
            ->join('item_positions as p', 'p.row_id', '=', 'i.id')
            ->where('p.control_account_id', $control->id)
            ->where(static fn ($query) => $query->whereNull('p.settled_on')->orWhere('p.settled_on', '>', $asOf))
            ->whereNotNull('i.source_item_id')
            ->pluck('i.source_item_id', 'i.root_id');
        $taxes = $this->settings->on($asOf)->isOn(Setting::TaxReliefWriteOffs) ? $this->taxes($control, $asOf) : [];
        foreach ($this->aged->of($control->id, $asOf) as $itemId => $item) {
            $of = $customers[$item->customer];
            yield new Exposure(
                new Customer($of->id, $of->customer, $of->name),
                (int) ($sources[$itemId] ?? $itemId),
                $of->customer_group,
                (bool) $of->related,
                $item,
                self::share($item, $taxes[$itemId] ?? null),
            );
        }
    }

    /** @param  ?array{int, int}  $of tax and carrying amount of the whole item */
    private static function share(AgedItem $item, ?array $of): int
    {
        return $of === null || $of[1] === 0 ? 0 : Rounding::proportion($of[0], $item->base, $of[1]);
    }

    /**
     * The output tax that would come back on what invoices still carry.
     *
     * @return array<int, array{int, int}> tax and carrying amount by item, minor units of base currency
     */
    private function taxes(Account $control, string $asOf): array
    {
        $taxes = $debits = [];
        foreach ($this->positions->open($control->id, $asOf) as [, $item]) {
            if ($item->isDebit()) {
                $debits[] = $item;
            }
        }
        foreach (array_chunk($debits, self::CHUNK) as $some) {
            $taxed = $this->lines->taxed($some);
            foreach ($some as $item) {
                $carried = $item->carried()->minor;
                $taxes[$item->id] = [TaxRelief::within($carried, $taxed[$item->document] ?? []), $carried];
            }
        }

        return $taxes;
    }

    /** @return list<LossRate> */
    private function rates(): array
    {
        $rates = [];
        foreach (DB::table('allowance_rates')->orderBy('id')->get() as $row) {
            $rates["{$row->customer_group}\0{$row->bucket}"] = LossRate::of($row->customer_group, $row->bucket, $row->rate, $row->source);
        }

        return array_values($rates);
    }

    /** @return list<SpecificAllowance> by customer, then by document; without those that were ended */
    public function specific(): array
    {
        $rows = DB::table('specific_allowances as s')
            ->join('customers as c', 'c.id', '=', 's.customer_id')
            ->leftJoin('items as i', 'i.id', '=', 's.item_id')
            ->orderBy('s.id')
            ->get(['s.*', 'c.customer', 'c.name', 'i.document']);
        $found = [];
        foreach ($rows as $row) {
            $found["{$row->customer}\0{$row->document}\0{$row->item_id}"] = new SpecificAllowance(
                new Customer($row->customer_id, $row->customer, $row->name),
                $row->item_id,
                (string) $row->document,
                $row->amount === null ? null : Money::ofMinor($row->amount, $this->settings->base()),
                $row->percent === null ? null : BigDecimal::of($row->percent),
                $row->reason,
                (string) $row->review,
            );
        }
        ksort($found, SORT_STRING);

        return array_values(
            array_filter($found, static fn (SpecificAllowance $of): bool => $of->amount === null || $of->amount->isPositive()),
        );
    }

    /** @return list<Overlay> those that stand */
    private function overlays(): array
    {
        $rows = DB::table('overlays')->whereNotIn('id', DB::table('overlays_ended')->select('overlay_id'))->orderBy('id')->get();
        $found = [];
        foreach ($rows as $row) {
            $found[] = new Overlay($row->id, Money::ofMinor($row->amount, $this->settings->base()), $row->reason, (string) $row->review);
        }

        return $found;
    }
}
