<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\CsvWriter;
use Ajuste\Core\Money\Money;
use App\Queries\Matches;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\Moment;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What Ajuste has posted, for the accounting system to take over: journals, and the new items and matches in their own formats
 * (R2, home to the ledger). Each export of the journals is noted, so that a voucher that does not come back can be named.
 */
final readonly class ExportJournals
{
    private const COLUMNS = [
        'voucher', 'date', 'account', 'description', 'debit', 'credit', 'currency', 'currency_amount', 'customer', 'document', 'reference',
        'source',
    ];

    public function __construct(private Settings $settings, private Actor $actor) {}

    /** @param  ?string  $since vouchers dated on or after this day; null for all */
    public function journals(?string $since): string
    {
        $base = $this->settings->base();
        $csv = CsvWriter::line(self::COLUMNS);
        $rows = $this->postings($since);
        foreach ($rows as $row) {
            $amount = Money::ofMinor($row->base, $base)->abs()->decimal();
            $foreign = $row->currency_amount !== null;
            $csv .= CsvWriter::line([
                $row->number,
                $row->date,
                $row->account,
                $row->description === '' ? $row->text : $row->description,
                $row->base > 0 ? $amount : '',
                $row->base < 0 ? $amount : '',
                $foreign ? $row->currency : $base->code,
                Money::ofMinor($foreign ? $row->currency_amount : $row->base, $foreign ? $row->currency : $base)
                    ->abs()
                    ->decimal(),
                $row->customer,
                $row->document,
                $row->reference,
                $row->source,
            ]);
        }
        $this->note($rows->pluck('voucher_id')->unique()->all());

        return $csv;
    }

    /** @return Collection<int, stdClass> what was posted here, voucher by voucher */
    private function postings(?string $since): Collection
    {
        return DB::table('postings')
            ->join('vouchers', 'vouchers.id', '=', 'postings.voucher_id')
            ->join('accounts', 'accounts.id', '=', 'postings.account_id')
            ->when($since !== null, static fn ($query) => $query->where('vouchers.date', '>=', $since))
            ->orderBy('vouchers.id')
            ->orderBy('postings.id')
            ->get([
                'vouchers.id as voucher_id',
                'vouchers.number',
                'vouchers.date',
                'vouchers.text',
                'accounts.account',
                'postings.description',
                'postings.base',
                'postings.currency',
                'postings.currency_amount',
                'postings.customer',
                'postings.document',
                'postings.reference',
                'postings.source',
            ]);
    }

    public function items(?string $since): string
    {
        $csv = CsvWriter::line([
            'document',
            'kind',
            'customer',
            'date',
            'due_date',
            'currency',
            'amount',
            'base_amount',
            'side',
            'reference',
            'control_account',
            'entry',
        ]);
        $rows = DB::table('items')
            ->join('customers', 'customers.id', '=', 'items.customer_id')
            ->join('accounts', 'accounts.id', '=', 'items.control_account_id')
            ->whereNotNull('items.voucher_id')
            ->when($since !== null, static fn ($query) => $query->where('items.date', '>=', $since))
            ->orderBy('items.id')
            ->get(['items.*', 'customers.customer', 'accounts.account']);
        foreach ($rows as $row) {
            $csv .= CsvWriter::line([
                $row->document,
                $row->kind,
                $row->customer,
                $row->date,
                $row->due_date,
                $row->currency,
                Money::ofMinor($row->amount, $row->currency)->decimal(),
                Money::ofMinor($row->base, $this->settings->base())->decimal(),
                $row->side,
                $row->reference,
                $row->account,
                $row->entry,
            ]);
        }

        return $csv;
    }

    /** Matches made here that stand. */
    public function matches(?string $since): string
    {
        $csv = CsvWriter::line(['date', 'debit_document', 'credit_document', 'amount']);
        $rows = DB::table('matches as m')
            ->join('items as d', 'd.id', '=', 'm.debit_item_id')
            ->join('items as c', 'c.id', '=', 'm.credit_item_id')
            ->whereNotNull('m.settlement_id')
            ->where('m.amount', '>', 0)
            ->whereNotExists(Matches::reversed(...))
            ->when($since !== null, static fn ($query) => $query->where('m.date', '>=', $since))
            ->orderBy('m.id')
            ->get(['m.date', 'd.document as debit', 'c.document as credit', 'm.amount', 'd.currency']);
        foreach ($rows as $row) {
            $csv .= CsvWriter::line([$row->date, $row->debit, $row->credit, Money::ofMinor($row->amount, $row->currency)->decimal()]);
        }

        return $csv;
    }

    /** The supplier's side of contras that stand, in the format of supplier_items.csv. */
    public function supplierItems(?string $since): string
    {
        $csv = CsvWriter::line([
            'document', 'kind', 'supplier', 'date', 'due_date', 'currency', 'amount', 'base_amount', 'open', 'reference',
        ]);
        foreach ($this->contras($since)->groupBy('document') as $bills) {
            $row = $bills->firstOrFail();
            $csv .= CsvWriter::line([
                $row->document,
                'contra',
                $row->supplier,
                $row->date,
                $row->date,
                $row->currency,
                Money::ofMinor((int) $bills->sum('amount'), $row->currency)->decimal(),
                Money::ofMinor((int) $bills->sum('base'), $this->settings->base())->decimal(),
                Money::zero($row->currency)->decimal(),
                $row->agreement,
            ]);
        }

        return $csv;
    }

    /** What contras that stand take of which bills. */
    public function supplierMatches(?string $since): string
    {
        $csv = CsvWriter::line(['date', 'bill', 'credit_document', 'amount']);
        foreach ($this->contras($since) as $row) {
            $csv .= CsvWriter::line([$row->date, $row->bill, $row->document, Money::ofMinor($row->amount, $row->currency)->decimal()]);
        }

        return $csv;
    }

    /** @return Collection<int, stdClass> each with a bill of which it takes something */
    private function contras(?string $since): Collection
    {
        return DB::table('supplier_contra_bills as b')
            ->join('supplier_contras as c', 'c.item_id', '=', 'b.item_id')
            ->join('suppliers as s', 's.id', '=', 'c.supplier_id')
            ->join('supplier_items as bill', 'bill.id', '=', 'b.supplier_item_id')
            ->join('items as i', static fn ($join) => $join->on('i.root_id', '=', 'c.item_id')->whereNull('i.superseded_at'))
            ->whereNotIn('c.item_id', DB::table('item_reversals')->select('item_id'))
            ->when($since !== null, static fn ($query) => $query->where('i.date', '>=', $since))
            ->orderBy('i.id')
            ->orderBy('bill.id')
            ->get(['i.document', 'i.date', 'i.currency', 's.supplier', 'c.agreement', 'bill.document as bill', 'b.amount', 'b.base']);
    }

    /** @param  array<int, int>  $voucherIds */
    private function note(array $voucherIds): void
    {
        if ($voucherIds === []) {
            return;
        }
        DB::transaction(function () use ($voucherIds): void {
            $export = DB::table('journal_exports')->insertGetId(['who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            foreach ($voucherIds as $voucherId) {
                DB::table('exported_vouchers')->insert(['export_id' => $export, 'voucher_id' => $voucherId]);
            }
        });
    }
}
